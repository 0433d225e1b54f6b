import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoFiles } from '@warm-ladder/core/testing';
import { temporaryFolder } from './testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

const files = demoFiles();
const command = (name: string, ...args: readonly string[]) =>
  spawnSync(process.execPath, [join(process.env.COMPILED_SERVER ?? '', `${name}.js`), ...args], { encoding: 'utf8' });
const at = (name: string) => join(folder, name);
const CLASS = ['--class', 'potters-forearms'] as const;

test('a class is spoken, read back, and its log tells the teacher’s pace', () => {
  writeFileSync(
    at('habits.json'),
    JSON.stringify({ tempo: 1.2, skips: ['b4'], reps: { b6: { right: -2 } }, scatter: 0.05 }),
  );
  const spoken = command(
    'speak',
    ...files,
    ...CLASS,
    '--habits',
    at('habits.json'),
    '--seed',
    '3',
    '--log',
    at('log.json'),
    '--out',
    at('a.vtt'),
  );
  expect([spoken.status, spoken.stderr]).toEqual([0, '']);
  expect(readFileSync(at('a.vtt'), 'utf8')).toMatch(/^WEBVTT\n/);
  const read = command('take', at('a.vtt'), ...files, ...CLASS, '--date', '2027-01-11', '--teacher', 'tam');
  expect(read.status).toBe(0);
  const take = JSON.parse(read.stdout);
  expect(take).toMatchObject({
    class: 'potters-forearms',
    missed: ['b4'],
    added: [],
    log: { date: '2027-01-11', teacher: 'tam', source: 'take' },
  });
  const side = take.blocks.find(({ id }: { id: string }) => id === 'b6').reps;
  expect(side.left - side.right).toBe(2);
  const studio = JSON.parse(readFileSync(files.find((file) => file.endsWith('1-studio.json')) ?? '', 'utf8'));
  writeFileSync(at('logs.json'), JSON.stringify({ format: studio.format, version: studio.version, logs: [take.log] }));
  // Only what was just read: the demo's own logs are none of Tam's pace here.
  const plain = files.filter((file) => !file.endsWith('5-logs.json'));
  const pace = JSON.parse(command('pace', ...plain, at('logs.json'), '--teacher', 'tam').stdout);
  expect(pace).toMatchObject({ teacher: 'tam', classes: 1 });
  // As if three classes had gone as typed: a quarter of the way from there, on the scale of logarithms.
  const { tempo = 1 } = studio.teachers.find(({ id }: { id: string }) => id === 'tam');
  expect(Math.abs(pace.factors.work.factor / (tempo ** 0.75 * 1.2 ** 0.25) - 1)).toBeLessThan(0.03);
});

test('a class under way is brought to its time, and exit 1 says that it can’t be', () => {
  const late = command('replan', ...files, ...CLASS, '--at', 'b10', '--elapsed', '700', '--late', '120');
  expect(late.status).toBe(0);
  const answer = JSON.parse(late.stdout);
  expect(answer.endsAt.then).toBeLessThanOrEqual(answer.target + 30);
  expect(answer.endsAt.then).toBeGreaterThanOrEqual(answer.target - 90);
  expect(command('replan', ...files, ...CLASS, '--at', 'b23', '--elapsed', '2400').status).toBe(1);
});

test.each([
  ['replan', [...files, ...CLASS, '--at', 'b99', '--elapsed', '1'], /There is no block “b99”/],
  ['replan', [...files, ...CLASS, '--at', 'b2', '--elapsed', 'soon'], /“soon” is no number of seconds/],
  ['replan', [...files, ...CLASS, '--at', 'b2', '--elapsed', '90', '--teacher', 'x'], /There is no teacher “x”/],
  ['pace', [...files], /Name the teacher/],
  ['speak', [...files, ...CLASS, '--as', 'mp3'], /“mp3” is no kind of captions/],
  ['speak', [...files, ...CLASS, '--habits', at('bad.json')], /bad\.json, skips\[0\]/],
  ['speak', [...files, ...CLASS, '--habits', at('gone.json')], /There is no block “gone”/],
  ['take', [at('empty.vtt'), ...files, ...CLASS], /empty\.vtt, Line 1: The file is empty/],
  ['take', [at('a.vtt'), ...files], /Name the class/],
] as const)('%s refuses what can’t be in a sentence: %#', (name, args, says) => {
  writeFileSync(at('bad.json'), JSON.stringify({ skips: [1] }));
  writeFileSync(at('gone.json'), JSON.stringify({ skips: ['gone'] }));
  writeFileSync(at('empty.vtt'), '');
  const { status, stderr, stdout } = command(name, ...args);
  expect(stderr).toMatch(says);
  expect([status, stdout]).toEqual([2, '']);
});
