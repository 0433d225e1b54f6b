import { isPropped, isUpright } from './ground';
import { armBears, headBears, JOINT_RANGES, legBears, type Pose, ribsBear, SIDES, type Side } from './pose';
import type { Posed } from './posed';
import { add, CENTRE, dot, MASS, type Point, type Skeleton } from './skeleton';

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

/**
 * Parts of the body added up: their kilograms, and each one's kilograms times where it is. Every moment of a group is
 * linear in these four sums, so no list of parts is ever made: loads run for every moment of every rung.
 */
interface Lump {
  kg: number;
  x: number;
  y: number;
  z: number;
}

const lump = (): Lump => ({ kg: 0, x: 0, y: 0, z: 0 });

/** Adds a part whose centre is a share of the way from one joint to another. */
function put(sum: Lump, kg: number, from: Point, to: Point = from, share = 0): Lump {
  sum.kg += kg;
  sum.x += kg * (from.x + (to.x - from.x) * share);
  sum.y += kg * (from.y + (to.y - from.y) * share);
  sum.z += kg * (from.z + (to.z - from.z) * share);
  return sum;
}

function join(sum: Lump, other: Lump): Lump {
  sum.kg += other.kg;
  sum.x += other.x;
  sum.y += other.y;
  sum.z += other.z;
  return sum;
}

/** The load of one pose on the reference body it was posed for (docs/body.md has the derivation and check values). */
export function loadOf(posed: Posed, body: ReferenceBody): Load {
  const { pose, like, angles, bones, ground } = posed;
  const trunk = trunkOf(bones, body);
  if (isPropped(pose, like)) {
    const lower = pelvisOf(bones, pose, body);
    for (const side of SIDES) join(lower, legOf(bones, pose, side, body));
    // Arms that hang from resting ribs, and a head that rests, press on the floor and not on the bridge.
    const bridging = ribsBear(pose) ? trunk : withHeadAndArms(trunk, posed, body);
    const { contacts, up } = ground;
    // Swung up over one end, the other hangs on the low back as it is in the room.
    if (!contacts.upper || !contacts.lower) {
      const lumbarMoment = momentOf(contacts.lower ? bridging : lower, bones.lumbar, up);
      return { legLever: null, curlLever: null, lumbarMoment };
    }
    const moment = proppedMoment(bridging, lower, posed, contacts.upper, contacts.lower);
    // Only the part of gravity across the trunk line bends it; the part along it is carried end to end.
    return { legLever: null, curlLever: null, lumbarMoment: moment * Math.cos((angles.pitch * Math.PI) / 180) };
  }
  const legLever = raisedLegs(posed, body);
  if (isUpright(like) && like !== 'seated') {
    const upper = withHeadAndArms(trunk, posed, body);
    return { legLever, curlLever: null, lumbarMoment: momentOf(upper, bones.lumbar, ground.up) * handsHelp(pose) };
  }
  return { legLever, curlLever: curlLeverOf(trunk, posed, body), lumbarMoment: null };
}

/** Head, chest and arms held up about the lowest part of the trunk that rests; 0 when the head rests too. */
function curlLeverOf(trunk: Lump, posed: Posed, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  if (!ribsBear(pose)) {
    return momentOf(withHeadAndArms(trunk, posed, body), bones.lumbar, ground.up) * handsHelp(pose);
  }
  return headBears(pose) ? 0 : momentOf(putHead(lump(), bones, pose, body), bones.shoulder, ground.up);
}

/** Legs held off the floor, about their hips, whatever else the body rests on: N·m. */
export function raisedLegs({ pose, bones, ground }: Posed, body: ReferenceBody): number {
  let sum = 0;
  for (const side of SIDES) {
    if (!legBears(pose, side)) sum += momentOf(legOf(bones, pose, side, body), bones.leg[side].root, ground.up);
  }
  return sum;
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
  let sum = 0;
  for (const side of SIDES) {
    if (legBears(pose, side)) continue;
    const { root, middle, end, fold } = bones.leg[side];
    const thigh = putThigh(lump(), bones, pose, side, body);
    const [thighLength, shankLength] = [apart(root, middle), apart(middle, end)];
    const [shankKg, footKg] = [
      MASS.shank * body.bodyMassKg,
      MASS.foot * body.bodyMassKg + (pose.weights?.[`foot.${side}`] ?? 0),
    ];
    const bent = angles.knee[side];
    let most = 0;
    for (let bend = bent; bend <= JOINT_RANGES.knee[1]; bend += BEND) {
      const along = Math.cos((bend * Math.PI) / 180) / thighLength;
      const way = add(add(NOWHERE, add(middle, root, -1), along), fold, Math.sin((bend * Math.PI) / 180));
      const foot = add(middle, way, shankLength);
      const leg = put(put({ ...thigh }, shankKg, middle, foot, CENTRE.shank), footKg, foot);
      most = Math.max(most, momentOf(leg, root, ground.up));
    }
    const level = (shankKg * CENTRE.shank + footKg) * shankLength * GRAVITY;
    sum += most + STRAIGHT * level * Math.max(0, 1 - bent / 90);
  }
  return sum;
}

const NOWHERE: Point = { x: 0, y: 0, z: 0 };
const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

/** Each hand or forearm that bears takes two fifths of what the trunk would hold: our estimate of their help. */
const handsHelp = (pose: Pose): number =>
  1 - 0.4 * ((armBears(pose, 'left') ? 1 : 0) + (armBears(pose, 'right') ? 1 : 0));

