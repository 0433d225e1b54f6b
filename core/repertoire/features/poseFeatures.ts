import {
  armBears,
  bears,
  bothLegs,
  dot,
  handOf,
  headBears,
  holdsHead,
  isPropped,
  legBears,
  type Point,
  type Posed,
  pelvisBears,
  raisedLegs,
  ribsBear,
  SIDES,
  type Side,
} from '../../body';
import type { Measuring } from '../../method/method';
import type { PeakFeature, TimeFeature } from '../../vocabulary/bodies/features';
import {
  isLying,
  isSeated,
  isStanding,
  liesOnBack,
  liesOnFront,
  liesOnSide,
  shinsBear,
} from '../../vocabulary/bodies/position';
import type { Moment } from '../measuring/course';

/** What features are read with, beside the poses. */
export interface Reading {
  readonly method: Measuring;
  /** Supports that lie on a prop that raises them, as two sides. */
  readonly raised: ReadonlySet<string>;
}

/** The features of one pose that stand by themselves; those of a whole repetition are left out. */
export function peaksOf(posed: Posed, { method: body, raised }: Reading): Partial<Record<PeakFeature, number>> {
  const { pose, like, angles, bones, ground } = posed;
  const flexion = angles.lumbar + angles.thoracic;
  const most = (read: (side: Side) => number) => Math.max(0, read('left'), read('right'));
  const tilt = headDown(posed);
  const onShoulders = ribsBear(pose) && !pelvisBears(pose) && liesOnBack(like);
  const legs = raisedLegs(posed, body);
  return {
    loadedFlexion: carriesItself(posed) ? flexion : 0,
    extension: -flexion,
    rotation: Math.abs(angles.twist),
    sideBend: Math.abs(angles.sideBend),
    // Standing, and one leg lifted lying on a side, it is the hip that works and not the low back.
    legLever: isStanding(like) || (liesOnSide(like) && legsBear(pose)) ? 0 : legs,
    doubleLegLever: legsBear(pose) || isPropped(pose, like) ? 0 : bothLegs(posed, body),
    inversion: tilt,
    neckWeight: onShoulders ? (legsBear(pose) ? tilt : Math.max(tilt, pelvisOver(posed))) : 0,
    hipFlexion: most((side) => angles.hip[side]),
    hipAcross: most((side) => -angles.hipAbduction[side]),
    hipTurnedIn: most((side) => -angles.hipRotation[side]),
    straddle: most((side) => angles.hipAbduction[side]),
    kneeBend: most((side) => (weightOnKnee(posed, side) ? angles.knee[side] : 0)),
    // A bent knee lets the hamstrings off degree for degree; a round back reaches no further from the hip.
    hamstrings: most((side) => angles.hip[side] - angles.knee[side]),
    anklePointed: most((side) =>
      pointedUnderWeight(posed, side, raised) ? (pose.ankle ? angles.ankle[side] : 75) : 0,
    ),
    ankleBent:
      isStanding(like) && !pelvisBears(pose)
        ? most((side) => (legBears(pose, side) ? leanOf(bones.leg[side].middle, bones.leg[side].end, ground.up) : 0))
        : 0,
    // The long arm under the head of somebody who lies on a side carries nothing and is raised by nobody.
    armOverhead: most((side) =>
      liesOnSide(like) && side === LAIN_ON && (headBears(pose) || ribsBear(pose))
        ? 0
        : Math.max(angles.shoulder[side], angles.shoulderAbduction[side]),
    ),
    barGrip: SIDES.some((side) => pose.holds?.[handOf(side)] === 'bar') ? 1 : 0,
    handLoad: (pose.weights?.['hand.left'] ?? 0) + (pose.weights?.['hand.right'] ?? 0),
  };
}

/** Whether the spine holds its own weight up: not lying at rest on head and ribs, nor hanging between them and the feet. */
const carriesItself = ({ pose }: Posed): boolean =>
  !(ribsBear(pose) && headBears(pose) && (pelvisBears(pose) || legsBear(pose)));

/** Degrees the trunk slopes down from hips to shoulders; 0 when it rises. */
const headDown = ({ bones, ground }: Posed): number => fall(bones.hip, bones.shoulder, ground.up);

/** Degrees the pelvis itself is tipped over: a round back hides it from the line to the shoulders. */
const pelvisOver = ({ bones, ground }: Posed): number => fall(bones.hip, bones.lumbar, ground.up);

/** Degrees the way from one point to another falls; 0 when it rises. */
function fall(from: Point, to: Point, up: Point): number {
  const drop = dot(from, up) - dot(to, up);
  const length = Math.hypot(from.x - to.x, from.y - to.y, from.z - to.z);
  return Math.max(0, (Math.asin(Math.min(1, drop / length)) * 180) / Math.PI);
}

/** Degrees a limb leans from upright. */
function leanOf(top: Point, bottom: Point, up: Point): number {
  const line = { x: top.x - bottom.x, y: top.y - bottom.y, z: top.z - bottom.z };
  return (Math.acos(Math.min(1, Math.abs(dot(line, up)) / Math.hypot(line.x, line.y, line.z))) * 180) / Math.PI;
}

