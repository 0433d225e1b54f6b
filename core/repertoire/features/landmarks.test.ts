import { anglesOf, type BasePosition, type Pose, settled } from '../../body';
import { poseSchema } from '../../body/poses/poseSchema';
import { catalogOf, exercise, must } from '../../testing/studio';
import { LANDMARK_IDS, type Landmark } from '../../vocabulary/bodies/landmarks';
import { landmarkDoubts, missOf } from './landmarks';

const TALL = 1.7;
const miss = (mark: Landmark, like: BasePosition, pose: Pose): number =>
  missOf(mark, pose, settled(pose, like, anglesOf(pose), TALL), TALL);

const FREE: Pose['supports'] = ['head', 'ribs', 'pelvis'];
/** Arms are longer than thighs: the trunk slopes, and hands and knees are under their joints at less than a right angle. */
const FOUR: Pose = { hip: 77, knee: 90, shoulder: 77, supports: ['hands', 'knees', 'feet'] };

test.each<[Landmark, BasePosition, Pose, Pose, number]>([
  ['knees-over-hips', 'supine', { hip: 90, knee: 90, supports: FREE }, { hip: 60, knee: 90, supports: FREE }, 21],
  ['shins-level', 'supine', { hip: 90, knee: 90, supports: FREE }, { hip: 90, knee: 60, supports: FREE }, 30],
  ['legs-to-ceiling', 'supine', { hip: 90, supports: FREE }, { hip: 70, supports: FREE }, 20],
  ['legs-45', 'supine', { hip: 45, supports: FREE }, { hip: 60, supports: FREE }, 15],
  ['legs-60', 'supine', { hip: 60, supports: FREE }, { hip: 45, supports: FREE }, 15],
  ['heels-at-hips', 'supine', { hip: 0, supports: FREE }, { hip: 15, supports: FREE }, 22],
  ['arms-to-ceiling', 'supine', { shoulder: 90, supports: FREE }, { shoulder: 60, supports: FREE }, 30],
  ['knees-under-hips', 'four-point', FOUR, { ...FOUR, hip: 70, knee: 70 }, 8],
  ['hands-under-shoulders', 'four-point', FOUR, { ...FOUR, shoulder: 120 }, 28],
  ['feet-hip-wide', 'standing', { supports: ['feet'] }, { hipAbduction: 10, supports: ['feet'] }, 29],
  ['knees-over-ankles', 'standing', { supports: ['feet'] }, { hip: 60, knee: 60, supports: ['feet'] }, 8],
  [
    'hands-at-shoulder-height',
    'standing',
    { shoulder: 90, supports: ['feet'] },
    { shoulder: 60, supports: ['feet'] },
    28,
  ],
  [
    'arms-45-aside',
    'standing',
    { shoulderAbduction: 45, supports: ['feet'] },
    { shoulderAbduction: 90, supports: ['feet'] },
    45,
  ],
])('%s is met, or missed by as much as it is', (mark, like, met, off, by) => {
  expect(miss(mark, like, met)).toBeLessThan(3);
  expect(miss(mark, like, off)).toBeGreaterThan(by - 4);
  expect(miss(mark, like, off)).toBeLessThan(by + 4);
});

test('what lies together touches, flesh aside', () => {
  const wide: Pose = { hip: 45, knee: 90, hipAbduction: 20, supports: ['head', 'ribs', 'pelvis', 'feet'] };
  for (const mark of ['heels-together', 'knees-together'] as const) {
    expect(miss(mark, 'supine', { ...wide, hipAbduction: -6 })).toBeLessThan(miss(mark, 'supine', wide) - 10);
  }
});

test('one leg to the ceiling is held to the leg that is free', () => {
  const one: Pose = { hip: { left: 45, right: 90 }, knee: { left: 90, right: 0 }, supports: [...FREE, 'foot.left'] };
  expect(miss('legs-to-ceiling', 'supine', one)).toBeLessThan(1);
});

test('a mark that is missed is a doubt with both numbers; one that is not on the list is refused by its path', () => {
  const entry = must(catalogOf([exercise('one')]).rungs[0]);
  const told = (within: number) => {
    const home: Pose = { hip: 70, supports: FREE, landmarks: [{ mark: 'legs-to-ceiling', within }] };
    return landmarkDoubts({ ...entry, like: 'supine', rung: { ...entry.rung, poses: { home } } }, TALL);
  };
  expect(told(25)).toEqual([]);
  expect(told(5)).toEqual([
    expect.stringMatching(
      /pose “home”, “legs straight to the ceiling” is missed by 20° \(within 5°\)\. Write the pose so/,
    ),
  ]);
  const { error } = poseSchema.safeParse({ supports: FREE, landmarks: [{ mark: 'legs-up', within: 5 }] });
  expect(error?.issues[0]).toMatchObject({ path: ['landmarks', 0, 'mark'] });
  expect(LANDMARK_IDS).toHaveLength(17);
});
