import { expect, findings, length, row, saved, test } from '../../fixtures';

test('dragging a tile reorders, dragging a tread changes its reps, and a remedy mends', async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/choir-first-draft`);
  const handle = page.getByRole('button', { name: 'Drag block 2' });
  const from = await handle.boundingBox();
  const to = await row(page, 1).boundingBox();
  if (!from || !to) throw new Error('the tiles are not drawn');
  await page.mouse.move(from.x + 30, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(from.x + 10, from.y + 34, { steps: 4 });
  await page.mouse.move(to.x + 20, to.y + 50, { steps: 6 });
  await page.mouse.up();
  await expect(row(page, 1)).toContainText('Standing side bow');

  await expect(page.getByLabel('Reps of block 1', { exact: true })).toHaveValue('5');
  const tread = await page.locator('[data-grip="1"]').boundingBox();
  if (!tread) throw new Error('the stairs are not drawn');
  await page.mouse.move(tread.x + 1, tread.y + 8);
  await page.mouse.down();
  await page.mouse.move(tread.x + 60, tread.y + 8, { steps: 5 });
  const reps = Number(await page.getByLabel('Reps of block 1', { exact: true }).inputValue());
  expect(reps).toBeGreaterThan(8);
  await page.mouse.up();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Reps of block 1', { exact: true })).toHaveValue('5');

  const uneven = findings(page).getByText('Side leg lift works the left side');
  await expect(uneven).toBeVisible();
  const finding = findings(page).getByRole('listitem').filter({ hasText: 'Side leg lift works the left side' });
  await finding.getByRole('button', { name: 'How to mend it' }).click();
  await finding.getByRole('button', { name: 'Side leg lift, Knees bent: both sides' }).click();
  await expect(uneven).toBeHidden();
  await saved(page);
  await page.reload();
  await expect(uneven).toBeHidden();
});

test('a class is mended whole or as far as a step, fitted to its length, and either is undone as one', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/choir-first-draft`);
  const before = await length(page).textContent();
  const heading = (text: string | RegExp) => findings(page).getByRole('heading', { name: text });
  await expect(heading('22 findings')).toBeVisible();
  await page.getByRole('button', { name: 'Mend all' }).click();
  const sheet = page.getByRole('dialog', { name: 'Mend all' });
  const mended = sheet.getByRole('region', { name: 'Mended' });
  await expect(mended.getByText(/Stop 0/)).toBeVisible();
  await expect(mended.getByText(/Fix 0/)).toBeVisible();
  await sheet.getByRole('radio').nth(2).check();
  await expect(sheet.getByRole('region', { name: /After 3 of / })).toBeVisible();
  await sheet.getByRole('button', { name: 'Take the first 3' }).click();
  await expect(length(page)).not.toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await expect(heading('22 findings')).toBeVisible();
  await expect(length(page)).toHaveText(before ?? '');

  await page.getByLabel('Target, minutes').fill('42');
  await page.getByRole('button', { name: 'Fit it to 42:00' }).click();
  const fitted = page.getByRole('dialog', { name: /→ 4[012]:/ });
  await expect(fitted.getByRole('listitem').first()).toHaveText(/ \d+ instead of \d+$|no rest|taught before/);
  await fitted.getByRole('button', { name: 'Undo it' }).click();
  await expect(length(page)).toHaveText(before ?? '');
});

test('what is added is ranked for the place, found by everyday words, and shown on the stairs before it is taken', async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/choir-first-draft`);
  await page.getByRole('button', { name: 'Add from the repertoire' }).click();
  const panel = page.getByRole('region', { name: 'Add from the repertoire' });
  const rows = panel.getByRole('list').first().getByRole('button');
  await expect(rows.first()).toContainText('standing');
  await expect(rows.first()).toContainText(/to mend, \+\d/);
  await expect(findings(page)).toBeVisible();
  const ghost = page.getByRole('img', { name: /The class as stairs/ }).locator('g.stroke-heat-3');
  await rows.nth(2).hover();
  await expect(ghost).toBeAttached();
  await page.getByLabel('Search the repertoire').fill('squat');
  await expect(rows.first()).toContainText(/Sit back and rise|Bend and stand|Wall slide/);
  await expect(panel.getByText(/that this room can’t do, and why/)).toBeVisible();
  const blocks = page.locator('[id^=block-]');
  const before = await blocks.count();
  await page.getByLabel('Search the repertoire').press('Enter');
  await expect(blocks).toHaveCount(before + 1);
  await page.getByRole('button', { name: 'Done adding' }).click();
  await expect(ghost).not.toBeAttached();
});

test('levels are offered everywhere in one step, with the time they cost', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/rowers-sixty`);
  const before = await length(page).textContent();
  await page.getByRole('button', { name: 'Levels everywhere' }).click();
  const sheet = page.getByRole('dialog', { name: /levels to offer/ });
  await expect(sheet.getByText(/Saying them takes/)).toBeVisible();
  expect(await sheet.getByRole('listitem').count()).toBeGreaterThan(20);
  await sheet.getByRole('button', { name: 'Offer them' }).click();
  await expect(length(page)).not.toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await expect(length(page)).toHaveText(before ?? '');
});

