import type { Page } from '@playwright/test';
import { expect, saved, test } from '../fixtures';

const reading = (page: Page) => page.getByRole('complementary', { name: 'What it measures' });
const joint = (page: Page, name: string) => page.getByRole('slider', { name, exact: true });

/** Takes a joint of the drawn body and pulls it by some pixels. */
async function pull(page: Page, name: string, by: { x: number; y: number }): Promise<void> {
  const box = await joint(page, name).boundingBox();
  if (!box) throw new Error(`the ${name} is not drawn`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x, y + by.y, { steps: 6 });
  await page.mouse.up();
}

test('an exercise made only in the editor has a figure, load, heat, cautions and a place in the map', async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/repertoire`);
  const cell = page.getByRole('button', { name: /^kneeling, rotation: \d+ rungs/ });
  const before = Number(/(\d+) rungs/.exec((await cell.getAttribute('aria-label')) ?? '')?.[1]);
  await page.getByRole('button', { name: 'New ladder' }).click();
  await page.getByLabel('What it is called').fill('Kiln turn');
  await page.getByRole('dialog').getByLabel('Position').selectOption('kneeling');
  await page.getByRole('button', { name: 'Draw its first rung' }).click();

  // A second pose, turned and with a weight; the breath goes to it and back.
  await page.getByRole('button', { name: 'Pose', exact: true }).click();
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('Name of the pose').fill('turned');
  await page.getByLabel('twist, degrees').fill('38');
  await page.getByLabel('right shoulder, degrees').fill('90');
  await page.getByLabel('Held at the right hand, kg').fill('2');
  await page.getByLabel('Pose of phase 2').selectOption('turned');
  await page.getByLabel('Said on phase 2').fill('Turn as a wheel turns, breathing out.');
  await expect(reading(page).getByText('rotation')).toBeVisible();
  await expect(page.getByText('“First rung” shows rotation, which is not declared.')).toBeVisible();
  await page.getByRole('checkbox', { name: 'rotation' }).check();
  await page.getByRole('checkbox', { name: 'neutral' }).uncheck();
  await page.getByLabel('Ready to move on when').fill('the pelvis stays square');

  // A rung above it, turned further, is hotter, and the ladder is sound again.
  await expect(page.getByText('Add an easier or harder version')).toBeVisible();
  await page.getByRole('button', { name: 'Rung above' }).click();
  await page.getByLabel('Name of the rung').fill('Further');
  await page.getByRole('button', { name: 'turned' }).click();
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('twist, degrees').fill('60');
  await expect(page.getByText('Add an easier or harder version')).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Rungs' })).toContainText('↑');
  await expect(reading(page).getByText(/moment at the low back \d+ N·m at most/)).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'Its ladder' }).click();
  const sheet = page.getByRole('dialog', { name: 'Kiln turn' });
  await expect(sheet.getByRole('img', { name: 'Kiln turn, Further, drawn' })).toBeVisible();
  await expect(sheet.getByText('the pelvis stays square').first()).toBeVisible();
  await sheet.getByText('Cautions:').first().click();
  await expect(sheet.getByText('Low bone density: Turn half as far with a long spine.').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: `kneeling, rotation: ${before + 2} rungs` })).toBeVisible();
});

test('a joint is dragged, turned by key and undone; what a hand lifts no longer rests', async ({ page, studio }) => {
  await page.goto(`${studio.address}/edit/leg-lower/straight`);
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('Move', { exact: true }).selectOption('right');
  const hip = page.getByLabel('right hip, degrees');
  await expect(hip).toHaveValue('35');
  const lever = reading(page).getByRole('list', { name: 'Load' });
  const light = await lever.textContent();
  await pull(page, 'right hip', { x: 4, y: 25 });
  expect(Number(await hip.inputValue())).toBeLessThan(30);
  await expect(lever).not.toHaveText(light ?? '');
  await page.keyboard.press('Control+z');
  await expect(hip).toHaveValue('35');
  await joint(page, 'right hip').focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(hip).toHaveValue('25');

  await page.getByLabel('Move', { exact: true }).selectOption('left');
  const foot = page.getByRole('group', { name: 'What rests: left' }).getByRole('checkbox', { name: 'foot' });
  await expect(foot).toBeChecked();
  await pull(page, 'left knee', { x: -10, y: -120 });
  await expect(foot).not.toBeChecked();
  await saved(page);
});

test('what can’t be is said where it stands, kept in sight, and put back', async ({ page, studio }) => {
  await page.goto(`${studio.address}/edit/leg-lower/straight`);
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('right knee, degrees').fill('-20');
  await expect(page.getByRole('alert')).toHaveText('Expected 0 to 165.');
  await page.getByLabel('right knee, degrees').blur();

  const right = page.getByRole('group', { name: 'What rests: right' });
  await right.getByRole('checkbox', { name: 'foot' }).check();
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('Shown, and not kept yet');
  await expect(alert).toContainText(/Straight, one foot down.*The right foot is said to rest but is \d+ cm above/);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(right.getByRole('checkbox', { name: 'foot' })).not.toBeChecked();

  await page.getByRole('button', { name: 'Requirement' }).click();
  await page.getByLabel('Search the repertoire').fill('scissor switch low');
  await page.getByLabel('Search the repertoire').press('Enter');
  await expect(alert).toContainText('go round in a circle');
  await page.reload();
  await expect(page.getByText('go round in a circle')).toBeHidden();
});
