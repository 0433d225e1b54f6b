import { isPropped, isUpright } from './ground';
import { armBears, headBears, JOINT_RANGES, legBears, type Pose, ribsBear, SIDES, type Side } from './pose';
import type { Posed } from './posed';
import { add, between, CENTRE, dot, MASS, type Point, type Skeleton } from './skeleton';

/** Newtons per kilogram. */
const GRAVITY = 9.81;

export interface ReferenceBody {
  readonly bodyMassKg: number;
  readonly bodyHeightM: number;
}

/**
 * A static planar estimate in N·m, for comparing options: no clinical measure. `null` where the idea does not
 * apply: a lying body has levers about its supported trunk, a propped one has a moment between its supports.
 */
export interface Load {
  readonly legLever: number | null;
  readonly curlLever: number | null;
  readonly lumbarMoment: number | null;
}

interface Part {
  readonly kg: number;
  readonly at: Point;
}

/** The load of one pose on the reference body it was posed for (docs/body.md has the derivation and check values). */
export function loadOf(posed: Posed, body: ReferenceBody): Load {
  const { pose, like, angles, bones, ground } = posed;
  const { up, contacts } = ground;
  const upper = upperParts(bones, pose, body);
  if (isPropped(pose, like)) {
    const lower = [pelvisPart(bones, pose, body), ...SIDES.flatMap((side) => legParts(bones, pose, side, body))];
    const axis = trunkLine(bones);
    // Arms that hang from resting ribs, and a head that rests, press on the floor and not on the bridge.
    const bridging = ribsBear(pose) ? upper.slice(0, TRUNK_PARTS) : upper;
    const upperAt = contacts.upper && dot(contacts.upper, axis);
    const lowerAt = contacts.lower && dot(contacts.lower, axis);
    const moment = proppedMoment(bridging, lower, upperAt, lowerAt, axis, bones.lumbar);
    // Only the part of gravity across the trunk line bends it; the part along it is carried end to end.
    return { legLever: null, curlLever: null, lumbarMoment: moment * Math.cos((angles.pitch * Math.PI) / 180) };
  }
  const legLever = raisedLegs(posed, body);
  if (isUpright(like) && like !== 'seated') {
    const lumbarMoment = horizontalMoment(upper, bones.lumbar, up) * handsHelp(pose);
    return { legLever, curlLever: null, lumbarMoment };
  }
  return { legLever, curlLever: curlLeverOf(posed, upper, body), lumbarMoment: null };
}

/** Head, chest and arms held up about the lowest part of the trunk that rests; 0 when the head rests too. */
function curlLeverOf({ pose, bones, ground }: Posed, upper: readonly Part[], body: ReferenceBody): number {
  if (!ribsBear(pose)) return horizontalMoment(upper, bones.lumbar, ground.up) * handsHelp(pose);
  return headBears(pose) ? 0 : horizontalMoment([headPart(bones, pose, body)], bones.shoulder, ground.up);
}

/** The line from hip to shoulder, as a direction: what `pitch` tilts, and what a propped body bends across. */
function trunkLine({ hip, shoulder }: Skeleton): Point {
  const line = add(shoulder, hip, -1);
  const length = Math.hypot(line.x, line.y, line.z);
  return { x: line.x / length, y: line.y / length, z: line.z / length };
}

/** Legs held off the floor, about their hips, whatever else the body rests on: N·m. */
export function raisedLegs({ pose, bones, ground }: Posed, body: ReferenceBody): number {
  return SIDES.filter((side) => !legBears(pose, side)).reduce(
    (sum, side) => sum + horizontalMoment(legParts(bones, pose, side, body), bones.leg[side].root, ground.up),
    0,
  );
}

/** Degrees between the bends of a knee that are tried. */
const BEND = 15;
/** What a straight leg adds, as a share of what its level shank makes about the knee: it pulls on its hamstrings. */
const STRAIGHT = 0.6;

/**
 * Raised legs as they are felt, N·m: a straighter knee is never the lighter one. Statics alone would have it so where
 * a bent shank points outward from a high thigh (legs folded over the hips weigh more about them than legs to the
 * ceiling), and nobody is taught in that order. So each leg counts the most it has weighed on its way from folded to
 * where it is, and a little for being long.
 */
export function feltLegs({ pose, angles, bones, ground }: Posed, body: ReferenceBody): number {
  return SIDES.filter((side) => !legBears(pose, side)).reduce((sum, side) => {
    const leg = bones.leg[side];
    const [thigh, shank, foot, knee] = legParts(bones, pose, side, body);
    if (!thigh || !shank || !foot || !knee) return sum;
    const bent = angles.knee[side];
    const down = add(leg.middle, leg.root, -1);
    const length = Math.hypot(down.x, down.y, down.z);
    let most = 0;
    for (let bend = bent; bend <= JOINT_RANGES.knee[1]; bend += BEND) {
      const [along, across] = [Math.cos((bend * Math.PI) / 180) / length, Math.sin((bend * Math.PI) / 180)];
      const way = add(scaled(down, along), leg.fold, across);
      const far = [shank, foot].map(({ kg, at }) => ({ kg, at: add(leg.middle, way, distance(at, leg.middle)) }));
      most = Math.max(most, horizontalMoment([thigh, knee, ...far], leg.root, ground.up));
    }
    const level = (shank.kg * distance(shank.at, leg.middle) + foot.kg * distance(foot.at, leg.middle)) * GRAVITY;
    return sum + most + STRAIGHT * level * Math.max(0, 1 - bent / 90);
  }, 0);
}

