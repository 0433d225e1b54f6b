import { reviewBundle } from '@warm-ladder/core/formats';
import { clock } from '@warm-ladder/core/review';
import { expect, findings, row, saved, test } from '../../fixtures';

test('everything is reached by a few letters, and the focus goes back to where it was', async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await row(page, 3).focus();
  await page.keyboard.press('Control+k');
  const sheet = page.getByRole('dialog', { name: 'Go to or do' });
  await sheet.getByRole('combobox').fill('zzz');
  await expect(sheet.getByText('Nothing of that name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await expect(row(page, 3)).toBeFocused();
  await page.keyboard.press('Control+k');
  await sheet.getByRole('combobox').fill('room card');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/room\/night-landing/);
  await expect(page).toHaveTitle(/Landing after a night shift.* · Warm Ladder/);
  await page.keyboard.press('Control+k');
  await sheet.getByRole('combobox').fill('leg ring');
  await expect(sheet.getByRole('option').first()).toHaveText(/Leg ring/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/repertoire\/leg-ring/);
  await expect(page).toHaveTitle('Repertoire · Warm Ladder');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await sheet.getByRole('combobox').fill('new class');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'New class', level: 1 })).toBeFocused();
  await expect(page).toHaveTitle('New class · Warm Ladder');
});

test('a rung goes into the open class from its ladder, and is taken back', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(row(page, 2)).toBeVisible();
  const blocks = () => page.getByRole('group', { name: /^Block \d+:/ }).count();
  const before = await blocks();
  await page.getByRole('link', { name: 'Repertoire' }).click();
  await page.getByRole('searchbox').first().fill('leg lower');
  await page.getByText('Leg lower').first().click();
  await page.getByRole('button', { name: 'Into the open class' }).first().click();
  const told = page.getByRole('status').filter({ hasText: 'Added to Landing after a night shift.' });
  await told.getByRole('link', { name: 'Open it' }).click();
  await expect.poll(blocks).toBe(before + 1);
  await page.keyboard.press('Control+z');
  await expect.poll(blocks).toBe(before);
});

test('what is deleted is said, with the way back', async ({ page, studio }) => {
  await page.goto(`${studio.address}/class`);
  await page.getByRole('button', { name: 'Delete Landing after a night shift' }).click();
  const told = page.getByRole('status').filter({ hasText: 'Deleted Landing after a night shift.' });
  await told.getByRole('button', { name: /Undo/ }).click();
  await page.getByLabel('Search the classes').fill('landing');
  await expect(page.getByRole('link', { name: /Landing after a night shift/ }).first()).toBeVisible();
  await saved(page);
});

test('two versions of a class stand beside each other, with what sets them apart', { tag: '@long' }, async ({
  page,
  studio,
  demo,
}) => {
  const { classes } = reviewBundle(demo);
  const lengths = ['night-landing', 'rowers-sixty'].map((id) => clock(classes[id]?.seconds ?? 0)).join(' ');
  await page.goto(`${studio.address}/class/night-landing`);
  await page.getByRole('link', { name: 'Set beside another' }).click();
  await page.getByLabel('The other version').selectOption('rowers-sixty');
  await expect(page.getByRole('row', { name: `Length ${lengths}` })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Blocks' }).getByText('Only in Rowers, sixty minutes')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Heat over time: / })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Share of the work in each direction: / })).toBeVisible();
  await expect(page).toHaveURL(/one=night-landing&other=rowers-sixty/);
});

test('while a class is begun, advice about its whole shape waits', { tag: '@long' }, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class`);
  await page.getByRole('button', { name: 'Empty class' }).click();
  await expect(page.getByLabel('Name of the class')).toBeVisible();
  await page.keyboard.press('a');
  await page.getByLabel('Search the repertoire').fill('leg lower');
  await page.keyboard.press('Enter');
  await expect(row(page, 1)).toBeVisible();
  await expect(findings(page).getByText('The class is being begun:')).toBeVisible();
  await expect(findings(page).getByText(/is short|under its target|empty/i)).toHaveCount(0);
  await findings(page).getByRole('button', { name: /^Show/ }).click();
  await expect(findings(page).getByText('The class is being begun:')).toBeHidden();
  await expect(findings(page).getByRole('listitem').nth(2)).toBeVisible();
});

test('a rung is replaced in every class it stands in, seen class by class, as one step', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  const standing = async (rung: string) => {
    const { classes } = await (await fetch(`${studio.address}/api/bundle`)).json();
    return classes.filter(({ blocks }: { blocks: { exercise?: string; rung?: string }[] }) =>
      blocks.some((each) => `${each.exercise}/${each.rung}` === rung),
    ).length;
  };
  const before = await standing('pelvis-tilt/small');
  expect(before).toBeGreaterThan(1);
  await page.goto(`${studio.address}/repertoire/pelvis-tilt`);
  const small = page.getByRole('dialog').locator('#small');
  await small.getByRole('button', { name: 'In every class…' }).click();
  const sheet = page.getByRole('dialog', { name: 'What should stand in its place?' });
  await sheet.getByLabel('Search the repertoire').fill('Rib breathing');
  await sheet
    .getByRole('button', { name: /^Rib breathing, Hands on the ribs/ })
    .first()
    .click();
  const outcome = page.getByRole('dialog', { name: /^Rib breathing.* instead$/ });
  await expect(outcome.getByRole('checkbox')).toHaveCount(before);
  await expect(outcome.getByText(/\d:\d\d → \d+:\d\d, \d+ → \d+ to mend/).first()).toBeVisible();
  await outcome.getByRole('checkbox').first().uncheck();
  await outcome.getByRole('button', { name: new RegExp(`^Replace it in ${before - 1} class`) }).click();
  await saved(page);
  expect(await standing('pelvis-tilt/small')).toBe(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect.poll(() => standing('pelvis-tilt/small')).toBe(before);
});
