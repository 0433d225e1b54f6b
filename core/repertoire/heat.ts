import {
  armBears,
  bears,
  headBears,
  LIMB_JOINTS,
  type LimbJoint,
  type Load,
  legBears,
  NO_LOAD,
  type Point,
  type Pose,
  type Posed,
  peakLoad,
  pelvisBears,
  posedAs,
  ribsBear,
  SIDES,
  type Side,
  sameAngles,
} from '../body';
import type { BasePosition } from '../body/position';
import { HEAT_WEIGHTS } from '../method/figures';
import type { Method } from '../method/method';
import type { Phase, Prop, Rung } from './exercise';
import { feltLever, weigh } from './feltLever';

export type HeatFactor = keyof typeof HEAT_WEIGHTS;
export type HeatFactors = Record<HeatFactor, number>;
const FACTORS = Object.keys(HEAT_WEIGHTS) as HeatFactor[];

export interface RungMeasures {
  /** Difficulty, 0 to 100: the director's override, or the sum of the factors. */
  readonly heat: number;
  /** What each factor adds to the computed heat. */
  readonly factors: HeatFactors;
  /** Peak over the poses, N·m. */
  readonly load: Load;
}

/** Rises strictly from 0 towards 1; `half` is where it passes one half. Strict rise keeps heat monotone everywhere. */
const towardsOne = (value: number, half: number): number => value / (value + half);

/**
 * Heat of a rung: each factor is a share from 0 to 1, times its weight in the method, and heat is their sum.
 * A factor rises with what practitioners call harder and with nothing else (docs/heat.md gives each scale).
 * @param like the position the exercise is drawn and measured as
 * @param props those of the rung, for their stability
 * @param guided whether something beside the body shows every sway (`isGuided`)
 */
export function measureRung(
  rung: Rung,
  like: BasePosition,
  method: Method,
  props: readonly Prop[],
  guided = false,
): RungMeasures {
  const poses = new Map(
    Object.entries(rung.poses).map(([id, pose]) => [id, weigh(posedAs(pose, like, method.bodyHeightM), method)]),
  );
  // One repetition as it is done: the start, then what each phase arrives at.
  const course = [rung.start, ...rung.phases.map(({ pose }) => pose)].flatMap((id) => poses.get(id)?.posed ?? []);

  const shares: HeatFactors = {
    // 1: the worst lever of the repetition.
    lever: towardsOne(feltLever(rung, poses, like, method), 45),
    limbs: limbsShare(course, like),
    support: supportShare(course, steadying(props, rung.phases), like, guided),
    head: Math.max(0, ...course.map((each) => headShare(each))),
    weight: weightShare(course, rung.phases),
    range: towardsOne(rangeOf(course), 160),
    angle: Math.max(0, ...course.map(({ pose }) => angleShare(pose, like))),
    breath: breathShare(rung.phases),
    volume: volumeShare(rung, method.secondsPerCount),
    control: towardsOne(returningSeconds(rung, course, method.secondsPerCount), 6),
  };
  const factors = { ...shares };
  let computed = 0;
  for (const factor of FACTORS) {
    factors[factor] = shares[factor] * method.heatWeights[factor];
    computed += factors[factor];
  }
  const load = [...poses.values()].reduce((most, each) => peakLoad(most, each.load), NO_LOAD);
  return { heat: rung.heatOverride?.heat ?? Math.min(100, computed), factors, load };
}

/** 2: limbs in the air at once, and limbs that move, half as much each. */
function limbsShare(course: readonly Posed[], like: BasePosition): number {
  const aloft = Math.max(0, ...course.map((posed) => limbsAloft(posed, like)));
  return towardsOne(aloft + 0.5 * movingLimbs(course), 3);
}

/** An arm hanging or lying along the trunk works no more than one that rests. */
const ARM_AT_REST = 20;

