import fc from 'fast-check';
import type { BasePosition, Pose } from '../../body';
import { resolveMethod } from '../../method';
import { catalogOf, exercise, must, rung } from '../../testing/studio';
import { PREPARATION_IDS } from '../../vocabulary/bodies/preparations';
import type { Dose, Phase, Rung } from '../exercise';
import { courseOf, meanLoad } from '../measuring/course';
import { featureAt, featuresOf, rateOf, workRun } from './features';
import { preparersOf, prepares } from './preparation';

const METHOD = resolveMethod();
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const CURLED: Pose = { hip: 45, knee: 90, lumbar: 10, thoracic: 30, neck: 20, supports: ['pelvis', 'feet'] };
const featured = (change: Partial<Rung>, like: BasePosition = 'supine', method = METHOD, on: string[] = []) => {
  const made = rung('one', change);
  const course = courseOf(made, like, method);
  return { course: course.rep, features: featuresOf(course, { method, raised: new Set(on) }), dose: made.dose };
};
const CURL: Partial<Rung> = { poses: { home: LYING, away: CURLED } };
const HELD: Partial<Rung> = {
  poses: { home: CURLED },
  phases: [{ id: 'p1', breath: 'free', counts: 10, pose: 'home', effort: true }],
};

describe('one repetition, moment by moment', () => {
  const anyPhases: fc.Arbitrary<Phase[]> = fc.array(
    fc.record({
      id: fc.constant('p'),
      breath: fc.constantFrom('in' as const, 'out' as const, 'free' as const),
      counts: fc.integer({ min: 1, max: 9 }),
      pose: fc.constantFrom('home', 'away'),
    }),
    { minLength: 1, maxLength: 6 },
  );
  test('its moments last as many counts as its phases, and its mean load lies among their loads', () => {
    fc.assert(
      fc.property(anyPhases, (phases) => {
        const { course } = featured({ ...CURL, phases });
        const counts = phases.reduce((sum, each) => sum + each.counts, 0);
        expect(course.reduce((sum, moment) => sum + moment.counts, 0)).toBeCloseTo(counts, 9);
        const mean = meanLoad(course).curlLever ?? 0;
        const loads = course.map(({ load }) => load.curlLever ?? 0);
        expect(mean).toBeGreaterThanOrEqual(Math.min(...loads) - 1e-9);
        expect(mean).toBeLessThanOrEqual(Math.max(...loads) + 1e-9);
      }),
    );
  });
});

