import type { Page } from '@playwright/test';
import { expect, kept, saved, test } from '../../fixtures';

/** What a page asked of the studio, in its order. */
function asked(page: Page): string[] {
  const urls: string[] = [];
  page.on('request', (request) => {
    const { pathname, search } = new URL(request.url());
    if (pathname === '/api/studio') urls.push(pathname + search);
  });
  return urls;
}

test('a class is worked on while the rest of the studio is on its way, and all else waits for it', async ({
  context,
  studio,
}) => {
  const page = await context.newPage();
  const urls = asked(page);
  let bring = () => {};
  const held = new Promise<void>((resolve) => {
    bring = resolve;
  });
  // The whole studio is long in coming.
  await page.route(/\/api\/studio$/, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(`${studio.address}/class/night-landing`);
  await page.getByLabel('Target, minutes').fill('33');
  await saved(page);
  expect((await kept(studio.address)).classes?.find(({ id }) => id === 'night-landing')?.targetMinutes).toBe(33);
  const undo = page.getByRole('button', { name: /^Undo|^Nothing to undo/ });
  await expect(undo).toBeDisabled();
  await page.getByRole('link', { name: 'Repertoire' }).click();
  await expect(page.getByText('Opening the studio…')).toBeVisible();
  expect(urls).toEqual(['/api/studio?class=night-landing', '/api/studio']);
  bring();
  await expect(page.getByRole('main')).toContainText('Bridge');
  // It was done on another page, and that is asked first.
  await undo.click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Undo it' }).click();
  await page.getByRole('link', { name: 'Class', exact: true }).click();
  await expect(page.getByRole('main').getByRole('link', { name: /^Rowers, sixty minutes/ })).toBeVisible();
  await page.getByRole('link', { name: /^Landing after a night shift/ }).click();
  await expect(page.getByLabel('Target, minutes')).toHaveValue('30');
  // What is here stays here: nothing is asked for twice.
  expect(urls).toHaveLength(2);
});

test('where the server does not answer for the rest, that is said, and the rest comes when it does', {
  tag: '@long',
}, async ({ context, studio }) => {
  const page = await context.newPage();
  await page.route(/\/api\/studio$/, (route) => route.abort());
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(page.getByLabel('Name of the class')).toHaveValue('Landing after a night shift');
  await page.getByRole('link', { name: 'Repertoire' }).click();
  await expect(page.getByRole('heading', { name: 'The studio’s server does not answer' })).toBeVisible();
  await page.unrouteAll();
  await expect(page.getByRole('main')).toContainText('Bridge', { timeout: 10_000 });
});

test('a phone that rehearses is sent one class', async ({ context, studio }) => {
  const page = await context.newPage();
  const urls = asked(page);
  await page.goto(`${studio.address}/rehearse/bench-to-mat-1`);
  await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByRole('list', { name: 'On the breath' })).toBeVisible();
  expect(urls).toEqual(['/api/studio?class=bench-to-mat-1']);
});

test('a page that was open while the server was upgraded says so, and comes back with its work', {
  tag: '@long',
}, async ({ context, studio }) => {
  const page = await context.newPage();
  await page.goto(`${studio.address}/class/night-landing`);
  await page.getByLabel('Target, minutes').fill('31');
  await saved(page);
  const newer = page.getByRole('status').filter({ hasText: 'There is a newer version of this page' });
  await expect(newer).toBeHidden();
  // What is answered from now on is of another build, and views that were not yet fetched are gone with the old one.
  await page.route('**/api/classes/**', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, headers: { ...response.headers(), 'warm-ladder-build': 'another' } });
  });
  await page.route('**/api/changes', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, headers: { ...response.headers(), 'warm-ladder-build': 'another' } });
  });
  await page.getByLabel('Target, minutes').fill('32');
  await expect(newer).toBeVisible();
  await newer.getByRole('button', { name: 'Load it' }).click();
  await expect(page.getByLabel('Target, minutes')).toHaveValue('32');
  await expect(newer).toBeHidden();
});
