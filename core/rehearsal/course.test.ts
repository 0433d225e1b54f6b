import fc from 'fast-check';
import { type ClassPlan, timeClass } from '../plan';
import { draftScript } from '../script';
import { checkLog } from '../taught';
import { logSchema } from '../taught/logSchema';
import { block, catalogOf, classOf, exercise, rung } from '../testing/studio';
import { type Course, keyOf, logOfCourse, notBegun, planNow, readTaps, secondsOf, standing, type Tap, tapped } from '.';

/** Rungs of 100 s: 20 of set-up, and 20 repetitions of 4. */
const steady = (id: string, change = {}) =>
  exercise(id, { rungs: [rung('low', { dose: { sets: 1, reps: 20 }, setupSeconds: 20 })], ...change });
const catalog = catalogOf([
  steady('a'),
  steady('b'),
  steady('each', { position: 'side-lying', sides: 'each' }),
  steady('spare'),
]);
const step = (id: string) => block(id, { mode: 'teach', carry: false });
/** A minute of opening, a and b of 100 s, then 100 s for each side with a way between, half a minute of closing. */
const plan = classOf([step('a'), step('b'), step('each')]);

const scriptOf = (of: ClassPlan) => draftScript(catalog, timeClass(catalog, of));
const keysOf = (of: ClassPlan) => scriptOf(of).sections.map((section) => keyOf(section, of));
const after = (taps: readonly Tap[], mode: Course['mode'] = 'teach') =>
  taps.reduce((course, tap) => tapped(course, tap, keysOf), notBegun(plan, mode));
const begin: Tap = { kind: 'begin', at: 0, late: 0 };
const next = (at: number): Tap => ({ kind: 'next', at });
const rep = (at: number): Tap => ({ kind: 'rep', at });
const where = (course: Course, at: number) => standing(scriptOf(planNow(course)), course, secondsOf(course, at));
const logged = (course: Course) =>
  logOfCourse(course, timeClass(catalog, plan), scriptOf(planNow(course)), {
    id: 'log-1',
    date: '2027-01-11',
    begun: '18:32',
  });

test('taps go through every stretch once, a double tap is one, and back restores what was', () => {
  const third = after([begin, next(60), rep(80), rep(84), next(160), next(160.5)]);
  expect(third.steps).toEqual([
    { key: 'opening', begun: 0, reps: [] },
    { key: 'b1/1', begun: 60, reps: [80, 84] },
    { key: 'b2/1', begun: 160, reps: [] },
  ]);
  const back = tapped(third, { kind: 'back', at: 170 }, keysOf);
  expect(back.steps.at(-1)).toEqual({ key: 'b1/1', begun: 60, reps: [80, 84] });
  const whole = after([begin, next(60), next(160), next(260), next(380), next(490), next(520)]);
  expect(whole.steps.map(({ key }) => key)).toEqual(['opening', 'b1/1', 'b2/1', 'b3/1', 'b3/2', 'closing']);
  expect(whole.ended).toBe(520);
  // The end too can be taken back.
  expect(tapped(whole, { kind: 'back', at: 530 }, keysOf).ended).toBeNull();
});

test('in a rehearsal holds are left out; a class that is taught goes on in them', () => {
  const taps: Tap[] = [begin, { kind: 'hold', at: 10 }, { kind: 'go', at: 40 }, next(90)];
  expect(after(taps, 'rehearse').steps.at(-1)?.begun).toBe(60);
  expect(after(taps, 'teach').steps.at(-1)?.begun).toBe(90);
  const held = after(taps.slice(0, 2), 'rehearse');
  expect(secondsOf(held, 39)).toBe(10);
  // Who moves on goes on.
  expect(after([begin, { kind: 'hold', at: 10 }, next(40), next(70)], 'rehearse').steps.at(-1)?.begun).toBe(40);
});