describe('time features', () => {
  const at = (change: Partial<Rung>, dose: Dose, method = METHOD) =>
    featureAt(featured(change).features, 'headLifted', dose, method);
  test('what is let go each repetition is counted at a stretch, what never lets go over the whole set', () => {
    const stretch = at(CURL, { sets: 1, reps: 20 });
    expect(stretch).toBeGreaterThan(0);
    expect(stretch).toBeLessThanOrEqual(4);
    expect(at(HELD, { sets: 1, reps: 3 })).toBe(30);
    expect(at(HELD, { sets: 1, reps: 2, repsTo: 4 })).toBe(30);
    // Between sets nobody is told to let go: the rest counts too.
    expect(at(HELD, { sets: 2, reps: 3 })).toBe(30 + 15 + 30);
  });
  test('seconds follow the count, of the dose or of the house', () => {
    expect(at(HELD, { sets: 1, reps: 3, secondsPerCount: 2 })).toBe(60);
    expect(at(HELD, { sets: 1, reps: 3 }, resolveMethod({ secondsPerCount: 1.5 }))).toBe(45);
  });
  test('a stretch over the end of one repetition and the start of the next is one', () => {
    const phases: Phase[] = [
      { id: 'p1', breath: 'in', counts: 3, pose: 'away' },
      { id: 'p2', breath: 'out', counts: 2, pose: 'home' },
      { id: 'p3', breath: 'in', counts: 4, pose: 'away' },
    ];
    expect(
      at({ poses: { home: LYING, away: CURLED }, start: 'away', phases }, { sets: 1, reps: 5 }),
    ).toBeGreaterThanOrEqual(5);
  });
  test('the way in and the way out count for loads and time, and only where they are done', () => {
    const change: Partial<Rung> = {
      ...HELD,
      poses: { home: CURLED, low: LYING },
      entry: [
        { id: 'e1', breath: 'out', counts: 4, pose: 'low' },
        { id: 'e2', breath: 'out', counts: 2, pose: 'home' },
      ],
      exit: [{ id: 'x1', breath: 'in', counts: 3, pose: 'low' }],
    };
    const { features } = featured(change);
    const doing = { sets: 1, reps: 3, count: 1, restSeconds: 15 };
    const longest = (entry: boolean, exit: boolean) =>
      workRun(features, 'headLifted', { ...doing, entry, exit }).longest;
    expect(longest(false, false)).toBe(30);
    expect(longest(true, false)).toBe(32);
    // The way out lays the head down: it ends the stretch.
    expect(longest(true, true)).toBe(32);
    expect(workRun(features, 'headLifted', { ...doing, entry: true, exit: true })).toMatchObject({ lead: 0, tail: 0 });
    // In sets, each way out lets go before the rest.
    expect(workRun(features, 'headLifted', { ...doing, sets: 2, entry: true, exit: true }).longest).toBe(
      longest(true, true),
    );
  });
  test('a head held in the hands counts half, set-ups between sets too; one laid down again does not count as it goes down', () => {
    const held: Pose = { ...CURLED, holds: { 'hand.left': 'head', 'hand.right': 'head' } };
    const inHands: Partial<Rung> = { ...HELD, poses: { home: held } };
    expect(at(inHands, { sets: 1, reps: 3 })).toBe(15);
    expect(at(inHands, { sets: 2, reps: 3 })).toBe(15 + 7.5 + 15);
    const { features } = featured({
      ...CURL,
      phases: [
        { id: 'p1', breath: 'out', counts: 3, pose: 'away' },
        { id: 'p2', breath: 'in', counts: 3, pose: 'home' },
      ],
    });
    const run = workRun(features, 'headLifted', {
      entry: true,
      exit: true,
      sets: 1,
      reps: 10,
      count: 1,
      restSeconds: 15,
    });
    expect(run).toMatchObject({ total: 30, longest: 3 });
  });
  test('one leg that reaches is not two legs lowered; both alike are twice the one', () => {
    const lever = (pose: Partial<Pose>, feature: 'legLever' | 'doubleLegLever') => {
      const home: Pose = { supports: ['head', 'ribs', 'pelvis'], ...pose };
      return featured({ poses: { home, away: home } }).features.rep.peaks[feature];
    };
    const tabletop = { hip: 90, knee: 90 };
    const reaching = { hip: { left: 90, right: 30 }, knee: { left: 90, right: 0 } };
    expect(lever(tabletop, 'doubleLegLever')).toBeCloseTo(19.9, 1);
    expect(lever(reaching, 'doubleLegLever')).toBeCloseTo(19.9, 1);
    expect(lever(reaching, 'legLever')).toBeGreaterThan(40);
    expect(lever({ hip: 30 }, 'doubleLegLever')).toBeCloseTo(lever({ hip: 30 }, 'legLever'), 9);
    const long = (pose: Partial<Pose>) => {
      const home: Pose = { supports: ['head', 'ribs', 'pelvis'], ...pose };
      return featured({ poses: { home, away: home } }).features.rep.runs.longDoubleLever.whole;
    };
    expect([long(reaching), long({ hip: 20 })]).toEqual([false, true]);
  });
  test('lying on a side, a steadying hand and the long arm cost nothing; who props the trunk on a hand bears on it', () => {
    const onSide = (pose: Partial<Pose>) => {
      const home: Pose = { supports: ['head', 'ribs', 'pelvis', 'feet'], ...pose };
      const { peaks, runs } = featured({ poses: { home, away: home } }, 'side-lying').features.rep;
      return { wrists: runs.extendedWrists.whole, arms: runs.armsBearing.whole, overhead: peaks.armOverhead };
    };
    const steadied: Partial<Pose> = {
      shoulder: { left: 175, right: 60 },
      supports: ['head', 'ribs', 'pelvis', 'feet', 'hand.right'],
    };
    expect(onSide(steadied)).toEqual({
      wrists: false,
      arms: false,
      overhead: expect.closeTo(63, 0),
    });
    expect(onSide({ ...steadied, shoulder: { left: 0, right: 170 } }).overhead).toBeGreaterThan(120);
    const propped: Partial<Pose> = { shoulder: { left: 90, right: 0 }, supports: ['feet', 'hand.left'] };
    expect(onSide(propped)).toMatchObject({ wrists: true, arms: true });
  });
  test('how fast a trunk turns is told in the seconds that its counts are given', () => {
    const turned: Pose = { ...LYING, twist: 60 };
    const { features } = featured({
      poses: { home: LYING, away: turned },
      phases: [
        { id: 'p1', breath: 'out', counts: 4, pose: 'away' },
        { id: 'p2', breath: 'in', counts: 1, pose: 'home' },
      ],
    });
    expect(rateOf(features, 'fastTwist', 1)).toBe(60);
    expect(rateOf(features, 'fastTwist', 2)).toBe(30);
    expect(featureAt(features, 'fastTwist', { sets: 1, reps: 1, secondsPerCount: 0.5 }, METHOD)).toBe(120);
  });
  test('a fist, a handle, a raised hand or a hand that holds a leg is no bent wrist', () => {
    const plank = (pose: Partial<Pose>, on: string[] = []) => {
      const home: Pose = { shoulder: 90, supports: ['hands', 'feet'], ...pose };
      return featured({ poses: { home, away: home } }, 'plank', METHOD, on).features.rep.runs.extendedWrists.whole;
    };
    expect(plank({})).toBe(true);
    expect(plank({ supports: ['fists', 'feet'] })).toBe(false);
    expect(plank({}, ['hand.left', 'hand.right'])).toBe(false);
    expect(plank({ holds: { 'hand.left': 'bar', 'hand.right': 'bar' } })).toBe(false);
    expect(plank({ holds: { 'hand.left': 'bar' } })).toBe(true);
  });
});

