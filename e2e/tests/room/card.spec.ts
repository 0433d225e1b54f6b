import { expect, test } from '../../fixtures';

test('the room card of an hour is a page for every twenty blocks, with a level, its sign and who takes something else', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/rowers-sixty`);
  await page.getByRole('button', { name: 'Levels everywhere' }).click();
  await page.getByRole('button', { name: 'Offer them' }).click();
  await page.getByRole('link', { name: 'Script', exact: true }).last().click();
  await page.getByRole('link', { name: 'Room card' }).click();
  const rows = page.getByRole('row');
  await expect(rows.first()).toContainText('Main version');
  expect(await rows.count()).toBeGreaterThan(15);
  await expect(rows.nth(2)).toContainText('Move on when');
  await expect(page.getByText(/Works from heat \d+ to heat \d+/)).toBeVisible();
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)?.length).toBeLessThanOrEqual(2);
});
