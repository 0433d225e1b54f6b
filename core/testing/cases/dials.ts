import type { BasePosition, Pose } from '../../body';
import type { Phase, Prop, Rung } from '../../repertoire';
import { rung } from '../studio';
import { ANCHORS } from './anchors';

/** One thing turned, all else equal: the rung after is harder by at least so much of heat. */
export interface Dial {
  readonly name: string;
  readonly like: BasePosition;
  readonly easier: Rung;
  readonly harder: Rung;
  readonly by: number;
  /** The prop that is the dial: the harder rung's alone. */
  readonly prop?: Prop;
}

const THERE: Phase[] = [
  { id: 'p1', breath: 'out', counts: 3, pose: 'away' },
  { id: 'p2', breath: 'in', counts: 3, pose: 'home' },
];
const HELD: Phase[] = [
  { id: 'p1', breath: 'out', counts: 4, pose: 'home' },
  { id: 'p2', breath: 'in', counts: 4, pose: 'home' },
];

/** Moves from one pose to another and back, or stays in the one. */
const moving = (home: Pose, away?: Pose, change: Partial<Rung> = {}): Rung =>
  rung('dial', {
    poses: away ? { home, away } : { home },
    start: 'home',
    phases: away ? THERE : HELD,
    dose: { sets: 1, reps: 6 },
    ...change,
  });

const dial = (name: string, like: BasePosition, easier: Rung, harder: Rung, by: number, prop?: Prop): Dial => ({
  name,
  like,
  easier,
  harder,
  by,
  ...(prop ? { prop } : {}),
});

const FREE: Pose['supports'] = ['head', 'ribs', 'pelvis'];
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const TABLETOP: Pose = { hip: 90, knee: 90, supports: FREE };
const CURL = { lumbar: 10, thoracic: 32, neck: 24 };
const BEHIND: Partial<Pose> = {
  shoulder: 120,
  elbow: 129,
  shoulderAbduction: -10,
  holds: { 'hand.left': 'head', 'hand.right': 'head' },
};
const ROLLER: Prop = { id: 'roller', name: 'Roller', large: true, unstable: true };

const lowered = (hip: number): Pose => ({ ...CURL, ...BEHIND, hip, knee: 0, supports: ['pelvis'] });
const legHeights = [
  [90, 75],
  [75, 60],
  [60, 45],
  [45, 30],
  [30, 10],
].map(([from = 0, to = 0]) =>
  dial(
    `with the head up, both legs to ${to}° and not ${from}°`,
    'supine',
    moving(lowered(90), lowered(from)),
    moving(lowered(90), lowered(to)),
    2,
  ),
);

/** Arms alone lift over a pose's head, or lie along it again. */
const LAYER = { shoulder: 165, elbow: 0, shoulderAbduction: 0 };
const layered = ANCHORS.filter(
  ({ heat, rung: { poses } }) =>
    heat < 80 && Object.values(poses).every(({ supports, shoulder }) => !supports.includes('hands') && !shoulder),
).map(({ name, like, rung: made }) => {
  const [home, ...others] = Object.keys(made.poses);
  const last = made.poses[others[0] ?? home ?? ''] as Pose;
  const arms = { ...made, poses: { ...made.poses, over: { ...last, ...LAYER } } };
  const phases = made.phases.map((phase, i) => (i === 0 ? { ...phase, pose: 'over' } : phase));
  return dial(`${name}: an arm path is added`, like, made, { ...arms, phases }, 2);
});

const sideways = [0, 90].flatMap((knee) =>
  [
    ['a foot down', { left: 45, right: 90 }, { left: 90, right: knee }, ['head', 'ribs', 'pelvis', 'foot.left']],
    ['both up', 90, { left: 90, right: knee }, FREE],
  ].map(([name, hip, bend, supports]) => {
    const home = { hip, knee: bend, supports } as Pose;
    const left = (hip as { left?: number }).left ?? 90;
    return dial(
      `${name}, knee ${knee}°: one leg 40° to the side and not 40° lower`,
      'supine',
      moving(home, { ...home, hip: { left, right: 50 } }),
      moving(home, { ...home, hipAbduction: { left: 0, right: 40 } }),
      0.5,
    );
  }),
);

