import { expect, saved, test } from '../../fixtures';

/** A line that can be changed, by its words. */
const said = (page: import('@playwright/test').Page, text: string) =>
  page.getByRole('button', { name: new RegExp(`^${text.replace('.', '\\.')}\\s*, change what is said$`) });

test('a line is said otherwise in one class, goes back, and becomes the rung’s own for all that teach it', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/script/night-landing`);
  await said(page, 'Both sitting bones stay equally heavy.').first().click();
  await page.getByLabel('What is said instead of “Both sitting bones stay equally heavy.”').fill('Sit evenly.');
  await page.keyboard.press('Enter');
  await expect(said(page, 'Sit evenly.').first()).toBeVisible();
  await saved(page);
  await page.reload();
  await said(page, 'Sit evenly.').first().click();
  await expect(page.getByText('The rung says now: “Both sitting bones stay equally heavy.”')).toBeVisible();
  await page.getByRole('button', { name: 'As the rung says it' }).click();
  await expect(said(page, 'Both sitting bones stay equally heavy.').first()).toBeVisible();

  await said(page, 'You should feel the waist turn, and the back stay long.').click();
  await page
    .getByLabel(/^What is said instead of “You should feel the waist/)
    .fill('You should feel a lid turn slowly off its jar.');
  await page.keyboard.press('Enter');
  await said(page, 'You should feel a lid turn slowly off its jar.').click();
  await page.getByRole('button', { name: 'Make it the rung’s own' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByText('Landing after a night shift')).toBeVisible();
  await sheet.getByRole('button', { name: 'Make it the rung’s own' }).click();
  await saved(page);
  const { exercises, classes } = await (await page.request.get(`${studio.address}/api/bundle`)).json();
  const turn = exercises.find(({ id }: { id: string }) => id === 'sit-turn');
  const texts = turn.rungs.flatMap(({ cues = [] }: { cues?: Array<{ text: string }> }) => cues.map(({ text }) => text));
  expect(texts).toContain('You should feel a lid turn slowly off its jar.');
  const plan = classes.find(({ id }: { id: string }) => id === 'night-landing');
  expect(JSON.stringify(plan.blocks)).not.toContain('a lid turn');
});

test('what is typed is fitted to its breath at once, undone as one, left by Escape, and refused where it can’t be', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/script/night-landing`);
  await said(page, 'Breathe out; turn, lowest ribs first.').first().click();
  const editor = page.getByRole('textbox', { name: 'What is said instead of “Breathe out; turn, lowest ribs first.”' });
  await expect(editor).toBeFocused();
  await page.keyboard.type(' Then go on, a little at a time, until the ribs have all gone round.');
  await expect(page.getByText(/its breath lasts [\d.]+ s: \d+ words fit/).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(editor).toHaveText('Breathe out; turn, lowest ribs first.');
  await page.keyboard.type(' Unhurried.');
  await expect(editor).toHaveText('Breathe out; turn, lowest ribs first. Unhurried.');
  await page.keyboard.press('Escape');
  await expect(said(page, 'Breathe out; turn, lowest ribs first.').first()).toBeVisible();
  await expect(page.getByText('Unhurried.')).toBeHidden();

  await said(page, 'Breathe out; turn, lowest ribs first.').first().click();
  for (const [typed, fault] of [
    ['word '.repeat(1000), /^Expected at most 600 characters, found \d+\.$/],
    ['<b>Turn</b>', 'Expected plain text, found markup.'],
    [' ', 'Expected words: to say nothing, leave the line out.'],
  ] as const) {
    await editor.fill(typed);
    await expect(page.getByRole('alert')).toHaveText(fault);
  }
  await editor.fill('הסתובבו לאט 🌀');
  await expect(page.getByRole('alert')).toBeHidden();
  await page.keyboard.press('Enter');
  await expect(said(page, 'הסתובבו לאט 🌀').first()).toBeVisible();
});

