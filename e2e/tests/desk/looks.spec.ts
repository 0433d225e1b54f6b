import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, length, row, test } from '../../fixtures';

const VIEWS = [
  '/class',
  '/class/choir-first-draft',
  '/repertoire',
  '/repertoire/leg-lower',
  '/compare?rungs=leg-lower/bent,leg-lower/straight',
  '/edit/leg-lower/straight',
  '/audiences/returning-rowers',
  '/class/night-landing?view=levels',
  '/method',
  '/method/positions',
  '/versions?one=rowers-sixty&other=night-landing',
  '/script/choir-first-draft',
  '/teachers',
  '/cues',
  '/rehearse/night-landing',
  '/teach/night-landing',
  '/read/night-landing?teacher=ilva',
  '/tonight',
  '/taught/night-landing',
  '/series',
  '/series/bench-to-mat',
  '/series/plan',
  '/calendar?from=2027-01-11',
  '/history',
  '/shelf?series=bench-to-mat',
  '/propose',
];

/** Looked at in every test run; the others when there are minutes. */
const QUICK = ['/teach/night-landing'];

const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

for (const view of VIEWS) {
  test(`${view}: by the rules of accessibility, and in its width at 125 % text and on a phone`, {
    tag: QUICK.includes(view) ? [] : '@long',
  }, async ({ page, studio }) => {
    await page.goto(studio.address + view);
    await page.getByRole('heading').first().waitFor();
    // What lies behind a sheet is looked at where it is a view of its own.
    const sheet = page.getByRole('dialog');
    const seen = new AxeBuilder({ page }).options({ resultTypes: ['violations'] });
    const judge = (await sheet.isVisible()) ? seen.include('[role=dialog]') : seen;
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme });
      const { violations } = await judge.analyze();
      expect(violations.map(({ id, nodes }) => `${colorScheme}, ${id}: ${nodes[0]?.html}`)).toEqual([]);
    }
    const larger = await page.addStyleTag({ content: 'html { font-size: 125% }' });
    expect(await sideways(page), 'at 125 %').toBeLessThanOrEqual(0);
    await larger.evaluate((style) => (style as Element).remove());
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await sideways(page), 'on a phone').toBeLessThanOrEqual(0);
  });
}

test('two hundred blocks are timed, drawn and edited', { tag: '@long' }, async ({ page, studio }) => {
  const blocks = Array.from({ length: 200 }, (_, i) => ({
    id: `b${i + 1}`,
    exercise: i % 2 === 0 ? 'pelvis-tilt' : 'spine-wave',
    rung: i % 2 === 0 ? 'small' : 'round-level',
    mode: 'flow',
  }));
  const value = {
    id: 'long',
    name: 'Long',
    delivery: 'group',
    targetMinutes: 240,
    openingSeconds: 0,
    closingSeconds: 0,
    blocks,
  };
  await fetch(`${studio.address}/api/classes/long`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ version: 0, value }),
  });
  await page.goto(`${studio.address}/class/long`);
  await expect(page.getByRole('list').getByRole('group')).toHaveCount(200);
  const before = await length(page).textContent();
  await row(page, 200).scrollIntoViewIfNeeded();
  await page.getByLabel('Reps of block 200').fill('9');
  await expect(length(page)).not.toHaveText(before ?? '');
});

test.describe('an empty studio', () => {
  test.use({ holds: 'empty' });
  test('says in every view what to do first', async ({ page, studio }) => {
    for (const [view, words] of [
      ['/class', 'Begin with the house repertoire:'],
      ['/repertoire', 'No exercises yet'],
      ['/script', 'There is no class to speak yet.'],
      ['/series', 'No series yet.'],
      ['/class/none', 'This page does not exist'],
      ['/audiences', 'No audience yet.'],
      ['/compare', 'Choose two or three rungs'],
      ['/edit/none', 'This page does not exist'],
    ] as const) {
      await page.goto(studio.address + view);
      await expect(page.getByText(words)).toBeVisible();
    }
  });
});
