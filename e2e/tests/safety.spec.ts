import { EventEmitter, once } from 'node:events';
import { readFile } from 'node:fs/promises';
import type { BrowserContext, Page } from '@playwright/test';
import { expect, kept, length, openWhole, saved, test } from '../fixtures';

const versionOf = async (address: string, audience: string): Promise<number> =>
  ((await (await fetch(`${address}/api/audiences/${audience}`)).json()) as { version: number }).version;

/** A class of the demo that the tests below change. */
const LANDING = '/class/night-landing';
const name = (page: Page) => page.getByLabel('Name of the class');
const WRITES = '**/api/**';
/** Nothing that this page writes arrives. */
const cutOff = (page: Page) =>
  page.route(WRITES, (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()));
/** Tabs that hear nothing of one another: a clash is no matter of luck then. */
const deaf = (context: BrowserContext) => context.route('**/api/feed*', (route) => route.abort());
const audienceOf = (page: Page) => page.getByLabel('For', { exact: true });
const question = (page: Page) => page.getByRole('dialog');
const classNamed = async (address: string, id: string) =>
  (await kept(address)).classes?.find((each) => each.id === id)?.name;

const reps = (page: Page, block: number) => page.getByLabel(`Reps of block ${block}`, { exact: true });
const cellOf = (page: Page, row: RegExp, cell: number) =>
  question(page).getByRole('row', { name: row }).getByRole('cell').nth(cell);

test('two browsers away from the server on two blocks of one class meet without a question; on one field, with one question that shows it', {
  tag: '@long',
}, async ({ browser, context, studio }) => {
  const other = await browser.newContext();
  const [one, two] = [await context.newPage(), await other.newPage()];
  for (const page of [one, two]) {
    await openWhole(page, studio.address + LANDING);
    await cutOff(page);
  }
  const away = async () => {
    for (const page of [one, two]) await expect(page.getByText('The server is away.')).toBeVisible();
  };
  const backAgain = async (page: Page) => {
    await page.unroute(WRITES);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
  };
  await reps(one, 2).fill('9');
  await reps(two, 4).fill('3');
  await name(two).fill('Landing, softly');
  await away();
  for (const page of [one, two]) {
    await backAgain(page);
    await saved(page);
  }
  const plan = (await kept(studio.address)).classes?.find(({ id }) => id === 'night-landing');
  const doseOf = (n: number) => plan?.blocks.at(n - 1);
  expect(plan?.name).toBe('Landing, softly');
  expect([doseOf(2), doseOf(4)]).toMatchObject([{ dose: { reps: 9 } }, { dose: { reps: 3 } }]);
  // What the other did is here without being asked for, and undo takes back only what was done here.
  for (const page of [one, two]) {
    await expect(question(page)).toBeHidden();
    await expect(reps(page, 2)).toHaveValue('9');
    await expect(reps(page, 4)).toHaveValue('3');
  }

  for (const page of [one, two]) await cutOff(page);
  await reps(one, 2).fill('7');
  await one.getByLabel('Target, minutes').fill('29');
  await reps(two, 2).fill('5');
  await name(two).fill('Landing, slowly');
  await away();
  await backAgain(one);
  await saved(one);
  await backAgain(two);
  await expect(question(two)).toContainText('“Landing, slowly” was changed in another window');
  await expect(question(two).getByRole('row')).toHaveCount(2);
  await expect(cellOf(two, /reps/, 0)).toHaveText('5');
  await expect(cellOf(two, /reps/, 1)).toHaveText('7');
  await question(two).getByRole('button', { name: 'Take theirs' }).click();
  await saved(two);
  await expect(reps(two, 2)).toHaveValue('7');
  await expect(name(two)).toHaveValue('Landing, slowly');
  await expect(two.getByLabel('Target, minutes')).toHaveValue('29');
  await expect(name(one)).toHaveValue('Landing, slowly');
  await two.keyboard.press('Control+z');
  await expect(reps(two, 2)).toHaveValue('5');
  await saved(two);
  await expect(reps(one, 2)).toHaveValue('5');
  await expect(one.getByLabel('Target, minutes')).toHaveValue('29');

  // Both at once, keystroke by keystroke: nobody is asked, and both end with one class.
  for (let n = 3; n < 9; n++) {
    await Promise.all([reps(one, 2).fill(String(n)), reps(two, 4).fill(String(n))]);
    await one.waitForTimeout(120 * (n % 4));
  }
  for (const page of [one, two]) {
    await page.getByLabel('Opening, seconds').focus();
    await saved(page);
    await expect(reps(page, 2)).toHaveValue('8');
    await expect(reps(page, 4)).toHaveValue('8');
    await expect(question(page)).toBeHidden();
  }
  await other.close();
});

