import fc from 'fast-check';
import type { Pose } from '../poses/pose';
import { poseSchema } from '../poses/poseSchema';
import { add, between, CENTRE, dot, MASS, type Point } from '../poses/skeleton';
import type { BasePosition } from '../position';
import { asWritten, posedAs } from '../settling/posed';
import { holdingSide, loadOf as loadOfPosed } from './load';

const BODY = { bodyMassKg: 70, bodyHeightM: 1.7 };
const loadOf = (pose: Pose, like: BasePosition) => loadOfPosed(asWritten(pose, like, BODY.bodyHeightM), BODY);
const lying = (legs: Partial<Pose>, supports: Pose['supports'] = ['head', 'ribs', 'pelvis', 'foot.left']): Pose => ({
  supports,
  ...legs,
});
const legLever = (pose: Pose) => loadOf(pose, 'supine').legLever;
const PLANK: Pose = { pitch: 0, hip: 0, knee: 0, shoulder: 90, supports: ['hands', 'feet'] };
const FOUR_POINT: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] };
const lumbar = (pose: Pose, like: 'plank' | 'four-point' = 'plank') => loadOf(pose, like).lumbarMoment ?? 0;

describe('leg lever of the reference body, supine', () => {
  const left = { left: 45, right: 0 };
  test.each([
    ['one leg at tabletop', { hip: { left: 45, right: 90 }, knee: { left: 90, right: 90 } }, 9.95],
    ['one straight leg at 0°', { hip: left, knee: { left: 90, right: 0 } }, 39.8],
    ['one straight leg at 45°', { hip: 45, knee: { left: 90, right: 0 } }, 28.1],
  ])('%s', (_name, legs, expected) => {
    const lever = legLever(lying(legs)) ?? 0;
    expect(Math.abs(lever - expected) / expected).toBeLessThan(0.01);
    const both = Object.fromEntries(
      Object.entries(legs).map(([joint, v]) => [joint, typeof v === 'number' ? v : v.right]),
    );
    expect(legLever(lying(both, ['head', 'ribs', 'pelvis']))).toBeCloseTo(2 * lever, 6);
  });

  test('a foot on the floor counts nothing', () => {
    expect(legLever(lying({ hip: 45, knee: 90 }, ['head', 'ribs', 'pelvis', 'feet']))).toBe(0);
  });

  test('a lying body has no moment between supports, a plank no levers', () => {
    expect(loadOf(lying({}), 'supine')).toMatchObject({ curlLever: 0, lumbarMoment: null });
    expect(loadOf(PLANK, 'plank')).toMatchObject({ curlLever: null, legLever: null });
  });

  test('lowering a straight leg, straightening the knee, and a heavier foot each lengthen the lever', () => {
    const hip = fc.double({ min: 0, max: 85, noNaN: true });
    const extra = fc.double({ min: 1, max: 70, noNaN: true });
    fc.assert(
      fc.property(hip, extra, (h, more) => {
        const at = (hipAngle: number, knee: number, kg = 0) =>
          legLever(lying({ hip: hipAngle, knee, ...(kg ? { weights: { 'foot.right': kg } } : {}) })) ?? 0;
        expect(at(h, 0)).toBeGreaterThan(at(h + 5, 0));
        // A knee bent past twice the hip's angle folds the shank under; less than that only levels it.
        const folded = 2 * (h / 2) + more;
        expect(at(h / 2, 0)).toBeGreaterThan(at(h / 2, folded));
        expect(at(h, 0, 1)).toBeGreaterThan(at(h, 0));
      }),
    );
  });
});

describe('lumbar moment between supports', () => {
  test('a pitched plank has the flat one times the cosine', () => {
    const flat = lumbar(PLANK);
    expect(flat).toBeGreaterThan(20);
    for (const pitch of [15, 30, 45, 60]) {
      expect(lumbar({ ...PLANK, pitch })).toBeCloseTo(flat * Math.cos((pitch * Math.PI) / 180), 6);
    }
  });

  test('hands further forward and knees lifted make a plank harder', () => {
    expect(lumbar({ ...PLANK, shoulder: 130 })).toBeGreaterThan(lumbar(PLANK));
    expect(lumbar(PLANK)).toBeGreaterThan(lumbar({ ...PLANK, supports: ['hands', 'knees'] }));
  });

  test('a leg reached back changes the four-point moment, whichever side it is', () => {
    const reached = (stays: 'left' | 'right', reaches: 'left' | 'right'): Pose => ({
      ...FOUR_POINT,
      hip: { [stays]: 90, [reaches]: 0 },
      knee: { [stays]: 90, [reaches]: 0 },
      supports: ['hands', `knee.${stays}`, `foot.${stays}`],
    });
    const left = lumbar(reached('left', 'right'), 'four-point');
    expect(left).not.toBeCloseTo(lumbar(FOUR_POINT, 'four-point'), 1);
    expect(lumbar(reached('right', 'left'), 'four-point')).toBeCloseTo(left, 9);
  });
});

