import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { expect, saved, test } from '../../fixtures';

test('a rung moved by hand in the climb breaks what it carried, which is seen, mended and undone', async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/series/bench-to-mat`);
  const climb = page.getByRole('region', { name: 'The climb' });
  await expect(page.getByText('Every rung is open when it comes')).toBeVisible();
  // The lower rung of a ladder, from the second episode to the third, by key: what stands on it comes too early then.
  const low = climb.getByRole('button', { name: /^Leg lower, Bent, one foot down, episode 2, taught/ });
  await low.focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByText(/rungs? comes? before what (it needs|they need) is earned/)).toBeVisible();
  await expect(climb.getByRole('button', { name: /Leg lower, Straight, .*too early/ }).first()).toBeVisible();
  const finding = page.getByRole('listitem').filter({ hasText: 'Leg lower' }).first();
  await finding.getByRole('button', { name: 'How to mend it' }).click();
  await page.getByRole('button', { name: /^Do Leg lower, Bent, one foot down in episode 2 too/ }).click();
  await expect(page.getByText('Every rung is open when it comes')).toBeVisible();
  await saved(page);
  const { classes } = await (await page.request.get(`${studio.address}/api/bundle`)).json();
  const second = classes.find(({ id }: { id: string }) => id === 'bench-to-mat-2');
  expect(second.blocks).toContainEqual(expect.objectContaining({ exercise: 'leg-lower', rung: 'bent', mode: 'teach' }));
  await page.getByRole('button', { name: /^Undo: do Leg lower/ }).click();
  await expect(climb.getByRole('button', { name: /Leg lower, Straight, .*too early/ }).first()).toBeVisible();
});

test('dates fall by the days of the week, a skipped one moves the rest; an episode a step higher is added', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/series/bench-to-mat`);
  await page.getByText('Who it is for, goals, dates and places').click();
  const climb = page.getByRole('region', { name: 'The climb' });
  await expect(climb.getByText('Jan 18')).toBeVisible();
  await page.getByLabel('A day to skip, or the first of several').fill('2027-01-18');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(climb.getByText('Jan 18')).toBeHidden();
  await expect(climb.getByText('Mar 1')).toBeVisible();
  await page.getByRole('button', { name: 'The last one, a step higher' }).click();
  await expect(page.getByText(/^7 episodes/)).toBeVisible();
  await expect(climb.getByRole('button', { name: /episode 7, taught/ }).first()).toBeVisible();
  await saved(page);
});

test('what would break is said before an episode is moved; its own day is pinned, and it takes what is open', {
  tag: '@long',
}, async ({ page, studio, demo }) => {
  const demoBlocks = demo.classes?.find(({ id }) => id === 'bench-to-mat-2')?.blocks.length ?? 0;
  await page.goto(`${studio.address}/series/bench-to-mat`);
  const second = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: /^One leg lower/ }) });
  await second.getByText('Day, teacher, what if, what next').click();
  await second.getByLabel('What if episode 2 were').selectOption('left out');
  const breaks = second.getByRole('list', { name: 'What would break' });
  await expect(breaks.getByText(/Leg lower, Straight, one foot down comes too early/).first()).toBeVisible();
  await second.getByLabel('What if episode 2 were').selectOption('swapped with episode 3');
  await expect(second.getByText(/things? breaks?/)).toBeVisible();
  await second.getByRole('button', { name: 'Do it' }).click();
  await expect(page.getByText(/rungs? comes? before what (it needs|they need) is earned/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: episode 2 swapped with episode 3/ }).click();
  await expect(page.getByText('Every rung is open when it comes')).toBeVisible();

  await second.getByLabel('The day of episode 2').fill('2027-01-20');
  await expect(page.getByRole('region', { name: 'The climb' }).getByText('Jan 20')).toBeVisible();
  const [next] = await second.getByRole('list', { name: 'What it could take next' }).getByRole('button').all();
  await next?.click();
  await saved(page);
  const { series, classes } = await (await page.request.get(`${studio.address}/api/bundle`)).json();
  expect(series[0].episodes[1]).toMatchObject({ class: 'bench-to-mat-2', date: '2027-01-20' });
  const plan = classes.find(({ id }: { id: string }) => id === 'bench-to-mat-2');
  expect(plan.blocks).toHaveLength(demoBlocks + 1);
});

