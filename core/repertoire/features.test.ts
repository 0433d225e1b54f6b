import fc from 'fast-check';
import type { BasePosition, Pose } from '../body';
import { resolveMethod } from '../method';
import { catalogOf, exercise, must, rung } from '../testing/studio';
import { courseOf, meanLoad } from './course';
import type { Dose, Phase, Rung } from './exercise';
import { featureAt, featureSeconds, featuresOf } from './features';
import { preparersOf, prepares } from './preparation';
import { PREPARATION_IDS } from './preparations';

const METHOD = resolveMethod();
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const CURLED: Pose = { hip: 45, knee: 90, lumbar: 10, thoracic: 30, neck: 20, supports: ['pelvis', 'feet'] };
const featured = (change: Partial<Rung>, like: BasePosition = 'supine', method = METHOD) => {
  const made = rung('one', change);
  const course = courseOf(made, like, method);
  return { course, features: featuresOf(made, like, method, course), dose: made.dose };
};
const CURL: Partial<Rung> = { poses: { home: LYING, away: CURLED } };
const HELD: Partial<Rung> = {
  poses: { home: CURLED },
  phases: [{ breath: 'free', counts: 10, pose: 'home', effort: true }],
};

describe('one repetition, moment by moment', () => {
  const anyPhases: fc.Arbitrary<Phase[]> = fc.array(
    fc.record({
      breath: fc.constantFrom('in' as const, 'out' as const, 'free' as const),
      counts: fc.integer({ min: 1, max: 9 }),
      pose: fc.constantFrom('home', 'away'),
    }),
    { minLength: 1, maxLength: 6 },
  );
  test('its moments last as long as its phases, at the rung’s own tempo or the house’s', () => {
    const tempo = fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined });
    fc.assert(
      fc.property(anyPhases, tempo, fc.integer({ min: 1, max: 3 }), (phases, secondsPerCount, house) => {
        const dose: Dose = { sets: 1, reps: 1, ...(secondsPerCount ? { secondsPerCount } : {}) };
        const { course } = featured({ ...CURL, phases, dose }, 'supine', resolveMethod({ secondsPerCount: house }));
        const counts = phases.reduce((sum, each) => sum + each.counts, 0);
        const lasted = course.reduce((sum, { seconds }) => sum + seconds, 0);
        expect(lasted).toBeCloseTo(counts * (secondsPerCount ?? house), 9);
        const mean = meanLoad(course).curlLever ?? 0;
        const loads = course.map(({ load }) => load.curlLever ?? 0);
        expect(mean).toBeGreaterThanOrEqual(Math.min(...loads) - 1e-9);
        expect(mean).toBeLessThanOrEqual(Math.max(...loads) + 1e-9);
      }),
    );
  });
});

describe('time features', () => {
  test('what is let go each repetition is counted at a stretch, what never lets go over the whole set', () => {
    const curl = featured(CURL);
    const stretch = featureAt(curl.features, 'headLifted', { sets: 1, reps: 20 });
    expect(stretch).toBeGreaterThan(0);
    expect(stretch).toBeLessThanOrEqual(4);
    const held = featured(HELD);
    expect(featureAt(held.features, 'headLifted', { sets: 1, reps: 3 })).toBe(30);
    expect(featureAt(held.features, 'headLifted', { sets: 4, reps: 3 })).toBe(30);
    expect(featureSeconds(held.features, 'headLifted', 120)).toBe(120);
    const rested = featured({ ...CURL, phases: [...rung('curl').phases, { breath: 'free', counts: 4, pose: 'home' }] });
    expect(featureSeconds(rested.features, 'headLifted', 100)).toBeCloseTo(50, 9);
  });
  test('a stretch over the end of one repetition and the start of the next is one', () => {
    const phases: Phase[] = [
      { breath: 'in', counts: 3, pose: 'away' },
      { breath: 'out', counts: 2, pose: 'home' },
      { breath: 'in', counts: 4, pose: 'away' },
    ];
    const { features } = featured({ poses: { home: LYING, away: CURLED }, start: 'away', phases });
    expect(featureAt(features, 'headLifted', { sets: 1, reps: 5 })).toBeGreaterThanOrEqual(5);
  });
});

test('a body rolled over its ribs weighs on its neck and bends under load; a bridge on its feet does not', () => {
  const over: Pose = { hip: 120, lumbar: 34, thoracic: 22, supports: ['head', 'shoulders'] };
  const bridge: Pose = { hip: 0, knee: 90, lumbar: 14, supports: ['head', 'shoulders', 'feet'] };
  const rolled = featured({ poses: { home: LYING, away: over } }).features.peaks;
  const bridged = featured({ poses: { home: LYING, away: bridge } }).features.peaks;
  expect(rolled.neckWeight).toBeGreaterThan(45);
  expect(rolled.loadedFlexion).toBe(56);
  expect(bridged.neckWeight).toBeLessThan(40);
  expect(bridged.loadedFlexion).toBe(0);
});

test('a leg lifted lying on a side asks the hip and not the back; two legs ask the back', () => {
  const side = (supports: Pose['supports']): number =>
    featured({ poses: { home: { hip: 20, supports }, away: { hip: 20, supports } } }, 'side-lying').features.peaks
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
