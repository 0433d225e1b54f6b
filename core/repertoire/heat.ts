import {
  armBears,
  bears,
  headBears,
  holdsHead,
  LIMB_JOINTS,
  type LimbJoint,
  type Load,
  legBears,
  loadOf,
  NO_LOAD,
  type Pose,
  type Posed,
  peakLoad,
  pelvisBears,
  ribsBear,
  SIDES,
  type Side,
  sameAngles,
} from '../body';
import type { BasePosition } from '../body/position';
import type { Method } from '../method/method';
import { allMoments, type Course, heaviestLoad } from './course';
import type { Phase, Prop, Rung } from './exercise';
import { feltLever, weigh } from './feltLever';

/** What makes a rung harder, in the order of docs/heat.md, each with its words. */
export const HEAT_FACTOR_WORDS = {
  lever: 'Longer lever',
  limbs: 'Limbs unsupported or moving',
  support: 'Smaller or less stable support',
  head: 'Head and chest lifted',
  weight: 'Held weight, squeeze or spring',
  range: 'Larger range',
  angle: 'Flatter body angle',
  breath: 'Effort against the breath',
  volume: 'Reps, holds and layers',
  control: 'Slow lowering, a limb off the middle line',
  mobility: 'Mobility asked for',
} as const;
export type HeatFactor = keyof typeof HEAT_FACTOR_WORDS;
export type HeatFactors = Record<HeatFactor, number>;
export const HEAT_FACTORS = Object.keys(HEAT_FACTOR_WORDS) as HeatFactor[];

export interface RungMeasures {
  /** Difficulty, 0 to 100: the director's override, or the computed one. */
  readonly heat: number;
  /** What each factor adds to the computed heat; they sum to it. */
  readonly factors: HeatFactors;
  /** Peak over all that is reached, way in and out too, N·m. */
  readonly load: Load;
}

/** What a rung is measured with, beside itself. */
export interface HeatCircumstances {
  /** The position the exercise is drawn and measured as. */
  readonly like: BasePosition;
  readonly method: Method;
  /** Those of the rung, for their stability. */
  readonly props: readonly Prop[];
  /** Whether something beside the body shows every sway (`isGuided`). */
  readonly guided: boolean;
}

/** Heat of one unit of each factor's effort (docs/heat.md, "Weights"). */
const WEIGHTS: HeatFactors = {
  lever: 4.45,
  limbs: 1.75,
  support: 4,
  head: 11.2,
  weight: 4,
  range: 1.5,
  angle: 3,
  breath: 6,
  volume: 7.6,
  control: 9,
  mobility: 2.6,
};

/** Up to here heat is the plain sum of efforts; beyond, it nears 100 and never reaches it. */
const STRAIGHT_TO = 84;

/** The shape of the sum: straight, then bent without a corner, so that no dial ever stops moving heat. */
export const shapeOf = (sum: number): number =>
  sum <= STRAIGHT_TO ? sum : 100 - (100 - STRAIGHT_TO) * Math.exp(-(sum - STRAIGHT_TO) / (100 - STRAIGHT_TO));

/**
 * Heat of a rung: every factor has an effort that rises without an end, and heat is the shape of their weighted sum.
 * A factor rises with what practitioners call harder and with nothing else (docs/heat.md gives each scale).
 * @param course the rung as it passes; entry and exit count for the load alone
 */
export function measureRung(rung: Rung, circumstances: HeatCircumstances, course: Course): RungMeasures {
  const efforts = effortsOf(rung, circumstances, course);
  const factors = { ...efforts };
  let sum = 0;
  for (const factor of HEAT_FACTORS) {
    factors[factor] = efforts[factor] * WEIGHTS[factor];
    sum += factors[factor];
  }
  const computed = shapeOf(sum);
  const share = sum === 0 ? 0 : computed / sum;
  for (const factor of HEAT_FACTORS) factors[factor] *= share;
  const load = peakLoad(
    heaviestLoad(allMoments(course)),
    course.start ? loadOf(course.start, circumstances.method) : NO_LOAD,
  );
  return { heat: rung.heatOverride?.heat ?? computed, factors, load };
}

