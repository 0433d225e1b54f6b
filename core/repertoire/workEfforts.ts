import { armBears, LIMB_JOINTS, type LimbJoint, legBears, type Posed, SIDES, type Side, sameAngles } from '../body';
import type { BasePosition } from '../body/position';
import type { Phase, Rung } from './exercise';
import { limbsAloft } from './shapeEfforts';

// What is hard about what is done: moved, held, breathed and repeated; each scale is in docs/heat.md, by its number.

/** What a limb that moves counts beside one that is held. */
const MOVING = 0.23;

/** 2: limbs in the air at once, and limbs that move, less each. */
export function limbsEffort(course: readonly Posed[], like: BasePosition): number {
  const aloft = Math.max(0, ...course.map((posed) => limbsAloft(posed, like)));
  return aloft + MOVING * movingLimbs(course);
}

/** Limbs that travel through the air: one that bears in every pose is only stood on. */
function movingLimbs(course: readonly Posed[]): number {
  let moving = 0;
  for (const side of SIDES) {
    const leg = moves(course, 'hip', side) || moves(course, 'knee', side) || moves(course, 'hipAbduction', side);
    if (leg && course.some(({ pose }) => !legBears(pose, side))) moving += 1;
    const arm = moves(course, 'shoulder', side) || moves(course, 'shoulderAbduction', side);
    if (arm && course.some(({ pose }) => !armBears(pose, side))) moving += 1;
  }
  return moving;
}

/** Degrees a joint must travel to be seen to move. */
const SEEN_TO_MOVE = 5;

const moves = (course: readonly Posed[], joint: LimbJoint, side: Side): boolean =>
  travel(course, ({ angles }) => angles[joint][side]) > SEEN_TO_MOVE;

/** Newtons of a spring at which one that carries the body makes nothing harder any more. */
const CARRIED = 200;
/** Newtons of a kilogram. */
const GRAVITY = 9.81;

/** 5: kilograms held, phases that squeeze, and a spring: harder with more where it resists, with less where it carries. */
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
  if (spring) kg += (spring.does === 'resist' ? spring.newtons : Math.max(0, CARRIED - spring.newtons)) / GRAVITY;
  return Math.log1p(kg / 2);
}

/** A degree of the spine is worth this many of a limb's, and a joint of a limb that bears throughout this share. */
const SPINE_DEGREE = 2;
const BEARING_DEGREE = 0.25;

/**
 * 6: degrees travelled over one repetition: the most moved joint of a limb, a third of its others, and the spine's
 * own travel, which counts double; a limb that bears throughout follows more than it moves.
 */
export function rangeOf(course: readonly Posed[]): number {
  let [most, others] = [0, 0];
  for (const joint of LIMB_JOINTS) {
    const bearing = LEG_JOINTS.has(joint) ? legBears : armBears;
    for (const side of SIDES) {
      const stays = course.every(({ pose }) => bearing(pose, side));
      const degrees = travel(course, ({ angles }) => angles[joint][side]) * (stays ? BEARING_DEGREE : 1);
      others += Math.min(most, degrees);
      most = Math.max(most, degrees);
    }
  }
  let spine = 0;
  for (const joint of SPINE_JOINTS) spine += travel(course, ({ angles }) => angles[joint]);
  const tilt = travel(course, ({ angles }) => angles.pitch);
  return most + (others + tilt) / 3 + spine * SPINE_DEGREE;
}

const LEG_JOINTS: ReadonlySet<LimbJoint> = new Set(['hip', 'knee', 'hipAbduction', 'hipRotation', 'ankle']);
const SPINE_JOINTS = ['lumbar', 'thoracic', 'neck', 'twist', 'sideBend'] as const;

/** Degrees between the least and the most of an angle over a repetition. */
function travel(course: readonly Posed[], read: (posed: Posed) => number): number {
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const posed of course) {
    const degrees = read(posed);
    if (degrees < least) least = degrees;
    if (degrees > most) most = degrees;
  }
  return course.length === 0 ? 0 : most - least;
}

/** 8: counts of effort taken on an in-breath or a held one, of all counts of effort. */
export function breathEffort({ phases, spring }: Rung, like: BasePosition): number {
  const efforts = phases.filter((phase) => phase.effort);
  const all = efforts.reduce((sum, { counts }) => sum + counts, 0);
  // For a lift in prone and a press against a spring the in-breath is the usual one.
  const usual = like === 'prone' || spring !== undefined;
  const holds = breathesThrough(phases);
  const against = efforts.filter(({ breath }) => breath === 'hold' || (breath === 'in' && !usual && !holds));
  return all === 0 ? 0 : against.reduce((sum, { counts }) => sum + counts, 0) / all;
}

/** A hold that breathes on: effort through both breaths without a change of pose. */
const breathesThrough = (phases: readonly Phase[]): boolean =>
  new Set(phases.map(({ pose }) => pose)).size === 1 &&
  phases.some(({ breath }) => breath === 'out') &&
  phases.every(({ effort }) => effort === true);

/** 9: seconds of work on one side at the rung's own dose, and a layer for each phase beyond two. */
export function volumeEffort(rung: Rung, methodCount: number): number {
  const { sets, reps, repsTo = reps, secondsPerCount = methodCount } = rung.dose;
  const rep = rung.phases.reduce((sum, { counts }) => sum + counts, 0) * secondsPerCount;
  const layers = Math.max(0, rung.phases.length - 2);
  const held = heldCounts(rung) * secondsPerCount;
  return Math.log1p((sets * ((reps + repsTo) / 2) * rep) / 60) + LAYER * layers + HELD * Math.log1p(held / 4);
}
const HELD = 0.34;

/** Counts of effort in which nothing moves. */
function heldCounts({ phases, start }: Rung): number {
  let [counts, from] = [0, start];
  for (const { effort, pose, counts: own } of phases) {
    if (effort && pose === from) counts += own;
    from = pose;
  }
  return counts;
}
const LAYER = 0.31;

/**
 * 10: seconds of one repetition spent moving without effort: the slower it returns, the less momentum helps. Coming
 * out of a hold with no joint moving is no lowering.
 */
export function returningEffort(rung: Rung, course: readonly Posed[], methodCount: number): number {
  let counts = 0;
  rung.phases.forEach((phase, i) => {
    const [from, to] = [course[i], course[i + 1]];
    if (!phase.effort && from && to && !sameAngles(from.angles, to.angles)) counts += phase.counts;
  });
  return Math.log1p((counts * (rung.dose.secondsPerCount ?? methodCount)) / 4);
}
