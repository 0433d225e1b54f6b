import type { BasePosition, Pose } from '../../body';
import type { Direction } from '../../method';
import { catalogOf, exercise, must, rung } from '../../testing/studio';
import { directionsSeen } from './directions';

const seen = (position: BasePosition, home: Pose, away: Pose): readonly Direction[] => {
  const catalog = catalogOf([exercise('one', { position, rungs: [rung('low', { poses: { home, away } })] })]);
  return directionsSeen(catalog, must(catalog.rung({ exercise: 'one', rung: 'low' }))).seen;
};
const SEATED: Pose = { hip: 90, knee: 90, supports: ['pelvis', 'feet'] };
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const FOURS: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] };

test.each<[string, BasePosition, Pose, Pose, Direction[]]>([
  ['a leg lowered from a still back', 'supine', LYING, { ...LYING, hip: { left: 45, right: 80 } }, ['neutral']],
  ['a bend of a few degrees', 'seated', SEATED, { ...SEATED, thoracic: 6 }, ['neutral']],
  ['a curl of the ribs', 'seated', SEATED, { ...SEATED, thoracic: 30 }, ['flexion']],
  ['an arch of the ribs', 'four-point', FOURS, { ...FOURS, thoracic: -12 }, ['extension']],
  ['a turn', 'seated', SEATED, { ...SEATED, twist: -25 }, ['rotation']],
  ['a side bend', 'seated', SEATED, { ...SEATED, sideBend: 20 }, ['lateral-flexion']],
  ['a turn with a curl', 'seated', SEATED, { ...SEATED, thoracic: 30, twist: 20 }, ['flexion', 'rotation']],
])('%s (%s) is seen', (_name, position, home, away, expected) => {
  expect(seen(position, home, away)).toEqual(expected);
});

test('the low back travelling, or the trunk peeled off the floor, is articulation', () => {
  expect(seen('supine', LYING, { ...LYING, lumbar: 14 })).toContain('articulation');
  const bridge: Pose = { hip: 0, knee: 90, supports: ['head', 'shoulders', 'feet'] };
  expect(seen('supine', LYING, bridge)).toContain('articulation');
  expect(seen('supine', LYING, { ...LYING, hip: 60 })).not.toContain('articulation');
});
