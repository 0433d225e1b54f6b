import {
  type Angles,
  armBears,
  armReach,
  bears,
  bentArms,
  bentLegs,
  feltLegs,
  GRAVITY,
  holdsHead,
  isPropped,
  type Load,
  legBears,
  loadOf,
  MASS,
  moveBetween,
  NO_LOAD,
  type Posed,
  peakLoad,
  pelvisBears,
  posedWith,
  type ReferenceBody,
  ribsBear,
  SIDES,
  type Side,
  tipping,
} from '../../body';
import type { BasePosition } from '../../body/position';
import {
  bearsOnHands,
  isOnAllFours,
  isSeated,
  isTall,
  isUpright,
  liesOnFront,
  liesOnSide,
} from '../../vocabulary/bodies/position';
import type { Rung } from '../exercise';

/** A pose of a rung worked out, with its load. */
export interface Weighed {
  readonly posed: Posed;
  readonly load: Load;
}

/**
 * How much of a moment is felt, by what holds it and in what shape: heat of one newton metre. The belly wall feels most
 * of what it holds; the back, the seat and a hip that lifts one leg are made for it; upright, posture carries much.
 */
const FELT = {
  /** Both legs in the air, lying on the back or balanced on the pelvis. */
  legsBoth: 0.42,
  /** What one leg does beyond the other, the other down or not. */
  legsOne: 0.36,
  legsUpright: 0.24,
  /** A leg lifted off a body that is held up by its other limbs. */
  legsPropped: 0.17,
  legsOnSide: 0.21,
  legsOnFront: 0.16,
  curl: 0.066,
  curlOnFront: 0.07,
  curlOnSide: 0.063,
  sitBack: 0.091,
  sitForward: 0.0082,
  leanBack: 0.04,
  leanForward: 0.063,
  plank: 0.33,
  allFours: 0.22,
  /** Lying on the back, the pelvis up: between shoulders and feet, or legs rolled over and hanging from the shoulders. */
  bridge: 0.27,
  sideProp: 0.52,
  arms: 0.054,
  bentLegs: 0.09,
  bentArms: 0.31,
} as const;
type FeltPart = keyof typeof FELT;

/** What is held up at one moment, each part in N·m. */
export type Felt = ReadonlyArray<readonly [FeltPart, number]>;

/** Heat of what is held up at one moment. */
export const heatOfFelt = (felt: Felt): number => felt.reduce((sum, [part, moment]) => sum + FELT[part] * moment, 0);

/** What a repetition holds up: in each of its poses, and as a leg leaves what it rested on or comes down to it. */
export interface FeltCourse {
  /** At the start, then as each phase arrives. */
  readonly poses: readonly Felt[];
  /** Within each phase, as a leg leaves or lands; empty where none does. */
  readonly leaving: readonly (readonly Felt[])[];
}

/**
 * What one repetition holds up as it is felt. A leg counts the most it has weighed as it left the floor, a chest as it
 * peeled off it, an arm as it passed level, so that going further is never the easier.
 * @param course the start and where each phase arrives, one more than there are phases
 */
export function feltCourse(
  rung: Rung,
  course: readonly Weighed[],
  like: BasePosition,
  body: ReferenceBody,
): FeltCourse {
  const carried = springCarries(rung, body);
  const others = new Map<Weighed, Felt>();
  const othersOf = (weighed: Weighed): Felt => {
    const known = others.get(weighed) ?? trunkAndArms(weighed, like, body);
    others.set(weighed, known);
    return known;
  };
  const held = (raised: Posed, weighed: Weighed): Felt => {
    const { both, one } = feltLegs(raised, body);
    const part = legsPart(weighed.posed, like);
    const legs: Felt = part
      ? [[part, (both + one) * (1 - carried)]]
      : [
          ['legsBoth', outOfProportion(both * (1 - carried))],
          ['legsOne', one * (1 - carried)],
        ];
    return [...legs, ...othersOf(weighed)];
  };
  const inPose = new Map<Weighed, Felt>();
  const poses = course.map((weighed) => {
    const known = inPose.get(weighed) ?? held(weighed.posed, weighed);
    inPose.set(weighed, known);
    return known;
  });
  // There and back is the same way.
  const leftAlready = new Map<Weighed, Map<Weighed, readonly Felt[]>>();
  const leaving = rung.phases.map((_phase, i) => {
    const [from, to] = [course[i], course[i + 1]];
    if (!from || !to || !leavesOrLands(from.posed, to.posed)) return [];
    const back = leftAlready.get(to)?.get(from);
    if (back) return back;
    const left = [from, to].map((end) => held(asItLeaves(from.posed, to.posed, end.posed, like, body), end));
    leftAlready.set(from, new Map(leftAlready.get(from)).set(to, left));
    return left;
  });
  return { poses, leaving };
}

/** The longer the lever of both legs, the less the belly wall has left: felt more than in proportion, as 60 N·m are. */
const outOfProportion = (moment: number): number => 60 * (moment / 60) ** 1.25;

/** The most that is felt at any moment of a repetition, as heat. */
export const worstFelt = ({ poses, leaving }: FeltCourse): number =>
  Math.max(0, ...poses.map(heatOfFelt), ...leaving.flat().map(heatOfFelt));

/** What is felt all through a repetition and never let go, as heat: where it is never put down it tires more. */
export const leastFelt = ({ poses }: FeltCourse): number =>
  poses.length === 0 ? 0 : Math.min(...poses.map(heatOfFelt));

/** Both legs, as a share of the body's mass. */
const LEGS_SHARE = 2 * (MASS.thigh + MASS.shank + MASS.foot);

/** The share of the legs' weight that a spring takes where it carries them. */
const springCarries = ({ spring }: Rung, { bodyMassKg }: ReferenceBody): number =>
  spring?.does === 'carry' ? Math.min(1, spring.newtons / GRAVITY / (LEGS_SHARE * bodyMassKg)) : 0;

