import type { Page } from '@playwright/test';
import { expect, saved, test } from '../../fixtures';

/** Presses Tab until what has this name is held; fails where that takes more presses than anybody would make. */
async function tabTo(page: Page, name: RegExp, most = 30): Promise<void> {
  for (let pressed = 0; pressed < most; pressed++) {
    await page.keyboard.press('Tab');
    const held = await page.evaluate(() => {
      const element = document.activeElement;
      return element?.getAttribute('aria-label') ?? element?.textContent ?? '';
    });
    if (name.test(held.trim())) return;
  }
  throw new Error(`expected ${name} within ${most} presses of Tab`);
}
const held = (page: Page) => page.locator(':focus');

test('a class is made, put in order, mended and taken back by keys alone, and the hand is never lost', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class`);
  await expect(page.getByRole('heading', { name: 'Classes' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Go to or do' }).getByRole('combobox')).toBeFocused();
  await page.keyboard.type('new class');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'New class', level: 1 })).toBeFocused();

  await page.keyboard.press('a');
  await expect(page.getByRole('searchbox', { name: 'Search the repertoire' })).toBeFocused();
  for (const [i, name] of ['Rib breathing', 'Pelvis tilt', 'Leg lower', 'Knee float'].entries()) {
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('group', { name: new RegExp(`^Block ${i + 1}: ${name}`) })).toBeVisible();
  }
  const offered = page.getByRole('region', { name: 'Add from the repertoire' }).getByRole('list').first();
  await expect(offered.getByRole('button').first()).toContainText('Knee float, Second');
  // Down into the list and up again: the words are where they were.
  await page.keyboard.press('ArrowDown');
  await expect(held(page)).toHaveRole('button');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('searchbox', { name: 'Search the repertoire' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Add from the repertoire' })).toBeFocused();

  await tabTo(page, /^Block 4: Knee float/);
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('group', { name: /^Block 3: Leg lower/ })).toBeFocused();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByRole('group', { name: /^Block 4: Leg lower/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Details of block 4' })).toBeVisible();
  await tabTo(page, /^One count|^Seconds per count of block 4/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: /^Block 4: Leg lower/ })).toBeFocused();
  await tabTo(page, /^Reps of block 4/);
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('status').filter({ hasText: /^Changed the dose of Leg lower: / })).toBeAttached();
  await page.keyboard.press('Delete');

  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Go to or do' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('spinbutton', { name: 'Reps of block 4' })).toBeFocused();
  await saved(page);

  await page.goto(`${studio.address}/class/choir-first-draft`);
  await expect(page.getByRole('group', { name: /^Block 1: / })).toBeVisible();
  await tabTo(page, /^To the findings$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^How to mend it$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Ways to mend it' }).getByRole('button').first()).toBeVisible();
  const blocks = await page.getByRole('group', { name: /^Block \d+:/ }).allTextContents();
  await tabTo(page, /to mend|better score/);
  await page.keyboard.press('Enter');
  await expect(held(page)).toHaveAttribute('id', 'findings');
  await page.keyboard.press('Control+z');
  await expect.poll(() => page.getByRole('group', { name: /^Block \d+:/ }).allTextContents()).toEqual(blocks);
  await saved(page);
});

test('by names and roles alone a class is asked for, taken, read as a script and handed out', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(studio.address);
  await page.getByRole('navigation', { name: 'Working order' }).getByRole('link', { name: 'Class' }).click();
  await page.getByRole('main').getByRole('link', { name: 'Begin a class' }).click();
  await page.getByRole('combobox', { name: 'Audience' }).selectOption({ label: 'Choir singers' });
  await page.getByRole('spinbutton', { name: 'Minutes' }).fill('30');
  await page.getByRole('button', { name: 'Propose three classes' }).click();
  const first = page.getByRole('listitem', { name: 'Proposal 1' });
  await first.getByRole('button', { name: 'Take this class' }).click({ timeout: 60_000 });
  const blocks = page.getByRole('group', { name: /^Block \d+: / });
  await expect(blocks.first()).toBeVisible();
  await expect(page.getByRole('img', { name: /^The class as stairs: \d+ blocks/ })).toBeVisible();
  await expect(page.getByRole('heading', { level: 2, name: /nothing to mend|finding/i })).toBeVisible();
  const count = await blocks.count();
  await page.getByRole('main').getByRole('link', { name: 'Script' }).click();
  await expect.poll(() => page.getByRole('main').getByRole('heading').count()).toBeGreaterThan(count);
  await saved(page);
  await page.getByText('Hand it out').click();
  const page1 = page.getByRole('link', { name: /^PDF ?, For who covers it$/ });
  const [file] = await Promise.all([page.waitForEvent('download'), page1.click()]);
  expect(file.suggestedFilename()).toMatch(/\.pdf$/);
});
