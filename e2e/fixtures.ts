import { test as base, expect, type Page } from '@playwright/test';
import { type RunningStudio, startStudio } from './studio';

/** A test with a studio of its own: the demo's, or (with `bundles: []`) an empty one. */
export const test = base.extend<{ bundles: readonly string[] | undefined; studio: RunningStudio }>({
  bundles: [undefined, { option: true }],
  studio: async ({ bundles }, use) => {
    const studio = await startStudio(bundles);
    await use(studio);
    await studio.end();
  },
});
export { expect };

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
export const length = (page: Page) => page.getByLabel('Length', { exact: true });
export const findings = (page: Page) => page.getByRole('region', { name: 'Findings' });
export const row = (page: Page, block: number) => page.locator(`#block-${block - 1}`);

/** Opens the Studio menu's import with a file, up to its report. */
export async function chooseFile(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Studio' }).click();
  await page.getByRole('menuitem', { name: 'Import a file…' }).click();
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'file.json', mimeType: 'application/json', buffer: Buffer.from(text) });
}
