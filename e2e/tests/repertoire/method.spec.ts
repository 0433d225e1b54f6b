import { expect, findings, length, saved, test } from '../../fixtures';

test('a house rule changed shows in every ladder and class at once, goes back to where it started, and is undone', {
  tag: '@long',
}, async ({ page, studio }) => {
  const lever = page
    .getByRole('dialog')
    .getByText(/leg lever \d+ N·m at most/)
    .first();
  await page.goto(`${studio.address}/repertoire/leg-lower`);
  const light = await lever.textContent();
  await page.goto(`${studio.address}/class/night-landing`);
  const before = (await length(page).textContent()) ?? '';

  await page.getByRole('link', { name: 'Method' }).click();
  await page.getByLabel('Reference body mass').fill('95');
  await page.getByLabel('One count').fill('1.25');
  await expect(page.getByRole('button', { name: 'Reference body mass back to 70' })).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Class', exact: true }).click();
  await page.getByRole('link', { name: 'Landing after a night shift' }).first().click();
  await expect(length(page)).not.toHaveText(before);
  await page.goto(`${studio.address}/repertoire/leg-lower`);
  await expect(lever).not.toHaveText(light ?? '');

  await page.goto(`${studio.address}/method`);
  await page.getByLabel('Head lifted at a stretch').fill('4000');
  await expect(page.getByRole('alert')).toHaveText('Expected 5 to 1800.');
  await page.getByLabel('Head lifted at a stretch').press('Escape');
  await page.getByLabel('Least rotation, percent').fill('12');
  await page.getByRole('button', { name: 'Reference body mass back to 70' }).click();
  await page.getByRole('button', { name: 'One count back to 1' }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('One count')).toHaveValue('1.25');
  await page.keyboard.press('Control+Shift+z');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Least rotation, percent')).toHaveValue('12');
  await page.goto(`${studio.address}/class/night-landing`);
  await expect(length(page)).toHaveText(before);
});

test('a rule of caution is changed with its reason, which stands beside it, and goes back to where it started', {
  tag: '@long',
}, async ({ page, studio }) => {
  const desk = `${studio.address}/class/choir-first-draft`;
  const turning = findings(page).getByText(/Low bone density: Sitting turn.*turning the spine 28°/);
  await page.goto(desk);
  await expect(turning).toBeVisible();
  await page.goto(`${studio.address}/method`);
  const rules = page.getByRole('region', { name: 'Cautions' });
  await rules.getByRole('combobox').selectOption('low-bone-density');
  await rules.getByRole('button', { name: 'Change: turning the spine, swap' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Warns above').fill('35');
  await expect(sheet.getByRole('button', { name: 'Change the rule' })).toBeDisabled();
  await sheet.getByLabel('Why the house changes it').fill('Agreed with the clinic down the road.');
  await sheet.getByRole('button', { name: 'Change the rule' }).click();
  await expect(rules.getByText('House rule: Agreed with the clinic down the road.')).toBeVisible();
  await saved(page);
  await page.goto(desk);
  await expect(
    findings(page)
      .getByText(/Low bone density, bending forward under load/)
      .first(),
  ).toBeVisible();
  await expect(turning).toBeHidden();
  await page.goto(`${studio.address}/method`);
  await rules.getByRole('button', { name: 'back to where it started' }).click();
  await saved(page);
  await page.goto(desk);
  await expect(turning).toBeVisible();
});

test('a series says who it is for and who should see someone first, and its scripts repeat it', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/series/bench-to-mat`);
  await page.getByText('Who it is for, goals, dates and places').click();
  await page.getByLabel('Who this is for').fill('Throwers with tired wrists.');
  await page.getByLabel('Ask a professional first').fill('Numb fingers: see a doctor first.');
  await saved(page);
  await page.goto(`${studio.address}/script/bench-to-mat-1`);
  await expect(page.getByText('For: Throwers with tired wrists.')).toBeVisible();
  await expect(page.getByText('Numb fingers: see a doctor first.')).toBeVisible();
  await expect(page.getByText('General movement education, not medical advice.')).toBeVisible();
});

test('a figure shows every class it finds something in, and the open one, as it is changed', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/method?class=choir-first-draft`);
  const order = page.getByRole('region', { name: 'Putting it in order' });
  const trips = order.getByRole('listitem').filter({ hasText: 'Times up from the floor to standing' });
  await expect(trips).toContainText('2 · 2 of 34 beyond');
  await order.getByLabel('Times up from the floor to standing').fill('2');
  await expect(trips).toContainText(/2 · [01] of 34 beyond/);
  const minutes = page.getByRole('region', { name: 'Teaching a block' });
  await expect(minutes).toContainText('Choir Monday, first draft (to mend): 44:07');
  await minutes.getByLabel('One count').fill('1.2');
  await expect(minutes).not.toContainText('44:07');
});
