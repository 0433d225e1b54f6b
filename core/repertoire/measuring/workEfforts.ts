import {
  armBears,
  GRAVITY,
  LIMB_JOINTS,
  type LimbJoint,
  legBears,
  type Posed,
  SIDES,
  type Side,
  TRUNK_JOINTS,
  type TrunkJoint,
} from '../../body';
import type { BasePosition } from '../../body/position';
import { liesOnFront } from '../../vocabulary/bodies/position';
import type { Rung } from '../exercise';
import { type FeltCourse, heatOfFelt } from './feltLever';
import { longestStay, type Movement, SEEN_TO_MOVE, workedCounts } from './movements';
import { armCarried } from './shapeEfforts';

// What is hard about what is done: moved, held, breathed and repeated; each scale is in docs/heat.md, by its number.

/** Degrees between the least and the most of every angle over a repetition. */
export interface Travel {
  readonly limb: Readonly<Record<LimbJoint, Readonly<Record<Side, number>>>>;
  readonly trunk: Readonly<Record<TrunkJoint, number>>;
}

/** How far every joint travels over the shapes of a repetition; all read at once, for it is asked of every rung. */
export function travelOf(course: readonly Posed[]): Travel {
  const limb = Object.fromEntries(LIMB_JOINTS.map((joint) => [joint, { left: 0, right: 0 }])) as Record<
    LimbJoint,
    Record<Side, number>
  >;
  const trunk = Object.fromEntries(TRUNK_JOINTS.map((joint) => [joint, 0])) as Record<TrunkJoint, number>;
  for (const joint of LIMB_JOINTS) {
    for (const side of SIDES) limb[joint][side] = spread(course, ({ angles }) => angles[joint][side]);
  }
  for (const joint of TRUNK_JOINTS) trunk[joint] = spread(course, ({ angles }) => angles[joint]);
  return { limb, trunk };
}

function spread(course: readonly Posed[], read: (posed: Posed) => number): number {
  if (course.length < 2) return 0;
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const posed of course) {
    const degrees = read(posed);
    if (degrees < least) least = degrees;
    if (degrees > most) most = degrees;
  }
  return most - least;
}

/** 2: limbs that travel through the air: one that bears in every pose is only stood on. */
export function movingLimbs(course: readonly Posed[], { limb }: Travel): number {
  let moving = 0;
  for (const side of SIDES) {
    const leg = Math.max(limb.hip[side], limb.knee[side], limb.hipAbduction[side]) > SEEN_TO_MOVE;
    if (leg && course.some(({ pose }) => !legBears(pose, side))) moving += 1;
    const arm = Math.max(limb.shoulder[side], limb.shoulderAbduction[side]) > SEEN_TO_MOVE;
    if (arm && course.some((posed) => !armCarried(posed, side))) moving += 1;
  }
  return moving;
}

/** 5: kilograms held, phases that squeeze, and a spring that resists. */
export function weightEffort(course: readonly Posed[], { phases, spring }: Rung): number {
  let kg = 0;
  for (const { pose } of course) {
    if (!pose.weights) continue;
    kg = Math.max(
      kg,
      Object.values(pose.weights).reduce((sum, each) => sum + (each ?? 0), 0),
    );
  }
  if (phases.some((phase) => phase.squeeze)) kg += 1.5;
  if (spring?.does === 'resist') kg += spring.newtons / GRAVITY;
  return Math.log1p(kg / 2);
}

/** The share of a degree that counts in a joint of a limb that bears throughout: it follows more than it moves. */
const BEARING_DEGREE = 0.25;

/** 6: degrees travelled over one repetition by limbs: the most moved joint, and a third of all others and of the tilt. */
export function limbRange(course: readonly Posed[], { limb, trunk }: Travel): number {
  let [most, others] = [0, 0];
  for (const side of SIDES) {
    const legStays = course.every(({ pose }) => legBears(pose, side));
    const armStays = course.every(({ pose }) => armBears(pose, side));
    for (const joint of LIMB_JOINTS) {
      const stays = LEG_JOINTS.has(joint) ? legStays : armStays;
      const degrees = limb[joint][side] * (stays ? BEARING_DEGREE : 1);
      others += Math.min(most, degrees);
      most = Math.max(most, degrees);
    }
  }
  return most + (others + trunk.pitch) / 3;
}

/** 6: degrees travelled over one repetition by the spine; what breath alone moves costs nothing. */
export const spineRange = ({ trunk }: Travel): number =>
  SPINE_JOINTS.reduce((sum, joint) => sum + Math.max(0, trunk[joint] - SEEN_TO_MOVE), 0);

