import { expect, length, row, saved, stairs, test } from '../../fixtures';

const names = (page: import('@playwright/test').Page) =>
  page
    .getByRole('group', { name: /^Block \d+:/ })
    .evaluateAll((rows) => rows.map((row) => row.getAttribute('aria-label')));
const plain = (label: string | null) => label?.replace(/^Block \d+: /, '').replace(/, (chosen|carries on)/g, '');

test('several blocks are chosen by key, moved, doubled, locked, noted and removed, each as one step', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(row(page, 2)).toBeVisible();
  const before = (await names(page)).map(plain);
  await row(page, 2).focus();
  await page.keyboard.press('x');
  const bar = page.getByRole('region', { name: 'Chosen blocks' });
  await expect(bar.getByText(/^1 block, /)).toBeVisible();
  await row(page, 4).click({ modifiers: ['Control'], position: { x: 60, y: 4 } });
  await expect(bar.getByText(/^2 blocks, /)).toBeVisible();
  await bar.getByRole('button', { name: 'Move earlier' }).click();
  await expect.poll(async () => (await names(page)).map(plain).slice(0, 3)).toEqual([before[1], before[3], before[0]]);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await names(page)).map(plain)).toEqual(before);

  await bar.getByRole('button', { name: 'Duplicate' }).click();
  await expect.poll(async () => (await names(page)).length).toBe(before.length + 2);
  await page.keyboard.press('Control+z');
  await bar.getByRole('button', { name: 'Lock', exact: true }).click();
  await expect(bar.getByRole('button', { name: 'Unlock' })).toBeVisible();
  await bar.getByRole('button', { name: 'Note' }).click();
  await bar.getByLabel('Note for 2 blocks').fill('Slower than last week.');
  await bar.getByRole('button', { name: 'Keep the note' }).click();
  await saved(page);
  const kept = await (await page.request.get(`${studio.address}/api/bundle`)).json();
  const plan = kept.classes.find(({ id }: { id: string }) => id === 'night-landing');
  expect(plan.blocks.filter(({ locked, notes }: { locked?: boolean; notes?: string }) => locked && notes)).toHaveLength(
    2,
  );

  await bar.getByRole('button', { name: 'Remove' }).click();
  await expect.poll(async () => (await names(page)).length).toBe(before.length - 2);
  await expect(bar).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await names(page)).map(plain)).toEqual(before);
});

test('a block is taken by its handle and moved by keys', { tag: '@long' }, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(row(page, 1)).toBeVisible();
  const before = (await names(page)).map(plain);
  await row(page, 1).focus();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Drag block 1', exact: true })).toBeFocused();
  await page.keyboard.press('Space');
  await expect(page.getByText(/droppable area b1\b/)).toBeAttached();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/droppable area b2\b/)).toBeAttached();
  await page.keyboard.press('Space');
  await expect.poll(async () => (await names(page)).map(plain).slice(0, 2)).toEqual([before[1], before[0]]);
});

test('the stairs name the stretches of the class, are looked at closer, and stay in sight', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/choir-first-draft`);
  for (const stretch of ['warm', 'build', 'peak', 'ease']) {
    await expect(stairs(page).locator('text', { hasText: new RegExp(`^${stretch}$`) })).toBeVisible();
  }
  const width = () => stairs(page).evaluate((picture) => picture.getBoundingClientRect().width);
  const fitting = await width();
  await page.getByRole('button', { name: 'Zoom in' }).click();
  await expect.poll(width).toBeGreaterThan(fitting * 1.3);
  await page.keyboard.press('-');
  await expect.poll(width).toBeCloseTo(fitting, 0);
  const shown = await length(page).textContent();
  // On a desk the strip scrolls under the stairs, and the page does not.
  await row(page, 17).scrollIntoViewIfNeeded();
  await expect(row(page, 1)).not.toBeInViewport();
  await expect(stairs(page)).toBeInViewport({ ratio: 1 });
  expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBe(0);
  await page.setViewportSize({ width: 820, height: 800 });
  await row(page, 17).scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 400);
  await expect(page.getByText('22 findings').first()).toBeInViewport();
  await expect(page.locator('.fixed').getByText(shown ?? '')).toBeVisible();
});

test('a main version is moved along its ladder by key and by hand, and levels are offered by a press', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/night-landing?view=levels`);
  const main = page.getByRole('button', { name: /^Sitting turn, Arms crossed: the main version/ });
  await main.focus();
  await page.keyboard.press('ArrowRight');
  const moved = page.getByRole('button', { name: /^Sitting turn, Arms wide: the main version/ });
  await expect(moved).toBeVisible();
  const lower = page.getByRole('button', { name: /^Sitting turn, Arms crossed, lower/ });
  await lower.click();
  await expect(lower).toHaveAttribute('aria-pressed', 'true');
  await expect(lower).toContainText(/lower \d:\d\d/);
  const [from, to] = [await moved.boundingBox(), await lower.boundingBox()];
  if (!from || !to) throw new Error('expected both rungs in sight');
  await page.mouse.move(from.x + from.width / 2, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(main).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Back to the blocks' }).click();
  await expect(row(page, 1)).toBeVisible();
});

test('a class has a plan for running late and for when there is time, kept blocks and the rest proposed anew', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/potters-forearms`);
  const spare = page.getByRole('region', { name: 'For when there is time' });
  const kept = spare.getByRole('listitem');
  await expect(kept).toHaveCount(3);
  const before = await length(page).textContent();
  await kept
    .first()
    .getByRole('button', { name: /Put it in/ })
    .click();
  await expect(kept).toHaveCount(2);
  await expect(length(page)).not.toHaveText(before ?? '');
  await row(page, 11).scrollIntoViewIfNeeded();
  await page.getByRole('button', { name: 'Details of block 11', exact: true }).click();
  await page.getByRole('button', { name: 'For when there is time' }).click();
  await expect(kept).toHaveCount(3);
  await expect(length(page)).toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');

  // What may go is taken off, and marked again by one press.
  await row(page, 17).scrollIntoViewIfNeeded();
  await page.getByRole('button', { name: 'Details of block 17', exact: true }).click();
  await page.getByLabel('Block 17 when the class runs late').selectOption({ label: 'it stays' });
  await page.getByRole('button', { name: /^(Plan for running late|Fit it to 30:00)$/ }).click();
  const planned = page.getByRole('dialog');
  await expect(planned.getByRole('listitem').last()).toHaveText(/^May go when it runs late: /);
  await planned.getByRole('button', { name: 'Keep it' }).click();
  await row(page, 4).scrollIntoViewIfNeeded();
  await row(page, 4).focus();
  await page.keyboard.press('x');
  const rung = await row(page, 4).getByRole('combobox').first().inputValue();
  await page.getByRole('link', { name: 'Keep these, propose the rest' }).click();
  await expect(page.getByRole('heading', { name: /^The rest of / })).toBeVisible();
  await page.getByRole('button', { name: 'Propose the rest' }).click();
  await page.getByRole('button', { name: 'Take this class' }).first().click({ timeout: 60_000 });
  await expect(page).toHaveURL(/\/class\/potters-forearms$/);
  await expect(row(page, 4).getByRole('combobox').first()).toHaveValue(rung);
  await expect(spare).toBeHidden();
});
