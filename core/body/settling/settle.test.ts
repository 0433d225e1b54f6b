import fc from 'fast-check';
import { plainPose } from '../../repertoire';
import { mirrored } from '../poses/mirror';
import { anglesOf, JOINT_RANGES, LIMB_JOINTS, type Pose, SIDES } from '../poses/pose';
import { dot, type Point, type Skeleton, skeletonOf } from '../poses/skeleton';
import { type BasePosition, POSITIONS } from '../position';
import { depthsOf } from './resting';
import { settled } from './settle';
import { axisOf, movedBy, risesBy } from './turning';

const TALL = 1.7;
const settle = (pose: Pose, like: BasePosition) => settled(pose, like, anglesOf(pose), TALL);

/** A plain pose, each of its resting limbs written some degrees off. */
const nearPlain = fc
  .record({
    like: fc.constantFrom<BasePosition>(...POSITIONS),
    hip: fc.integer({ min: -12, max: 12 }),
    knee: fc.integer({ min: -12, max: 12 }),
    shoulder: fc.integer({ min: -12, max: 12 }),
    right: fc.integer({ min: -8, max: 8 }),
  })
  .map(({ like, hip, knee, shoulder, right }): { pose: Pose; like: BasePosition } => {
    const plain = plainPose(like);
    const own = anglesOf(plain);
    const off = (joint: 'hip' | 'knee' | 'shoulder', by: number) => {
      const [least, most] = JOINT_RANGES[joint];
      const within = (degrees: number) => Math.max(least, Math.min(most, degrees));
      return { left: within(own[joint].left + by), right: within(own[joint].right + by + right) };
    };
    return {
      like,
      pose: { ...plain, hip: off('hip', hip), knee: off('knee', knee), shoulder: off('shoulder', shoulder) },
    };
  });

test('a body written some degrees off comes to rest within a centimetre, no joint out of its range', () => {
  fc.assert(
    fc.property(nearPlain, ({ pose, like }) => {
      const { gaps, angles } = settle(pose, like);
      expect(gaps.filter(({ metres }) => Math.abs(metres) > 0.01)).toEqual([]);
      for (const joint of LIMB_JOINTS) {
        for (const side of SIDES) {
          expect(angles[joint][side]).toBeGreaterThanOrEqual(JOINT_RANGES[joint][0] - 1e-9);
          expect(angles[joint][side]).toBeLessThanOrEqual(JOINT_RANGES[joint][1] + 1e-9);
        }
      }
    }),
    { numRuns: 80 },
  );
});

test('nothing of a settled body is under its floor', () => {
  const points = ({ hip, shoulder, head, arm, leg }: Skeleton): Point[] => [
    hip,
    shoulder,
    head,
    ...SIDES.flatMap((side) => [arm[side].middle, arm[side].end, leg[side].middle, leg[side].end]),
  ];
  fc.assert(
    fc.property(nearPlain, ({ pose, like }) => {
      const { bones, ground, floor } = settle(pose, like);
      for (const point of points(bones)) expect(dot(point, ground.up) - floor).toBeGreaterThan(-0.005);
    }),
    { numRuns: 80 },
  );
});

