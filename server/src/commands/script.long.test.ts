import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { demoFiles } from '@warm-ladder/core/testing';
import { temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

const run = (...args: string[]) =>
  spawnSync(process.execPath, [join(process.env.COMPILED_SERVER ?? '', 'script.js'), ...demoFiles(), ...args], {
    maxBuffer: 2 ** 26,
  });

test('a script as data is printed; a class, a format or a teacher that is not there is refused in a sentence', () => {
  const { stdout, status } = run('--class', 'night-landing');
  expect(status).toBe(0);
  expect(JSON.parse(String(stdout))).toMatchObject({ wordsPerMinute: 140 });
  for (const [args, sentence] of [
    [['--class', 'nowhere'], /There is no class “nowhere”/],
    [
      ['--class', 'night-landing', '--as', 'poem'],
      /“poem” is no format; expected one of pdf, docx, md, csv, vtt, srt, json\./,
    ],
    [['--class', 'night-landing', '--teacher', 'nobody'], /There is no teacher “nobody”/],
    [['--as', 'pdf'], /Name the class/],
    [['--class', 'night-landing', '--as', 'md', '--out', join(folder, 'no/such/place.md')], /can’t be written/],
  ] as const) {
    const refused = run(...args);
    expect(refused.status).toBe(2);
    expect(String(refused.stderr)).toMatch(sentence);
    expect(String(refused.stdout)).toBe('');
  }
});