test('two tabs on one class: whatever is chosen of one field, nothing is lost', { tag: '@long' }, async ({
  context,
  studio,
}) => {
  await deaf(context);
  const [one, two] = [await context.newPage(), await context.newPage()];
  for (const page of [one, two]) await openWhole(page, studio.address + LANDING);
  await name(one).fill('Landing of one');
  await saved(one);
  await name(two).fill('Landing, softly');
  await expect(question(two)).toContainText('“Landing, softly” was changed in another window');
  await question(two).getByRole('button', { name: 'Take theirs' }).click();
  await expect(name(two)).toHaveValue('Landing of one');
  await two.keyboard.press('Control+z');
  await expect(name(two)).toHaveValue('Landing, softly');
  // And further back through what was done here, and forward again.
  await two.keyboard.press('Control+z');
  await expect(name(two)).toHaveValue('Landing after a night shift');
  await two.keyboard.press('Control+Shift+z');
  await saved(two);
  await expect(name(two)).toHaveValue('Landing, softly');

  await name(one).fill('Landing of one, later');
  await question(one).getByRole('button', { name: 'Keep both' }).click();
  await saved(one);
  const classes = (await kept(studio.address)).classes ?? [];
  expect(classes.filter((each) => each.name.startsWith('Landing')).map((each) => each.name)).toEqual([
    'Landing, softly',
    'Landing of one, later (mine)',
  ]);

  // Two new classes made at once are two.
  for (const page of [one, two]) {
    await page.getByRole('navigation').getByRole('link', { name: 'Class' }).click();
    await page.goto(`${studio.address}/class`);
  }
  await Promise.all([one, two].map((page) => page.getByRole('button', { name: 'Empty class' }).click()));
  await Promise.all([one, two].map((page, i) => name(page).fill(`Monday of ${i}`)));
  await Promise.all([one, two].map(saved));
  const named = (await kept(studio.address)).classes?.map((each) => each.name) ?? [];
  expect(named).toEqual(expect.arrayContaining(['Monday of 0', 'Monday of 1']));
});

test('a server that comes back is found again; away, two tabs keep their own, and closed and opened all of it is sent', {
  tag: '@long',
}, async ({ context, ownStudio: studio }) => {
  test.slow();
  const [one, two] = [await context.newPage(), await context.newPage()];
  // The rest of the app is fetched while the hand rests, before it is asked for: later on a busy machine.
  const fetched = one.waitForResponse(/AudiencesView/, { timeout: 200_000 });
  let heard = Date.now();
  one.on('response', () => {
    heard = Date.now();
  });
  await one.goto(studio.address + LANDING);
  await two.goto(`${studio.address}/class/rowers-sixty`);
  await expect(length(one)).toBeVisible();
  await expect(name(two)).toBeVisible();
  await one.bringToFront();
  await (await fetched).finished();
  // What it stands on comes after it.
  await expect.poll(() => Date.now() - heard, { timeout: 60_000 }).toBeGreaterThan(2000);
  await studio.kill();
  await one.getByLabel('Opening, seconds').fill('100');
  await expect(one.getByText('The server is away')).toBeVisible();
  await studio.again();
  await saved(one);

  await studio.kill();
  await one.getByLabel('Opening, seconds').fill('120');
  await name(two).fill('Rowers of two');
  for (const page of [one, two]) {
    await expect(page.getByText('The server is away. Your work is kept in this browser')).toBeVisible();
  }
  const before = await length(one).textContent();
  await one.getByLabel('Closing, seconds').fill('135');
  await expect(length(one)).not.toHaveText(before ?? '');
  const changed = await length(one).textContent();
  // A view that was not opened before opens too.
  await one.getByRole('link', { name: 'Audiences' }).click();
  await one.getByRole('button', { name: 'New audience' }).click();
  await one.getByLabel('Name of the audience').fill('Glaze mixers');
  // No hand closes a window within the turn in which it typed: what is typed is on its way to the browser's store.
  await one.waitForTimeout(500);
  for (const page of [one, two]) await page.close({ runBeforeUnload: false });

  await studio.again();
  const back = await context.newPage();
  await back.goto(studio.address + LANDING);
  await expect(length(back)).toHaveText(changed ?? '');
  await saved(back);
  const { classes = [], audiences = [] } = await kept(studio.address);
  expect(classes.find(({ id }) => id === 'night-landing')).toMatchObject({ openingSeconds: 120, closingSeconds: 135 });
  expect(classes.map((each) => each.name)).toContain('Rowers of two');
  expect(audiences.map((each) => each.name)).toContain('Glaze mixers');
});