function limbsAloft({ pose, angles }: Posed, like: BasePosition): number {
  const upright = like === 'standing' || like === 'kneeling';
  const legs = SIDES.filter((side) => !legBears(pose, side)).length;
  // Seated, a leg that lies on the floor is often left unsaid; upright, both feet must bear.
  const arms = SIDES.filter(
    (side) =>
      !armBears(pose, side) &&
      (Math.abs(angles.shoulder[side]) > ARM_AT_REST || Math.abs(angles.shoulderAbduction[side]) > ARM_AT_REST),
  ).length;
  return (upright ? Math.min(legs, 1) : legs) + 0.5 * arms;
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

/** How much each supported part steadies the body. */
const STEADY = { pelvis: 3, ribs: 3, head: 0.5, foot: 1, knee: 1, shin: 1, forearm: 1.4, hand: 1 } as const;
/** Feet are made to stand on: upright they steady far more than the toes of a plank. */
const STANDING_FOOT = 2.4;

/** A prop that is squeezed is held and not stood on: of the unstable ones, it unsteadies nothing. */
function steadying(props: readonly Prop[], phases: readonly Phase[]): readonly Prop[] {
  if (!phases.some(({ squeeze }) => squeeze)) return props;
  const held = props.findIndex(({ unstable }) => unstable);
  return props.filter((_prop, i) => i !== held);
}

/** What forbids a sway takes away as much base as this much of an unstable prop. */
const GUIDE = 0.5;

/** 3: the smallest base of any pose; a wider stance steadies, an unstable prop unsteadies, a guide forbids the sway. */
function supportShare(course: readonly Posed[], props: readonly Prop[], like: BasePosition, guided: boolean): number {
  const base = Math.min(...course.map((posed) => baseOf(posed, like === 'standing' ? STANDING_FOOT : STEADY.foot)));
  const unstable = props.filter((prop) => prop.unstable).length;
  return towardsOne(3.5 / Math.max(base, 0.5) + unstable + (guided ? GUIDE : 0), 1.8);
}

function baseOf({ pose, angles: { hipAbduction } }: Posed, foot: number): number {
  let base =
    (pelvisBears(pose) ? STEADY.pelvis : 0) + (ribsBear(pose) ? STEADY.ribs : 0) + (headBears(pose) ? STEADY.head : 0);
  for (const side of SIDES) {
    if (bears(pose, 'feet', side) || bears(pose, 'heels', side) || bears(pose, 'toes', side)) base += foot;
    if (bears(pose, 'knees', side) || bears(pose, 'thighs', side)) base += STEADY.knee;
    if (bears(pose, 'shins', side)) base += STEADY.shin;
    if (bears(pose, 'forearms', side) || bears(pose, 'elbows', side)) base += STEADY.forearm;
    else if (bears(pose, 'hands', side)) base += STEADY.hand;
    if (legBears(pose, side)) base += Math.max(0, hipAbduction[side]) / 60;
  }
  return base;
}

/** A wrist nearer to the middle of the head than this many times the head's distance from the shoulders holds it. */
const HAND_ON_HEAD = 1.9;

/**
 * 4: head and chest held up, more as the chest follows; a hand behind the head takes most of the neck's work, but not
 * in prone, where it hangs from the arms' own weight.
 */
function headShare({ pose, like, angles, bones }: Posed): number {
  const lying = like === 'supine' || like === 'prone' || like === 'side-lying';
  if (!lying || headBears(pose) || armsBearTheChest(pose, like)) return 0;
  const held = SIDES.filter((side) => {
    const { end } = bones.arm[side];
    const near = distance(end, bones.head) < HAND_ON_HEAD * distance(bones.head, bones.shoulder);
    return like !== 'prone' && near && angles.elbow[side] > 60;
  }).length;
  const chest = ribsBear(pose) ? 0.3 : 0.45;
  return chest + 0.275 * (2 - held);
}

const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

/** On forearms or hands in prone the arms carry the chest: the head is not held up against its weight. */
const armsBearTheChest = (pose: Pose, like: BasePosition): boolean =>
  like !== 'supine' && SIDES.some((side) => armBears(pose, side));

/** 5: kilograms held, and phases that squeeze. */
function weightShare(course: readonly Posed[], phases: readonly Phase[]): number {
  const kg = Math.max(
    0,
    ...course.map(({ pose }) => Object.values(pose.weights ?? {}).reduce((sum, each) => sum + (each ?? 0), 0)),
  );
  const squeezed = phases.some((phase) => phase.squeeze) ? 1.5 : 0;
  return towardsOne(kg + squeezed, 4);
}

/** A degree of the spine is worth this many of a limb's, and a joint of a limb that bears throughout this share. */
const SPINE_DEGREE = 2;
const BEARING_DEGREE = 0.25;

/**
 * 6: degrees travelled over one repetition: the most moved joint of a limb, a third of its others, and the spine's
 * own travel, which counts double; a limb that bears throughout follows more than it moves.
 */
function rangeOf(course: readonly Posed[]): number {
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

/** 7: how near the floor's angle a propped body is: wall, then bench, then floor. */
function angleShare(pose: Pose, like: BasePosition): number {
  if (like !== 'plank' && like !== 'four-point') return 0;
  const pitch = Math.min(90, Math.abs(pose.pitch ?? 0));
  return Math.cos((pitch * Math.PI) / 180) * (like === 'plank' ? 1 : 0.5);
}

/** 8: counts of effort taken on an in-breath or a held one, of all counts of effort. */
function breathShare(phases: readonly Phase[]): number {
  const efforts = phases.filter((phase) => phase.effort);
  const all = efforts.reduce((sum, { counts }) => sum + counts, 0);
  const against = efforts.filter(({ breath }) => breath === 'in' || breath === 'hold');
  return all === 0 ? 0 : against.reduce((sum, { counts }) => sum + counts, 0) / all;
}

/** 9: seconds of work on one side at the rung's own dose, and a layer for each phase beyond two. */
function volumeShare(rung: Rung, methodCount: number): number {
  const { sets, reps, secondsPerCount = methodCount } = rung.dose;
  const rep = rung.phases.reduce((sum, { counts }) => sum + counts, 0) * secondsPerCount;
  const layers = Math.max(0, rung.phases.length - 2);
  return towardsOne(sets * reps * rep + 12 * layers, 90);
}

/**
 * 10: seconds of one repetition spent moving without effort: the slower it returns, the less momentum helps. Coming
 * out of a hold with no joint moving is no lowering.
 */
function returningSeconds(rung: Rung, course: readonly Posed[], methodCount: number): number {
  let counts = 0;
  rung.phases.forEach((phase, i) => {
    const [from, to] = [course[i], course[i + 1]];
    if (!phase.effort && from && to && !sameAngles(from.angles, to.angles)) counts += phase.counts;
  });
  return counts * (rung.dose.secondsPerCount ?? methodCount);
}
