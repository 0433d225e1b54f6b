import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, kept, saved, test } from '../../fixtures';

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

test('an exercise made only in the editor has a figure, load, heat, cautions and a place in the map', {
  tag: '@long',
}, async ({ page, studio }) => {
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
  // The new rung has come before its name is written over.
  await expect(page.getByLabel('Name of the rung')).toHaveValue('First rung, harder');
  await page.getByLabel('Name of the rung').fill('Further');
  await page.getByRole('button', { name: 'turned' }).click();
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('twist, degrees').fill('60');
  const mirror = page.getByRole('button', { name: 'Mirror', exact: true });
  await mirror.click();
  await expect(page.getByLabel('twist, degrees')).toHaveValue('-60');
  await expect(page.getByLabel('left shoulder, degrees')).toHaveValue('90');
  await mirror.click();
  await expect(page.getByLabel('twist, degrees')).toHaveValue('60');
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

test('a joint is dragged, turned by key and undone; what a hand lifts no longer rests', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/edit/leg-lower/straight`);
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('Move', { exact: true }).selectOption('right');
  const hip = page.getByLabel('right hip, degrees');
  await expect(hip).toHaveValue('35');
  const lever = reading(page).getByRole('list', { name: 'Load' });
  const light = await lever.textContent();
  await pull(page, 'right knee', { x: 4, y: 25 });
  expect(Number(await hip.inputValue())).toBeLessThan(30);
  await expect(lever).not.toHaveText(light ?? '');
  await page.keyboard.press('Control+z');
  await expect(hip).toHaveValue('35');
  await joint(page, 'right knee').focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(hip).toHaveValue('25');

  await page.getByLabel('Move', { exact: true }).selectOption('left');
  const foot = page.getByRole('group', { name: 'What rests: left' }).getByRole('checkbox', { name: 'foot' });
  await expect(foot).toBeChecked();
  await pull(page, 'left knee', { x: -10, y: -120 });
  await expect(foot).not.toBeChecked();
  await saved(page);
});

test('what can’t be is said where it stands, kept in sight, and put back', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/edit/leg-lower/straight`);
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('right knee, degrees').fill('-20');
  await expect(page.getByRole('alert')).toHaveText('Expected 0 to 165.');
  await page.getByLabel('right knee, degrees').press('Escape');

  // What cannot come down is a doubt, with the joint that would have to give.
  await page.getByRole('button', { name: /^up/ }).click();
  const right = page.getByRole('group', { name: 'What rests: right' });
  await right.getByRole('checkbox', { name: 'foot' }).check();
  const doubts = page.getByRole('list', { name: 'Doubts about this ladder' });
  await expect(doubts).toContainText(/Straight, one foot down.*right (hip|foot|knee)/);
  await right.getByRole('checkbox', { name: 'foot' }).uncheck();
  await expect(doubts).toBeHidden();

  const trunk = page.getByRole('group', { name: 'What rests: trunk' });
  for (const part of ['ribs', 'pelvis']) await trunk.getByRole('checkbox', { name: part }).uncheck();
  const left = page.getByRole('group', { name: 'What rests: left' });
  await left.getByRole('checkbox', { name: 'foot' }).uncheck();
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('Shown, and not kept yet');
  await expect(alert).toContainText(/Straight, one foot down.*The body rests on the head alone/);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(left.getByRole('checkbox', { name: 'foot' })).toBeChecked();

  await page.getByRole('button', { name: 'Requirement' }).click();
  await page.getByLabel('Search the repertoire').fill('scissor switch low');
  await page.getByLabel('Search the repertoire').press('Enter');
  await expect(alert).toContainText('go round in a circle');
  await page.reload();
  await expect(page.getByText('go round in a circle')).toBeHidden();
});

/** A new ladder, its first rung drawn in the plain pose of a position. */
async function newLadder(page: Page, address: string, name: string, position: string): Promise<void> {
  await page.goto(`${address}/repertoire`);
  await page.getByRole('button', { name: 'New ladder' }).click();
  await page.getByLabel('What it is called').fill(name);
  await page.getByRole('dialog').getByLabel('Position').selectOption(position);
  await page.getByRole('button', { name: 'Draw its first rung' }).click();
  await page.getByText('Exact angles, what rests').click();
}
const angle = async (page: Page, joint: string) => Number(await page.getByLabel(`${joint}, degrees`).inputValue());
const rests = (page: Page, where: string, part: string) =>
  page.getByRole('group', { name: `What rests: ${where}` }).getByRole('checkbox', { name: part, exact: true });

