import type { Page } from '@playwright/test';
import { expect, kept, saved, test } from '../../fixtures';

const LANDING = '/class/night-landing';
const name = (page: Page) => page.getByLabel('Name of the class');
const target = (page: Page) => page.getByLabel('Target, minutes');
const undo = (page: Page) => page.getByRole('button', { name: /^Undo/ });
const redo = (page: Page) => page.getByRole('button', { name: /^Redo/ });

test('edited while the server is away and closed: what can be is kept, what is refused is named, undo goes back through all', {
  tag: '@long',
}, async ({ context, ownStudio: studio }) => {
  const first = await context.newPage();
  await first.goto(`${studio.address}/class/rowers-sixty`);
  await expect(name(first)).toBeVisible();
  await studio.kill();
  const audience = first.getByLabel('For', { exact: true });
  await audience.selectOption('visitors');
  await name(first).fill('Rowers on ice');
  await expect(first.getByText('The server is away. Your work is kept in this browser')).toBeVisible();
  await first.close({ runBeforeUnload: false });

  await studio.again();
  const found = (await (await fetch(`${studio.address}/api/audiences/visitors`)).json()) as { version: number };
  const gone = await fetch(`${studio.address}/api/audiences/visitors?version=${found.version}`, {
    method: 'DELETE',
  });
  expect(gone.status).toBe(200);

  const back = await context.newPage();
  await back.goto(studio.address + LANDING);
  const alert = back.getByRole('alert');
  await expect(alert).toContainText('“Rowers on ice” is not saved. There is no audience “visitors”.');
  await target(back).fill('33');
  await expect
    .poll(async () => (await kept(studio.address)).classes?.find(({ id }) => id === 'night-landing')?.targetMinutes)
    .toBe(33);
  await back.reload();
  await expect(alert).toContainText('“Rowers on ice” is not saved');

  await undo(back).click();
  await expect(target(back)).toHaveValue('30');
  // The next step was done on another page: it asks, says where, and shows it.
  await undo(back).click();
  const question = back.getByRole('alertdialog');
  await expect(question).toContainText('not on this page');
  await expect(question).toContainText('in “Rowers on ice”');
  await question.getByRole('button', { name: 'Leave it' }).click();
  expect((await kept(studio.address)).classes?.find(({ id }) => id === 'rowers-sixty')?.name).not.toBe('Rowers on ice');
  await back.keyboard.press('Control+z');
  await expect(question.getByRole('button', { name: 'Undo it' })).toBeFocused();
  await back.keyboard.press('Enter');
  const notice = back.getByRole('status').filter({ hasText: 'Undone' });
  await expect(notice).toContainText('in “Rowers, sixty minutes”');
  await notice.getByRole('link', { name: 'Show it' }).click();
  await expect(name(back)).toHaveValue('Rowers, sixty minutes');
  await expect(notice).toBeHidden();
  await undo(back).click();
  await expect(back.getByRole('combobox').first()).not.toHaveValue('visitors');
  await expect(undo(back)).toBeDisabled();
  await saved(back);
  await back.reload();
  await redo(back).click();
  await redo(back).click();
  await expect(name(back)).toHaveValue('Rowers on ice');
});

test('what was changed is listed with the way back to each, which is undone like anything else', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/night-landing`);
  const opening = page.getByLabel('Opening, seconds');
  const before = await opening.inputValue();
  await opening.fill('77');
  await saved(page);
  await page.getByRole('button', { name: 'Studio' }).click();
  await page.getByRole('menuitem', { name: 'What was changed here' }).click();
  const row = page.getByRole('listitem').filter({ hasText: `opening seconds: ${before} → 77` });
  await page.getByLabel('Search what was changed').fill('opening 77');
  await expect(page.getByText(/^1 change of the \d+ read so far$/)).toBeVisible();
  await row.getByText('Before and after').click();
  await expect(row.getByRole('figure')).toHaveCount(2);
  await page.getByLabel('Search what was changed').fill('');
  await row.getByRole('button', { name: /^As it was before/ }).click();
  await expect(page.getByRole('listitem').filter({ hasText: `opening seconds: 77 → ${before}` })).toBeVisible();
  await row.getByRole('link').click();
  await expect(opening).toHaveValue(before);
  await page.keyboard.press('Control+z');
  await expect(opening).toHaveValue('77');
});