test('a mirrored pose settles as the mirror of the body, save lying on a side', () => {
  fc.assert(
    fc.property(
      nearPlain.filter(({ like }) => like !== 'side-lying'),
      ({ pose, like }) => {
        const [one, other] = [settle(pose, like), settle(mirrored(pose), like)];
        expect(other.tilt.pitch).toBeCloseTo(one.tilt.pitch, 1);
        expect(other.tilt.roll).toBeCloseTo(-one.tilt.roll, 1);
        for (const joint of ['hip', 'knee', 'shoulder', 'elbow'] as const) {
          expect(other.angles[joint].left).toBeCloseTo(one.angles[joint].right, 3);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('what rests as it is written stays as it is written', () => {
  const lying: Pose = { supports: ['head', 'ribs', 'pelvis'], hip: 90, knee: 90 };
  const { angles, tilt, gaps } = settle(lying, 'supine');
  expect(tilt).toEqual({ pitch: 0, roll: 0 });
  expect(gaps).toEqual([]);
  expect(angles.hip).toEqual({ left: 90, right: 90 });
});

test('hands come to what they hold: behind the head, on the shin, on the other arm', () => {
  for (const [held, pose, like] of [
    ['head', { ...plainPose('supine'), shoulder: 120, elbow: 130 }, 'supine'],
    [
      'shin.left',
      { hip: { left: 100, right: 45 }, knee: 90, thoracic: 30, shoulder: 60, supports: ['pelvis', 'ribs'] },
      'supine',
    ],
    ['shoulder', { supports: ['feet'], shoulder: 40, elbow: 110 }, 'standing'],
  ] as const) {
    const holding: Pose = { ...(pose as Pose), holds: { 'hand.left': held } };
    expect([held, settle(holding, like).gaps.filter(({ support }) => support === 'hand.left')]).toEqual([held, []]);
  }
});

test('what a turn of a joint does is known by its axis: the same as posing the limb anew', () => {
  const joints = {
    leg: ['hip', 'knee', 'hipAbduction', 'hipRotation'],
    arm: ['shoulder', 'elbow', 'shoulderAbduction'],
  } as const;
  const degrees = (joint: keyof typeof JOINT_RANGES) =>
    fc.integer({ min: JOINT_RANGES[joint][0], max: JOINT_RANGES[joint][1] - 1 });
  const any = fc.record({
    hip: degrees('hip'),
    knee: degrees('knee'),
    hipAbduction: degrees('hipAbduction'),
    hipRotation: degrees('hipRotation'),
    shoulder: degrees('shoulder'),
    elbow: degrees('elbow'),
    shoulderAbduction: degrees('shoulderAbduction'),
    lumbar: degrees('lumbar'),
    twist: degrees('twist'),
    sideBend: degrees('sideBend'),
  });
  fc.assert(
    fc.property(any, fc.constantFrom(...SIDES), fc.constantFrom('leg', 'arm'), (pose, side, limb) => {
      const angles = anglesOf({ ...pose, supports: ['feet'] });
      const bones = skeletonOf(angles, TALL);
      for (const joint of joints[limb]) {
        const turned = skeletonOf({ ...angles, [joint]: { ...angles[joint], [side]: angles[joint][side] + 1 } }, TALL);
        const [before, after] = [bones[limb][side].end, turned[limb][side].end];
        const axis = axisOf(`${limb}.${side}`, joint, angles, bones);
        const moved = movedBy(axis, before);
        for (const way of ['x', 'y', 'z'] as const) expect(before[way] + moved[way]).toBeCloseTo(after[way], 9);
        expect(risesBy(axis, before, bones.chest.up)).toBeCloseTo(dot(moved, bones.chest.up), 9);
      }
    }),
  );
});

const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };

test.each<[string, Pose, BasePosition]>([
  ['hands on the hips', { ...LYING, holds: { 'hand.left': 'hips', 'hand.right': 'hips' } }, 'supine'],
  ['hands under the head', { ...LYING, holds: { 'hand.left': 'head', 'hand.right': 'head' } }, 'supine'],
  [
    'the heel of a foot on its toes',
    { hip: -12, knee: 75, neck: 26, supports: ['head', 'shoulders', 'foot.left', 'toe.right'] },
    'supine',
  ],
  [
    'the shin of a knee that bears',
    { hip: 104, knee: 80, shoulder: 90, lumbar: 20, supports: ['hands', 'knees'] },
    'four-point',
  ],
  [
    'fingers of an arm that hangs',
    { hip: 90, knee: 90, shoulder: 70, supports: ['knees', 'feet', 'hand.left'] },
    'four-point',
  ],
])('%s stay out of the floor', (_name, pose, like) => {
  for (const [, metres] of depthsOf(settle(pose, like), TALL)) expect(metres).toBeLessThan(0.01);
});
