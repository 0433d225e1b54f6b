import type { BrowserContext, Page } from '@playwright/test';
import { newDatabase } from '../../database';
import { expect, saved, test } from '../../fixtures';
import { DEMO, startStudio } from '../../studio';

const LANDING = '/class/night-landing';
const name = (page: Page) => page.getByLabel('Name of the class');
const target = (page: Page) => page.getByLabel('Target, minutes');

/** What two people see of one another's work, each at an address of the studio. */
async function together(one: Page, two: Page): Promise<void> {
  await expect(target(one)).toBeVisible();
  await expect(target(two)).toBeVisible();
  await target(one).fill('37');
  await expect(target(two)).toHaveValue('37');
  await target(two).fill('36');
  await expect(target(one)).toHaveValue('36');
  // Both at once: whoever comes second is asked.
  await Promise.all([name(one).fill('Landing of one'), name(two).fill('Landing of two')]);
  const asked = (page: Page) => page.getByRole('dialog');
  await expect.poll(async () => (await asked(one).count()) + (await asked(two).count())).toBe(1);
  const later = (await asked(one).isVisible()) ? one : two;
  await asked(later).getByRole('button', { name: 'Take theirs' }).click();
  for (const page of [one, two]) await saved(page);
  await expect(name(one)).toHaveValue(await name(two).inputValue());
}

test('two people on the embedded database see each other’s changes at once, and a clash is asked', {
  tag: '@long',
}, async ({ browser, studio }) => {
  const contexts = await Promise.all([browser.newContext(), browser.newContext()]);
  const pages = (await Promise.all(contexts.map((context) => context.newPage()))) as [Page, Page];
  for (const page of pages) await page.goto(studio.address + LANDING);
  await together(...pages);
  // A second tab of one browser hears it too, and goes on hearing once the tab that listened for both is closed.
  const [one, two] = pages;
  const tab = await (contexts[0] as BrowserContext).newPage();
  await tab.goto(studio.address + LANDING);
  await expect(target(tab)).toHaveValue('36');
  for (const [minutes, close] of [
    ['41', true],
    ['42', false],
  ] as const) {
    await target(two).fill(minutes);
    await expect(target(tab)).toHaveValue(minutes);
    if (close) await one.close({ runBeforeUnload: false });
  }
  for (const context of contexts) await context.close();
});

test('so do two people on two servers over one PostgreSQL database', { tag: '@long' }, async ({ browser }) => {
  const url = await newDatabase();
  test.skip(url === null, 'PostgreSQL is not installed here');
  const env = { DATABASE_URL: String(url) };
  const first = await startStudio(DEMO, { env });
  const second = await startStudio([], { env });
  const contexts = await Promise.all([browser.newContext(), browser.newContext()]);
  const pages = (await Promise.all(contexts.map((context) => context.newPage()))) as [Page, Page];
  await pages[0].goto(first.address + LANDING);
  await pages[1].goto(second.address + LANDING);
  await together(...pages);
  for (const context of contexts) await context.close();
  for (const server of [first, second]) await server.end();
});