const putHead = (sum: Lump, bones: Skeleton, pose: Pose, body: ReferenceBody): Lump =>
  put(sum, MASS.head * body.bodyMassKg + (pose.weights?.head ?? 0), bones.head);

const pelvisOf = (bones: Skeleton, pose: Pose, body: ReferenceBody): Lump =>
  put(lump(), MASS.pelvis * body.bodyMassKg + (pose.weights?.pelvis ?? 0), bones.hip, bones.lumbar, 0.5);

function trunkOf({ lumbar, waist, ribs, shoulder }: Skeleton, { bodyMassKg: kg }: ReferenceBody): Lump {
  const sum = put(lump(), MASS.abdomen * kg, lumbar, waist, 0.5);
  put(sum, MASS.thorax * kg * 0.5, waist, ribs, 0.5);
  return put(sum, MASS.thorax * kg * 0.5, ribs, shoulder, 0.5);
}

function withHeadAndArms(trunk: Lump, { bones, pose }: Posed, body: ReferenceBody): Lump {
  const sum = putHead(join(lump(), trunk), bones, pose, body);
  const kg = body.bodyMassKg;
  for (const side of SIDES) {
    const { root, middle, end } = bones.arm[side];
    put(sum, MASS.upperArm * kg, root, middle, CENTRE.upperArm);
    put(sum, MASS.forearm * kg, middle, end, CENTRE.forearm);
    put(sum, MASS.hand * kg + (pose.weights?.[`hand.${side}`] ?? 0), end);
  }
  return sum;
}

function putThigh(sum: Lump, bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Lump {
  const { root, middle } = bones.leg[side];
  put(sum, MASS.thigh * body.bodyMassKg, root, middle, CENTRE.thigh);
  return put(sum, pose.weights?.[`knee.${side}`] ?? 0, middle);
}

function legOf(bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Lump {
  const { middle, end } = bones.leg[side];
  const sum = putThigh(lump(), bones, pose, side, body);
  put(sum, MASS.shank * body.bodyMassKg, middle, end, CENTRE.shank);
  return put(sum, MASS.foot * body.bodyMassKg + (pose.weights?.[`foot.${side}`] ?? 0), end);
}

/**
 * How far the free arms reach from the waist, weighed: N·m about the lumbar point in whatever direction.
 * An arm overhead or out to the side lengthens the body even where it does not tip it.
 */
export function armReach({ pose, bones }: Posed, body: ReferenceBody): number {
  let sum = 0;
  const reach = (kg: number, from: Point, to: Point, share: number) => {
    const { lumbar } = bones;
    sum +=
      kg *
      Math.hypot(
        from.x + (to.x - from.x) * share - lumbar.x,
        from.y + (to.y - from.y) * share - lumbar.y,
        from.z + (to.z - from.z) * share - lumbar.z,
      );
  };
  for (const side of SIDES) {
    if (armBears(pose, side)) continue;
    const { root, middle, end } = bones.arm[side];
    reach(MASS.upperArm * body.bodyMassKg, root, middle, CENTRE.upperArm);
    reach(MASS.forearm * body.bodyMassKg, middle, end, CENTRE.forearm);
    reach(MASS.hand * body.bodyMassKg + (pose.weights?.[`hand.${side}`] ?? 0), end, end, 0);
  }
  return sum * GRAVITY;
}

/** Size of the moment of weights about a pivot: each weight times its horizontal distance, as vectors. */
function momentOf(sum: Lump, pivot: Point, up: Point): number {
  const x = sum.x - sum.kg * pivot.x;
  const y = sum.y - sum.kg * pivot.y;
  const z = sum.z - sum.kg * pivot.z;
  const upward = x * up.x + y * up.y + z * up.z;
  return GRAVITY * Math.sqrt(Math.max(0, x * x + y * y + z * z - upward * upward));
}

/** Supports nearer than this, in metres, share the weight evenly: statics no longer tells them apart. */
const SAME_PLACE = 0.05;

/**
 * Moment at the lumbar point of a level body held at an upper and a lower contact, distances taken along the line
 * from hip to shoulder: what `pitch` tilts, and what a propped body bends across.
 */
function proppedMoment(upper: Lump, lower: Lump, { bones }: Posed, above: Point, below: Point): number {
  const line = add(bones.shoulder, bones.hip, -1);
  const length = apart(bones.shoulder, bones.hip);
  const placeOf = (point: Point) => dot(point, line) / length;
  const momentAbout = (sum: Lump, place: number) => GRAVITY * (dot(sum, line) / length - sum.kg * place);
  const waist = placeOf(bones.lumbar);
  const [upperAt, lowerAt] = [placeOf(above), placeOf(below)];
  const span = upperAt - lowerAt;
  const reaction =
    Math.abs(span) < SAME_PLACE
      ? ((upper.kg + lower.kg) * GRAVITY) / 2
      : (momentAbout(upper, lowerAt) + momentAbout(lower, lowerAt)) / span;
  return Math.abs(momentAbout(upper, waist) - reaction * (upperAt - waist));
}

const peak = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.max(a, b));

/** The larger of two loads, idea by idea. */
export const peakLoad = (a: Load, b: Load): Load => ({
  legLever: peak(a.legLever, b.legLever),
  curlLever: peak(a.curlLever, b.curlLever),
  lumbarMoment: peak(a.lumbarMoment, b.lumbarMoment),
});

export const NO_LOAD: Load = { legLever: null, curlLever: null, lumbarMoment: null };