test('details: options, sides, a run, tempo and rest each change the length', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/rowers-sixty`);
  const changes = async (act: () => Promise<unknown>) => {
    const before = await length(page).textContent();
    await act();
    await expect(length(page)).not.toHaveText(before ?? '');
  };
  const open = async (block: number) => {
    await row(page, block).scrollIntoViewIfNeeded();
    await page.getByRole('button', { name: `Details of block ${block}`, exact: true }).click();
  };
  const details = (block: number) => page.getByRole('region', { name: `Details of block ${block}`, exact: true });
  await open(6);
  await changes(() => details(6).getByRole('checkbox', { name: 'upper With hand weights' }).check());
  await changes(() => page.getByLabel('Rest after block 6').fill('25'));
  await changes(() => page.getByLabel('Seconds per count of block 6').fill('1.5'));
  await open(25);
  await changes(() => details(25).getByRole('checkbox', { name: 'one side together' }).uncheck());
  await changes(() => page.getByLabel('Sides of block 25').selectOption('left'));
  await expect(findings(page).getByText('Side beam works the left side')).toBeVisible();
});

test('a number that can’t be is said, changes nothing, and stays until it is mended', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/class/night-landing`);
  const before = await length(page).textContent();
  const reps = page.getByLabel('Reps of block 1', { exact: true });
  const kept = await reps.inputValue();
  for (const [typed, sentence] of [
    ['0', 'Expected 1 to 200.'],
    ['10000', 'Expected 1 to 200.'],
    ['2.5', 'Expected a whole number, 1 to 200.'],
    ['', 'Expected a number, 1 to 200.'],
  ] as const) {
    await reps.fill(typed);
    await expect(page.getByRole('alert')).toHaveText(sentence);
    await expect(length(page)).toHaveText(before ?? '');
  }
  // Half of it was a right number for a moment; it is said until it is mended, and Escape puts back what stood there.
  await reps.fill('');
  await reps.pressSequentially('9999');
  await expect(reps).toHaveAccessibleDescription('Expected 1 to 200.');
  await expect(length(page)).toHaveText(before ?? '');
  await reps.blur();
  await expect(page.getByRole('alert')).toHaveText('Expected 1 to 200.');
  await reps.press('Escape');
  await expect(reps).toHaveValue(kept);
  await page.getByLabel('Name of the class').fill('<b>Bold</b>');
  await expect(page.getByRole('alert')).toContainText('found markup');
});

test('the map and the search filter the ladders, and a ladder opens', { tag: '@long' }, async ({ page, studio }) => {
  await page.goto(`${studio.address}/repertoire`);
  await page.getByRole('button', { name: /^plank, rotation: 4 rungs/ }).click();
  await expect(page.getByRole('status').filter({ hasText: '1 ladder, 4 rungs' })).toBeVisible();
  await page.getByRole('button', { name: 'Show every cell' }).click();
  await page.getByLabel('Search the repertoire').fill('supine flexion head');
  await expect(page.getByRole('link', { name: 'Chest lift', exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Plank turn' })).toBeHidden();
  await page.getByRole('link', { name: 'Scissor switch', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Six switches each side with the pelvis still');
  const lowest = sheet.getByRole('heading', { name: /^Head down/ });
  await expect(lowest).not.toBeInViewport();
  await sheet
    .getByRole('navigation', { name: 'Rungs' })
    .getByRole('link', { name: /^Head down/ })
    .click();
  await expect(lowest).toBeInViewport();
});