test('a mark opens its class at that block', { tag: '@long' }, async ({ page, studio }) => {
  await page.goto(`${studio.address}/series/bench-to-mat`);
  await page.getByRole('button', { name: /^Bridge roll, To the waist, episode 1/ }).click();
  await expect(page).toHaveURL(/\/class\/bench-to-mat-1\?block=/);
  await expect(page.getByLabel('Name of the class')).toHaveValue(/^The middle, lying/);
});

test('from a goal and an audience to eight weeks with dates and a teacher, moved by hand, mended, handed out and played', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/series/plan`);
  await page.getByLabel('Audience of the series').selectOption({ label: 'Throwing-room potters' });
  await page.getByRole('button', { name: 'Choose a goal' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('searchbox').fill('leg lower straight');
  await sheet
    .getByRole('button', { name: /Straight, one foot down/ })
    .first()
    .click();
  await page.getByLabel('Episodes').fill('2');
  await page.getByLabel('Minutes each').fill('20');
  await page.getByLabel('The first day').fill('2027-01-12');
  await page.getByRole('button', { name: 'Plan two series' }).click();
  await expect(page.getByRole('alert')).toContainText('2 episodes are too few, 5 would do');
  await page.getByLabel('Episodes').fill('8');
  await page.getByRole('button', { name: 'Plan others' }).click();
  await page.getByRole('button', { name: 'Take this series' }).first().click({ timeout: 60_000 });
  await expect(page).toHaveURL(/\/series\/(?!plan)/);
  await expect(page.getByText(/^8 episodes/)).toBeVisible();
  await expect(page.getByText('Every rung is open when it comes')).toBeVisible();
  const climb = page.getByRole('region', { name: 'The climb' });
  await expect(climb.getByText('Mar 2')).toBeVisible();
  await page.getByText('Who it is for, goals, dates and places').click();
  await page.getByLabel('Teacher of the series').selectOption({ label: 'Ilva' });

  // A rung goes an episode earlier than it may: the break is seen, and mended.
  const early = climb.getByRole('button', { name: /too early$/ });
  await climb
    .getByRole('button', { name: /^Leg lower, Bent, one foot down, episode \d, taught/ })
    .first()
    .focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(early.first()).toBeVisible();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'comes too early' })
    .first()
    .getByRole('button', { name: 'How to mend it' })
    .click();
  await page.getByRole('list', { name: 'Ways to mend it' }).getByRole('button').first().click();
  await expect(early).toHaveCount(0);
  await saved(page);

  const got = async (name: RegExp) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()]);
    return readFileSync(await file.path());
  };
  expect((await got(/^Term, sheets/)).subarray(0, 5).toString()).toBe('%PDF-');
  const ics = (await got(/^Calendar \(/)).toString().replace(/\r\n[ \t]/g, '');
  expect(ics.match(/BEGIN:VEVENT/g)).toHaveLength(8);
  expect(ics).toContain('Taught by Ilva');
  await page.getByRole('link', { name: 'Play it on the shelf' }).click();
  await page
    .getByRole('button', { name: /^Play / })
    .nth(7)
    .click();
  await expect(page.getByRole('region', { name: /^Playing / })).toBeVisible();
});

test('a series goes out as a calendar, as sheets and as a package, which the shelf plays and, tampered with, refuses', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/series/bench-to-mat`);
  const got = async (name: RegExp) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()]);
    return readFileSync(await file.path());
  };
  expect((await got(/^Calendar \(/)).toString()).toContain('DTSTART:20270111T183000');
  expect((await got(/^Term, sheets/)).subarray(0, 5).toString()).toBe('%PDF-');
  const zip = await got(/^Package on demand/);

  await page.getByRole('link', { name: 'Play it on the shelf' }).click();
  await page.getByRole('button', { name: 'Play One leg lower' }).click();
  const player = page.getByRole('region', { name: /^Playing One leg lower/ });
  await player.getByRole('button', { name: /Leg lower, Bent/ }).click();
  await expect(player.locator('canvas, svg').first()).toBeVisible();
  await expect(player.getByRole('status', { name: 'Caption' })).not.toBeEmpty();
  const before = await player.getByLabel('Clock').textContent();
  await expect(player.getByLabel('Clock')).not.toHaveText(before ?? '');

  const files = unzipSync(zip);
  const broken = zipSync({ ...files, 'series.md': strToU8('Promises.') });
  await page
    .getByLabel('Open another package')
    .setInputFiles({ name: 'broken.zip', mimeType: 'application/zip', buffer: Buffer.from(broken) });
  await expect(page.getByRole('alert')).toContainText('series.md is not as it was packed.');
  await page
    .getByLabel('Open another package')
    .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
  await expect(page.getByRole('alert')).toContainText('This is no zip');
});