test('a change that takes out the stretch it is in goes on with what followed, and undone goes back into it', () => {
  const without: Tap = {
    kind: 'change',
    at: 161,
    plan: classOf([], { blocks: plan.blocks.toSpliced(1, 1) }),
    label: '',
  };
  const changed = after([begin, next(60), next(160), without]);
  expect(changed.steps.at(-1)).toEqual({ key: 'b3/1', begun: 160, reps: [] });
  const undone = tapped(changed, { kind: 'undo', at: 165 }, keysOf);
  expect(undone.steps).toEqual([...changed.steps.slice(0, 2), { key: 'b2/1', begun: 160, reps: [] }]);
  expect(undone.steps).toHaveLength(3);
  expect(planNow(undone)).toBe(plan);
});

test('behind and ahead count every second, the way among them, and the end is told at the day’s own pace', () => {
  const onTime = after([begin, next(60)]);
  for (const at of [60, 61.5, 100, 159]) expect(where(onTime, at).behind).toBeCloseTo(0);
  expect(where(onTime, 175).behind).toBeCloseTo(15);
  const [length] = [scriptOf(plan).seconds];
  expect(where(onTime, 100).ends).toBeCloseTo(length);
  // Twice as slow over the first 60 s counts 60 / 900 of that: what is left takes 2 ^ (60 / 900) as long.
  const slow = after([begin, next(120)]);
  expect(where(slow, 130).behind).toBeCloseTo(60);
  expect(where(slow, 130).ends).toBeCloseTo(130 + (length - 70) * 2 ** (60 / 900));
  // Begun late, it should end when it was to end.
  expect(where(after([{ ...begin, late: 45 } as Tap, next(60)]), 100).behind).toBeCloseTo(45);
});

test('a stretch goes through way, set-up and repetitions by the clock, and from a tap on by the tap', () => {
  const second = after([begin, next(60), next(160), next(260), next(380)]);
  const { section } = where(second, 380);
  expect(section.leadSeconds).toBeGreaterThan(0);
  expect(where(second, 380)).toMatchObject({ into: -section.leadSeconds, moment: null, rep: null });
  const first = after([begin, next(60)]);
  expect(where(first, 79).moment).toEqual({ doing: 'setup' });
  expect(where(first, 89)).toMatchObject({ into: 29, rep: { number: 3, of: 20, set: 1, sets: 1 } });
  // Tapped ten seconds late, it is the first repetition: 20 s into the stretch.
  const late = tapped(first, rep(90), keysOf);
  expect(where(late, 91)).toMatchObject({ into: 21, rep: { number: 1, of: 20 }, behind: 10 });
  // It waits for the next tap, and when none comes for long goes on by the clock.
  expect(where(late, 97).rep).toMatchObject({ number: 1 });
  expect(where(late, 97).into).toBeCloseTo(24, 3);
  expect(where(late, 90 + 4 + 2 * 4 + 5 + 6).into).toBeCloseTo(24 + 10);
});

test('a log shares the time to the first repetition between way and set-up, and leaves out what nobody counted', () => {
  const reps = (from: number, many: number) => Array.from({ length: many }, (_, i) => rep(from + 4 * i));
  const lead = scriptOf(plan).sections[3]?.leadSeconds ?? 0;
  const there = 280 + 2 * (lead + 20);
  const course = after([
    begin,
    next(70),
    // Ten seconds late into it, and two repetitions fewer.
    ...reps(100, 18),
    next(172),
    // Nobody counts; then to the side, twice as slow as planned; then somebody stops counting.
    next(280),
    ...reps(there, 20),
    next(there + 80),
    ...reps(there + 100, 5),
    next(600),
    next(640),
  ]);
  const log = logged(course);
  expect(log).toMatchObject({ source: 'live', openingSeconds: 70, closingSeconds: 40, endedSeconds: 640 });
  expect(log.blocks?.map(({ id, did }) => [id, did])).toEqual([
    ['b1', 'planned'],
    ['b2', 'planned'],
    ['b3', 'planned'],
  ]);
  const [a, b, each] = log.blocks ?? [];
  expect(a?.passes).toEqual([{ startSeconds: 70, setupSeconds: 30, workSeconds: 72, reps: 18, endSeconds: 172 }]);
  expect(b?.passes).toEqual([{ startSeconds: 172 }]);
  const [left, right] = each?.passes ?? [];
  expect(lead).toBeGreaterThan(0);
  expect(left).toMatchObject({ startSeconds: 280 + 2 * lead, setupSeconds: 40, workSeconds: 80, reps: 20 });
  expect([left?.side, right?.side]).toEqual(['left', 'right']);
  expect(right).toHaveProperty('workSeconds');
  expect(right).not.toHaveProperty('reps');
});

