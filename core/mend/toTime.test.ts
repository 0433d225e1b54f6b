import { applyEdits } from '../plan';
import { measureClass } from '../review';
import { block, catalogOf, classOf } from '../testing/studio';
import { toTime } from './toTime';
import { groundOf } from './trial';

const catalog = catalogOf();
const groundFor = (plan: ReturnType<typeof classOf>) => groundOf(catalog, measureClass(catalog, plan), {});
const twelve = ['hold', 'curl', 'march', 'arch', 'reach', 'stand'].flatMap((name) => [
  block(name),
  block(`${name}/high`),
]);

test('a class brought to its length gets a plan for running late, and runs late seldom without what may go', () => {
  const plan = classOf(twelve, { targetMinutes: 9 });
  const { edits, told, short } = toTime(groundFor(plan));
  expect(short).toBeNull();
  expect(told.at(-1)).toMatch(/^May go when it runs late: /);
  const after = measureClass(catalog, applyEdits(catalog, plan, edits)).timed;
  expect(Math.abs(after.seconds - 9 * 60)).toBeLessThanOrEqual(60);
  expect(after.range.overIfGiven).toBeLessThanOrEqual(catalog.method.craft.lateChance);
  // Neither the first nor the last, and nothing that is locked.
  const given = after.plan.blocks.filter(({ give }) => give !== undefined).map(({ id }) => id);
  expect(given.length).toBeGreaterThan(0);
  for (const kept of ['b1', 'b12']) expect(given).not.toContain(kept);
});

test('what is marked stays as it is marked', () => {
  const plan = classOf(
    twelve.map((each, i) => (i === 3 ? { ...each, give: 1 } : each)),
    { targetMinutes: 9 },
  );
  const after = applyEdits(catalog, plan, toTime(groundFor(plan)).edits);
  expect(after.blocks.flatMap(({ id, give }) => (give === undefined ? [] : [[id, give]]))).toEqual([['b4', 1]]);
});

test('where repetitions can’t bring it there, it is said by how much and what would', () => {
  const { short } = toTime(groundFor(classOf(twelve, { targetMinutes: 60 })));
  expect(short).toMatch(/^It is still \d+ min( \d+ s)? too short for 1:00:00: every block/);
  expect(short).toMatch(/Add a block or two, or set another length\.$/);
});