/** Effort of each factor, from 0 without an end. */
function effortsOf(rung: Rung, { like, method, props, guided }: HeatCircumstances, { bodies }: Course): HeatFactors {
  const reached = [rung.start, ...rung.phases.map(({ pose }) => pose)];
  const poses = new Map(
    reached.flatMap((id) => {
      const pose = rung.poses[id];
      const posed = pose && bodies.get(pose);
      return posed ? [[id, weigh(posed, method)] as const] : [];
    }),
  );
  // One repetition as it is done: the start, then what each phase arrives at.
  const course = reached.flatMap((id) => poses.get(id)?.posed ?? []);
  return {
    lever: leverEffort(feltLever(rung, poses, like, method)),
    limbs: limbsEffort(course, like),
    support: supportEffort(course, steadying(props, rung), like, guided),
    head: Math.max(0, ...course.map((each) => headEffort(each))),
    weight: weightEffort(course, rung),
    range: rangeOf(course) / 100,
    angle: Math.max(0, ...course.map(({ pose }) => angleEffort(pose, like))),
    breath: breathEffort(rung, like),
    volume: volumeEffort(rung, method.secondsPerCount),
    control: returningEffort(rung, course, method.secondsPerCount) + offMiddle(course, like),
    mobility: Math.max(0, ...course.map((each) => mobilityEffort(each, rung))),
  };
}

/** 1: the worst lever of the repetition, in tens of N·m; a little less than in proportion, as it is felt. */
const leverEffort = (newtonMetres: number): number => (newtonMetres / 10) ** LEVER_POWER;
const LEVER_POWER = 0.97;

/** What an arm in the air counts against a leg, and what a limb that moves counts beside one that is held. */
const ARM_ALOFT = 0.16;
const MOVING = 0.23;

/** 2: limbs in the air at once, and limbs that move, less each. */
function limbsEffort(course: readonly Posed[], like: BasePosition): number {
  const aloft = Math.max(0, ...course.map((posed) => limbsAloft(posed, like)));
  return aloft + MOVING * movingLimbs(course);
}

/** With no foot down nothing steadies the pelvis: the second leg costs more than the first. */
const BOTH_LEGS = 5;

/** An arm hanging or lying along the trunk works no more than one that rests. */
const ARM_AT_REST = 20;

