import { expect, findings, fromMenu, kept, row, saved, takeIn, test } from '../../fixtures';

test('two rungs are set beside each other, and their loads against each other', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/repertoire/leg-lower`);
  await page.getByRole('link', { name: 'Compare its rungs' }).click();
  const told = page.getByRole('list', { name: 'What differs' });
  await expect(told).toContainText(/The leg lever of “Both legs long” is \d\.\d times that of “Bent, one foot down”/);
  await page.getByRole('button', { name: 'Remove Leg lower, Both legs long' }).click();
  await expect(told).not.toContainText('Both legs long');
  await page.getByRole('button', { name: 'Set a rung beside it' }).click();
  await page.getByLabel('Search the repertoire').fill('plank turn knees');
  await page.getByLabel('Search the repertoire').press('Enter');
  await expect(page.getByRole('region', { name: 'Plank turn, Knees down, ribs turn' })).toContainText('N·m');
});

test('figures stand still for those who ask for less motion', { tag: '@long' }, async ({ page, studio }) => {
  const moving = page.getByRole('dialog').locator('canvas');
  await page.goto(`${studio.address}/repertoire/leg-lower`);
  await expect(moving.first()).toBeVisible();
  const picture = () => moving.first().evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  const first = await picture();
  await expect.poll(picture).not.toBe(first);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect(moving).toHaveCount(0);
  await expect(page.getByRole('img', { name: 'Leg lower, Both legs long, drawn' })).toBeVisible();
});

test('an audience’s cautions and its finger-width record decide what its class may hold', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/audiences/choir`);
  const left = page.getByRole('region', { name: 'What is left of the repertoire' });
  await expect(left.getByRole('img').first()).toHaveAttribute('aria-label', / fine, .* swap/);
  await page.getByRole('checkbox', { name: 'Abdominal separation after pregnancy' }).check();
  const record = page.getByRole('region', { name: 'Finger-width check' });
  await expect(record).toContainText('Ask a professional first. No finger-width check is on record.');

  await page.getByRole('link', { name: 'Class', exact: true }).click();
  await page.getByRole('link', { name: 'Choir Monday, first draft' }).first().click();
  await expect(findings(page)).toContainText('No finger-width check is on record.');
  await page.getByRole('link', { name: 'Audiences' }).click();
  await page.getByRole('link', { name: 'Choir singers' }).click();
  const keep = async (mark: string, fingers: string) => {
    await record.getByRole('combobox', { name: 'Whose check' }).selectOption(mark);
    await record.getByRole('spinbutton', { name: 'Fingers' }).fill(fingers);
    await record.getByPlaceholder('who did it').fill('Ilva');
    await record.getByRole('button', { name: 'Keep the check' }).click();
  };
  await keep('A', '3');
  await expect(record).toContainText('3 finger-widths in the check of A by Ilva');
  // Another person's check clears nobody but her.
  await keep('B', '1.5');
  await expect(record.getByRole('list', { name: 'Latest check of each person' })).toHaveText(
    /A: 3 fingers, today.*B: 1.5 fingers, today/,
  );
  await expect(record).toContainText('Ask a professional first. 3 finger-widths in the check of A');
  await record.getByRole('button', { name: /^Remove the check of A,/ }).click();
  await expect(record).toContainText('Everybody on record is within the house limit of 2');
  await saved(page);

  // What is always said to them opens the script of their class.
  await page.goto(`${studio.address}/script/choir-first-draft`);
  await expect(page.getByText('Roll to the side to lie down and to get up.')).toBeVisible();
});

