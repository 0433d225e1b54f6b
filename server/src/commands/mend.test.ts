import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import { temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

function mend(...args: string[]) {
  const path = join(folder, 'studio.json');
  const classes = [classOf([block('hold'), block('reach', { side: 'left' })], { id: 'uneven', targetMinutes: 3 })];
  const locked = classOf([block('earned/high', { locked: true })], { id: 'held' });
  writeFileSync(path, JSON.stringify(bundleOf({ classes: [...classes, locked], series: [] })));
  const command = join(process.env.COMPILED_SERVER ?? '', 'mend.js');
  const { status, stdout, stderr } = spawnSync(process.execPath, [command, path, ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
}

test('a class is mended step by step, each better than the last, and exits 0 when nothing grave is left', () => {
  const { status, stdout } = mend('--class', 'uneven');
  expect(status).toBe(0);
  const { class: plan, steps, left } = JSON.parse(stdout);
  expect(plan.id).toBe('uneven');
  expect(steps.length).toBeGreaterThan(0);
  for (const { before, after } of steps) expect(after.score).toBeLessThan(before.score);
  expect(left).toMatchObject({ stop: 0, fix: 0 });
}, 30_000);

test('what is left exits 1 and says why', () => {
  const { status, stdout } = mend('--class', 'held');
  expect(status).toBe(1);
  const { class: plan, left } = JSON.parse(stdout);
  expect(plan.blocks).toContainEqual(expect.objectContaining({ exercise: 'earned', rung: 'high', locked: true }));
  expect(left.why.find(({ ids }: { ids: string[] }) => ids.includes('b1')).message).toMatch(/is locked/);
}, 30_000);

test('no class, or none of that name, exits 2 and says what was expected', () => {
  expect(mend()).toMatchObject({ status: 2, stdout: '', stderr: expect.stringMatching(/--class ID/) });
  expect(mend('--class', 'nobody')).toMatchObject({ status: 2, stderr: expect.stringMatching(/no class “nobody”/) });
  expect(mend('--class', 'held', '--today', 'soon')).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/no day/),
  });
}, 30_000);