test('a line is added and left out; what is only known stands apart; the running time stays the class’s', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/script/choir-first-draft`);
  const time = page.getByLabel('Running time');
  const before = (await time.textContent()) ?? '';
  await expect(page.getByText('To know, not to say').first()).toBeVisible();
  await page.getByRole('button', { name: /^Say more on Rib breathing/ }).click();
  await page.getByLabel(/^What is said more on Rib breathing/).fill('A harmonium.');
  await page.getByRole('button', { name: 'Say it' }).click();
  await expect(said(page, 'A harmonium.')).toBeVisible();
  await said(page, 'A harmonium.').click();
  await page.getByRole('button', { name: 'Leave out', exact: true }).click();
  await expect(said(page, 'A harmonium.')).toBeHidden();
  await said(page, 'Your ribs open like the bellows of a small kiln.').click();
  await page.getByRole('button', { name: 'Leave out', exact: true }).click();
  await page.getByRole('button', { name: /^Say it again\s*as the rung does: Your ribs open/ }).click();
  await expect(said(page, 'Your ribs open like the bellows of a small kiln.')).toBeVisible();
  await expect(time).toHaveText(before);
  await page.getByLabel('Teacher').selectOption({ index: 1 });
  await expect(page).toHaveURL(/teacher=/);
  await expect(page.getByText(/words at \d+ a minute/)).toBeVisible();
});

test('a thing found in what is said is mended where an edit can, and files are handed out', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/script/choir-first-draft`);
  const panel = page.getByRole('region', { name: 'What is said' });
  const image = 'Your ribs open like the bellows of a small kiln.';
  await said(page, image).first().click();
  await page.getByLabel(`What is said instead of “${image}”`).fill('This melts the fat off your waist.');
  await page.keyboard.press('Enter');
  const more = panel.getByRole('button', { name: /more$/ });
  if (await more.isVisible()) await more.click();
  const promise = panel.getByRole('listitem').filter({ hasText: 'promises what the work can’t keep' }).first();
  await promise.getByRole('button', { name: /^Leave out/ }).click();
  await expect(promise).toBeHidden();
  await saved(page);
  await page.getByText('Hand it out: PDF, text document, captions').click();
  for (const [name, file, type] of [
    [/^PDF\s*, One sheet$/, 'choir-first-draft-card.pdf', /pdf/],
    [/^DOCX\s*, Full script$/, 'choir-first-draft-script.docx', /wordprocessing/],
    ['Captions (WebVTT)', 'choir-first-draft-script.vtt', /vtt/],
  ] as const) {
    const href = await page.getByRole('link', { name }).getAttribute('href');
    const answer = await page.request.get(`${studio.address}${href}`);
    expect(answer.status()).toBe(200);
    expect(answer.headers()['content-type']).toMatch(type);
    expect(answer.headers()['content-disposition']).toContain(file);
    expect((await answer.body()).length).toBeGreaterThan(1000);
  }
  expect((await page.request.get(`${studio.address}/api/handouts/nowhere`)).status()).toBe(404);
});

test('a teacher is made, and the words of the house are held against what is said', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/teachers`);
  await page.getByRole('button', { name: 'New teacher' }).click();
  await page.getByLabel('Name of the teacher').last().fill('Orsa');
  await page.getByLabel('Words a minute of Orsa').fill('100');
  await saved(page);
  await page.goto(`${studio.address}/method`);
  await page.getByRole('button', { name: 'Add a word' }).click();
  await page.getByLabel('Word 1 of the house').fill('seat bones');
  await page.getByLabel('Not said for word 1, parted by commas').fill('sitting bones');
  await saved(page);
  await page.goto(`${studio.address}/script/night-landing`);
  await page.getByLabel('Teacher').selectOption({ label: 'Orsa' });
  await expect(page.getByText('words at 100 a minute')).toBeVisible();
  const panel = page.getByRole('region', { name: 'What is said' });
  const more = panel.getByRole('button', { name: /more$/ });
  if (await more.isVisible()) await more.click();
  const found = panel.getByRole('listitem').filter({ hasText: 'the house says “seat bones”' });
  await found
    .getByRole('button', { name: /^Say “Both seat bones/ })
    .first()
    .click();
  await expect(said(page, 'Both seat bones stay equally heavy.').first()).toBeVisible();
});

test('a cue said in several rungs is changed in all of them, and a learner’s question is kept with it', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/repertoire`);
  await page.getByRole('link', { name: 'All their cues' }).click();
  await page.getByLabel('Search the cues').fill('sitting bones stay equally');
  await page.getByRole('button', { name: /Both sitting bones stay equally heavy/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('A learner’s question').fill('Which bones?');
  await sheet.getByRole('button', { name: 'Keep the question' }).click();
  await expect(sheet.getByText('“Which bones?”')).toBeVisible();
  await expect(sheet.getByText('Landing after a night shift')).toBeVisible();
  await sheet.getByLabel('The words, wherever they are said').fill('Sit on both bones alike.');
  await sheet.getByRole('button', { name: /^Change it/ }).click();
  await expect(sheet.getByRole('heading', { name: 'Sit on both bones alike.' })).toBeVisible();
  await expect(sheet.getByText('“Which bones?”')).toBeVisible();
  await page.keyboard.press('Escape');
  await saved(page);
  const { exercises, questions } = await (await page.request.get(`${studio.address}/api/bundle`)).json();
  expect(JSON.stringify(exercises)).not.toContain('Both sitting bones stay equally heavy.');
  expect(questions).toMatchObject([{ text: 'Which bones?' }]);
});