test('one click shows what can stand in a block’s place, minding the room, and one more takes it', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/class/choir-first-draft`);
  await page.getByRole('button', { name: 'Swap block 6' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Left out: whatever asks to be swapped or cleared for Low bone density');
  await expect(sheet.getByRole('listitem').first()).toContainText('spares neck');
  await sheet.getByRole('checkbox', { name: 'nothing more to fetch' }).check();
  await expect(sheet.getByText(/needs /)).toHaveCount(0);
  await sheet.getByRole('checkbox', { name: 'low back' }).check();
  await sheet.getByRole('button', { name: /^Take Chest lift, Nod only/ }).click();
  await expect(page.getByLabel('Rung of block 6')).toHaveValue('nod');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Rung of block 6')).toHaveValue('hands-behind');

  // Only today: a class minds something of its own.
  await page.getByRole('button', { name: /^Cautions: low bone density/ }).click();
  await page.getByRole('checkbox', { name: 'Vertigo' }).check();
  await page.keyboard.press('Escape');
  await expect(findings(page)).toContainText('Vertigo, head swept through space: Standing roll down');
  await row(page, 1).focus();
  await page.keyboard.press('i');
  await expect(page.getByRole('dialog')).toContainText('Swap Standing roll down');
});

test('the repertoire goes out as a table and comes in again, its loss named; a wrong one changes nothing', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/repertoire`);
  await page.getByRole('button', { name: 'Studio', exact: true }).click();
  const downloading = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Repertoire as a table (CSV) without poses, phases and cues' }).click();
  const stream = await (await downloading).createReadStream();
  let csv = '';
  for await (const chunk of stream) csv += chunk;
  const choose = async (text: string) => {
    await page.getByRole('button', { name: 'Studio', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Import a file…' }).click();
    await page
      .getByLabel('File to import')
      .setInputFiles({ name: 'table.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await choose(csv.replace('leg-lower,Leg lower,supine', 'leg-lower,Leg lower,on the moon'));
  await expect(page.getByRole('alert')).toContainText('row');
  await page.keyboard.press('Escape');

  await choose(`\uFEFF${csv.replaceAll('Leg lower', 'Long leg lower')}`);
  await expect(page.getByText('Poses, phases and cues are not in it')).toBeVisible();
  await takeIn(page);
  await page.getByLabel('Search the repertoire').fill('Long leg lower');
  await expect(page.getByRole('link', { name: 'Long leg lower', exact: true })).toBeVisible();
});

test('a table as a director keeps it is matched by hand, told, taken in and gone on from', async ({ page, studio }) => {
  const text =
    'Exercise;Level;Lies;Spine;Per side;Equipment;Dose;Taught by\nSaw-horse;Low;all fours;Twist;yes;Sandbag;3 x 8;Ada\n;Wide;;;;;8-10;\n';
  await page.goto(`${studio.address}/repertoire`);
  await fromMenu(page, 'Import a file…');
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(`\uFEFF${text}`) });
  const column = (name: string) => page.getByLabel(`What “${name}” is`);
  await expect(column('Lies')).toHaveValue('position');
  await expect(column('Taught by')).toHaveValue('');
  await column('Taught by').selectOption('notes');
  await page.getByLabel('set-up seconds').fill('25');
  await page.getByLabel('set-up seconds').blur();
  await expect(page.getByRole('dialog')).toContainText('2 new rungs come undrawn');
  await column('Level').selectOption('');
  await expect(page.getByRole('alert')).toContainText('stands in row 2 already');
  await column('Level').selectOption('rung name');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await page.getByRole('dialog').getByRole('link', { name: 'Saw-horse' }).click();
  await expect(page.getByRole('heading', { name: 'Saw-horse' })).toBeVisible();
  const { exercises = [], props = [] } = await kept(studio.address);
  expect(exercises.find(({ id }) => id === 'saw-horse')).toMatchObject({
    position: 'four-point',
    directions: ['rotation'],
    sides: 'each',
    notes: 'Ada',
    rungs: [
      { name: 'Low', setupSeconds: 25, dose: { sets: 3, reps: 8 }, props: ['sandbag'] },
      { name: 'Wide', setupSeconds: 25, dose: { sets: 3, reps: 8, repsTo: 10 } },
    ],
  });
  expect(props.map(({ name }) => name)).toContain('Sandbag');
});
