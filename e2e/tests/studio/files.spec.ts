import { emptyBundle } from '@warm-ladder/core/formats';
import { repertoireFile } from '../../demo';
import { chooseFile, expect, fromMenu, kept, saved, takeIn, test } from '../../fixtures';
import { DEMO } from '../../studio';

const REPERTOIRE = repertoireFile();
const bundle = (change: object) => JSON.stringify({ ...emptyBundle(), ...change });
const withRung = (change: object) => {
  const [first] = structuredClone(REPERTOIRE.exercises ?? []);
  Object.assign(first?.rungs[0] ?? {}, change);
  return bundle({ exercises: [first] });
};
const oneClass = (id: string, name: string, ...blocks: object[]) => ({
  id,
  name,
  delivery: 'group',
  targetMinutes: 9,
  openingSeconds: 0,
  closingSeconds: 0,
  blocks,
});
const oneBlock = (block: object) => bundle({ classes: [oneClass('x', 'X', block)] });

const WRONG: Array<[string, string, RegExp]> = [
  ['truncated', bundle({ classes: [] }).slice(0, 40), /The file is not whole JSON/],
  ['another format', '{"format":"sheet"}', /expected "format": "warm-ladder\/bundle"/],
  ['a newer version', bundle({ version: 9 }), /version 9, made by a newer Warm Ladder/],
  ['an unknown key', bundle({ colours: [] }), /colours.*The key “colours” is not known here/],
  ['a rung with no phases', withRung({ phases: [] }), /rungs\[0\]\.phases/],
  ['a cycle', withRung({ requires: [{ exercise: 'rib-breath', rung: 'hands-on' }] }), /go round in a circle/],
  [
    'a missing exercise',
    oneBlock({ id: 'b1', exercise: 'none', rung: 'x', mode: 'flow' }),
    /There is no exercise “none”/,
  ],
  ['markup in a name', withRung({ name: '<script>alert(1)</script>' }), /found markup/],
];

test('a wrong file gets its sentence and changes nothing', { tag: '@long' }, async ({ page, studio }) => {
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
  expect(after.classes).toHaveLength(34);
  expect(after.exercises).toEqual(REPERTOIRE.exercises);
});

test('an import and an emptying can be undone, and every copy can be brought back', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await page.getByLabel('Name of the class').fill('Before the file');
  await saved(page);
  const file = bundle({ classes: [{ ...oneClass('night-landing', 'From the file') }] });
  await chooseFile(page, file);
  await takeIn(page);
  await expect(page.getByLabel('Name of the class')).toHaveValue('From the file');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Name of the class')).toHaveValue('Before the file');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Name of the class')).toHaveValue('Landing after a night shift');
  await saved(page);

  await fromMenu(page, 'Empty the studio…');
  await page.getByLabel('Type “empty” to go on').fill('empty');
  await page.getByRole('button', { name: 'Empty it' }).click();
  await expect(page.getByText('This page does not exist')).toBeVisible();
  expect((await kept(studio.address)).classes).toEqual([]);
  await fromMenu(page, 'Ways back…');
  const first = page.getByRole('list', { name: 'Copies' }).getByRole('listitem').first();
  await expect(first).toContainText('before it was emptied');
  await expect(first).toContainText('150 ladders, 34 classes, 3 series');
  await first.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByLabel('Name of the class')).toHaveValue('Landing after a night shift');
  expect((await kept(studio.address)).classes).toHaveLength(34);
  // Undo reaches a copy that was brought back, too.
  await page.keyboard.press('Control+z');
  await expect(page.getByText('This page does not exist')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Name of the class')).toHaveValue('Landing after a night shift');
  await saved(page);
});

test('files that need one another are taken in together, in any order; one that is wrong is named', {
  tag: '@long',
}, async ({ page, server }) => {
  await fetch(`${server.address}/api/bundle?mode=replace`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: bundle({}),
  });
  await page.goto(`${server.address}/repertoire`);
  const house = DEMO.filter((file) => file.includes('/house/')).reverse();
  const chosen = page.getByLabel('File to import');
  const file = (name: string, text: string) => ({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await fromMenu(page, 'Import a file…');
  await chosen.setInputFiles([file('good.json', bundle({})), file('bad.json', bundle({ colours: [] }))]);
  await expect(page.getByRole('alert')).toContainText('bad.json: colours');
  await chosen.setInputFiles([file('good.json', bundle({})), file('half.json', '{')]);
  await expect(page.getByRole('alert')).toContainText('half.json is not whole JSON');
  // How far it is stands beside the button, wherever the list above has been scrolled to.
  await page.route('**/api/bundle?*rehearse=false*', async (route) => {
    await expect(page.getByText(/^Reading \d files…$/)).toBeInViewport();
    await route.continue();
  });
  // One by one, the last first: refused until what it needs is there too.
  const [last = '', ...others] = house;
  await chosen.setInputFiles(last);
  await expect(page.getByRole('alert')).toContainText('The file was not taken in');
  await page.getByLabel('And one it needs…').setInputFiles(others);
  await expect(page.getByRole('list', { name: 'Read together' }).getByRole('listitem')).toHaveCount(house.length + 1);
  await takeIn(page);
  expect((await kept(server.address)).exercises).toHaveLength(150);
});
