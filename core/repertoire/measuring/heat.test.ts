import fc from 'fast-check';
import type { BasePosition, Pose } from '../../body';
import { resolveMethod } from '../../method';
import { rung } from '../../testing/studio';
import type { Phase, Rung } from '../exercise';
import { courseOf } from './course';
import { type HeatFactor, measureRung } from './heat';

const method = resolveMethod();
const measure = (change: Partial<Rung>, like: BasePosition = 'supine', unstable = 0, guided = false) =>
  measured(rung('one', change), like, unstable, guided);
const measured = (made: Rung, like: BasePosition, unstable = 0, guided = false) =>
  measureRung(
    made,
    {
      like,
      method,
      props: Array.from({ length: unstable }, (_, i) => ({ id: `p${i}`, name: 'Ball', unstable: true })),
      guided,
    },
    courseOf(made, like, method),
  );

const ON_BACK: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const PLANK: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
/** Moves between two poses with one effort phase out and one phase back in. */
const between = (home: Pose, away: Pose): Partial<Rung> => ({ poses: { home, away } });
const phases = (change: Partial<Phase>): Phase[] => [
  { id: 'p1', breath: 'out', counts: 2, pose: 'away', effort: true, ...change },
  { id: 'p2', breath: 'in', counts: 2, pose: 'home' },
];

const small = fc.double({ min: 0, max: 0.45, noNaN: true });
const more = fc.double({ min: 0.05, max: 0.5, noNaN: true });

/** Each factor as a change of one thing, grown from a share `t` to a larger one. */
const GROWING: Array<[HeatFactor, (t: number) => ReturnType<typeof measure>]> = [
  [
    'lever',
    (t) => {
      const leg: Pose = { ...ON_BACK, hip: 80 - 70 * t, knee: 0, supports: ['head', 'ribs', 'pelvis'] };
      return measure(between(leg, leg));
    },
  ],
  [
    'limbs',
    (t) =>
      measure(
        between(ON_BACK, {
          ...ON_BACK,
          hip: 90,
          supports:
            t < 0.3
              ? ['head', 'ribs', 'pelvis', 'feet']
              : t < 0.6
                ? ['head', 'ribs', 'pelvis', 'foot.left']
                : ['head', 'ribs', 'pelvis'],
        }),
      ),
  ],
  ['support', (t) => measure({}, 'supine', Math.round(t * 8))],
  [
    'support',
    (t) => measure(between({ ...ON_BACK, hipAbduction: 60 * (1 - t) }, { ...ON_BACK, hipAbduction: 60 * (1 - t) })),
  ],
  ['weight', (t) => measure(between(ON_BACK, { ...ON_BACK, weights: { 'hand.left': 20 * t } }))],
  ['range', (t) => measure(between(ON_BACK, { ...ON_BACK, twist: 60 * t }))],
  [
    'angle',
    (t) => {
      const pitched = { ...PLANK, pitch: 80 * (1 - t) };
      return measure(between(pitched, pitched), 'plank');
    },
  ],
  ['volume', (t) => measure({ dose: { sets: 1, reps: 1 + Math.round(40 * t) } })],
  [
    'control',
    (t) =>
      measure({
        phases: [
          { id: 'p1', breath: 'out', counts: 2, pose: 'away', effort: true },
          { id: 'p2', breath: 'in', counts: 1 + 8 * t, pose: 'home' },
        ],
      }),
  ],
];

test.each(GROWING)('heat rises with %s, all else equal', (factor, at) => {
  fc.assert(
    fc.property(small, more, (from, step) => {
      const [lower, higher] = [at(from), at(from + step)];
      expect(higher.factors[factor]).toBeGreaterThanOrEqual(lower.factors[factor]);
      expect(higher.heat).toBeGreaterThanOrEqual(lower.heat - 1e-9);
    }),
  );
  expect(at(0.95).heat).toBeGreaterThan(at(0).heat);
});

const anyLeg = fc.record({ hip: fc.integer({ min: 0, max: 90 }), knee: fc.integer({ min: 0, max: 90 }) });
const raised = (hip: number, knee: number): Pose => ({ hip, knee, supports: ['head', 'ribs', 'pelvis'] });
const held = (pose: Pose, like: BasePosition = 'supine') => measure(between(pose, pose), like);