test('a pose out of a joint range, not a number, or resting on nothing is refused by joint', () => {
  const refusal = (pose: unknown) => poseSchema.safeParse(pose).error?.issues[0];
  expect(refusal({ knee: -10, supports: ['feet'] })?.path[0]).toBe('knee');
  expect(refusal({ lumbar: Number.NaN, supports: ['feet'] })?.path[0]).toBe('lumbar');
  expect(refusal({ supports: [] })?.path).toEqual(['supports']);
  expect(refusal({ supports: ['hands'], weights: { 'hand.left': 500 } })?.path).toEqual(['weights', 'hand.left']);
});

describe('the side of the body that holds', () => {
  const side = (pose: Pose, like: BasePosition) => holdingSide(loadOf(pose, like));
  test('the belly where the back would sag, back and seat where the body would fold or drop', () => {
    expect(side(PLANK, 'plank')).toBe('belly');
    expect(side(FOUR_POINT, 'four-point')).toBe('belly');
    expect(side(lying({ hip: 20 }, ['head', 'ribs', 'pelvis']), 'supine')).toBe('belly');
    expect(side({ hip: 0, knee: 90, supports: ['head', 'shoulders', 'feet'] }, 'supine')).toBe('back');
    expect(side({ lumbar: -8, thoracic: -12, supports: ['pelvis', 'thighs', 'feet'] }, 'prone')).toBe('back');
    expect(side({ hip: 80, pitch: -80, supports: ['feet'] }, 'standing')).toBe('back');
    expect(side({ hip: 60, knee: 90, pitch: 30, supports: ['pelvis', 'feet'] }, 'seated')).toBe('belly');
    expect(side(lying({ hip: 45, knee: 90 }, ['head', 'ribs', 'pelvis', 'feet']), 'supine')).toBeNull();
    expect(side({ supports: ['head', 'ribs', 'pelvis'] }, 'side-lying')).toBeNull();
  });
  test('the moment between supports is whole on its side, whatever the pitch', () => {
    for (const pitch of [0, 25, 60]) {
      const { lumbarMoment, bellyMoment, backMoment } = loadOf({ ...PLANK, pitch }, 'plank');
      expect([bellyMoment, backMoment]).toEqual([lumbarMoment, 0]);
    }
  });
});

describe('hands that help', () => {
  const raised = { hip: 45, knee: { left: 90, right: 0 } };
  test('half of a leg’s weight by a straight arm, eight tenths by one bent to a right angle, more by two', () => {
    const free = legLever(lying(raised)) ?? 0;
    const held = (pose: Partial<Pose>) => (legLever(lying({ ...raised, ...pose })) ?? 0) / free;
    expect(held({ holds: { 'hand.right': 'thigh.right' } })).toBeCloseTo(0.5, 9);
    expect(held({ elbow: 90, holds: { 'hand.right': 'shin.right' } })).toBeCloseTo(0.2, 9);
    expect(held({ holds: { 'hand.left': 'shin.right', 'hand.right': 'shin.right' } })).toBeCloseTo(0.25, 9);
    expect(held({ holds: { 'hand.right': 'thigh.left' } })).toBeCloseTo(1, 9);
    expect(held({ holds: { 'hand.left': 'seat' } })).toBeCloseTo(0.88, 9);
  });
});

