import type { Page } from '@playwright/test';
import { expect, kept, openWhole, saved, test } from '../../fixtures';
import { cutOff, deaf, LANDING, name, question, WRITES } from '../../landing';

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