test('a straighter knee is never cooler, wherever the thigh is', () => {
  fc.assert(
    fc.property(anyLeg, fc.integer({ min: 1, max: 60 }), ({ hip, knee }, straighter) => {
      const [bent, long] = [knee, Math.max(0, knee - straighter)].map((each) => held(raised(hip, each)).heat);
      expect(long).toBeGreaterThanOrEqual((bent ?? 0) - 1e-9);
    }),
  );
  for (const hip of [90, 60, 30]) expect(held(raised(hip, 0)).heat).toBeGreaterThan(held(raised(hip, 90)).heat);
});

test('a long leg nearer the floor, arms nearer overhead and hands further from a plank are each hotter', () => {
  const degrees = fc.tuple(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 2, max: 40 }));
  fc.assert(
    fc.property(degrees, ([from, by]) => {
      const to = Math.min(90, from + by);
      expect(held(raised(90 - to, 0)).heat).toBeGreaterThan(held(raised(90 - from, 0)).heat);
      const arms = (shoulder: number) => held({ ...raised(60, 0), shoulder }).heat;
      expect(arms(90 + to)).toBeGreaterThan(arms(90 + from));
      const hands = (shoulder: number) => held({ ...PLANK, shoulder }, 'plank').heat;
      expect(hands(90 + to / 2)).toBeGreaterThan(hands(90 + from / 2));
    }),
  );
});

test('a leg lifted higher from where it rested is never cooler, though it weighs less up there', () => {
  const lifted = (degrees: number, like: BasePosition, from: Pose) => {
    const away: Pose = {
      ...from,
      supports: ['head', 'ribs', 'pelvis', 'foot.left'],
      hipAbduction: { left: 0, right: degrees },
    };
    return measure(between(from, away), like).heat;
  };
  const side: Pose = { supports: ['head', 'ribs', 'pelvis', 'feet'] };
  const degrees = fc.tuple(fc.integer({ min: 10, max: 60 }), fc.integer({ min: 1, max: 20 }));
  fc.assert(
    fc.property(degrees, ([from, by]) => {
      expect(lifted(from + by, 'side-lying', side)).toBeGreaterThan(lifted(from, 'side-lying', side));
    }),
  );
});

const SITTING: Pose = { hip: 90, knee: 90, supports: ['pelvis', 'feet'] };
const PRONE: Pose = { supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] };
/** Movements that go further and further, from where they begin to a share of their way. */
const FURTHER: Array<[string, BasePosition, Pose, (t: number) => Pose]> = [
  ['a turn', 'seated', SITTING, (t) => ({ ...SITTING, twist: 45 * t })],
  ['a side bend', 'seated', SITTING, (t) => ({ ...SITTING, sideBend: 35 * t })],
  [
    'a curl from the floor',
    'supine',
    ON_BACK,
    (t) => ({ ...ON_BACK, lumbar: 15 * t, thoracic: 40 * t, neck: 20 * t, supports: ['pelvis', 'feet'] }),
  ],
  [
    'a chest lifted lying on the front',
    'prone',
    PRONE,
    (t) => ({ ...PRONE, lumbar: -20 * t, thoracic: -20 * t, supports: ['pelvis', 'thighs', 'feet'] }),
  ],
  [
    'a lean from the hips',
    'standing',
    { supports: ['feet'] },
    (t) => ({ hip: 70 * t, pitch: -60 * t, supports: ['feet'] }),
  ],
  ['arms raised', 'standing', { supports: ['feet'] }, (t) => ({ shoulder: 170 * t, supports: ['feet'] })],
];

test.each(FURTHER)('%s (%s) is hotter the further it goes', (_name, like, home, away) => {
  const ways = fc.tuple(
    fc.double({ min: 0.1, max: 0.9, noNaN: true }),
    fc.double({ min: 0.05, max: 0.5, noNaN: true }),
  );
  fc.assert(
    fc.property(ways, ([from, by]) => {
      const [near, far] = [from, Math.min(1, from + by)].map((t) => measure(between(home, away(t)), like).heat);
      expect(far).toBeGreaterThan(near ?? 0);
    }),
  );
});

