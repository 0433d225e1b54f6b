import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoFiles } from '@warm-ladder/core/testing';
import ICAL from 'ical.js';
import ical from 'node-ical';
import { readPdf, temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

const files = demoFiles();
const command = (name: string, all: readonly string[], args: readonly string[], zone = 'UTC') =>
  spawnSync(process.execPath, [join(process.env.COMPILED_SERVER ?? '', `${name}.js`), ...all, ...args], {
    encoding: 'utf8',
    env: { ...process.env, TZ: zone },
  });

type Series = { schedule: Record<string, unknown>; episodes: Array<Record<string, unknown>> };
type Named = Series & { id: string };
const SERIES = 'bench-to-mat';
/** The demo's files with that series changed, whichever of them it stands in. */
function changed(change: (series: Series) => void): string[] {
  return files.map((file) => {
    const bundle = JSON.parse(readFileSync(file, 'utf8'));
    const series = bundle.series?.find(({ id }: Named) => id === SERIES);
    if (series === undefined) return file;
    change(series);
    const path = join(folder, 'changed.json');
    writeFileSync(path, JSON.stringify(bundle));
    return path;
  });
}
const calendar = (all: readonly string[] = files, zone?: string) =>
  command('calendar', all, ['--series', SERIES, '--as', 'ics'], zone);
const plain = calendar();
const starts = (text: string) =>
  text.match(/^DTSTART[^:\r\n]*:\d{8}T\d{6}$/gm)?.filter((line) => !line.includes(':1970'));

test('a term is all its series in one calendar, and on one sheet week by week with its clashes', () => {
  const whole = command('calendar', files, ['--as', 'ics']);
  expect(whole.status).toBe(0);
  const uids = Object.values(ical.sync.parseICS(whole.stdout)).flatMap((each) =>
    each?.type === 'VEVENT' ? [String(each.uid)] : [],
  );
  expect(new Set(uids).size).toBe(uids.length);
  expect(uids.filter((uid) => uid.startsWith(`${SERIES}-`))).toHaveLength(6);
  expect(uids.length).toBeGreaterThan(6);
  const path = join(folder, 'term.pdf');
  const asked = ['--as', 'pdf', '--from', '2027-01-11', '--to', '2027-01-24', '--out', path];
  expect(command('calendar', files, asked).status).toBe(0);
  const words = readPdf(path)
    .map((page) => page.words)
    .join(' ');
  expect(words).toMatch(/2027-01-11 +Mon 01-11 +18:30/);
  expect(words).toContain('Mon 01-18');
  expect(words).not.toContain('01-25');
  expect(words).toMatch(/18:30 +The middle, lying and propped, 19:/);
  expect(command('calendar', files, ['--as', 'pdf', '--series', SERIES]).stderr).toMatch(/of the whole term/);
});

test('episodes fall on their days by the clock on the wall, wherever the machine stands, and two readers agree', () => {
  const { stdout, status } = plain;
  expect(status).toBe(0);
  expect(starts(stdout.replaceAll('\r', ''))).toEqual(
    ['20270111', '20270118', '20270125', '20270208', '20270215', '20270222'].map((day) => `DTSTART:${day}T183000`),
  );
  const own = starts(stdout.replaceAll('\r', ''));
  expect(starts(calendar(files, 'Pacific/Kiritimati').stdout.replaceAll('\r', ''))).toEqual(own);
  const read = Object.values(ical.sync.parseICS(stdout)).filter((each) => each?.type === 'VEVENT');
  const events = new ICAL.Component(ICAL.parse(stdout))
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each));
  expect(events.map(({ uid }) => uid)).toEqual(read.map((each) => each?.uid));
  expect(events.map(({ startDate }) => startDate.toString())).toEqual([
    '2027-01-11T18:30:00',
    '2027-01-18T18:30:00',
    '2027-01-25T18:30:00',
    '2027-02-08T18:30:00',
    '2027-02-15T18:30:00',
    '2027-02-22T18:30:00',
  ]);
  expect(events[0]?.location).toBe('Kiln hall');
});

test('a zone is named with its rules, over the change of clocks too; what is moved keeps its UID', () => {
  const zoned = changed(({ schedule }) => Object.assign(schedule, { timeZone: 'Europe/Berlin', start: '2027-03-22' }));
  const text = calendar(zoned, 'America/New_York').stdout.replaceAll('\r', '');
  expect(text).toContain('BEGIN:VTIMEZONE');
  expect(starts(text)?.slice(0, 2)).toEqual([
    'DTSTART;TZID=Europe/Berlin:20270322T183000',
    'DTSTART;TZID=Europe/Berlin:20270329T183000',
  ]);
  const [first, second] = new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each));
  // An hour of summer lies between the two Mondays.
  expect([first, second].map((each) => each?.startDate.toJSDate().toISOString())).toEqual([
    '2027-03-22T17:30:00.000Z',
    '2027-03-29T16:30:00.000Z',
  ]);
  const uids = (all: string) => all.match(/^UID:.*$/gm)?.map((line) => line.trim());
  const moved = changed(({ episodes }) => Object.assign(episodes[0] ?? {}, { date: '2027-01-13' }));
  expect(uids(calendar(moved).stdout)).toEqual(uids(plain.stdout));
});

test('what can’t be is refused in a sentence', () => {
  const wrong = { timeZone: 'Mars/Phobos', start: '2027-02-31' };
  const { status, stderr } = calendar(changed(({ schedule }) => Object.assign(schedule, wrong)));
  expect(status).toBe(2);
  expect(stderr).toMatch(/Expected a time zone as Europe\/Berlin/);
  expect(stderr).toMatch(/series\[0\]\.schedule\.start/);
  expect(command('calendar', files, ['--series', 'none']).stderr).toMatch(/There is no series “none”/);
  expect(command('earliest', files, ['--series', 'bench-to-mat']).stderr).toMatch(/Name the rung/);
  const answer = command('earliest', files, ['--series', 'bench-to-mat', '--rung', 'leg-lower/straight']);
  expect(JSON.parse(answer.stdout)).toMatchObject({ rung: 'leg-lower/straight', earliest: 3, missing: [] });
});

test('what breaks when an episode goes, and what one could take next, is answered', () => {
  const ask = (...about: string[]) => command('whatIf', files, ['--series', 'bench-to-mat', ...about]);
  const out = ask('--episode', '1', '--leave-out');
  expect(out.status).toBe(1);
  const { broken, counts } = JSON.parse(out.stdout);
  expect(broken.map(({ code }: { code: string }) => code)).toContain('RUNG_UNEARNED');
  expect(counts.after.fix).toBeGreaterThan(counts.before.fix);
  const { next } = JSON.parse(ask('--episode', '3', '--next').stdout);
  expect(next[0]).toEqual({ rung: expect.stringContaining('/'), as: expect.stringMatching(/step|practice/), lacks: 1 });
  expect(ask('--episode', '1').stderr).toMatch(/Ask one thing/);
  expect(ask('--episode', '9', '--leave-out').stderr).toMatch(/“9” is no episode of “bench-to-mat”; expected/);
});