test('a bridge with one leg long is drawn by hand in three drags, feet and shoulders planted', {
  tag: '@long',
}, async ({ page, studio }) => {
  await newLadder(page, studio.address, 'Kiln bridge', 'supine');
  // One: the pelvis is lifted between the shoulders and the feet.
  await pull(page, 'pelvis', { x: 0, y: -70 });
  await expect(rests(page, 'trunk', 'pelvis')).not.toBeChecked();
  await expect(rests(page, 'trunk', 'shoulders')).toBeChecked();
  expect(await angle(page, 'left hip')).toBeLessThan(25);
  // Two and three: one knee up, its foot away until the leg is long.
  await page.getByLabel('Move', { exact: true }).selectOption('right');
  await pull(page, 'right knee', { x: 0, y: -40 });
  await pull(page, 'right ankle', { x: 90, y: -220 });
  await expect(rests(page, 'right', 'foot')).not.toBeChecked();
  await expect(rests(page, 'left', 'foot')).toBeChecked();
  expect(await angle(page, 'right knee')).toBeLessThan(30);
  await expect(page.getByRole('list', { name: 'Doubts about this ladder' })).not.toContainText('First rung”, pose');
  await saved(page);
});

test('a side-lying side bend is drawn by hand in one drag', { tag: '@long' }, async ({ page, studio }) => {
  await newLadder(page, studio.address, 'Kiln side', 'side-lying');
  await pull(page, 'shoulders', { x: -20, y: -70 });
  expect(Math.abs(await angle(page, 'side bend'))).toBeGreaterThan(12);
  await expect(rests(page, 'trunk', 'head')).not.toBeChecked();
  await saved(page);
});

test('a roll-down from standing is drawn by hand in three drags, the feet planted', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await newLadder(page, studio.address, 'Kiln roll', 'standing');
  await pull(page, 'head', { x: 12, y: 12 });
  await pull(page, 'shoulders', { x: 40, y: 40 });
  await pull(page, 'pelvis', { x: -40, y: 10 });
  for (const joint of ['neck', 'lumbar', 'thoracic']) expect(await angle(page, joint)).toBeGreaterThan(25);
  expect(await angle(page, 'left hip')).toBeGreaterThan(8);
  for (const side of ['left', 'right']) await expect(rests(page, side, 'foot')).toBeChecked();
  await saved(page);
});

test('a seated turn with a stick is drawn by hand in three drags, the stick in both hands', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await newLadder(page, studio.address, 'Kiln staff', 'seated');
  // One and two: the arms up in front, the elbows a little bent.
  await pull(page, 'elbow', { x: 60, y: -60 });
  await pull(page, 'wrist', { x: 20, y: -20 });
  // Three: the ribs turned, seen from above.
  await page.getByLabel('Seen', { exact: true }).selectOption('top');
  await pull(page, 'ribs', { x: -15, y: 40 });
  expect(Math.abs(await angle(page, 'twist'))).toBeGreaterThan(10);
  await page.getByRole('checkbox', { name: 'Long stick' }).check();
  await expect(page.getByRole('group', { name: 'The body' }).locator('path.fill-thing')).toBeVisible();
  await saved(page);
});

