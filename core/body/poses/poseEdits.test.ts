import { type Pose, supportsOf } from './pose';
import { withHold, withSupports, withWeight } from './poseEdits';

const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };

test('one foot of two is lifted and set down again, and a pair is written as one', () => {
  const lifted = withSupports(LYING, ['foot.right'], false);
  expect([...supportsOf(lifted)].sort()).toEqual(['foot.left', 'head', 'pelvis', 'ribs']);
  expect(withSupports(lifted, ['foot.right'], true)).toEqual(LYING);
});

test('hands hold and let go, loads are taken and put down, and nothing empty is left in the pose', () => {
  const holding = withHold(withHold(LYING, 'hand.left', 'thigh.left'), 'hand.right', 'stick');
  expect(holding.holds).toEqual({ 'hand.left': 'thigh.left', 'hand.right': 'stick' });
  expect(withHold(withHold(holding, 'hand.left', null), 'hand.right', null)).toEqual(LYING);
  const loaded = withWeight(LYING, 'hand.left', 2);
  expect(withWeight(loaded, 'hand.left', 3).weights).toEqual({ 'hand.left': 3 });
  expect(withWeight(loaded, 'hand.left', 0)).toEqual(LYING);
});
