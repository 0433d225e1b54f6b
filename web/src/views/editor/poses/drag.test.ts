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
import { draggedTo, handlesOf, type Moved, nudged, type Stage, withLimb } from './drag';

const sideOf = (like: BasePosition): Stage => ({ like, view: 'side', planted: null });
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
      const handles = handlesOf(pose, { like, view, planted: null }, moved);
      const handle = handles[pick % Math.max(1, handles.length)];
      if (!handle) return;
      withinRanges(draggedTo(pose, { like, view, planted: null }, handle, moved, target));
    }),
    { numRuns: 60 },
  );
});

test('a hand that lets go where it took hold changes nothing to speak of', () => {
  for (const like of POSITIONS) {
    const pose = plainPose(like);
    for (const handle of handlesOf(pose, sideOf(like), 'right')) {
      const after = draggedTo(pose, sideOf(like), handle, 'right', handle.at);
      const [now] = handlesOf(after, sideOf(like), 'right').filter(
        ({ name, side }) => name === handle.name && side === handle.side,
      );
      const slip = Math.hypot((now?.at.x ?? 9) - handle.at.x, (now?.at.y ?? 9) - handle.at.y);
      expect({ like, handle: handle.words, slips: slip >= 0.07 }).toEqual({ like, handle: handle.words, slips: false });
    }
  }
});

test('a dragged knee lifts the thigh on its own side, or on both', () => {
  const pose = plainPose('supine');
  const [knee] = handlesOf(pose, sideOf('supine'), 'right');
  if (!knee) throw new Error('the knee can be taken hold of');
  // Lying on the back, the head is on the left.
  const up = { x: knee.at.x - 0.1, y: knee.at.y + 0.3 };
  const right = anglesOf(draggedTo(pose, sideOf('supine'), knee, 'right', up)).hip;
  expect(right.left).toBe(45);
  expect(right.right).toBeGreaterThan(60);
  const both = anglesOf(draggedTo(pose, sideOf('supine'), knee, 'both', up)).hip;
  expect(both.left).toBe(both.right);
});

test('a leg taken off the floor rests no more, and its fellow does', () => {
  const pose = plainPose('supine');
  const [knee] = handlesOf(pose, sideOf('supine'), 'right');
  if (!knee) throw new Error('the knee can be taken hold of');
  const up = draggedTo(pose, sideOf('supine'), knee, 'right', { x: knee.at.x, y: knee.at.y + 0.3 });
  expect(up.supports).toContain('foot.left');
  expect(up.supports).not.toContain('foot.right');
  const near = draggedTo(pose, sideOf('supine'), knee, 'right', { x: knee.at.x, y: knee.at.y + 0.01 });
  expect(near.supports).toEqual(pose.supports);
});

test('arrows turn a joint by degrees and stop at its range; its handle says where it is', () => {
  const pose = plainPose('supine');
  const [knee] = handlesOf(pose, sideOf('supine'), 'left');
  if (!knee) throw new Error('the knee can be taken hold of');
  expect(knee).toMatchObject({ words: 'left knee', turns: 'hip', degrees: 45, range: JOINT_RANGES.hip });
  expect(anglesOf(nudged(pose, sideOf('supine'), knee, 'left', 10)).hip).toEqual({ left: 55, right: 45 });
  expect(anglesOf(nudged(pose, sideOf('supine'), knee, 'left', 999)).hip.left).toBe(JOINT_RANGES.hip[1]);
});

test('a trunk is taken by the pelvis, the ribs and the head; a turn is taken from above', () => {
  const turns = (like: BasePosition, view: PlainView) =>
    Object.fromEntries(
      handlesOf(plainPose(like), { like, view, planted: null }, 'both').map((each) => [each.words, each.turns]),
    );
  expect(turns('supine', 'side')).toMatchObject({ pelvis: 'hip', ribs: 'thoracic', head: 'neck' });
  expect(turns('side-lying', 'side')).toMatchObject({ ribs: 'side bend' });
  expect(turns('side-lying', 'side')).not.toHaveProperty('pelvis');
  expect(turns('seated', 'top')).toMatchObject({ ribs: 'twist' });
  expect(turns('seated', 'front')).toMatchObject({ ribs: 'side bend' });
});

test('a pelvis lifted from the floor is a bridge on shoulders and feet that stay where they are', () => {
  const pose = plainPose('supine');
  const stage: Stage = { like: 'supine', view: 'side', planted: 'foot.left' };
  const handle = handlesOf(pose, stage, 'both').find(({ words }) => words === 'pelvis');
  if (!handle) throw new Error('the pelvis can be taken hold of');
  const bridge = draggedTo(pose, stage, handle, 'both', { x: handle.at.x, y: handle.at.y + 0.2 });
  expect([...bridge.supports].sort()).toEqual(['foot.left', 'foot.right', 'head', 'shoulders']);
  expect(anglesOf(bridge).hip.left).toBeLessThan(20);
  // One leg long stays long while the pelvis is let down again.
  const long: Pose = {
    ...bridge,
    hip: { left: anglesOf(bridge).hip.left, right: 0 },
    supports: ['head', 'shoulders', 'foot.left'],
  };
  const [again] = handlesOf(long, stage, 'both').filter(({ words }) => words === 'pelvis');
  if (!again) throw new Error('the pelvis can be taken hold of');
  const lower = draggedTo(long, stage, again, 'both', { x: again.at.x, y: again.at.y - 0.06 });
  expect(anglesOf(lower).hip.right).toBe(0);
  expect(anglesOf(lower).hip.left).toBeGreaterThan(anglesOf(long).hip.left);
});

test('a chest lifted from the floor takes the head with it, and both rest again where it is let down', () => {
  const pose = plainPose('supine');
  const stage: Stage = { like: 'supine', view: 'side', planted: 'pelvis' };
  const handle = handlesOf(pose, stage, 'both').find(({ words }) => words === 'shoulders');
  if (!handle) throw new Error('the shoulders can be taken hold of');
  const curl = draggedTo(pose, stage, handle, 'both', { x: handle.at.x + 0.05, y: handle.at.y + 0.12 });
  expect(curl.supports).not.toContain('head');
  expect(curl.thoracic ?? 0).toBeGreaterThan(5);
});

test('two sides that come to the same angle are written as one', () => {
  const pose: Pose = { hip: { left: 20, right: 45 }, supports: ['pelvis'] };
  expect(withLimb(pose, 'hip', 'left', 45).hip).toBe(45);
  expect(withLimb(pose, 'hip', 'both', 30).hip).toBe(30);
  expect(withLimb({ supports: ['pelvis'] }, 'knee', 'right', 15).knee).toEqual({ left: 0, right: 15 });
});
