import fc from 'fast-check';
import { type Pose, SIDES } from '../poses/pose';
import { dot, LENGTH } from '../poses/skeleton';
import { type BasePosition, POSITIONS } from '../position';
import { asWritten } from './posed';

const H = 1.7;
const height = (
  pose: Pose,
  like: BasePosition,
  read: (posed: ReturnType<typeof asWritten>) => { x: number; y: number; z: number },
) => {
  const posed = asWritten(pose, like, H);
  return dot(read(posed), posed.ground.up);
};

const angle = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyPose: fc.Arbitrary<Pose> = fc.record({
  hip: angle(-30, 140),
  knee: angle(0, 160),
  shoulder: angle(-60, 190),
  elbow: angle(0, 150),
  lumbar: angle(-40, 70),
  thoracic: angle(-40, 60),
  twist: angle(-70, 70),
  sideBend: angle(-60, 60),
  supports: fc.constant<Pose['supports']>(['hands', 'knees']),
});

test('bones keep their length in every pose', () => {
  fc.assert(
    fc.property(anyPose, fc.constantFrom(...POSITIONS), (pose, like) => {
      const { bones } = asWritten(pose, like, H);
      for (const side of SIDES) {
        const { root, middle, end } = bones.leg[side];
        expect(Math.hypot(middle.x - root.x, middle.y - root.y, middle.z - root.z)).toBeCloseTo(LENGTH.thigh * H, 9);
        expect(Math.hypot(end.x - middle.x, end.y - middle.y, end.z - middle.z)).toBeCloseTo(LENGTH.shank * H, 9);
      }
    }),
  );
});

test('up and along are square to one another and of length one', () => {
  fc.assert(
    fc.property(anyPose, fc.constantFrom(...POSITIONS), angle(-90, 90), (pose, like, pitch) => {
      const { up, along } = asWritten({ ...pose, pitch }, like, H).ground;
      expect(dot(up, along)).toBeCloseTo(0, 9);
      expect(dot(up, up)).toBeCloseTo(1, 9);
      expect(dot(along, along)).toBeCloseTo(1, 9);
    }),
  );
});

test('a propped body settles until its hands and feet are level', () => {
  const plank: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
  const hands = height(plank, 'plank', ({ bones }) => bones.arm.left.end);
  const toes = height(plank, 'plank', ({ bones }) => bones.leg.left.tip);
  expect(hands).toBeCloseTo(toes, 6);
});

test('supine with the hips at a right angle the knees are above the hips; standing, the head above all', () => {
  const tabletop: Pose = { hip: 90, knee: 90, supports: ['head', 'ribs', 'pelvis'] };
  expect(height(tabletop, 'supine', ({ bones }) => bones.leg.left.middle)).toBeCloseTo(LENGTH.thigh * H, 9);
  const standing: Pose = { supports: ['feet'] };
  expect(height(standing, 'standing', ({ bones }) => bones.head)).toBeGreaterThan(0.5);
  expect(height(standing, 'standing', ({ bones }) => bones.leg.left.end)).toBeLessThan(-0.8);
});

test('lying flat, a pelvis that tilts leaves the chest where it is', () => {
  const tilted: Pose = { hip: 42, knee: 90, lumbar: 15, supports: ['head', 'ribs', 'pelvis', 'feet'] };
  const rise =
    height(tilted, 'supine', ({ bones }) => bones.shoulder) - height(tilted, 'supine', ({ bones }) => bones.ribs);
  expect(rise).toBeCloseTo(0, 9);
});
