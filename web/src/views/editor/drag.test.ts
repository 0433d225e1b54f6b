import {
  anglesOf,
  type BasePosition,
  JOINT_RANGES,
  LIMB_JOINTS,
  POSITIONS,
  type Pose,
  TRUNK_JOINTS,
} from '@warm-ladder/core/body';
import { PLAIN_VIEWS, type PlainView } from '@warm-ladder/core/figure';
import { plainPose } from '@warm-ladder/core/repertoire';
import fc from 'fast-check';
import { draggedTo, handlesOf, type Moved, nudged, withLimb } from './drag';

const anyStage = fc.record({
  like: fc.constantFrom<BasePosition>(...POSITIONS),
  view: fc.constantFrom(...PLAIN_VIEWS),
  moved: fc.constantFrom<Moved>('both', 'left', 'right'),
  pick: fc.nat(20),
});
const withinRanges = (pose: Pose) => {
  const angles = anglesOf(pose);
  for (const joint of TRUNK_JOINTS) {
    expect(angles[joint]).toBeGreaterThanOrEqual(JOINT_RANGES[joint][0]);
    expect(angles[joint]).toBeLessThanOrEqual(JOINT_RANGES[joint][1]);
  }
  for (const joint of LIMB_JOINTS) {
    for (const angle of Object.values(angles[joint])) {
      expect(angle).toBeGreaterThanOrEqual(JOINT_RANGES[joint][0]);
      expect(angle).toBeLessThanOrEqual(JOINT_RANGES[joint][1]);
    }
  }
};

test('wherever a hand goes, no joint leaves its range', () => {
  const anywhere = fc.record({
    x: fc.double({ min: -2, max: 2, noNaN: true }),
    y: fc.double({ min: -2, max: 2, noNaN: true }),
  });
  fc.assert(
    fc.property(anyStage, anywhere, ({ like, view, moved, pick }, target) => {
      const pose = plainPose(like);
      const handles = handlesOf(pose, like, view, moved);
      const handle = handles[pick % Math.max(1, handles.length)];
      if (!handle) return;
      withinRanges(draggedTo(pose, like, view, handle, moved, target));
    }),
    { numRuns: 60 },
  );
});

test('a hand that lets go where it took hold changes nothing to speak of', () => {
  for (const like of POSITIONS) {
    const pose = plainPose(like);
    for (const handle of handlesOf(pose, like, 'side', 'right')) {
      const after = draggedTo(pose, like, 'side', handle, 'right', handle.at);
      const [now] = handlesOf(after, like, 'side', 'right').filter(
        ({ name, side }) => name === handle.name && side === handle.side,
      );
      expect(Math.hypot((now?.at.x ?? 9) - handle.at.x, (now?.at.y ?? 9) - handle.at.y)).toBeLessThan(0.07);
    }
  }
});

test('a dragged knee lifts the thigh on its own side, or on both', () => {
  const pose = plainPose('supine');
  const [knee] = handlesOf(pose, 'supine', 'side', 'right');
  if (!knee) throw new Error('the knee can be taken hold of');
  // Lying on the back, the head is on the left.
  const up = { x: knee.at.x - 0.1, y: knee.at.y + 0.3 };
  const right = anglesOf(draggedTo(pose, 'supine', 'side', knee, 'right', up)).hip;
  expect(right.left).toBe(45);
  expect(right.right).toBeGreaterThan(60);
  const both = anglesOf(draggedTo(pose, 'supine', 'side', knee, 'both', up)).hip;
  expect(both.left).toBe(both.right);
});

test('a leg taken off the floor rests no more, and its fellow does', () => {
  const pose = plainPose('supine');
  const [knee] = handlesOf(pose, 'supine', 'side', 'right');
  if (!knee) throw new Error('the knee can be taken hold of');
  const up = draggedTo(pose, 'supine', 'side', knee, 'right', { x: knee.at.x, y: knee.at.y + 0.3 });
  expect(up.supports).toContain('foot.left');
  expect(up.supports).not.toContain('foot.right');
  const near = draggedTo(pose, 'supine', 'side', knee, 'right', { x: knee.at.x, y: knee.at.y + 0.01 });
  expect(near.supports).toEqual(pose.supports);
});

test('arrows turn a joint by degrees and stop at its range; its handle says where it is', () => {
  const pose = plainPose('supine');
  const [knee] = handlesOf(pose, 'supine', 'side', 'left');
  if (!knee) throw new Error('the knee can be taken hold of');
  expect(knee).toMatchObject({ words: 'left hip', degrees: 45, range: JOINT_RANGES.hip });
  expect(anglesOf(nudged(pose, 'side', knee, 'left', 10)).hip).toEqual({ left: 55, right: 45 });
  expect(anglesOf(nudged(pose, 'side', knee, 'left', 999)).hip.left).toBe(JOINT_RANGES.hip[1]);
});

test('a lying trunk has no lean to take hold of, a plank has; a turn is taken from above', () => {
  const words = (like: BasePosition, view: PlainView) =>
    handlesOf(plainPose(like), like, view, 'both').map((handle) => handle.words);
  expect(words('supine', 'side')).not.toContain('body tilt');
  expect(words('plank', 'side')).toContain('body tilt');
  expect(words('seated', 'top')).toContain('twist');
  expect(words('seated', 'front')).toContain('side bend');
});

test('two sides that come to the same angle are written as one', () => {
  const pose: Pose = { hip: { left: 20, right: 45 }, supports: ['pelvis'] };
  expect(withLimb(pose, 'hip', 'left', 45).hip).toBe(45);
  expect(withLimb(pose, 'hip', 'both', 30).hip).toBe(30);
  expect(withLimb({ supports: ['pelvis'] }, 'knee', 'right', 15).knee).toEqual({ left: 0, right: 15 });
});