test('hands behind the head are easier than hands on the shins or free, wherever the legs are', () => {
  const legs: Array<[Partial<Pose>, Pose['supports']]> = [
    [{ hip: 45, knee: 90 }, ['pelvis', 'feet']],
    [{ hip: 90, knee: 90 }, ['pelvis']],
    [{ hip: 35, knee: 0 }, ['pelvis']],
  ];
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 45 }), fc.constantFrom(...legs), (thoracic, [change, supports]) => {
      const heat = (arms: Partial<Pose>) => {
        const curled: Pose = { ...change, thoracic, neck: 20, ...arms, supports };
        return measure(between(curled, curled)).heat;
      };
      const behind = heat({ shoulder: 130, elbow: 140 });
      expect(heat({ shoulder: 60 })).toBeGreaterThan(behind);
      expect(heat({ shoulder: 20 })).toBeGreaterThan(behind);
    }),
  );
});

/** A plain body in each position, to be made harder. */
const BODIES: Array<[BasePosition, Pose]> = [
  ['standing', { supports: ['feet'] }],
  ['kneeling', { knee: 90, supports: ['knees', 'feet'] }],
  ['seated', { hip: 90, knee: 90, supports: ['pelvis', 'feet'] }],
  ['four-point', { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] }],
  ['plank', PLANK],
  ['side-lying', { hip: 30, knee: 45, supports: ['head', 'ribs', 'pelvis', 'feet'] }],
  ['prone', { supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] }],
  ['supine', ON_BACK],
];

test.each(BODIES)('%s: kilograms, a rolling prop, reps, sets, counts, a squeeze and a guide each add', (like, pose) => {
  const plain = measure(between(pose, pose), like).heat;
  const harder = (change: Partial<Rung>, unstable = 0) =>
    expect(measure({ ...between(pose, pose), ...change }, like, unstable).heat).toBeGreaterThan(plain);
  harder(between(pose, { ...pose, weights: { 'hand.right': 1 } }));
  harder({}, 1);
  harder({ dose: { sets: 1, reps: 9 } });
  harder({ dose: { sets: 2, reps: 5 } });
  harder({ dose: { sets: 1, reps: 5, secondsPerCount: 2 } });
  harder({ phases: phases({ squeeze: true }) });
  expect(measure(between(pose, pose), like, 0, true).heat).toBeGreaterThan(plain);
});

describe('steps practitioners name', () => {
  const hotter = (higher: ReturnType<typeof measure>, lower: ReturnType<typeof measure>) =>
    expect(higher.heat).toBeGreaterThan(lower.heat);
  const curl = (change: Partial<Pose>): Partial<Rung> =>
    between(ON_BACK, { ...ON_BACK, thoracic: 30, neck: 30, supports: ['pelvis', 'feet'], ...change });

  test('head up is harder than head down; hands behind it are easier than hands reaching', () => {
    const behind = measure(curl({ shoulder: 150, elbow: 150 }));
    const reaching = measure(curl({ shoulder: 35 }));
    hotter(behind, measure({}));
    expect(behind.factors.head).toBeLessThan(reaching.factors.head);
  });
  test('the effort on the in-breath, or on a held one, is harder than on the out-breath', () => {
    hotter(measure({ phases: phases({ breath: 'in' }) }), measure({ phases: phases({}) }));
  });
  test('a squeeze, a second leg, knees off the floor and a flatter plank are each harder', () => {
    hotter(measure({ phases: phases({ squeeze: true }) }), measure({ phases: phases({}) }));
    const tabletop = (supports: Pose['supports'], hip: Pose['hip']) =>
      measure(between(ON_BACK, { ...ON_BACK, hip, supports }));
    hotter(
      tabletop(['head', 'ribs', 'pelvis'], 90),
      tabletop(['head', 'ribs', 'pelvis', 'foot.left'], { left: 45, right: 90 }),
    );
    const plank = (pose: Partial<Pose>) => measure(between({ ...PLANK, ...pose }, { ...PLANK, ...pose }), 'plank');
    hotter(plank({}), plank({ supports: ['hands', 'knees'] }));
    hotter(plank({}), plank({ pitch: 30 }));
    hotter(plank({ supports: ['hand.left', 'feet'] }), plank({}));
  });
});

test('heat is the sum of its factors, unless the director says otherwise with a reason', () => {
  const { heat, factors } = measure({});
  expect(Object.values(factors).reduce((a, b) => a + b, 0)).toBeCloseTo(heat, 9);
  expect(measure({ heatOverride: { heat: 77, reason: 'Taught last in the house.' } })).toMatchObject({
    heat: 77,
    factors,
  });
});