/** Degrees from level at which the head points: 90 upright, −90 upside down. */
export function headElevation({ bones, ground }: Posed): number {
  const { head, shoulder } = bones;
  const line = { x: head.x - shoulder.x, y: head.y - shoulder.y, z: head.z - shoulder.z };
  return (
    (Math.asin(Math.max(-1, Math.min(1, dot(line, ground.up) / Math.hypot(line.x, line.y, line.z)))) * 180) / Math.PI
  );
}

/** A body that lies has its knees on the mat, not its weight on its knees. */
const lies = ({ pose, like }: Posed): boolean => isLying(like) && (pelvisBears(pose) || ribsBear(pose));
const onKnee = (posed: Posed, side: Side): boolean =>
  (bears(posed.pose, 'knees', side) || (bears(posed.pose, 'shins', side) && shinsBear(posed.like))) && !lies(posed);
const weightOnKnee = (posed: Posed, side: Side): boolean =>
  onKnee(posed, side) || (isStanding(posed.like) && !pelvisBears(posed.pose) && legBears(posed.pose, side));
/** Something under the ankle or the shin lets the foot hang free. */
const pointedUnderWeight = (posed: Posed, side: Side, raised: ReadonlySet<string>): boolean =>
  onKnee(posed, side) &&
  !bears(posed.pose, 'toes', side) &&
  posed.angles.knee[side] > 100 &&
  !raised.has(`foot.${side}`) &&
  !raised.has(`shin.${side}`);

/** Balanced on the pelvis at one moment and on the shoulders at another: the spine is rolled along. */
export function rolls(bodies: readonly Posed[]): boolean {
  const onPelvis = bodies.some(({ pose }) => pelvisBears(pose) && !ribsBear(pose) && !legsBear(pose));
  const onBack = bodies.some(({ pose }) => ribsBear(pose) && !pelvisBears(pose) && !legsBear(pose));
  return onPelvis && onBack;
}
/** Whether a leg bears at all. */
const legsBear = (pose: Posed['pose']): boolean => SIDES.some((side) => legBears(pose, side));

const handsCarry = ({ pose, like }: Posed): boolean =>
  !isSeated(like) && !(liesOnBack(like) && ribsBear(pose)) && !(liesOnFront(like) && ribsBear(pose));

/** Poses on a side are drawn lying on this one. */
const LAIN_ON: Side = 'left';

/** A hand beside a body that lies on ribs, forearm or the other hand only steadies it. */
const onlySteadies = ({ pose, like }: Posed, side: Side): boolean =>
  liesOnSide(like) &&
  pelvisBears(pose) &&
  (ribsBear(pose) || headBears(pose) || armBears(pose, side === 'left' ? 'right' : 'left'));

/** Whether the hands hold the head: then it counts half. */
export const headInHands = ({ posed }: Moment): boolean => SIDES.some((side) => holdsHead(posed, side));

/** When each time feature holds. */
export const holds: Record<TimeFeature, (moment: Moment, reading: Reading) => boolean> = {
  // A phase that lays the head down lets it go.
  headLifted: ({ posed: { pose, like }, arrives }) =>
    isLying(like) &&
    !headBears(pose) &&
    !headBears(arrives) &&
    !(!liesOnBack(like) && SIDES.some((side) => armBears(pose, side))) &&
    pelvisBears(pose),
  pronePressure: ({ posed: { pose, like } }) => liesOnFront(like) && (pelvisBears(pose) || ribsBear(pose)),
  flatOnBack: ({ posed: { pose, like, angles } }) =>
    liesOnBack(like) && ribsBear(pose) && pelvisBears(pose) && Math.abs(angles.pitch) < 15,
  extendedWrists: ({ posed }, { raised }) =>
    handsCarry(posed) && SIDES.some((side) => onBentWrist(posed, side, raised) && !onlySteadies(posed, side)),
  armsBearing: ({ posed }) =>
    handsCarry(posed) && SIDES.some((side) => armBears(posed.pose, side) && !onlySteadies(posed, side)),
  kneeling: ({ posed }) => SIDES.some((side) => onKnee(posed, side)),
  oneFoot: ({ posed: { pose, like } }) =>
    isStanding(like) &&
    SIDES.filter((side) => legBears(pose, side)).length === 1 &&
    !SIDES.some((side) => armBears(pose, side)),
  longHold: ({ still, phase, load }) =>
    still && phase.effort === true && (load.legLever ?? 0) + (load.curlLever ?? 0) + (load.lumbarMoment ?? 0) > 0,
  longDoubleLever: ({ posed }, { method }) =>
    pelvisBears(posed.pose) &&
    !SIDES.some((side) => legBears(posed.pose, side)) &&
    bothLegs(posed, method) > method.limits.longDoubleLever,
  breathHeld: ({ phase }) => phase.breath === 'hold' && phase.effort === true,
};

/**
 * Weight on a flat hand. A fist, a handle, a raised mat or the forearm keeps the wrist straight, and a hand that holds
 * a leg bears nothing.
 */
const onBentWrist = ({ pose }: Posed, side: Side, raised: ReadonlySet<string>): boolean => {
  const held = pose.holds?.[handOf(side)];
  return (
    bears(pose, 'hands', side) &&
    !bears(pose, 'forearms', side) &&
    !bears(pose, 'fists', side) &&
    !raised.has(`hand.${side}`) &&
    (held === undefined || held === 'floor')
  );
};