test('a teacher’s busy days are read from a calendar file, and clash with an episode in the term and on its series', {
  tag: '@long',
}, async ({ page, studio }) => {
  await page.goto(`${studio.address}/teachers`);
  const busy = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'BEGIN:VEVENT',
    'UID:1',
    'DTSTART;VALUE=DATE:20270118',
    'END:VEVENT',
    'END:VCALENDAR',
  ];
  const file = page.getByLabel('Busy days of Tam from a calendar file');
  await file.setInputFiles({ name: 'letter.ics', mimeType: 'text/calendar', buffer: Buffer.from('Dear studio') });
  await expect(page.getByRole('alert')).toHaveText('letter.ics: this is no calendar; expected iCalendar.');
  await file.setInputFiles({ name: 'tam.ics', mimeType: 'text/calendar', buffer: Buffer.from(busy.join('\r\n')) });
  await expect(page.getByRole('button', { name: /^2027-01-18/ })).toBeVisible();
  await page.getByRole('spinbutton', { name: 'People Kiln hall holds' }).fill('6');
  await saved(page);
  await page.goto(`${studio.address}/calendar`);
  await expect(page.getByText(/^Jan 11 to Feb 21/)).toBeVisible();
  await expect(page.getByText('Episode 2, 2027-01-18: Tam is away')).toBeVisible();
  await expect(page.getByText('1 class of 17 can’t be taught as planned.')).toBeVisible();
  // Somebody else takes it, then it is dragged a week on, and its turn comes back by a press.
  const lane = page.getByRole('region', { name: 'Bench to mat' });
  await page.getByLabel('Who teaches Bench to mat 2').selectOption({ label: 'Ilva' });
  await expect(page.getByText('and nothing clashes')).toBeVisible();
  const card = lane.getByRole('button', { name: 'Move Bench to mat 2' });
  const [from, to] = [await card.boundingBox(), await lane.getByText('Feb 1', { exact: true }).boundingBox()];
  if (!from || !to) throw new Error('the term is not drawn');
  await page.mouse.move(from.x + 40, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 34, { steps: 3 });
  await page.mouse.move(to.x + 60, to.y + 80, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByLabel('The day of Bench to mat 2')).toHaveValue('2027-02-01');
  await lane.getByRole('button', { name: 'back to its turn' }).click();
  await expect(page.getByLabel('The day of Bench to mat 2')).toHaveValue('2027-01-18');
  await page.getByRole('link', { name: 'Bench to mat', exact: true }).click();
  await expect(page.getByText('8 people come, and Kiln hall holds 6.')).toBeVisible();
});
