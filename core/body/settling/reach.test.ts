import { plainPose } from '../../repertoire';
import { poseFaults } from '../poses/faults';
import type { Pose } from '../poses/pose';
import { type BasePosition, POSITIONS } from '../position';
import { restsAbove } from './reach';

const TALL = 1.7;
const faults = (pose: Pose, like: BasePosition) => poseFaults(pose, like).map(({ message }) => message);
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };

test.each(POSITIONS)('the plain pose of %s can be', (like) => {
  expect(faults(plainPose(like), like)).toEqual([]);
});

test('a body that rests on hands alone, on the head alone, or lies on nothing but legs is refused', () => {
  expect(faults({ shoulder: 90, supports: ['hands'] }, 'plank')[0]).toMatch(/rests on hands or forearms alone/);
  expect(faults({ supports: ['head'] }, 'supine')[0]).toMatch(/rests on the head alone/);
  expect(faults({ supports: ['feet'] }, 'plank')[0]).toMatch(/In plank the legs alone can’t carry the body/);
});

test('what hangs in the air is told from what rests; a hand may rest on its own leg', () => {
  const above = (pose: Pose, like: BasePosition) => restsAbove(pose, like, TALL);
  expect(above(LYING, 'supine')).toBe(false);
  expect(above({ ...LYING, hip: 90, knee: 90 }, 'supine')).toBe(true);
  expect(above({ hip: 90, knee: 90, shoulder: 35, supports: ['pelvis', 'feet', 'hands'] }, 'seated')).toBe(false);
  // Sitting up from the back, resting legs lie down and the trunk rises instead.
  expect(above({ hip: 60, knee: 0, lumbar: 30, thoracic: 30, supports: ['pelvis', 'feet'] }, 'supine')).toBe(false);
});