/** Whether a leg that bears at one end of a move does not at the other. */
const leavesOrLands = (from: Posed, to: Posed): boolean =>
  SIDES.some((side) => legBears(from.pose, side) !== legBears(to.pose, side));

function trunkAndArms(weighed: Weighed, like: BasePosition, body: ReferenceBody): Felt {
  const around: Felt = [
    ['arms', armReach(weighed.posed, body)],
    ['bentLegs', bentLegs(weighed.posed, body)],
    ['bentArms', bentArms(weighed.posed, body)],
  ];
  if (isSeated(like)) {
    const tips = tipping(weighed.posed, body);
    return [[tips > 0 ? 'sitForward' : 'sitBack', Math.abs(tips)], ...around];
  }
  const { posed, load } = isUpright(like) ? weighed : headHeld(weighed, like, body);
  const before = onTheWay(posed, like);
  const passed = before ? loadOf(posedWith(posed.pose, before, like, body.bodyHeightM, posed.tilt), body) : NO_LOAD;
  const most = peakLoad(load, passed);
  const moment = (most.curlLever ?? 0) + (most.lumbarMoment ?? 0) * (onForearms(posed) ? ON_FOREARMS : 1);
  return [[trunkPart(posed, most, like), moment], ...around];
}

/** Statics carries a forearm in its middle; a body is felt to hang from the elbow, under the shoulder. */
const ON_FOREARMS = 0.76;
const onForearms = ({ pose, like }: Posed): boolean =>
  isPropped(pose, like) && SIDES.some((side) => bears(pose, 'forearms', side));

function trunkPart({ pose }: Posed, { bellyMoment, backMoment }: Load, like: BasePosition): FeltPart {
  const back = backMoment > bellyMoment;
  const knees = SIDES.some((side) => bears(pose, 'knees', side) || bears(pose, 'shins', side));
  if (isTall(like)) return back ? 'leanForward' : 'leanBack';
  if (bearsOnHands(like)) return isOnAllFours(like) && knees ? 'allFours' : 'plank';
  if (liesOnSide(like)) return pelvisBears(pose) ? 'curlOnSide' : 'sideProp';
  if (liesOnFront(like)) return pelvisBears(pose) ? 'curlOnFront' : 'plank';
  return pelvisBears(pose) ? 'curl' : 'bridge';
}

/** What raised legs are felt as where it is all the same whether one or both are; `null` where it is not. */
function legsPart({ pose }: Posed, like: BasePosition): FeltPart | null {
  if (liesOnSide(like)) return 'legsOnSide';
  if (isTall(like)) return 'legsUpright';
  if (isPropped(pose, like)) return 'legsPropped';
  if (liesOnFront(like)) return 'legsOnFront';
  return isSeated(like) && SIDES.some((side) => armBears(pose, side)) ? 'legsUpright' : null;
}

/**
 * A pose whose hands hold the head, weighed with the arms as if they lay along the trunk: hands behind the head
 * spare the neck more than their longer lever costs, so they are never the harder.
 */
function headHeld(weighed: Weighed, like: BasePosition, body: ReferenceBody): Weighed {
  const { posed } = weighed;
  const { pose, angles } = posed;
  const holding = SIDES.filter((side) => holdsHead(posed, side));
  if (holding.length === 0) return weighed;
  const along = (joint: 'shoulder' | 'elbow' | 'shoulderAbduction', degrees: number) => ({
    left: holding.includes('left') ? degrees : angles[joint].left,
    right: holding.includes('right') ? degrees : angles[joint].right,
  });
  const eased: Angles = {
    ...angles,
    shoulder: along('shoulder', ALONG),
    elbow: along('elbow', 0),
    shoulderAbduction: along('shoulderAbduction', 0),
  };
  return weigh(posedWith(pose, eased, like, body.bodyHeightM, posed.tilt), body);
}
/** Degrees of the shoulder at which an arm lies along the trunk. */
const ALONG = 20;

/**
 * Where the trunk or the arms weighed most on their way to a pose, so that going further is never the easier: a chest
 * lifted from the floor as it left, arms raised overhead as they passed level. `null` where nothing weighed more before.
 */
function onTheWay({ pose, angles }: Posed, like: BasePosition): Angles | null {
  if (!isUpright(like)) {
    return ribsBear(pose) || isPropped(pose, like) ? null : { ...angles, lumbar: 0, thoracic: 0 };
  }
  const level = (side: Side) => Math.min(angles.shoulder[side], 90);
  const passed = { left: level('left'), right: level('right') };
  return passed.left < angles.shoulder.left || passed.right < angles.shoulder.right
    ? { ...angles, shoulder: passed }
    : null;
}

/** The share of a move at which a limb has only just left what it rested on. */
const JUST_OFF = 1e-6;

/** The body at one end of a move, what moves just off the floor; a leg folds before it leaves and unfolds once up. */
function asItLeaves(from: Posed, to: Posed, end: Posed, like: BasePosition, { bodyHeightM }: ReferenceBody): Posed {
  const move = moveBetween(from.pose, to.pose, from.angles, to.angles);
  const { pose, angles } = move.writtenAt(end === from ? JUST_OFF : 1 - JUST_OFF);
  const moreBent = (side: Side) => Math.max(from.angles.knee[side], to.angles.knee[side]);
  return posedWith(
    pose,
    { ...angles, knee: { left: moreBent('left'), right: moreBent('right') } },
    like,
    bodyHeightM,
    end.tilt,
  );
}

/** A pose worked out and weighed. */
export const weigh = (posed: Posed, body: ReferenceBody): Weighed => ({ posed, load: loadOf(posed, body) });
