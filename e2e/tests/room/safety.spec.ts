import { EventEmitter, once } from 'node:events';
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, kept, length, openWhole, saved, test } from '../../fixtures';
import { cutOff, deaf, LANDING, name, question, WRITES } from '../../landing';

const versionOf = async (address: string, audience: string): Promise<number> =>
  ((await (await fetch(`${address}/api/audiences/${audience}`)).json()) as { version: number }).version;

const audienceOf = (page: Page) => page.getByLabel('For', { exact: true });
const classNamed = async (address: string, id: string) =>
  (await kept(address)).classes?.find((each) => each.id === id)?.name;

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
