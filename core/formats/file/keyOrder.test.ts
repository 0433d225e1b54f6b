import { bundleOf, must, rung } from '../../testing';
import { exercise } from '../../testing/studio';
import { inKeyOrder } from './keyOrder';

/** As a store gives it back that orders keys by itself: short ones first. */
const shuffled = <T>(value: T): T => {
  if (Array.isArray(value)) return value.map(shuffled) as T;
  if (typeof value !== 'object' || value === null) return value;
  const keys = Object.keys(value).sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
  return Object.fromEntries(keys.map((key) => [key, shuffled(value[key as keyof T])])) as T;
};

test('poses come in the order the rung goes through them, whatever order they were kept in', () => {
  const pose = must(rung('low').poses.home);
  const made = exercise('made', {
    rungs: [
      rung('low', {
        poses: { spare: pose, away: { ...pose, holds: { 'hand.right': 'head', 'hand.left': 'head' } }, home: pose },
      }),
    ],
  });
  const ordered = inKeyOrder('exercises', made);
  expect(Object.keys(must(ordered.rungs[0]).poses)).toEqual(['home', 'away', 'spare']);
  expect(Object.keys(must(must(ordered.rungs[0]).poses.away?.holds))).toEqual(['hand.left', 'hand.right']);
  expect(ordered).toEqual(made);
  expect(inKeyOrder('exercises', ordered)).toBe(ordered);
  const again = inKeyOrder('exercises', {
    ...ordered,
    rungs: ordered.rungs.map((each) => ({ ...each, poses: shuffled(each.poses) })),
  });
  expect(JSON.stringify(again.rungs[0]?.poses)).not.toBe(JSON.stringify(shuffled(ordered.rungs[0]?.poses)));
  expect(Object.keys(must(again.rungs[0]).poses)).toEqual(['home', 'away', 'spare']);
});

test('what has no free keys, and what is in order already, stays the very object', () => {
  const { classes = [], exercises = [] } = bundleOf();
  for (const plan of classes) expect(inKeyOrder('classes', plan)).toBe(plan);
  for (const each of exercises) expect(inKeyOrder('exercises', each)).toBe(each);
});
