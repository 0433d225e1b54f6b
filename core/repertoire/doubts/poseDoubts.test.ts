import type { BasePosition, Pose, PressedPart } from '../../body';
import { catalogOf, exercise, must, rung } from '../../testing/studio';
import { plainPose } from '../plain';
import { poseDoubts } from './poseDoubts';

const TALL = 1.7;

/** What a rung of one pose has to say of it. */
function doubts(pose: Pose, like: BasePosition, change: Parameters<typeof rung>[1] = {}): string[] {
  const only = rung('low', { poses: { home: pose }, phases: [], ...change });
  const catalog = catalogOf([exercise('one', { position: like, rungs: [only] })]);
  return poseDoubts(must(catalog.rungs[0]), TALL);
}

test.each(['standing', 'kneeling', 'seated', 'four-point', 'plank', 'side-lying', 'prone', 'supine'] as const)(
  'the plain pose of %s settles',
  (like) => {
    expect(doubts(plainPose(like), like)).toEqual([]);
  },
);

const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const SITTING: Pose = { hip: 90, supports: ['pelvis', 'feet'] };

test.each<[string, Pose, BasePosition, RegExp]>([
  ['a foot far up', { ...LYING, hip: 150, knee: 0 }, 'supine', /has to turn by \d+°/],
  [
    'one foot far up',
    { ...LYING, hip: { left: 45, right: 140 }, knee: { left: 90, right: 0 } },
    'supine',
    /the right foot|the right hip/,
  ],
  ['heels above the seat', { ...SITTING, hip: 150, knee: 0 }, 'seated', /left hip has to turn/],
  [
    'a hand that hangs',
    { supports: ['feet', 'hand.right'] },
    'standing',
    /right hand .* cm above .* bend the shoulder/,
  ],
  ['a head curled up', { ...LYING, lumbar: 75, thoracic: 60, neck: 70 }, 'supine', /rest/],
  [
    'a foot beyond the hand',
    { ...LYING, holds: { 'hand.left': 'foot.left' } },
    'supine',
    /left hand stays \d+ cm from/,
  ],
  [
    'a foot beyond it, standing',
    { supports: ['feet'], holds: { 'hand.left': 'foot.left' } },
    'standing',
    /left hand stays/,
  ],
  [
    'an elbow behind the ribs',
    { shoulder: 5, shoulderAbduction: -35, supports: ['feet'] },
    'standing',
    /arm goes through the trunk/,
  ],
  [
    'a shin out of reach',
    { supports: ['feet'], holds: { 'hand.right': 'shin.right' } },
    'standing',
    /right hand stays/,
  ],
  [
    'toes under a long leg to the side',
    {
      knee: { left: 90, right: 0 },
      hipAbduction: { left: 30, right: 40 },
      shoulderAbduction: { left: 50, right: 0 },
      sideBend: -52,
      pitch: 0,
      supports: ['hand.left', 'knee.left', 'shin.left', 'toe.right'],
    },
    'kneeling',
    /right leg goes 1 cm through the floor/,
  ],
  [
    'an arm behind the back',
    { shoulder: -8, shoulderAbduction: -35, supports: ['feet'] },
    'standing',
    /arm goes through the trunk/,
  ],
])('%s is doubted', (_name, pose, like, expected) => {
  expect(doubts(pose, like).join(' ')).toMatch(expected);
});

test('what is pressed between two parts fits between them, or is doubted with both sizes', () => {
  const entry = must(catalogOf([exercise('one')]).rungs[0]);
  const told = (hipAbduction: number, parts: [PressedPart, PressedPart]) => {
    const home: Pose = {
      hip: 45,
      knee: 90,
      hipAbduction,
      supports: ['head', 'ribs', 'pelvis'],
      between: [{ prop: 'ball', parts }],
    };
    const props = [{ id: 'ball', name: 'Small ball', heightM: 0.2 }];
    return poseDoubts({ ...entry, props, rung: { ...entry.rung, props: ['ball'], poses: { home } } }, TALL);
  };
  expect(told(10, ['knee.left', 'knee.right'])).toEqual([]);
  expect(told(40, ['knee.left', 'knee.right'])).toEqual([
    expect.stringMatching(
      /“Small ball” is said to be pressed between the left knee and the right knee, which stand 5\d cm apart; it is 20 cm across\.$/,
    ),
  ]);
  expect(told(10, ['hand.left', 'foot.right']).join(' ')).toMatch(
    /between the left hand and the right foot, which stand/,
  );
});

test('an arm through the wall the back leans on is doubted, one before it is not', () => {
  const catalog = (shoulder: number) =>
    catalogOf([
      exercise('one', {
        position: 'standing',
        rungs: [
          rung('low', {
            props: ['wall'],
            on: { shoulders: 'wall' },
            poses: { home: { shoulder, supports: ['feet', 'shoulders'] } },
            phases: [],
          }),
        ],
      }),
    ]);
  const [wall] = [{ id: 'wall', name: 'Wall', large: true }];
  const told = (shoulder: number) => {
    const entry = must(catalog(shoulder).rungs[0]);
    return poseDoubts({ ...entry, props: [wall] }, TALL);
  };
  expect(told(-60).join(' ')).toMatch(/arm goes through the wall/);
  expect(told(90)).toEqual([]);
});

test('a leg through the block the other foot stands on is doubted, one beside it is not', () => {
  const entry = must(
    catalogOf([
      exercise('one', {
        rungs: [
          rung('low', {
            props: ['step'],
            on: { 'foot.left': 'step' },
            poses: { home: { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'foot.left'] } },
            phases: [],
          }),
        ],
      }),
    ]).rungs[0],
  );
  const told = (right: { hip: number; knee: number; across: number }) => {
    const home: Pose = {
      hip: { left: 60, right: right.hip },
      knee: { left: 90, right: right.knee },
      hipAbduction: { left: 0, right: -right.across },
      supports: ['head', 'ribs', 'pelvis', 'foot.left'],
    };
    return poseDoubts(
      { ...entry, rung: { ...entry.rung, poses: { home } }, props: [{ id: 'step', name: 'Step', heightM: 0.2 }] },
      TALL,
    );
  };
  expect(told({ hip: 45, knee: 92, across: -12 })).toEqual([]);
  expect(told({ hip: 45, knee: 92, across: 30 }).join(' ')).toMatch(/the right leg goes through “Step”/);
});
