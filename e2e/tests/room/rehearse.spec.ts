import { expect, saved, test } from '../../fixtures';

test('a class is rehearsed on a phone with taps, the server away in the middle, and its times are kept and shown', {
  tag: '@long',
}, async ({ context, ownStudio: studio }) => {
  const page = await context.newPage();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${studio.address}/rehearse/bench-to-mat-1`);
  const stage = page.locator('[data-stretch]');
  await expect(stage).toHaveAttribute('data-stretch', 'opening');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(stage).toHaveAttribute('data-stretch', 'b1/1');
  await expect(page.getByRole('list', { name: 'On the breath' })).toBeVisible();
  await page.getByRole('heading').click();
  await page.getByRole('heading').click();
  await expect(page.getByLabel('Where it is')).toContainText(/^2 of \d/);
  await studio.kill();
  // Two taps on “Next” within less are one.
  await page.waitForTimeout(800);
  await page.keyboard.press('Space');
  await expect(stage).toHaveAttribute('data-stretch', 'b2/1');
  await page.keyboard.press('ArrowLeft');
  await expect(stage).toHaveAttribute('data-stretch', 'b1/1');
  await page.getByRole('button', { name: 'Hold' }).click();
  const held = await page.getByLabel('Clock').textContent();
  await page.waitForTimeout(1200);
  await expect(page.getByLabel('Clock')).toHaveText(held ?? '');
  await page.getByRole('button', { name: 'Go on' }).click();
  const next = page.getByRole('button', { name: /^(?:Next|End)$/ });
  while (await next.isVisible()) await next.click();
  await expect(page.getByRole('heading', { name: /^Spoken through in/ })).toBeVisible();
  await studio.again();
  await page.getByRole('button', { name: 'Keep these times' }).click();
  await expect(page.getByText('Kept with the class')).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${studio.address}/class/bench-to-mat-1`);
  await saved(page);
  await expect(page.locator('title', { hasText: 'Begun at, as last rehearsed' })).toHaveCount(1);
  const { classes, logs } = await (await fetch(`${studio.address}/api/bundle`)).json();
  const plan = classes.find(({ id }: { id: string }) => id === 'bench-to-mat-1');
  const own = logs.filter((log: { class: string }) => log.class === plan.id);
  expect(own).toMatchObject([{ class: plan.id, source: 'rehearsal', plan: { names: { class: plan.name } } }]);
  expect(own[0].blocks.map(({ id }: { id: string }) => id)).toEqual(plan.blocks.map(({ id }: { id: string }) => id));
});

test('who is late sees where it ends, takes what may go with one tap, and takes it back', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.clock.install();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${studio.address}/rehearse/potters-forearms`);
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.clock.runFor(240_000);
  await expect(page.getByText(/ behind/)).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  const offer = page.getByRole('region', { name: 'To end on time' });
  await expect(offer).toContainText(/^Leave out Rear reach.*it ends at (29|30):/);
  const ends = page.getByText(/^ends at /);
  await page.clock.runFor(400);
  const late = await ends.textContent();
  await offer.getByRole('button', { name: 'Take it' }).click();
  await expect(ends).not.toHaveText(late ?? '');
  await expect(offer).toContainText('The class was changed on the way');
  await offer.getByRole('button', { name: 'Undo' }).click();
  await expect(offer).toContainText('Leave out');
});
