import { repertoireFile } from '../demo';
import { chooseFile, expect, length, saved, test } from '../fixtures';

const REPERTOIRE = repertoireFile();
const bundle = (change: object) => JSON.stringify({ format: 'warm-ladder/bundle', version: 1, ...change });
const withRung = (change: object) => {
  const [first] = structuredClone(REPERTOIRE.exercises ?? []);
  Object.assign(first?.rungs[0] ?? {}, change);
  return bundle({ exercises: [first] });
};
const oneBlock = (block: object) =>
  bundle({
    classes: [
      {
        id: 'x',
        name: 'X',
        delivery: 'group',
        targetMinutes: 9,
        openingSeconds: 0,
        closingSeconds: 0,
        blocks: [block],
      },
    ],
  });

const WRONG: Array<[string, string, RegExp]> = [
  ['truncated', bundle({ classes: [] }).slice(0, 40), /The file is not whole JSON/],
  ['another format', '{"format":"sheet"}', /expected "format": "warm-ladder\/bundle"/],
  ['a newer version', bundle({ version: 9 }), /version 9, made by a newer Warm Ladder/],
  ['an unknown key', bundle({ colours: [] }), /colours.*The key “colours” is not known here/],
  ['a rung with no phases', withRung({ phases: [] }), /rungs\[0\]\.phases/],
  ['a cycle', withRung({ requires: [{ exercise: 'rib-breath', rung: 'hands-on' }] }), /go round in a circle/],
  ['a missing exercise', oneBlock({ exercise: 'none', rung: 'x', mode: 'flow' }), /There is no exercise “none”/],
  ['markup in a name', withRung({ name: '<script>alert(1)</script>' }), /found markup/],
];

test('a wrong file gets its sentence and changes nothing', async ({ page, studio }) => {
  await page.goto(`${studio.address}/class`);
  for (const [, text, sentence] of WRONG) {
    await chooseFile(page, text);
    const report = page.getByRole('dialog').getByRole('alert');
    await expect(report).toContainText('The file was not taken in; nothing has changed.');
    await expect(report).toContainText(sentence);
    await expect(page.getByRole('button', { name: 'Take it in' })).toBeDisabled();
    await page.keyboard.press('Escape');
  }
  const after = await (await fetch(`${studio.address}/api/bundle`)).json();
  expect(after.classes).toHaveLength(7);
  expect(after.exercises).toEqual(REPERTOIRE.exercises);
});

test('two tabs on one class: the later one is asked, and nothing is lost either way', async ({ context, studio }) => {
  const [one, two] = [await context.newPage(), await context.newPage()];
  for (const page of [one, two]) await page.goto(`${studio.address}/class/night-landing`);
  await one.getByLabel('Target, minutes').fill('31');
  await saved(one);
  await two.getByLabel('Name of the class').fill('Landing, softly');
  const question = two.getByRole('dialog');
  await expect(question).toContainText('“Landing, softly” was changed in another window');
  await question.getByRole('button', { name: 'Take theirs' }).click();
  await expect(two.getByLabel('Target, minutes')).toHaveValue('31');
  await expect(two.getByLabel('Name of the class')).toHaveValue('Landing after a night shift');
  await two.keyboard.press('Control+z');
  await expect(two.getByLabel('Name of the class')).toHaveValue('Landing, softly');
  await saved(two);

  await one.getByLabel('Target, minutes').fill('29');
  await one.getByRole('dialog').getByRole('button', { name: 'Keep mine' }).click();
  await saved(one);
  await two.reload();
  await expect(two.getByLabel('Target, minutes')).toHaveValue('29');
});

test('with the server away work goes on, survives a closed page, and is sent when it is back', async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(length(page)).toHaveText('28:32');
  await studio.kill();
  await page.getByLabel('Opening, seconds').fill('120');
  await expect(page.getByText('The server is away. Your work is kept in this browser')).toBeVisible();
  await page.getByLabel('Closing, seconds').fill('105');
  await expect(length(page)).toHaveText('29:32');

  // Opened again while it is still away: the page can't be fetched, so only what the browser kept can bring it back.
  const context = page.context();
  await page.close({ runBeforeUnload: false });
  await studio.again();
  const back = await context.newPage();
  await back.goto(`${studio.address}/class/night-landing`);
  await expect(length(back)).toHaveText('29:32');
  await saved(back);
  const kept = await (await fetch(`${studio.address}/api/classes/night-landing`)).json();
  expect(kept.value).toMatchObject({ openingSeconds: 120, closingSeconds: 105 });
});

test('a server that comes back is found again without a reload', async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(length(page)).toHaveText('28:32');
  await studio.kill();
  await page.getByLabel('Opening, seconds').fill('100');
  await expect(page.getByText('The server is away')).toBeVisible();
  await studio.again();
  await saved(page);
});
