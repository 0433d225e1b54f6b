import { plainPose } from '../repertoire';
import { JOINT_RANGES, type Pose } from './pose';
import { type BasePosition, POSITIONS } from './position';
import { poseFaults } from './reach';

const TALL = 1.7;
const faults = (pose: Pose, like: BasePosition, raised = 0) =>
  poseFaults(pose, like, TALL, raised).map(({ message }) => message);
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };

test.each(POSITIONS)('the plain pose of %s can be', (like) => {
  expect(faults(plainPose(like), like)).toEqual([]);
});

test('a body that rests on hands alone, on the head alone, or lies on nothing but legs is refused', () => {
  expect(faults({ shoulder: 90, supports: ['hands'] }, 'plank')[0]).toMatch(/rests on hands or forearms alone/);
  expect(faults({ supports: ['head'] }, 'supine')[0]).toMatch(/rests on the head alone/);
  expect(faults({ supports: ['feet'] }, 'plank')[0]).toMatch(/In plank the legs alone can’t carry the body/);
});

test('a support in the air is refused with its part, its height, the joint and the range that brings it down', () => {
  const [message = ''] = faults({ ...LYING, hip: { left: 45, right: 90 }, knee: { left: 90, right: 0 } }, 'supine');
  expect(message).toMatch(
    /^The right foot is said to rest but is 8\d cm above what the body rests on; expected the hip/,
  );
  const [, from, to] = /from (-?\d+)° to (-?\d+)°/.exec(message) ?? [];
  expect(Number(from)).toBeGreaterThanOrEqual(JOINT_RANGES.hip[0]);
  // The range is true: inside it the foot comes down, outside it does not.
  const at = (right: number) => faults({ ...LYING, hip: { left: 45, right }, knee: { left: 90, right: 0 } }, 'supine');
  expect(at(Number(to))).toEqual([]);
  expect(at(Number(to) + 1)).toHaveLength(1);
});

test('a prop or an apparatus carries what would hang in the air, and a hand may rest on its own leg', () => {
  const raised: Pose = { ...LYING, hip: 90, knee: 90 };
  expect(faults(raised, 'supine')).toHaveLength(2);
  expect(faults(raised, 'supine', 0.5)).toEqual([]);
  expect(faults({ hip: 90, knee: 90, shoulder: 35, supports: ['pelvis', 'feet', 'hands'] }, 'seated')).toEqual([]);
});

test('sitting up from the back, resting legs lie down and the trunk rises instead', () => {
  expect(faults({ hip: 60, knee: 0, lumbar: 30, thoracic: 30, supports: ['pelvis', 'feet'] }, 'supine')).toEqual([]);
});
