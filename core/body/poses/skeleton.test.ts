import fc from 'fast-check';
import { plainPose } from '../../repertoire';
import { loadOf } from '../loads/load';
import { type BasePosition, POSITIONS } from '../position';
import { asWritten } from '../settling/posed';
import { type Angles, anglesOf, JOINT_RANGES, LIMB_JOINTS, type Pose, TRUNK_JOINTS } from './pose';
import { apart, LENGTH, skeletonOf } from './skeleton';

const TALL = 1.7;
const BODY = { bodyMassKg: 70, bodyHeightM: TALL };
const within = (joint: keyof typeof JOINT_RANGES) => {
  const [min, max] = JOINT_RANGES[joint];
  return fc.integer({ min, max });
};
const anyPose: fc.Arbitrary<Pose> = fc
  .record({
    ...Object.fromEntries(TRUNK_JOINTS.map((joint) => [joint, within(joint)])),
    ...Object.fromEntries(
      LIMB_JOINTS.map((joint) => [joint, fc.record({ left: within(joint), right: within(joint) })]),
    ),
  })
  .map((angles): Pose => ({ ...angles, supports: ['pelvis'] }));

test('however it bends, bones keep their lengths', () => {
  fc.assert(
    fc.property(anyPose, (pose) => {
      const { leg, arm, hip, shoulder } = skeletonOf(anglesOf(pose), TALL);
      for (const { root, middle, end } of Object.values(leg)) {
        expect(apart(root, middle)).toBeCloseTo(LENGTH.thigh * TALL, 9);
        expect(apart(middle, end)).toBeCloseTo(LENGTH.shank * TALL, 9);
      }
      for (const { root, middle, end } of Object.values(arm)) {
        expect(apart(root, middle)).toBeCloseTo(LENGTH.upperArm * TALL, 9);
        expect(apart(middle, end)).toBeCloseTo(LENGTH.forearm * TALL, 9);
      }
      expect(apart(hip, shoulder)).toBeLessThanOrEqual(LENGTH.trunk * TALL + 1e-9);
    }),
  );
});

/** The body in a mirror: left for right, and turns and side bends the other way. */
function mirrored(angles: Angles): Pose {
  const limbs = Object.fromEntries(
    LIMB_JOINTS.map((joint) => [joint, { left: angles[joint].right, right: angles[joint].left }]),
  );
  const { lumbar, thoracic, neck, twist, sideBend, pitch } = angles;
  return { ...limbs, lumbar, thoracic, neck, pitch, twist: -twist, sideBend: -sideBend, supports: ['pelvis'] };
}

test('a body in the mirror has the mirrored joints and the same loads', () => {
  fc.assert(
    fc.property(anyPose, fc.constantFrom<BasePosition>('supine', 'seated', 'standing'), (pose, like) => {
      const angles = anglesOf(pose);
      const [here, there] = [skeletonOf(angles, TALL), skeletonOf(anglesOf(mirrored(angles)), TALL)];
      for (const [a, b] of [
        [here.leg.left.tip, there.leg.right.tip],
        [here.arm.right.end, there.arm.left.end],
        [here.head, there.head],
      ] as const) {
        expect([b.x, b.y, -b.z].map((each) => each.toFixed(9))).toEqual(
          [a.x, a.y, a.z].map((each) => (each + 0).toFixed(9)),
        );
      }
      const [load, other] = [pose, mirrored(angles)].map((each) => loadOf(asWritten(each, like, TALL), BODY));
      for (const idea of ['legLever', 'curlLever', 'lumbarMoment'] as const) {
        expect(other?.[idea] ?? 0).toBeCloseTo(load?.[idea] ?? 0, 6);
      }
    }),
  );
});

test('loads grow with the body’s mass and with its height', () => {
  const raised: Pose = { hip: 45, knee: 20, supports: ['head', 'ribs', 'pelvis'] };
  const lever = (bodyMassKg: number, bodyHeightM: number) =>
    loadOf(asWritten(raised, 'supine', bodyHeightM), { bodyMassKg, bodyHeightM }).legLever ?? 0;
  expect(lever(140, TALL)).toBeCloseTo(2 * lever(70, TALL), 9);
  expect(lever(70, 2 * TALL)).toBeCloseTo(2 * lever(70, TALL), 9);
});

test('the plain body of every position is straight where it says nothing', () => {
  for (const like of POSITIONS) {
    const { hip, shoulder, head } = skeletonOf(anglesOf(plainPose(like)), TALL);
    expect(apart(hip, shoulder)).toBeCloseTo(LENGTH.trunk * TALL, 9);
    expect(apart(hip, head)).toBeCloseTo((LENGTH.trunk + LENGTH.headCentre) * TALL, 9);
  }
});