test('what rests, what is held and what carries it is said on the body itself', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await newLadder(page, studio.address, 'Kiln seat', 'supine');
  await page.getByRole('checkbox', { name: 'Cushion' }).check();
  await joint(page, 'head').click();
  const head = page.getByRole('dialog', { name: 'The head' });
  await head.getByLabel('What carries the head').selectOption('Cushion');
  await expect(page.getByRole('group', { name: 'The body' }).locator('path.fill-thing')).toBeVisible();
  await head.getByRole('checkbox', { name: 'head' }).uncheck();
  await expect(rests(page, 'trunk', 'head')).not.toBeChecked();
  await head.getByRole('checkbox', { name: 'head' }).check();
  await page.keyboard.press('Escape');
  // By key, and one side alone.
  await page.getByLabel('Move', { exact: true }).selectOption('right');
  await joint(page, 'right wrist').press('Enter');
  const wrist = page.getByRole('dialog', { name: 'The right wrist' });
  await wrist.getByLabel('What the right hand holds').selectOption('the right thigh');
  await wrist.getByLabel('Load at the right wrist, kg').fill('1');
  await page.keyboard.press('Escape');
  await expect(joint(page, 'right wrist')).toBeFocused();
  await expect(page.getByLabel('right hand holds')).toHaveValue('thigh.right');
  await expect(page.getByLabel('left hand holds')).toHaveValue('');
  await expect(page.getByLabel('Held at the right hand, kg')).toHaveValue('1');
  // What a cue brings to touch is held against the pose.
  await page.getByLabel('Name and set-up').fill('Take hold behind the right thigh.');
  await page.getByText('What the words bring to touch').click();
  await page.getByLabel(/^A part that touches/).selectOption('right hand');
  await joint(page, 'right wrist').click();
  await wrist.getByLabel('What the right hand holds').selectOption('nothing');
  await page.keyboard.press('Escape');
  const doubts = page.getByRole('list', { name: 'Doubts about this ladder' });
  await expect(doubts).toContainText('says of “hand.right” that it touches');
  await page.keyboard.press('Control+z');
  await expect(doubts).not.toContainText('that it touches');
  await saved(page);
});

test('a pose is begun from any rung and offers to be used; the way out and a branch are set', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/edit/chest-drape/roller`);
  await page.getByRole('button', { name: 'From…' }).click();
  await page.getByLabel('Search the repertoire').fill('bridge');
  await page.getByLabel('Search the repertoire').press('Enter');
  const poses = page.getByRole('list', { name: 'Its poses' });
  await expect(poses).toBeFocused();
  const name = await poses.getByRole('button').first().textContent();
  await poses.getByRole('button').first().click();
  await expect(page.getByText(`Nothing goes to “${name}” yet.`)).toBeVisible();
  await page.getByRole('button', { name: /^Phase 2 \(out\) goes here/ }).click();
  await expect(page.getByLabel('Pose of phase 2')).toHaveValue(`${name}`);
  await expect(page.getByText('Nothing goes to')).toBeHidden();

  await page.getByRole('button', { name: 'Way out' }).click();
  await page.getByLabel('Counts of phase 1 of the way out').fill('3');
  await page.getByLabel('Said on phase 1 of the way out').fill('Slide off the roller.');
  await page.getByText('Place in the ladder, side, apparatus').click();
  await page.getByLabel('Place in the ladder').selectOption('beside Over a cushion');
  await page.getByRole('button', { name: 'Spring', exact: true }).click();
  await page.getByLabel('Pull of the spring, newtons').fill('150');
  await page.getByLabel('What the spring does').selectOption('carries: harder with less');
  await page.getByRole('button', { name: 'Setting', exact: true }).click();
  await page.getByLabel('Setting 1, to what').fill('high');
  await saved(page);
  const ladder = (await kept(studio.address)).exercises?.find(({ id }) => id === 'chest-drape');
  expect(ladder?.rungs.find(({ id }) => id === 'roller')).toMatchObject({
    branchOf: 'cushion',
    spring: { newtons: 150, at: 'feet', does: 'carry' },
    settings: [{ name: 'Foot bar', value: 'high' }],
  });
  await page.reload();
  await expect(page.getByLabel('Said on phase 1 of the way out')).toHaveValue('Slide off the roller.');
  await page.getByText('Place in the ladder, side, apparatus').click();
  await expect(page.getByLabel('Place in the ladder')).toHaveValue('cushion');
});

test('a rung’s figure is taken as SVG and as PNG', { tag: '@long' }, async ({ page, studio }) => {
  await page.goto(`${studio.address}/repertoire/leg-lower`);
  const study = page.getByRole('dialog', { name: 'Leg lower' });
  for (const kind of ['SVG', 'PNG']) {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      study
        .getByRole('button', { name: `Picture as ${kind}` })
        .first()
        .click(),
    ]);
    const bytes = readFileSync(await file.path());
    expect(file.suggestedFilename()).toMatch(new RegExp(`^leg-lower-.*\\.${kind.toLowerCase()}$`));
    if (kind === 'SVG') expect(bytes.toString()).toMatch(/^<svg .*<title>Leg lower, .*<path d="M/);
    else expect(bytes.subarray(1, 4).toString()).toBe('PNG');
  }
});

test('parts of two rungs are crossed into the rungs between, seen before they are taken, and undone as one', async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/edit/chest-lift/hands-behind`);
  const rail = page.getByRole('navigation', { name: 'Rungs' });
  const rungs = rail.getByRole('link');
  await expect(rungs).toHaveCount(4);
  await rail.getByRole('button', { name: 'Rungs between' }).click();
  const sheet = page.getByRole('dialog', { name: 'Rungs between' });
  await expect(sheet.getByRole('status')).toHaveText('Choose one more rung to take parts of.');
  await sheet.getByRole('checkbox', { name: 'Hands reach past the thighs' }).check();
  const made = sheet.getByRole('list', { name: 'Rungs that come of it' }).getByRole('listitem');
  await expect(sheet.getByRole('status')).toHaveText(/^\d rungs? that the ladder does not have$/);
  await expect(made.first().getByRole('img')).toBeVisible();
  await sheet.getByRole('checkbox', { name: 'legs', exact: true }).uncheck();
  await sheet.getByRole('checkbox', { name: 'head and trunk' }).check();
  const add = sheet.getByRole('button', { name: /^Add \d rungs?$/ });
  const taken = Number(/\d/.exec((await add.textContent()) ?? '')?.[0]);
  expect(taken).toBeGreaterThan(0);
  await add.click();
  await expect(rungs).toHaveCount(4 + taken);
  await page.keyboard.press('Control+z');
  await expect(rungs).toHaveCount(4);
});

