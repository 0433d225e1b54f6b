import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { repertoireFile } from '../../demo';
import { chooseFile, expect, findings, length, row, saved, takeIn, test } from '../../fixtures';
import { ROOT } from '../../studio';

const REPERTOIRE = JSON.stringify(repertoireFile());
const EIGHT = [
  'Rib breathing hands',
  'Knee float one knee',
  'Leg lower bent',
  'Leg lower straight',
  'Side leg lift knees bent',
  'Front lift forehead',
  'Spine wave round and level',
  'Opposite reach slide',
];

/** What is read here of a class's headless review. */
interface Reviewed {
  readonly seconds: number;
  readonly parts: Record<string, number>;
}

test.use({ holds: 'empty' });

test('from an empty studio to a class that survives export, wipe and import', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(studio.address);
  await chooseFile(page, REPERTOIRE);
  await takeIn(page);

  await page.getByRole('button', { name: 'Empty class' }).click();
  await page.getByLabel('Name of the class').fill('Eight on Tuesday');
  await page.getByRole('button', { name: 'Add from the repertoire' }).click();
  for (const [i, words] of EIGHT.entries()) {
    await page.getByLabel('Search the repertoire').fill(words);
    await page.getByLabel('Search the repertoire').press('Enter');
    await expect(page.locator(`#block-${i}`)).toBeAttached();
  }
  await page.keyboard.press('Escape');
  await expect(page.getByRole('list').getByRole('group')).toHaveCount(8);

  // By keyboard: the straight leg lower climbs above its requirement, which the review must notice, and back.
  const unmet = findings(page).getByText(
    'Leg lower, Straight, one foot down comes before people have learnt Leg lower, Bent, one foot down',
  );
  await expect(unmet).toBeHidden();
  await row(page, 4).focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(row(page, 3)).toContainText('Leg lower');
  await expect(row(page, 3)).toBeFocused();
  await expect(unmet).toBeVisible();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(unmet).toBeHidden();

  // A dose too long for its block, seen at once and mended.
  const before = await length(page).textContent();
  await page.getByLabel('Reps of block 1').fill('60');
  await expect(findings(page).getByText('Rib breathing, Hands on the ribs lasts 8 min')).toBeVisible();
  await expect(length(page)).not.toHaveText(before ?? '');
  await page.getByLabel('Reps of block 1').fill('5');
  await expect(findings(page).getByText('Rib breathing, Hands on the ribs lasts')).toBeHidden();
  await expect(length(page)).toHaveText(before ?? '');

  // Undo twice: the dose as one step, then the move.
  await page.getByLabel('Sets of block 2').fill('3');
  await page.getByLabel('Mode of block 2').selectOption('flow');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Mode of block 2')).toHaveValue('teach');
  await expect(page.getByLabel('Sets of block 2')).toHaveValue('1');
  await expect(length(page)).toHaveText(before ?? '');

  await page.getByRole('link', { name: 'Script' }).last().click();
  await expect(page.getByLabel('Running time')).toHaveText(before ?? '');
  await expect(page.getByText('Breathe in and widen your ribs into both palms.')).toBeVisible();
  await saved(page);

  await page.getByRole('button', { name: 'Studio', exact: true }).click();
  const downloading = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Export the studio' }).click();
  const file = await (await downloading).path();
  const review = spawnSync(process.execPath, [join(ROOT, 'server/dist/review.js'), file], { cwd: ROOT });
  const [reviewed] = Object.values<Reviewed>(JSON.parse(review.stdout.toString()).classes);
  if (!reviewed) throw new Error('the class was not reviewed');
  const sum = Object.values<number>(reviewed.parts).reduce((a, b) => a + b, 0);
  expect(sum).toBeCloseTo(reviewed.seconds, 6);
  const minutes = Math.floor(Math.round(reviewed.seconds) / 60);
  expect(before).toBe(`${minutes}:${String(Math.round(reviewed.seconds) % 60).padStart(2, '0')}`);

  await page.getByRole('button', { name: 'Studio', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Empty the studio…' }).click();
  await page.getByLabel('Type “empty” to go on').fill('empty');
  await page.getByRole('button', { name: 'Empty it' }).click();
  await page.getByRole('navigation').getByRole('link', { name: 'Class' }).click();
  await expect(page.getByRole('heading', { name: 'A new studio' })).toBeVisible();

  await chooseFile(page, readFileSync(file, 'utf8'));
  await takeIn(page);
  await page.getByRole('link', { name: 'Eight on Tuesday' }).first().click();
  await expect(length(page)).toHaveText(before ?? '');
  await expect(page.getByRole('list').getByRole('group')).toHaveCount(8);
});