test('a body rolled over its ribs weighs on its neck and bends under load; a bridge on its feet does not', () => {
  const over: Pose = { hip: 120, lumbar: 34, thoracic: 22, supports: ['head', 'shoulders'] };
  const bridge: Pose = { hip: 0, knee: 90, lumbar: 14, supports: ['head', 'shoulders', 'feet'] };
  const rolled = featured({ poses: { home: LYING, away: over } }).features.rep.peaks;
  const bridged = featured({ poses: { home: LYING, away: bridge } }).features.rep.peaks;
  expect(rolled.neckWeight).toBeGreaterThan(45);
  expect(rolled.loadedFlexion).toBe(56);
  expect(bridged.neckWeight).toBeLessThan(40);
  expect(bridged.loadedFlexion).toBe(0);
});

test('a leg lifted lying on a side asks the hip and not the back; two legs ask the back', () => {
  const side = (supports: Pose['supports']): number =>
    featured({ poses: { home: { hip: 20, supports }, away: { hip: 20, supports } } }, 'side-lying').features.rep.peaks
      .legLever;
  expect(side(['head', 'ribs', 'pelvis', 'thigh.left', 'foot.left'])).toBe(0);
  expect(side(['head', 'ribs', 'pelvis'])).toBeGreaterThan(60);
});

describe('preparation', () => {
  const still = (id: string, position: BasePosition, pose: Pose, change: Partial<Rung> = {}) =>
    exercise(id, { position, rungs: [rung('low', { poses: { home: pose, away: pose }, ...change })] });
  const made = [
    still('fold', 'seated', { hip: 90, knee: 0, supports: ['pelvis', 'feet'] }),
    still('breathe', 'supine', LYING),
    still('lunge', 'kneeling', { hip: { left: 90, right: -20 }, knee: 90, supports: ['foot.left', 'knee.right'] }),
    still('lean', 'four-point', { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] }),
    exercise('wave', { directions: ['articulation'], rungs: [rung('low')] }),
    still('hot', 'plank', { shoulder: 90, supports: ['hands', 'feet'] }, { dose: { sets: 5, reps: 30 } }),
  ];
  const catalog = catalogOf(made);
  const entry = (id: string) => must(catalog.rung({ exercise: id, rung: 'low' }));
  test.each([
    ['breath-found', 'breathe', 'hot'],
    ['spine-articulated', 'wave', 'breathe'],
    ['hamstrings-lengthened', 'fold', 'breathe'],
    ['shoulders-placed', 'lean', 'breathe'],
    ['hips-opened', 'lunge', 'fold'],
    ['wrists-warmed', 'lean', 'hot'],
  ] as const)('%s is given by %s, read from its poses, and not by %s', (preparation, giver, other) => {
    expect(prepares(catalog, entry(giver), preparation)).toBe(true);
    expect(prepares(catalog, entry(other), preparation)).toBe(false);
  });
  test('those that prepare come nearest position first, and every one prepares', () => {
    for (const preparation of PREPARATION_IDS) {
      for (const each of preparersOf(catalog, preparation, 'seated'))
        expect(prepares(catalog, each, preparation)).toBe(true);
    }
    expect(preparersOf(catalog, 'breath-found', 'supine')[0]?.exercise.position).toBe('supine');
  });
});
