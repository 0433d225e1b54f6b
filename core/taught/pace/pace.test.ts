import fc from 'fast-check';
import { resolveMethod } from '../../method';
import { timeClass } from '../../plan';
import { block, catalogOf, classOf, must } from '../../testing/studio';
import type { Log } from '../logSchema';
import { plannedDay } from '../plannedDay';
import { pacedTeacher, paceOf } from '.';

const catalog = catalogOf();
const method = resolveMethod();
const TAM = { id: 't1' };

/** A class of six blocks: two of them carry on, one has two sides, people change position twice. */
const plan = classOf([
  block('hold', { mode: 'teach' }),
  block('curl', { mode: 'teach', carry: true }),
  block('march', { mode: 'flow', carry: true, restAfterSeconds: 20 }),
  { interlude: 'recover', name: 'Knees hugged', seconds: 30 },
  block('arch', { mode: 'teach' }),
  block('reach', { mode: 'teach' }),
]);
const planned = plannedDay(timeClass(catalog, plan));

interface Day {
  readonly work?: number;
  readonly setup?: number;
  readonly carry?: number;
  readonly change?: number;
  readonly opening?: number;
  readonly date?: string;
}

/** A log of the class, each kind of thing so many times as long as planned; rests and interludes as planned. */
function logOf({ work = 1, setup = 1, carry = 1, change = 1, opening = 1, date = '2027-01-11' }: Day): Log {
  const slots = must(planned.blocks)
    .flatMap((own) => must(own.passes).map((pass, i) => ({ own, pass, i })))
    .sort((a, b) => must(a.pass.startSeconds) - must(b.pass.startSeconds));
  let [clock, end] = [must(planned.openingSeconds) * opening, must(planned.openingSeconds)];
  const passes = new Map<string, NonNullable<NonNullable<Log['blocks']>[number]['passes']>>();
  for (const { own, pass, i } of slots) {
    const way = must(pass.startSeconds) - end;
    const interlude = own.exercise === undefined;
    const talk = ((pass.setup ?? 0) + (i === 0 ? (own.options ?? 0) : 0)) * (own.carries ? carry : setup);
    const done = must(pass.work) * (interlude ? 1 : work);
    const start = clock + way * change;
    const rest = i === must(own.passes).length - 1 ? (own.rest ?? 0) : 0;
    passes.set(own.id, [
      ...(passes.get(own.id) ?? []),
      { side: pass.side, startSeconds: start, setupSeconds: talk, workSeconds: done, endSeconds: start + talk + done },
    ]);
    clock = start + talk + done + rest;
    end = must(pass.startSeconds) + (pass.setup ?? 0) + (i === 0 ? (own.options ?? 0) : 0) + must(pass.work) + rest;
  }
  return {
    id: `log-${date}`,
    class: plan.id,
    date,
    teacher: TAM.id,
    source: 'live',
    plan: planned,
    openingSeconds: must(planned.openingSeconds) * opening,
    endedSeconds: clock + must(planned.closingSeconds),
    blocks: plan.blocks.map(({ id }) => ({ id, did: 'planned' as const, passes: must(passes.get(id)) })),
  };
}

test('a factor is the weighed mean of logarithms, as if three classes had gone as typed', () => {
  const { kinds, classes } = paceOf([logOf({ work: 1.2 }), logOf({ work: 1.4, date: '2027-01-18' })], TAM, method);
  expect(classes).toBe(2);
  // Both weigh 1: more than a minute of work was planned.
  expect(must(kinds.work).factor).toBeCloseTo(Math.exp((Math.log(1.2) + Math.log(1.4)) / 5), 9);
  expect(must(kinds.work).classes).toBe(2);
  const middle = Math.log(must(kinds.work).factor);
  const s = Math.sqrt((3 * 0.1 ** 2 + (Math.log(1.2) - middle) ** 2 + (Math.log(1.4) - middle) ** 2) / 5);
  expect(must(kinds.work).high).toBeCloseTo(Math.exp(middle + (1.28 * s) / Math.sqrt(5)), 9);
  // A typed tempo is what it begins from, for the work alone.
  const typed = paceOf([logOf({ work: 1.2 })], { ...TAM, tempo: 1.5 }, method);
  expect(must(typed.kinds.work).factor).toBeCloseTo(Math.exp((3 * Math.log(1.5) + Math.log(1.2)) / 4), 9);
  expect(must(typed.kinds.carry).factor).toBeCloseTo(1, 9);
});

test('less than a minute of something weighs less', () => {
  const carried = must(planned.blocks)
    .filter(({ carries }) => carries)
    .reduce((sum, { passes }) => sum + must(must(must(passes)[0]).setup), 0);
  expect(carried).toBeLessThan(60);
  const { kinds } = paceOf([logOf({ carry: 2 })], TAM, method);
  expect(must(kinds.carry).factor).toBeCloseTo(Math.exp(((carried / 60) * Math.log(2)) / (carried / 60 + 3)), 9);
});