test('a pose is held to a mark: measured while it is drawn, ringed on the body, said where wanted', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/edit/knee-float/toe-dip`);
  const marks = page.getByRole('region', { name: 'Marks of the pose' });
  await page.getByRole('list', { name: 'Poses of this rung' }).getByRole('button', { name: 'two' }).click();
  await marks.getByLabel('A mark for the pose').selectOption('shins level with the floor');
  await expect(marks).toContainText('met');
  await expect(page.locator('[data-mark="shins-level"]').first()).toBeVisible();
  await page.getByText('Exact angles, what rests').click();
  await page.getByLabel('knee, degrees').first().fill('60');
  await page.keyboard.press('Tab');
  await expect(marks).toContainText(/missed by \d+°/);
  await page.keyboard.press('Control+z');
  await expect(marks).toContainText('met');
  await marks.getByRole('button', { name: 'Say it' }).click();
  await expect(page.getByRole('textbox', { name: 'What stays still' })).toHaveValue(/Shins level with the floor\.$/);
});

test('a repetition has words of its own, a set its stages, a hold its range, and they are kept and said', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/edit/leg-lower/straight`);
  await page.getByText('First, middle, last one of phase 1').click();
  await page.getByLabel('Said on the last repetition, phase 1').fill('This one slowest of all.');
  await page.getByRole('button', { name: 'Stages', exact: true }).click();
  await page.getByLabel('Said of stage 1').fill('The first ones stay high.');
  await page.getByLabel('Breath of phase 2').selectOption('free');
  await page.getByLabel('Most counts of phase 2').fill('4');
  await page.keyboard.press('Tab');
  await saved(page);
  const rung = (await kept(studio.address)).exercises
    ?.find(({ id }) => id === 'leg-lower')
    ?.rungs.find(({ id }) => id === 'straight');
  expect(rung?.cues).toContainEqual(
    expect.objectContaining({ kind: 'action', at: 'last', text: 'This one slowest of all.' }),
  );
  expect(rung?.dose.stages).toEqual([
    { reps: 3, text: 'The first ones stay high.' },
    { reps: 3, text: 'Then the others' },
  ]);
  expect(rung?.phases[1]).toMatchObject({ counts: 2, countsTo: 4 });
  await page.goto(`${studio.address}/script/rowers-sixty`);
  await expect(page.getByText('This one slowest of all.').first()).toBeVisible();
});