test('what was passed over is told as left out, what was put in as added, and what was shortened with its new dose', () => {
  const [first, second, third] = plan.blocks;
  const changed = classOf([], {
    blocks: [
      { ...first, dose: { reps: 12 } },
      third,
      { id: 's1', exercise: 'spare', rung: 'low', mode: 'teach', carry: false },
    ] as ClassPlan['blocks'],
  });
  expect(second?.id).toBe('b2');
  const course = after([
    begin,
    { kind: 'change', at: 5, plan: changed, label: 'Leave out b' },
    next(60),
    next(130),
    next(250),
    next(360),
    next(480),
    next(520),
  ]);
  expect(logged(course).blocks?.map(({ id, did, rung: of, passes }) => [id, did, of, passes?.[0]?.reps])).toEqual([
    ['b1', 'planned', undefined, 12],
    ['b3', 'planned', undefined, undefined],
    ['s1', 'added', 'spare/low', undefined],
    ['b2', 'skipped', undefined, undefined],
  ]);
});

test('a class that nobody ended is logged as far as it was tapped', () => {
  const course = after([begin, next(60), rep(80), rep(84), next(160), { kind: 'left', at: 160 }]);
  const log = logged(course);
  expect(log).not.toHaveProperty('endedSeconds');
  expect(log).not.toHaveProperty('closingSeconds');
  expect(log.blocks?.map(({ id, did, passes }) => [id, did, passes?.[0]?.startSeconds])).toEqual([
    ['b1', 'planned', 60],
    ['b2', 'planned', 160],
    ['b3', 'skipped', undefined],
  ]);
  expect(tapped(course, { kind: 'back', at: 170 }, keysOf)).toMatchObject({ ended: null, left: false });
});

test('whatever is tapped in whatever order, the log can be kept', () => {
  const changes = [plan, { ...plan, blocks: plan.blocks.slice(1) }, { ...plan, blocks: plan.blocks.slice(0, 2) }];
  const kinds = fc.constantFrom('next', 'next', 'next', 'rep', 'back', 'hold', 'go', 'left', 'undo', 'change' as const);
  fc.assert(
    fc.property(
      fc.array(fc.tuple(kinds, fc.double({ min: 0, max: 90, noNaN: true }), fc.nat(2)), { maxLength: 40 }),
      fc.constantFrom('teach', 'rehearse' as const),
      (list, mode) => {
        let at = 0;
        const taps = list.map(([kind, more, which]): Tap => {
          at += more;
          return kind === 'change' ? { kind, at, plan: changes[which] as ClassPlan, label: 'x' } : { kind, at };
        });
        expect(readTaps(JSON.parse(JSON.stringify([begin, ...taps])))).toHaveLength(taps.length + 1);
        const course = after([begin, ...taps], mode);
        const log = logged(course);
        expect(logSchema.safeParse(log).error?.issues ?? []).toEqual([]);
        expect(checkLog(log, plan)).toEqual([]);
        expect(Number.isFinite(where(course, at).ends)).toBe(true);
      },
    ),
    { numRuns: 200 },
  );
});

test('taps that were damaged where they were kept are not read', () => {
  const sound = [begin, next(60), rep(80)];
  expect(readTaps(sound)).toEqual(sound);
  for (const damaged of [
    null,
    {},
    [begin, next(60), rep(50)],
    [{ kind: 'begin', at: 0 }],
    [begin, { kind: 'jump', at: 1 }],
    [begin, { kind: 'next', at: 'soon' }],
    [begin, { kind: 'change', at: 1, plan: null, label: '' }],
  ]) {
    expect(readTaps(damaged)).toBeNull();
  }
});