const scaled = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by, z: p.z * by });
const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

/** Each hand or forearm that bears takes two fifths of what the trunk would hold: our estimate of their help. */
const handsHelp = (pose: Pose): number => 1 - 0.4 * SIDES.filter((side) => armBears(pose, side)).length;

const headPart = (bones: Skeleton, pose: Pose, body: ReferenceBody): Part => ({
  kg: MASS.head * body.bodyMassKg + (pose.weights?.head ?? 0),
  at: bones.head,
});

const pelvisPart = (bones: Skeleton, pose: Pose, body: ReferenceBody): Part => ({
  kg: MASS.pelvis * body.bodyMassKg + (pose.weights?.pelvis ?? 0),
  at: between(bones.hip, bones.lumbar, 0.5),
});

/** How many of the upper parts are the trunk's; they come first. */
const TRUNK_PARTS = 3;

function upperParts(bones: Skeleton, pose: Pose, body: ReferenceBody): Part[] {
  const kg = body.bodyMassKg;
  return [
    { kg: MASS.abdomen * kg, at: between(bones.lumbar, bones.waist, 0.5) },
    { kg: MASS.thorax * kg * 0.5, at: between(bones.waist, bones.ribs, 0.5) },
    { kg: MASS.thorax * kg * 0.5, at: between(bones.ribs, bones.shoulder, 0.5) },
    headPart(bones, pose, body),
    ...SIDES.flatMap((side) => armParts(bones, pose, side, body)),
  ];
}

function armParts(bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Part[] {
  const { root, middle, end } = bones.arm[side];
  const kg = body.bodyMassKg;
  return [
    { kg: MASS.upperArm * kg, at: between(root, middle, CENTRE.upperArm) },
    { kg: MASS.forearm * kg, at: between(middle, end, CENTRE.forearm) },
    { kg: MASS.hand * kg + (pose.weights?.[`hand.${side}`] ?? 0), at: end },
  ];
}

function legParts(bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Part[] {
  const { root, middle, end } = bones.leg[side];
  const kg = body.bodyMassKg;
  return [
    { kg: MASS.thigh * kg, at: between(root, middle, CENTRE.thigh) },
    { kg: MASS.shank * kg, at: between(middle, end, CENTRE.shank) },
    { kg: MASS.foot * kg + (pose.weights?.[`foot.${side}`] ?? 0), at: end },
    { kg: pose.weights?.[`knee.${side}`] ?? 0, at: middle },
  ];
}

/**
 * How far the free arms reach from the waist, weighed: N·m about the lumbar point in whatever direction.
 * An arm overhead or out to the side lengthens the body even where it does not tip it.
 */
export function armReach({ pose, bones }: Posed, body: ReferenceBody): number {
  return SIDES.filter((side) => !armBears(pose, side))
    .flatMap((side) => armParts(bones, pose, side, body))
    .reduce((sum, { kg, at }) => {
      const far = add(at, bones.lumbar, -1);
      return sum + kg * GRAVITY * Math.hypot(far.x, far.y, far.z);
    }, 0);
}

/** Size of the moment of weights about a pivot: each weight times its horizontal distance, as vectors. */
function horizontalMoment(parts: readonly Part[], pivot: Point, up: Point): number {
  let [x, y, z] = [0, 0, 0];
  for (const { kg, at } of parts) {
    x += kg * (at.x - pivot.x);
    y += kg * (at.y - pivot.y);
    z += kg * (at.z - pivot.z);
  }
  const upward = x * up.x + y * up.y + z * up.z;
  return GRAVITY * Math.sqrt(Math.max(0, x * x + y * y + z * z - upward * upward));
}

/** Supports nearer than this, in metres, share the weight evenly: statics no longer tells them apart. */
const SAME_PLACE = 0.05;

/** Moment at the lumbar point of a level body held at its upper and lower contacts, distances along `axis`. */
function proppedMoment(
  upper: readonly Part[],
  lower: readonly Part[],
  upperAt: number | null,
  lowerAt: number | null,
  axis: Point,
  lumbar: Point,
): number {
  const waist = dot(lumbar, axis);
  if (upperAt === null) return Math.abs(momentAlong(upper, waist, axis));
  if (lowerAt === null) return Math.abs(momentAlong(lower, waist, axis));
  const all = [...upper, ...lower];
  const span = upperAt - lowerAt;
  const weight = all.reduce((sum, { kg }) => sum + kg * GRAVITY, 0);
  const reaction = Math.abs(span) < SAME_PLACE ? weight / 2 : momentAlong(all, lowerAt, axis) / span;
  return Math.abs(momentAlong(upper, waist, axis) - reaction * (upperAt - waist));
}

const momentAlong = (parts: readonly Part[], from: number, axis: Point): number =>
  parts.reduce((sum, { kg, at }) => sum + kg * GRAVITY * (dot(at, axis) - from), 0);

const peak = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.max(a, b));

/** The larger of two loads, idea by idea. */
export const peakLoad = (a: Load, b: Load): Load => ({
  legLever: peak(a.legLever, b.legLever),
  curlLever: peak(a.curlLever, b.curlLever),
  lumbarMoment: peak(a.lumbarMoment, b.lumbarMoment),
});

export const NO_LOAD: Load = { legLever: null, curlLever: null, lumbarMoment: null };