const curled = (legs: Partial<Pose>, hands: Partial<Pose>): Rung => {
  const pose: Pose = { ...CURL, ...legs, ...hands, supports: ['pelvis'] };
  return moving(pose);
};
const ON_SHIN: Partial<Pose> = { shoulder: 66, holds: { 'hand.left': 'shin.left', 'hand.right': 'shin.left' } };
const hands = [
  ['bent over the hips', { hip: 90, knee: 100 }],
  ['one bent, one long at 45°', { hip: { left: 98, right: 45 }, knee: { left: 110, right: 0 } }],
  ['one bent, one long and low', { hip: { left: 98, right: 10 }, knee: { left: 110, right: 0 } }],
].flatMap(([name, legs]) => {
  const [behind, shin, free] = [BEHIND, ON_SHIN, { shoulder: 66 }].map((each) => curled(legs as Partial<Pose>, each));
  return behind && shin && free
    ? [
        dial(`legs ${name}: hands on the shin and not behind the head`, 'supine', behind, shin, 0),
        dial(`legs ${name}: hands free and not on the shin`, 'supine', shin, free, 0),
      ]
    : [];
});

const OVER: Pose = {
  hip: 100,
  knee: 0,
  lumbar: 42,
  thoracic: 30,
  neck: 36,
  pitch: -84,
  supports: ['head', 'shoulders'],
};
const SIDE: Pose = { hip: 20, knee: 20, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const ONE_FOOT: Pose = { hip: { left: 0, right: 60 }, supports: ['foot.left'] };
const LOW: Pose = { ...TABLETOP, hip: 45, knee: 0 };

export const DIALS: readonly Dial[] = [
  ...legHeights,
  ...layered,
  ...sideways,
  ...hands,
  dial('a roller along the spine', 'supine', moving(LYING), moving(LYING), 2, ROLLER),
  dial(
    'a roller along the spine, under the head too',
    'supine',
    moving(LYING),
    moving(LYING, undefined, { on: { head: 'roller', ribs: 'roller', pelvis: 'roller' } }),
    2,
    ROLLER,
  ),
  dial(
    'legs rolled over: the toes down and not level',
    'supine',
    moving(OVER),
    moving({ ...OVER, hip: 112, supports: ['head', 'shoulders', 'toes'] }),
    0,
  ),
  dial('legs rolled over: closed and not open', 'supine', moving({ ...OVER, hipAbduction: 30 }), moving(OVER), 0),
  dial('both legs at 45°: closed and not open', 'supine', moving({ ...LOW, hipAbduction: 35 }), moving(LOW), 0),
  dial(
    'both legs long and not one bent',
    'supine',
    moving(TABLETOP, { ...TABLETOP, hip: { left: 90, right: 45 }, knee: { left: 90, right: 0 } }),
    moving({ ...TABLETOP, knee: 0 }, LOW),
    2,
  ),
  dial(
    'legs lowered on the in-breath',
    'supine',
    moving({ ...TABLETOP, knee: 0 }, LOW),
    moving({ ...TABLETOP, knee: 0 }, LOW, {
      phases: [
        { id: 'p1', breath: 'in', counts: 3, pose: 'away' },
        { id: 'p2', breath: 'out', counts: 3, pose: 'home' },
      ],
    }),
    2,
  ),
  dial(
    'a wall beside the body, lying on a side',
    'side-lying',
    moving(SIDE),
    moving(SIDE, undefined, { guided: true }),
    2,
  ),
  dial(
    'a wall beside the body, on one foot',
    'standing',
    moving(ONE_FOOT),
    moving(ONE_FOOT, undefined, { guided: true }),
    2,
  ),
];