test('a tab that can’t send loses nothing to one that can; an answer that was lost is no conflict', {
  tag: '@long',
}, async ({ context, studio }) => {
  const [one, two] = [await context.newPage(), await context.newPage()];
  for (const page of [one, two]) await page.goto(studio.address + LANDING);
  await cutOff(one);
  await one.getByLabel('Target, minutes').fill('33');
  await expect(one.getByText('The server is away.')).toBeVisible();
  await two.goto(`${studio.address}/class/rowers-sixty`);
  await name(two).fill('Saved meanwhile');
  await saved(two);
  // A third tab, opened while the first holds work unsent: that is the first one's, and nobody is asked.
  const three = await context.newPage();
  await three.goto(studio.address + LANDING);
  await expect(three.getByLabel('Target, minutes')).toHaveValue('30');
  await saved(three);
  await one.close({ runBeforeUnload: false });
  const back = await context.newPage();
  // What it sends first arrives, and the answer does not; it tries again only after the hand has gone on.
  const hand = new EventEmitter();
  const gone = once(hand, 'went on');
  let sent = 0;
  await back.route(WRITES, async (route) => {
    if (route.request().method() === 'GET') return route.continue();
    sent += 1;
    if (sent === 1) {
      await route.fetch();
      return route.abort();
    }
    await gone;
    return route.continue();
  });
  await back.goto(studio.address + LANDING);
  await expect(back.getByLabel('Target, minutes')).toHaveValue('33');
  // The wait before it tries again grows with each failure; how long it is is not what is asked here.
  await expect.poll(() => sent, { timeout: 45_000 }).toBeGreaterThan(1);
  await back.getByLabel('Target, minutes').fill('34');
  hand.emit('went on');
  await saved(back);
  await expect(question(back)).toBeHidden();
  expect((await kept(studio.address)).classes?.find(({ id }) => id === 'night-landing')?.targetMinutes).toBe(34);
});

test('a refused document is named, goes back to what is saved, and stops no other', async ({ context, studio }) => {
  await deaf(context);
  const two = await context.newPage();
  await openWhole(two, studio.address + LANDING);
  await expect(name(two)).toBeVisible();
  const audience = (await kept(studio.address)).audiences?.find(({ id }) => id === 'visitors');
  expect(audience).toBeDefined();
  // One takes an audience away that nobody names yet; the other, not knowing, gives it to a class.
  await fetch(`${studio.address}/api/audiences/visitors?version=${await versionOf(studio.address, 'visitors')}`, {
    method: 'DELETE',
  });
  await audienceOf(two).selectOption('visitors');
  const alert = two.getByRole('alert');
  await expect(alert).toContainText('“Landing after a night shift” is not saved. There is no audience “visitors”.');
  await two.goto(`${studio.address}/class/rowers-sixty`);
  await name(two).fill('Saved all the same');
  await expect.poll(() => classNamed(studio.address, 'rowers-sixty')).toBe('Saved all the same');
  await expect(alert).toContainText('is not saved');
  await alert.getByRole('button', { name: 'Go back to what is saved' }).click();
  await saved(two);
  await expect(alert).toBeHidden();
});

test('a sequence that was valid in the hand arrives, though each step alone would be refused', {
  tag: '@long',
}, async ({ page, studio }) => {
  await cutOff(page);
  await page.goto(`${studio.address}/audiences/returning-rowers`);
  await page.getByLabel('Name of the audience').fill('Rowers of old');
  await page.getByRole('navigation').getByRole('link', { name: 'Class' }).click();
  await page.getByLabel('Search the classes').fill('back in the boat');
  await page.getByRole('link', { name: 'Back in the boat: breath under load' }).first().click();
  await audienceOf(page).selectOption('');
  await page.getByRole('link', { name: 'Audiences' }).click();
  await page.getByRole('link', { name: 'Rowers of old' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.unroute(WRITES);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await saved(page);
  expect((await kept(studio.address)).audiences?.map(({ id }) => id)).not.toContain('returning-rowers');
});

test('a browser that keeps nothing says so, and hands the work over as a file', { tag: '@long' }, async ({
  browser,
  studio,
}) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('forbidden', 'SecurityError');
    };
  });
  await cutOff(page);
  await page.goto(studio.address + LANDING);
  await name(page).fill('Only here');
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('this browser can keep nothing');
  const downloading = page.waitForEvent('download');
  await alert.getByRole('button', { name: 'save it as a file' }).click();
  const file = JSON.parse(await readFile((await (await downloading).path()) ?? '', 'utf8'));
  expect(file.classes.map((each: { name: string }) => each.name)).toEqual(['Only here']);
  await context.close();
});

test('what an older version left in the browser, and another studio’s work, stop nothing', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(studio.address + LANDING);
  const id = ((await (await fetch(`${studio.address}/api/studio`)).json()) as { studio: string }).studio;
  await page.evaluate((own) => {
    for (const text of ['null', '{"base":1}', '{"base":1,"at":1,"value":{"id":"x","title":"Old"}}']) {
      localStorage.setItem(`warm-ladder/unsent/${own}/classes/x${text.length}/gone`, text);
    }
    localStorage.setItem('warm-ladder/unsaved', '{"classes/x":null}');
    localStorage.setItem('warm-ladder/unsent/elsewhere/classes/y/gone', '{"base":0,"at":1,"value":{"id":"y"}}');
  }, id);
  await page.reload();
  await expect(name(page)).toBeVisible();
  await saved(page);
  expect((await kept(studio.address)).classes).toHaveLength(34);
  // The menu counts what was set aside when it is opened: opened again until all of it is.
  await expect(async () => {
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Studio', exact: true }).click();
    await expect(page.getByRole('menuitem', { name: /Ways back… 4 set aside/ })).toBeVisible({ timeout: 2_000 });
  }).toPass();
  expect(await page.evaluate(() => localStorage.getItem('warm-ladder/unsent/elsewhere/classes/y/gone'))).not.toBeNull();
});