test('rehearsals, others’ classes and what was left out or done otherwise count for nothing', () => {
  const one = logOf({ work: 1.3 });
  const { classes, kinds } = paceOf(
    [
      { ...one, source: 'rehearsal' },
      { ...one, teacher: 't2' },
      { ...one, blocks: one.blocks?.map((each) => ({ ...each, did: 'other' as const })) },
    ],
    TAM,
    method,
  );
  expect(classes).toBe(1);
  expect(kinds.work).toBeUndefined();
});

test('a gap with something else in it is no change, and a rest is not counted to one', () => {
  const one = logOf({ change: 1.5 });
  const plain = must(paceOf([one], TAM, method).kinds.change).factor;
  const ways = must(planned.blocks).reduce((sum, { change = 0, sideChange = 0 }) => sum + change + sideChange, 0);
  // The way to the first block comes out of the opening, and counts for nothing.
  const weight = Math.min(1, ways / 60);
  expect(plain).toBeCloseTo(Math.exp((weight * Math.log(1.5)) / (weight + 3)), 9);
  const [first, second] = must(one.blocks);
  const between = must(must(first).passes)[0]?.endSeconds ?? 0;
  const added = { id: 'x', did: 'added' as const, passes: [{ startSeconds: between, endSeconds: between + 40 }] };
  const moved = { ...one, blocks: [must(first), added, must(second), ...must(one.blocks).slice(2)] };
  expect(must(paceOf([moved], TAM, method).kinds.change).classes).toBe(1);
});

test('of classes done as planned it is told how many ended where the logs before them foretold', () => {
  const steady = [1, 2, 3, 4, 5].map((day) => logOf({ work: 1.01, date: `2027-01-0${day}` }));
  expect(paceOf(steady, TAM, method).inside).toEqual({ of: 5, in: 5 });
  const wild = logOf({ work: 3, date: '2027-02-01' });
  expect(paceOf([...steady, wild], TAM, method).inside).toEqual({ of: 6, in: 5 });
  // Days alike leave little that is of a day: less than the house’s.
  expect(paceOf(steady, TAM, method).day).toBeLessThan(method.uncertainty.teacher);
  expect(paceOf([wild], TAM, method).day).toBeGreaterThan(method.uncertainty.teacher);
});

test('a class asked for with a teacher takes their factors, each where it belongs', () => {
  const logs = [logOf({ work: 1.3, setup: 0.8, carry: 1.6, change: 1.5, opening: 1.2 })];
  const teacher = must(pacedTeacher({ id: 't1', name: 'Tam', tempo: 1.1, wordsPerMinute: 100 }, logs, method));
  const { factors } = must(teacher.pace);
  const without = timeClass(catalog, plan);
  const paced = timeClass(catalog, plan, { teacher });
  expect(paced.parts.work).toBeCloseTo(without.parts.work * must(factors.work), 6);
  expect(paced.parts.transitions).toBeCloseTo(without.parts.transitions * must(factors.change), 6);
  expect(paced.parts.sideChanges).toBeCloseTo(without.parts.sideChanges * must(factors.change), 6);
  expect(paced.parts.opening).toBeCloseTo(without.parts.opening * must(factors.opening), 6);
  expect(paced.parts.closing).toBe(without.parts.closing);
  expect(paced.parts.rest).toBe(without.parts.rest);
  const talk = (carries: boolean, timed: typeof paced) =>
    timed.blocks.filter((each) => each.carries === carries).reduce((sum, { setup }) => sum + setup, 0);
  expect(talk(true, paced)).toBeCloseTo(talk(true, without) * must(factors.carry), 6);
  expect(talk(false, paced)).toBeCloseTo(talk(false, without) * must(factors.setup), 6);
});

test('with more and more classes a factor comes to what was done, whatever was typed', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.7, max: 1.5, noNaN: true }),
      fc.double({ min: 0.7, max: 1.5, noNaN: true }),
      (work, tempo) => {
        const logs = Array.from({ length: 60 }, (_, i) => ({ ...logOf({ work }), id: `log-${i}` }));
        const { factor, low, high } = must(paceOf(logs, { ...TAM, tempo }, method).kinds.work);
        expect(Math.abs(Math.log(factor / work))).toBeLessThan(0.05 * Math.abs(Math.log(tempo / work)) + 1e-9);
        expect(low).toBeLessThanOrEqual(factor);
        expect(high).toBeGreaterThanOrEqual(factor);
      },
    ),
    { numRuns: 20 },
  );
});