function limbsAloft(posed: Posed, like: BasePosition): number {
  const { pose, angles } = posed;
  const upright = like === 'standing' || like === 'kneeling';
  const legs = SIDES.filter((side) => !legBears(pose, side)).length;
  const bothLegs = legs === 2 && !upright ? BOTH_LEGS : 0;
  // Seated, a leg that lies on the floor is often left unsaid; upright, both feet must bear.
  const arms = SIDES.filter(
    (side) =>
      !armBears(pose, side) &&
      !holdsHead(posed, side) &&
      (Math.abs(angles.shoulder[side]) > ARM_AT_REST || Math.abs(angles.shoulderAbduction[side]) > ARM_AT_REST),
  ).length;
  return (upright ? Math.min(legs, 1) : legs) + bothLegs + ARM_ALOFT * arms;
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

/** A prop that is squeezed or lies under the head is not stood on: it unsteadies nothing. */
function steadying(props: readonly Prop[], { phases, on }: Rung): readonly Prop[] {
  const under = props.filter(({ id }) => on?.head !== id);
  if (!phases.some(({ squeeze }) => squeeze)) return under;
  const held = under.findIndex(({ unstable }) => unstable);
  return under.filter((_prop, i) => i !== held);
}

/** What an unstable prop takes away of the base, and once more for all that the base lacks. */
const UNSTEADY = 0.52;
/** What forbids a sway takes away as much base as this much of an unstable prop. */
const GUIDE = 0.65;

/**
 * 3: what the smallest base of any pose lacks; a wider stance steadies, an unstable prop unsteadies the more the less
 * of the body rests beside it, a guide forbids the sway.
 */
function supportEffort(course: readonly Posed[], props: readonly Prop[], like: BasePosition, guided: boolean): number {
  const base = Math.min(...course.map((posed) => baseOf(posed, like === 'standing' ? STANDING_FOOT : STEADY.foot)));
  const unstable = props.filter((prop) => prop.unstable).length;
  const smallness = 3.5 / Math.max(base, 0.5);
  return smallness + unstable * UNSTEADY * (1 + smallness) + (guided ? GUIDE : 0);
}

function baseOf({ pose, angles: { hipAbduction } }: Posed, foot: number): number {
  let base =
    (pelvisBears(pose) ? STEADY.pelvis : 0) + (ribsBear(pose) ? STEADY.ribs : 0) + (headBears(pose) ? STEADY.head : 0);
  for (const side of SIDES) {
    if (bears(pose, 'feet', side) || bears(pose, 'heels', side) || bears(pose, 'toes', side)) base += foot;
    if (bears(pose, 'knees', side) || bears(pose, 'thighs', side)) base += STEADY.knee;
    if (bears(pose, 'shins', side)) base += STEADY.shin;
    if (bears(pose, 'forearms', side) || bears(pose, 'elbows', side)) base += STEADY.forearm;
    else if (bears(pose, 'hands', side) || bears(pose, 'fists', side)) base += STEADY.hand;
    if (legBears(pose, side)) base += Math.max(0, hipAbduction[side]) / 60;
  }
  return base;
}

/**
 * 4: head and chest held up, more as the chest follows; a hand behind the head takes most of the neck's work, but not
 * in prone, where it hangs from the arms' own weight and where the back lifts the chest, which it is made for.
 */
function headEffort(posed: Posed): number {
  const { pose, like } = posed;
  const lying = like === 'supine' || like === 'prone' || like === 'side-lying';
  if (!lying || headBears(pose) || armsBearTheChest(pose, like)) return 0;
  const free = like === 'prone' ? 2 : 2 - SIDES.filter((side) => holdsHead(posed, side)).length;
  return ((ribsBear(pose) ? 1 : CHEST_UP) + HAND_FREE * free) * (like === 'prone' ? PRONE : 1);
}
/** What the head and a free hand count lying on the front, where the back lifts the chest. */
const PRONE = 0.155;
/** The chest held up with the head, against the head alone. */
const CHEST_UP = 1.07;
const HAND_FREE = 0.085;

/** On forearms or hands in prone the arms carry the chest: the head is not held up against its weight. */
const armsBearTheChest = (pose: Pose, like: BasePosition): boolean =>
  like !== 'supine' && SIDES.some((side) => armBears(pose, side));

/** Newtons of a spring at which one that carries the body makes nothing harder any more. */
const CARRIED = 200;
/** Newtons of a kilogram. */
const GRAVITY = 9.81;

/** 5: kilograms held, phases that squeeze, and a spring: harder with more where it resists, with less where it carries. */
function weightEffort(course: readonly Posed[], { phases, spring }: Rung): number {
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
function angleEffort(pose: Pose, like: BasePosition): number {
  if (like !== 'plank' && like !== 'four-point') return 0;
  const pitch = Math.min(90, Math.abs(pose.pitch ?? 0));
  return Math.cos((pitch * Math.PI) / 180) * (like === 'plank' ? 1 : 0.5);
}

/** 8: counts of effort taken on an in-breath or a held one, of all counts of effort. */
function breathEffort({ phases, spring }: Rung, like: BasePosition): number {
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
function volumeEffort(rung: Rung, methodCount: number): number {
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
function returningEffort(rung: Rung, course: readonly Posed[], methodCount: number): number {
  let counts = 0;
  rung.phases.forEach((phase, i) => {
    const [from, to] = [course[i], course[i + 1]];
    if (!phase.effort && from && to && !sameAngles(from.angles, to.angles)) counts += phase.counts;
  });
  return Math.log1p((counts * (rung.dose.secondsPerCount ?? methodCount)) / 4);
}

/** Degrees by which a leg leaves the middle line for one unit of effort. */
const OFF_MIDDLE = 110;

/** 12: a leg in the air that leaves the middle line while the pelvis stays. */
function offMiddle(course: readonly Posed[], like: BasePosition): number {
  if (like === 'side-lying') return 0;
  let most = 0;
  for (const { pose, angles } of course) {
    for (const side of SIDES) {
      if (legBears(pose, side)) continue;
      most = Math.max(
        most,
        (Math.abs(angles.hipAbduction[side]) + 0.5 * Math.abs(angles.hipRotation[side])) / OFF_MIDDLE,
      );
    }
  }
  return most;
}

/** 11: long legs under a tall seat, feet pointed under weight, arms overhead: what stiffness makes work of. */
function mobilityEffort({ pose, like, angles }: Posed, { on }: Rung): number {
  let effort = 0;
  const sitsTall = pelvisBears(pose) && !ribsBear(pose);
  const raised = (part: string) => Object.keys(on ?? {}).some((each) => each.startsWith(part));
  for (const side of SIDES) {
    const long = angles.hip[side] - angles.knee[side] + Math.min(0, -angles.lumbar) * 0.5;
    if (sitsTall) effort += over(long - (raised('pelvis') ? 15 : 0), 55) / 2;
    else if (!pelvisBears(pose) || ribsBear(pose)) effort += over(long, 80) / 2;
    const arm = Math.max(angles.shoulder[side], angles.shoulderAbduction[side]);
    effort += over(arm - Math.max(0, -angles.thoracic), 150) / 2;
    const kneels = bears(pose, 'shins', side) || (bears(pose, 'knees', side) && like !== 'four-point');
    if (kneels && angles.knee[side] > 110 && !raised('feet') && !raised('shin')) {
      effort += over(angles.knee[side], 110) / 2;
    }
  }
  return effort;
}

/** Degrees beyond a limit, in thirties. */
const over = (degrees: number, limit: number): number => Math.max(0, degrees - limit) / 30;
