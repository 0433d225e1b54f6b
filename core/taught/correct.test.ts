import fc from 'fast-check';
import { timeClass } from '../plan';
import { block, catalogOf, classOf } from '../testing/studio';
import { checkLog, joinedToBefore, logByHand, passesInTime, split, withBorder, withName } from '.';
import { type Log, logSchema } from './logSchema';

const plan = classOf([block('hold'), block('curl'), block('march'), block('arch')]);
const pass = (start: number, setup: number, work: number) => ({
  startSeconds: start,
  setupSeconds: setup,
  workSeconds: work,
  reps: 5,
  endSeconds: start + setup + work,
});
const log: Log = {
  ...logByHand(timeClass(catalogOf(), plan), { id: 'log-1', date: '2027-01-11' }),
  endedSeconds: 400,
  blocks: [
    { id: 'b1', did: 'planned', passes: [pass(60, 20, 40)] },
    { id: 'b2', did: 'planned', passes: [pass(130, 20, 40)] },
    { id: 'b3', did: 'planned', passes: [pass(200, 20, 40)] },
    { id: 'b4', did: 'skipped' },
  ],
};
const times = (of: Log) => passesInTime(of).map(({ block: id, start, end }) => [id, start, end]);
const passOf = (of: Log, id: string) => of.blocks?.find((each) => each.id === id)?.passes?.[0];
const b2 = { block: 'b2', pass: 0 };

test('a border moves no farther than its neighbours, and the time before and after it goes with it', () => {
  // Begun earlier, its set-up was longer; the work begins where it did.
  expect(passOf(withBorder(log, b2, 'start', 124), 'b2')).toEqual(pass(124, 26, 40));
  // Begun later than its work began, it had no set-up.
  expect(passOf(withBorder(log, b2, 'start', 160), 'b2')).toEqual(pass(160, 0, 30));
  // Into the block before it, that one ends there.
  const into = withBorder(log, b2, 'start', 100);
  expect([passOf(into, 'b1'), passOf(into, 'b2')]).toEqual([pass(60, 20, 20), pass(100, 50, 40)]);
  expect(times(withBorder(log, b2, 'start', 0))[1]).toEqual(['b2', 61, 190]);
  expect(passOf(withBorder(log, b2, 'end', 260), 'b2')).toEqual(pass(130, 20, 50));
  expect(passOf(withBorder(log, { block: 'b3', pass: 0 }, 'end', 999), 'b3')?.endSeconds).toBe(400);
});

test('what was taken for two is joined, what was taken for one is split, and either is said to be another block', () => {
  const joined = joinedToBefore(log, 'b2');
  expect(times(joined)).toEqual([
    ['b1', 60, 190],
    ['b3', 200, 260],
  ]);
  expect(joined.blocks?.find(({ id }) => id === 'b2')).toEqual({ id: 'b2', did: 'skipped' });
  const two = split(log, b2, 'added-1');
  expect(times(two)).toEqual([
    ['b1', 60, 120],
    ['b2', 130, 160],
    ['added-1', 160, 190],
    ['b3', 200, 260],
  ]);
  // The second half was the block that nobody found.
  const found = withName(two, 'added-1', 'b4', 'added-2');
  expect(found.blocks?.map(({ id, did }) => [id, did])).toEqual([
    ['b1', 'planned'],
    ['b2', 'planned'],
    ['b4', 'planned'],
    ['b3', 'planned'],
  ]);
  // What was taken for the second was the third: the second was left out, and what was taken for the third unplanned.
  const other = withName(log, 'b2', 'b3', 'added-1');
  expect(other.blocks?.map(({ id, did }) => [id, did])).toEqual([
    ['b1', 'planned'],
    ['b3', 'planned'],
    ['added-1', 'added'],
    ['b4', 'skipped'],
    ['b2', 'skipped'],
  ]);
  expect(withName(log, 'b2', null, 'added-1').blocks?.[1]).toMatchObject({ id: 'added-1', did: 'added' });
});

test('whatever is corrected, the log can still be kept', () => {
  const ids = fc.constantFrom('b1', 'b2', 'b3', 'b4', 'added-0', 'added-1');
  const step = fc.oneof(
    fc.tuple(
      fc.constant('border'),
      ids,
      fc.constantFrom('start', 'end'),
      fc.double({ min: -50, max: 500, noNaN: true }),
    ),
    fc.tuple(fc.constant('join'), ids),
    fc.tuple(fc.constant('split'), ids),
    fc.tuple(fc.constant('name'), ids, fc.option(fc.constantFrom('b1', 'b2', 'b3', 'b4'))),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      let now = log;
      steps.forEach(([what, id, ...rest], i) => {
        const at = { block: id, pass: 0 };
        if (what === 'border') now = withBorder(now, at, rest[0] as 'start' | 'end', rest[1] as number);
        if (what === 'join') now = joinedToBefore(now, id);
        if (what === 'split') now = split(now, at, `added-${i}`);
        if (what === 'name') now = withName(now, id, (rest[0] ?? null) as string | null, `added-${i}`);
      });
      expect(logSchema.safeParse(now).error?.issues ?? []).toEqual([]);
      expect(checkLog(now, plan)).toEqual([]);
      const known = (now.blocks ?? []).map(({ id }) => id);
      expect(new Set(known).size).toBe(known.length);
    }),
    { numRuns: 500 },
  );
});