describe('what hangs on the low back', () => {
  const angle = (least: number, most: number) => fc.integer({ min: least, max: most });
  const anyPose = fc
    .record({
      hip: angle(-20, 140),
      knee: angle(0, 140),
      shoulder: angle(-30, 180),
      elbow: angle(0, 120),
      lumbar: angle(-30, 60),
      thoracic: angle(-25, 45),
      pitch: fc.option(angle(-85, 85), { nil: undefined }),
      at: fc.constantFrom<readonly [BasePosition, Pose['supports']]>(
        ['supine', ['head', 'shoulders', 'feet']],
        ['supine', ['head', 'shoulders', 'toes']],
        ['supine', ['head', 'shoulders']],
        ['plank', ['hands', 'feet']],
        ['four-point', ['forearms', 'knees']],
        ['prone', ['hands', 'feet']],
        ['standing', ['feet']],
      ),
    })
    .map(({ at: [like, supports], pitch, ...angles }) => ({
      like,
      pose: { ...angles, ...(pitch === undefined ? {} : { pitch }), supports } as Pose,
    }));

  test('is never more than each part’s weight times its distance along the floor from the low back', () => {
    fc.assert(
      fc.property(anyPose, ({ pose, like }) => {
        const posed = asWritten(pose, like, BODY.bodyHeightM);
        const { hip, lumbar, waist, ribs, shoulder, head, arm, leg } = posed.bones;
        const { up } = posed.ground;
        const alone = (kg: number, from: Point, to: Point = from, share = 0.5): number => {
          const way = add(between(from, to, share), lumbar, -1);
          return kg * 9.81 * Math.sqrt(Math.max(0, dot(way, way) - dot(way, up) ** 2));
        };
        const kg = BODY.bodyMassKg;
        let all = alone(MASS.pelvis * kg, hip, lumbar) + alone(MASS.abdomen * kg, lumbar, waist);
        all += alone((MASS.thorax / 2) * kg, waist, ribs) + alone((MASS.thorax / 2) * kg, ribs, shoulder);
        all += alone(MASS.head * kg, head);
        for (const side of ['left', 'right'] as const) {
          all += alone(MASS.upperArm * kg, arm[side].root, arm[side].middle, CENTRE.upperArm);
          all += alone(MASS.forearm * kg, arm[side].middle, arm[side].end, CENTRE.forearm);
          all += alone(MASS.hand * kg, arm[side].end) + alone(MASS.foot * kg, leg[side].end);
          all += alone(MASS.thigh * kg, leg[side].root, leg[side].middle, CENTRE.thigh);
          all += alone(MASS.shank * kg, leg[side].middle, leg[side].end, CENTRE.shank);
        }
        expect(loadOfPosed(posed, BODY).lumbarMoment ?? 0).toBeLessThanOrEqual(all + 1e-6);
      }),
      { numRuns: 400 },
    );
  });

  test('legs rolled over stay under 150 N·m, the toes down or not', () => {
    const over = fc.record({
      hip: angle(80, 130),
      knee: angle(0, 20),
      lumbar: angle(25, 60),
      thoracic: angle(10, 40),
      pitch: angle(-95, -60),
    });
    fc.assert(
      fc.property(over, fc.constantFrom('feet' as const, 'toes' as const, null), (angles, down) => {
        const supports: Pose['supports'] = ['head', 'shoulders', ...(down ? [down] : [])];
        const { lumbarMoment } = loadOf({ ...angles, supports }, 'supine');
        expect(lumbarMoment).not.toBeNull();
        expect(lumbarMoment).toBeLessThan(150);
      }),
    );
  });

  test('help never asks for more: a hand on either leg, on the seat, on the floor or on the head', () => {
    const raised = fc.record({ hip: angle(0, 90), knee: angle(0, 90), elbow: angle(0, 90) });
    const held = fc.constantFrom('thigh.left', 'thigh.right', 'shin.left', 'shin.right', 'seat', 'floor', 'head');
    const total = (pose: Pose) => {
      const { legLever, curlLever, bellyMoment, backMoment } = loadOf(pose, 'supine');
      return [legLever ?? 0, curlLever ?? 0, bellyMoment, backMoment];
    };
    fc.assert(
      fc.property(raised, held, fc.boolean(), (angles, what, curled) => {
        const pose: Pose = { ...angles, supports: curled ? ['ribs', 'pelvis'] : ['head', 'ribs', 'pelvis'] };
        const free = total(pose);
        for (const [i, load] of total({ ...pose, holds: { 'hand.right': what } }).entries()) {
          expect(load).toBeLessThanOrEqual((free[i] ?? 0) + 1e-9);
        }
      }),
    );
  });

  test('both legs opened alike weigh less the wider; one alone to the side weighs what it did', () => {
    const legs = fc.record({ hip: angle(0, 90), knee: angle(0, 90) });
    const lever = (pose: Pose) => loadOf(pose, 'supine').legLever ?? 0;
    fc.assert(
      fc.property(legs, angle(0, 50), angle(1, 30), (angles, open, more) => {
        const both = (hipAbduction: number): Pose => ({
          ...angles,
          hipAbduction,
          supports: ['head', 'ribs', 'pelvis'],
        });
        expect(lever(both(open + more))).toBeLessThanOrEqual(lever(both(open)) + 1e-9);
      }),
    );
    const straight: Pose = {
      hip: { left: 45, right: 0 },
      knee: { left: 90, right: 0 },
      supports: ['foot.left', 'pelvis', 'ribs', 'head'],
    };
    expect(lever({ ...straight, hipAbduction: { left: 0, right: 40 } })).toBeCloseTo(lever(straight), 6);
  });

  test('hands on something higher never raise a load', () => {
    const bodies: ReadonlyArray<readonly [BasePosition, Pose]> = [
      ['plank', PLANK],
      ['plank', { ...PLANK, knee: 60, supports: ['hands', 'knees'] }],
      ['plank', { shoulder: 90, elbow: 90, supports: ['forearms', 'feet'] }],
      ['four-point', FOUR_POINT],
      [
        'four-point',
        {
          ...FOUR_POINT,
          hip: { left: 90, right: 0 },
          knee: { left: 90, right: 0 },
          supports: ['hands', 'knee.left', 'foot.left'],
        },
      ],
    ];
    const heights = fc.record({ low: angle(0, 40), more: angle(1, 30), body: fc.constantFrom(...bodies) });
    fc.assert(
      fc.property(heights, ({ low, more, body: [like, pose] }) => {
        const at = (cm: number) => {
          const surfaces = (support: string) => (/^(hand|forearm)/.test(support) ? cm / 100 : 0);
          return loadOfPosed(posedAs(pose, like, BODY.bodyHeightM, surfaces), BODY).lumbarMoment ?? 0;
        };
        expect(at(low + more)).toBeLessThanOrEqual(at(low) + 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});
