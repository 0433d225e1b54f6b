import { block, catalogOf, classOf, exercise, must, rung } from '../../testing/studio';
import { type Moment, replan } from '.';

/** Rungs of 100 s each: 20 of set-up, and 20 repetitions of 4. One is hotter than the others, one has two sides. */
const steady = (id: string, change = {}) =>
  exercise(id, {
    rungs: [rung('low', { dose: { sets: 1, reps: 20 }, repsRange: [16, 24], setupSeconds: 20, ...change })],
  });
const hot = steady('hot', {
  poses: {
    home: { supports: ['head', 'ribs', 'pelvis'], hip: 90, knee: 90 },
    away: { supports: ['head', 'ribs', 'pelvis'], hip: 45, knee: 0 },
  },
});
const catalog = catalogOf([
  ...['a', 'b', 'c', 'd', 'e', 'f'].map((id) => steady(id)),
  hot,
  { ...steady('each'), sides: 'each' },
  { ...steady('other'), sides: 'each' },
  steady('next', { requires: [{ exercise: 'c', rung: 'low' }] }),
]);
const METHOD_CARRIES = { mode: 'teach', carry: false } as const;
const step = (id: string, change = {}) => block(id, { ...METHOD_CARRIES, ...change });

/** Ten minutes: a minute of opening, five blocks of 100 s, half a minute of closing, ten seconds to spare. */
const plan = classOf([step('a'), step('b'), step('hot'), step('c'), step('d')], { targetMinutes: 10 });
const at = (moment: Partial<Moment>): Moment => ({ block: 'b2', pass: 1, elapsed: 160, late: 0, ...moment });

test('the day’s own pace counts in full from a quarter of an hour on, and before that by its share', () => {
  // As planned: 60 + 5 × 100 + 30 = 590 s.
  expect(replan(catalog, plan, {}, at({})).endsAt).toEqual({ asPlanned: 590, replanned: 590 });
  // 160 s were planned and 180 taken: what is left, 430 s, takes (180 / 160) ^ (160 / 900) as long.
  const slow = 430 * (180 / 160) ** (160 / 900);
  expect(replan(catalog, plan, {}, at({ elapsed: 180 })).endsAt.asPlanned).toBe(Math.round(180 + slow));
  // Begun late, the same hurry is none: the end stands where it stood.
  expect(replan(catalog, plan, {}, at({ elapsed: 220, late: 60 })).endsAt.asPlanned).toBe(650);
});

test('late, what is marked to give goes first, in its order, and only as much as is needed', () => {
  const marked = classOf(
    [step('a'), step('b'), step('hot'), step('c', { give: 2 }), step('e', { give: 1 }), step('d')],
    { targetMinutes: 11 },
  );
  // 690 s as planned; begun 60 s late it ends at 750, 90 s after its time: one block less is enough.
  const { edits, endsAt } = replan(catalog, marked, {}, at({ elapsed: 220, late: 60 }));
  expect(edits.map(({ kind, block: id, saves }) => [kind, id, saves])).toEqual([['leave-out', 'b5', 100]]);
  expect(endsAt).toEqual({ asPlanned: 750, replanned: 650 });
  const both = replan(catalog, marked, {}, at({ elapsed: 330, late: 170 }));
  expect(both.edits.map(({ block: id }) => id)).toEqual(['b5', 'b4']);
});

test('never the hardest left, the last, a second side, what is locked or what is still required', () => {
  const full = classOf(
    [step('a'), step('each'), step('hot'), step('b', { locked: true }), step('c'), step('next'), step('d')],
    { targetMinutes: 8 },
  );
  // It stands before the second side of its second block, far too late for all that may go.
  const { edits, keeps, ends, endsAt } = replan(catalog, full, {}, { block: 'b2', pass: 2, elapsed: 600, late: 0 });
  expect(keeps).toEqual({ peak: 'b3', ease: 'b7', secondSides: ['b2'] });
  const touched = new Set(edits.map(({ block: id }) => id));
  for (const kept of ['b2', 'b3', 'b4', 'b7']) expect(touched.has(kept)).toBe(false);
  // What requires it goes, and then it may go too.
  expect(edits.filter(({ kind }) => kind === 'leave-out').map(({ block: id }) => id)).toEqual(['b6', 'b5']);
  expect(ends).toBe(false);
  expect(endsAt.replanned).toBeLessThan(endsAt.asPlanned);
});

test('early, what is kept for it is added after its block, and nothing where that is past', () => {
  const spare = { ...step('e'), id: 's1', mode: 'teach' as const, after: 'b3' };
  const short = { ...plan, targetMinutes: 11.5, spare: [spare] };
  const early = replan(catalog, short, {}, at({}));
  expect(early.edits.map(({ kind, block: id, saves }) => [kind, id, saves])).toEqual([['spare', 's1', -100]]);
  expect(early.plan.blocks.map(({ id }) => id)).toEqual(['b1', 'b2', 'b3', 's1', 'b4', 'b5']);
  expect(replan(catalog, short, {}, at({ block: 'b4', elapsed: 360 })).edits.map(({ kind }) => kind)).not.toContain(
    'spare',
  );
});

test('early without any, repetitions grow within their ranges', () => {
  const { edits, endsAt } = replan(catalog, { ...plan, targetMinutes: 11.5 }, {}, at({}));
  expect(endsAt.replanned).toBeGreaterThanOrEqual(11.5 * 60 - 90);
  expect(new Set(edits.map(({ kind }) => kind))).toEqual(new Set(['reps']));
  for (const { to } of edits) expect(must(to).reps).toBeLessThanOrEqual(24);
});

test.each([
  [{ block: 'b9' }, /no block “b9”/],
  [{ pass: 2 as const }, /no second side/],
  [{ elapsed: 10, late: 60 }, /can’t be/],
  [{ done: ['b1', 'x'] }, /no block “x”/],
])('a moment that can’t be is refused in a sentence: %j', (moment, says) => {
  expect(() => replan(catalog, plan, {}, at(moment))).toThrow(says);
});

test('what was passed over counts neither as done nor as left', () => {
  // Its first block was passed over: 60 s planned so far, and 590 − 100 in all.
  const { endsAt } = replan(catalog, plan, {}, at({ elapsed: 60, done: [] }));
  expect(endsAt.asPlanned).toBe(490);
});

test('in a run, what was passed over on the first side does not come on the second', () => {
  const run = classOf([step('a'), step('each', { run: 'r' }), step('other', { run: 'r' }), step('hot'), step('d')], {
    targetMinutes: 15,
  });
  const second = (done?: readonly string[]) =>
    replan(catalog, run, {}, { block: 'b2', pass: 2, elapsed: 400, late: 0, done });
  expect(second().keeps.secondSides).toEqual(['b2', 'b3']);
  expect(second(['b1', 'b2/1']).keeps.secondSides).toEqual(['b2']);
});
