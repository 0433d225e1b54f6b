import { expect, findings, saved, test } from '../../fixtures';

test('a school is tried on a class, seen beside the method as it is, taken, and undone', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/method?class=choir-first-draft`);
  const schools = page.getByRole('region', { name: 'Schools' });
  await expect(schools.getByText(/\d more found/).first()).toBeVisible();
  await schools.getByLabel('Only try answers').check();
  await schools.getByRole('radio', { name: /^squeezed/ }).check();
  const both = page.getByRole('region', { name: 'Two methods on one class' });
  await expect(both.getByRole('row', { name: /Score/ })).toBeVisible();
  await expect(both.getByText(/the house squeezes it/).first()).toBeVisible();
  await both.getByRole('button', { name: 'Take the tried one' }).click();
  await expect(schools.getByRole('group', { name: 'Seat and pelvic floor are squeezed.' })).toBeVisible();
  await saved(page);
  await page.goto(`${studio.address}/script/choir-first-draft`);
  await expect(page.getByRole('region', { name: 'What is said' })).toBeVisible();
  const more = page.getByRole('button', { name: /^\d+ more$/ });
  if (await more.isVisible()) await more.click();
  await expect(page.getByText(/the house squeezes it/).first()).toBeVisible();
  await page.goto(`${studio.address}/method`);
  await expect(schools.getByRole('radio', { name: /^squeezed/ })).toBeChecked();
  await page.keyboard.press('Control+z');
  await expect(schools.getByRole('radio', { name: /^soft and wide/ })).toBeChecked();
});

test('a method from a file is compared; a file without one is refused in a sentence', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/method?class=choir-first-draft`);
  const choose = page.getByLabel('Compare with a file');
  const file = (text: string) => ({ name: 'other.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await choose.setInputFiles(file('{"classes": []}'));
  await expect(page.getByRole('alert')).toHaveText(/other.json: No method is in it; expected/);
  await choose.setInputFiles(file('{"version": 2, "method": {"secondsPerCount": "slow"}}'));
  await expect(page.getByRole('alert')).toHaveText(/method.secondsPerCount: /);
  await choose.setInputFiles(file('{"version": 2, "method": {"secondsPerCount": 1.5}}'));
  const both = page.getByRole('region', { name: 'Two methods on one class' });
  await expect(both.getByRole('row', { name: /^Length/ })).toBeVisible();
  await both.getByRole('button', { name: 'Leave it' }).click();
  await expect(both).toBeHidden();
});

test('a way between positions takes other seconds, and a position of one’s own is added, used and kept', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/method/positions`);
  const way = page.getByLabel('The shortest way');
  await expect(way).toHaveText('15 s, through seated');
  await page.getByLabel('standing to seated, seconds').fill('30');
  await expect(way).not.toHaveText('15 s, through seated');
  await page.getByRole('button', { name: 'standing to seated, seconds: back to where it started' }).click();
  await expect(way).toHaveText('15 s, through seated');
  await page.getByRole('button', { name: 'Add a position' }).click();
  await page.getByLabel('Name of the position').last().fill('on the kiln bench');
  await page.getByLabel('on the kiln bench is like').selectOption('seated');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the position').last()).toHaveValue('on the kiln bench');
  await expect(page.getByRole('button', { name: 'Remove on the carriage' })).toBeDisabled();
  await page.getByRole('button', { name: 'Remove on the kiln bench' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the position').last()).not.toHaveValue('on the kiln bench');
});

test('a limit of an audience’s own is set, and the review of its classes goes by it', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/audiences/choir`);
  await page.getByText('Limits of their own').click();
  const longest = page.getByLabel('Longest block');
  await longest.fill('60');
  await saved(page);
  await page.goto(`${studio.address}/class/choir-first-draft`);
  await expect(
    findings(page)
      .getByText(/a block longer than 1 min loses the room/)
      .first(),
  ).toBeVisible();
});