const LEG_JOINTS: ReadonlySet<LimbJoint> = new Set(['hip', 'knee', 'hipAbduction', 'hipRotation', 'ankle']);
const SPINE_JOINTS = ['lumbar', 'thoracic', 'neck', 'twist', 'sideBend'] as const;

/** Heat of what is held up from which a breath has something to work against. */
const LEVER_FELT = 5;

/**
 * 8: the share of the lever's growing that is breathed in, and a breath held under load. Read from the poses and the
 * breath of each phase alone. For a lift in prone and a press against a spring the in-breath is the usual one.
 */
export function breathEffort({ phases, spring }: Rung, { poses, leaving }: FeltCourse, like: BasePosition): number {
  const usual = liesOnFront(like) || spring !== undefined;
  const heats = poses.map(heatOfFelt);
  let [grown, against, held] = [0, 0, 0];
  phases.forEach(({ breath }, i) => {
    const [from = 0, to = 0] = [heats[i], heats[i + 1]];
    const growth = Math.max(0, Math.max(to, ...(leaving[i] ?? []).map(heatOfFelt)) - from);
    grown += growth;
    if (breath === 'in' && !usual) against += growth;
    if (breath === 'hold') held = Math.max(held, Math.min(1, Math.max(from, to) / LEVER_FELT));
  });
  return Math.max(held, against / Math.max(grown, LEVER_FELT));
}

/** Seconds of one repetition as it is worked. */
const secondsOf = (movements: readonly Movement[], secondsPerCount: number): number =>
  movements.reduce((sum, movement) => sum + workedCounts(movement), 0) * secondsPerCount;

/** 9: minutes of work on one side at the rung's own dose, as a logarithm. */
export function volumeEffort({ dose }: Rung, movements: readonly Movement[], methodCount: number): number {
  const { sets, reps, repsTo = reps, secondsPerCount = methodCount } = dose;
  return Math.log1p((sets * ((reps + repsTo) / 2) * secondsOf(movements, secondsPerCount)) / 60);
}

/** 9: the longest stay of a repetition, as far as anything is held up in it. */
export function holdEffort({ dose }: Rung, movements: readonly Movement[], felt: number, methodCount: number): number {
  const seconds = longestStay(movements) * (dose.secondsPerCount ?? methodCount);
  return Math.log1p(seconds / 4) * Math.min(1, felt / HELD_UP);
}
/** Heat of what is held up from which a hold is a hold in full. */
const HELD_UP = 10;

/** Degrees from which a part goes a path of its own. */
const PATH = 10;

/** What each limb, and the spine, can do by itself: bend, open, turn. */
const LIMB_PATHS: ReadonlyArray<readonly ['leg' | 'arm', readonly LimbJoint[]]> = [
  ['leg', ['hip', 'knee']],
  ['leg', ['hipAbduction']],
  ['leg', ['hipRotation']],
  ['arm', ['shoulder']],
  ['arm', ['shoulderAbduction']],
];
const SPINE_PATHS = [['lumbar', 'thoracic', 'neck'], ['twist'], ['sideBend']] as const;

/**
 * 9: layers, the paths a repetition adds to its first: a limb that is carried throughout follows and adds none, and
 * both limbs of a pair on the same path add one.
 */
export function layers(course: readonly Posed[], { limb, trunk }: Travel): number {
  let paths = 0;
  for (const [kind, joints] of LIMB_PATHS) {
    const free = (side: Side) =>
      !course.every((posed) => (kind === 'leg' ? legBears(posed.pose, side) : armCarried(posed, side)));
    const goes = SIDES.filter((side) => joints.some((joint) => limb[joint][side] > PATH) && free(side));
    const alike =
      goes.length === 2 &&
      joints.every((joint) => spread(course, ({ angles }) => angles[joint].left - angles[joint].right) <= PATH);
    paths += alike ? 1 : goes.length;
  }
  for (const joints of SPINE_PATHS) if (joints.some((joint) => trunk[joint] > PATH)) paths += 1;
  return Math.max(0, paths - 1);
}

/**
 * 10: seconds of the two slowest movements of a repetition, there and back: the slower, the less momentum helps; most of
 * it where something is held up meanwhile.
 */
export function slowEffort({ dose }: Rung, movements: readonly Movement[], felt: number, methodCount: number): number {
  const slowest = movements
    .filter(({ still }) => !still)
    .map(workedCounts)
    .sort((a, b) => b - a);
  const seconds = ((slowest[0] ?? 0) + (slowest[1] ?? 0)) * (dose.secondsPerCount ?? methodCount);
  return Math.log1p(seconds / 6) * (UNLOADED + (1 - UNLOADED) * Math.min(1, felt / HELD_UP));
}
/** The share of slowness that is left where nothing is held up. */
const UNLOADED = 0.3;
