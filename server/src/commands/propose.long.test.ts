import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundleOf } from '@warm-ladder/core/testing';
import { temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

function propose(brief: unknown) {
  const [studio, wish] = [join(folder, 'studio.json'), join(folder, 'brief.json')];
  writeFileSync(studio, JSON.stringify(bundleOf({ classes: [], series: [] })));
  writeFileSync(wish, typeof brief === 'string' ? brief : JSON.stringify(brief));
  const args = [join(process.env.COMPILED_SERVER ?? '', 'propose.js'), studio, '--brief', wish];
  const { status, stdout, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8' });
  return { status, stdout, stderr };
}

test('a brief is answered with classes that can be read back, and the same brief the same', () => {
  const brief = { minutes: 12, proposals: 1, seed: 3 };
  const { status, stdout } = propose(brief);
  expect(status).toBe(0);
  const { proposals, clashes, evaluated } = JSON.parse(stdout);
  expect(clashes).toEqual([]);
  expect(evaluated).toBeGreaterThan(1000);
  expect(proposals[0]).toMatchObject({ class: { targetMinutes: 12 }, findings: { stop: 0 }, score: { parts: {} } });
  expect(proposals[0].why.length).toBeGreaterThan(2);
  expect(propose(brief).stdout).toBe(stdout);
}, 60_000);

test('demands that clash exit 1 and are said; a brief that can’t be read exits 2 with its path', () => {
  const { status, stdout } = propose({ minutes: 4 });
  expect(status).toBe(1);
  expect(JSON.parse(stdout)).toEqual({ proposals: [], clashes: [expect.stringMatching(/too short/)], evaluated: 0 });
  for (const minutes of [0, 480]) {
    const refused = propose({ minutes });
    expect(refused).toMatchObject({ status: 2, stdout: '' });
    expect(refused.stderr).toMatch(/brief\.json, minutes: /);
  }
  expect(propose('{').stderr).toMatch(/brief\.json, the file: .*not whole JSON/);
}, 60_000);
