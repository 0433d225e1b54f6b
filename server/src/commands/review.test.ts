import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import { temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

/** Runs the command as a shell would, on files written for it. */
function review(files: Record<string, Bundle | string>) {
  const paths = Object.entries(files).map(([name, content]) => {
    const path = join(folder, name);
    writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
    return path;
  });
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(process.env.COMPILED_SERVER ?? '', 'review.js'), ...paths],
    {
      encoding: 'utf8',
    },
  );
  return { status, stdout, stderr };
}

test('a sound bundle prints one document and exits 0, though it has findings', () => {
  const { status, stdout } = review({ 'sound.json': bundleOf() });
  expect(status).toBe(0);
  const document = JSON.parse(stdout);
  expect(Object.keys(document)).toEqual(['rungs', 'ladders', 'ladderTau', 'longestChain', 'classes', 'series']);
  expect(document.classes['test-class'].findings.length).toBeGreaterThan(0);
}, 30_000);

test('a stop exits 1, and the document is printed all the same', () => {
  const method = { limits: { homeHeat: 1 } };
  const { status, stdout } = review({
    'stop.json': bundleOf({ method, classes: [classOf([block('earned/high')])], series: [] }),
  });
  expect(status).toBe(1);
  expect(JSON.parse(stdout).classes['test-class'].findings[0]).toMatchObject({ severity: 'stop' });
}, 30_000);

test('what can’t be read exits 2 and names the file, the path in it and what was expected, and prints nothing else', () => {
  const cases: Array<[Record<string, Bundle | string>, RegExp]> = [
    [{ 'half.json': '{"format": "warm' }, /half\.json, the file: The file is not whole JSON/],
    [
      { 'reps.json': bundleOf({ classes: [classOf([block('hold', { dose: { reps: 0 } })])] }) },
      /reps\.json, classes\[0\]\.blocks\[0\]\.dose\.reps: .*>=1/,
    ],
    [
      {
        'rep.json': bundleOf({ classes: [], series: [] }),
        'cl.json': { ...emptyBundle(), classes: [classOf([block('x')])] },
      },
      /cl\.json, classes\[0\]\.blocks\[0\]\.exercise: There is no exercise “x”/,
    ],
    [{}, /Name at least one bundle file/],
  ];
  for (const [files, sentence] of cases) {
    const { status, stdout, stderr } = review(files);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(sentence);
  }
}, 60_000);
