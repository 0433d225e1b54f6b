import type { Contacts } from './contacts';
import { isPropped, isUpright } from './ground';
import { handOf, holdsHead, legCarried, leverEased } from './holds';
import { armBears, headBears, JOINT_RANGES, legBears, type Pose, ribsBear, SIDES, type Side } from './pose';
import type { Posed } from './posed';
import { add, apart, CENTRE, dot, MASS, type Point, type Skeleton } from './skeleton';

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
  /** Of what gravity asks of the low back, what the belly wall holds: the back would sag; N·m. */
  readonly bellyMoment: number;
  /** What back and seat hold: the body would fold or drop; N·m. */
  readonly backMoment: number;
}

/** Which side of the body holds. */
export type HoldingSide = 'belly' | 'back';

/** The side that holds more; `null` where neither has anything to hold. */
export const holdingSide = ({ bellyMoment, backMoment }: Load): HoldingSide | null =>
  bellyMoment === 0 && backMoment === 0 ? null : bellyMoment >= backMoment ? 'belly' : 'back';

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
    const { up } = ground;
    const { upper, lower: below } = bearings(posed);
    // Swung up over one end, the other hangs on the low back as it is in the room.
    if (!upper || !below) {
      const hanging = below ? bridging : lower;
      return held(momentOf(hanging, bones.lumbar, up), hangingSide(hanging, posed, below !== null));
    }
    const moment = proppedMoment(bridging, lower, posed, upper, below);
    // Only the part of gravity across the trunk line bends it; the part along it is carried end to end. What bears never
    // asks more of the low back than all that hangs on it would.
    const most = momentOf(bridging, bones.lumbar, up) + momentOf(lower, bones.lumbar, up);
    const across = moment * Math.cos((angles.pitch * Math.PI) / 180);
    return held(Math.min(Math.abs(across), most), sagging(posed, across < 0));
  }
  const legLever = raisedLegs(posed, body);
  if (isUpright(like) && like !== 'seated') {
    const upper = withHeadAndArms(trunk, posed, body);
    const lumbarMoment = momentOf(upper, bones.lumbar, ground.up) * handsHelp(posed);
    return { ...held(lumbarMoment, tippingSide(upper, posed)), legLever };
  }
  const curlLever = curlLeverOf(trunk, posed, body);
  return { legLever, curlLever, lumbarMoment: null, ...lyingMoments(posed, trunk, legLever, curlLever, body) };
}

/**
 * What a body is held up between. A foot that touches far overhead, legs rolled over, rests there with little weight: it
 * is no second bearing to hang the spine from.
 */
function bearings({ ground: { contacts, along }, like }: Posed): Contacts {
  const { upper, lower } = contacts;
  const overhead = like === 'supine' && upper && lower && dot(add(lower, upper, -1), along) > -OVERHEAD;
  return overhead ? { upper, lower: null } : contacts;
}
/** Metres short of the shoulders from which a foot is overhead. */
const OVERHEAD = 0.1;

/** A moment at the low back alone, on the side that holds it. */
const held = (lumbarMoment: number, side: HoldingSide | null): Load => ({
  legLever: null,
  curlLever: null,
  lumbarMoment,
  bellyMoment: side === 'belly' ? lumbarMoment : 0,
  backMoment: side === 'back' ? lumbarMoment : 0,
});

/**
 * Held between two contacts, the front down on hands or forearms, the back would sag and the belly wall holds, a leg
 * reached back or not; with the back down a body sags in the middle or is pushed up there, and back and seat hold the
 * sag. On a side it is the waist, and neither.
 */
function sagging({ like }: Posed, sags: boolean): HoldingSide | null {
  if (like === 'side-lying') return null;
  if (like === 'plank' || like === 'four-point') return 'belly';
  return (like === 'supine') === sags ? 'back' : 'belly';
}

/** What hangs from one end: towards the front of the pelvis it folds the body, and the back holds; else the belly. */
function hangingSide(sum: Lump, { bones, ground, like }: Posed, upper: boolean): HoldingSide | null {
  if (like === 'side-lying') return null;
  return pullsForward(sum, bones.lumbar, ground.up) === upper ? 'back' : 'belly';
}

/** Upright, a trunk tipped forward hangs on the back and one tipped back on the belly. */
const tippingSide = (sum: Lump, { bones, ground }: Posed): HoldingSide | null =>
  pullsForward(sum, bones.lumbar, ground.up) ? 'back' : 'belly';

/** Whether a group of parts, drawn down, turns towards the front of the pelvis about a point of the spine above it. */
function pullsForward(sum: Lump, pivot: Point, up: Point): boolean {
  const [x, y] = [sum.x - sum.kg * pivot.x, sum.y - sum.kg * pivot.y];
  return y * up.x - x * up.y > 0;
}

/** Legs and a chest held up lying or sitting: by the belly on the back, by the back on the front, on a side by the waist. */
function lyingMoments(
  posed: Posed,
  trunk: Lump,
  legLever: number,
  curlLever: number,
  body: ReferenceBody,
): Pick<Load, 'bellyMoment' | 'backMoment'> {
  const { like, pose } = posed;
  if (like === 'side-lying') return { bellyMoment: 0, backMoment: 0 };
  const all = legLever + curlLever;
  if (like === 'prone') return { bellyMoment: 0, backMoment: all };
  if (like === 'supine' || ribsBear(pose)) return { bellyMoment: all, backMoment: 0 };
  const back = tippingSide(withHeadAndArms(trunk, posed, body), posed) === 'back';
  return { bellyMoment: legLever + (back ? 0 : curlLever), backMoment: back ? curlLever : 0 };
}

/** Head, chest and arms held up about the lowest part of the trunk that rests; 0 when the head rests too. */
function curlLeverOf(trunk: Lump, posed: Posed, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  if (!ribsBear(pose)) {
    return momentOf(withHeadAndArms(trunk, posed, body), bones.lumbar, ground.up) * handsHelp(posed);
  }
  return headBears(pose) ? 0 : momentOf(putHead(lump(), bones, pose, body), bones.shoulder, ground.up);
}

/** A leg held off the floor, about its hip, N·m; 0 where it rests. */
function raisedLeg(posed: Posed, side: Side, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  if (legBears(pose, side)) return 0;
  const whole = momentOf(legOf(bones, pose, side, body), bones.leg[side].root, ground.up);
  return whole * (1 - legCarried(posed, side)) * leverEased(posed);
}

/** Legs held off the floor, about their hips, whatever else the body rests on: N·m. */
export const raisedLegs = (posed: Posed, body: ReferenceBody): number =>
  raisedLeg(posed, 'left', body) + raisedLeg(posed, 'right', body);

/**
 * What both legs do as one, N·m: twice the lighter one. One leg that reaches while the other stays folded over its hip
 * is not two legs lowered.
 */
export const bothLegs = (posed: Posed, body: ReferenceBody): number =>
  2 * Math.min(raisedLeg(posed, 'left', body), raisedLeg(posed, 'right', body));

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
export function feltLegs(posed: Posed, body: ReferenceBody): number {
  const { pose, angles, bones, ground } = posed;
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
    const felt = most + STRAIGHT * level * Math.max(0, 1 - bent / 90);
    // Hands that hold a leg still hold it with the trunk: half of their help is felt.
    sum += felt * (1 - legCarried(posed, side) / 2);
  }
  return sum * leverEased(posed);
}

const NOWHERE: Point = { x: 0, y: 0, z: 0 };

/** What one can hold on to; a weight, or one's own ribs, hold nobody up. */
const HELPS = /^(thigh|shin|foot)\.|^(seat|floor|bar)$/;

/**
 * What is left of a tipping trunk for itself to hold: each hand or forearm that bears takes two fifths, one that holds
 * on to a leg, the seat or a bar as much. Our estimate (docs/body.md).
 */
function handsHelp({ pose }: Posed): number {
  let left = 1;
  for (const side of SIDES) {
    const holds = pose.holds?.[handOf(side)];
    if (armBears(pose, side) || (holds !== undefined && HELPS.test(holds))) left -= 0.4;
  }
  return left;
}

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
export function armReach(posed: Posed, body: ReferenceBody): number {
  const { pose, bones } = posed;
  let sum = 0;
  let share = 1;
  const reach = (kg: number, from: Point, to: Point, along: number) => {
    const { lumbar } = bones;
    sum +=
      kg *
      share *
      Math.hypot(
        from.x + (to.x - from.x) * along - lumbar.x,
        from.y + (to.y - from.y) * along - lumbar.y,
        from.z + (to.z - from.z) * along - lumbar.z,
      );
  };
  for (const side of SIDES) {
    if (armBears(pose, side)) continue;
    share = holdsHead(posed, side) ? ON_HEAD : 1;
    const { root, middle, end } = bones.arm[side];
    reach(MASS.upperArm * body.bodyMassKg, root, middle, CENTRE.upperArm);
    reach(MASS.forearm * body.bodyMassKg, middle, end, CENTRE.forearm);
    reach(MASS.hand * body.bodyMassKg + (pose.weights?.[`hand.${side}`] ?? 0), end, end, 0);
  }
  return sum * GRAVITY;
}

/** Hands behind the head spare the neck more than their own weight adds there: so much of it is felt. */
const ON_HEAD = 0.4;

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
 * from hip to shoulder: what `pitch` tilts, and what a propped body bends across. Below 0 it sags between its contacts.
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
  return momentAbout(upper, waist) - reaction * (upperAt - waist);
}

const peak = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.max(a, b));

/** The larger of two loads, idea by idea. */
export const peakLoad = (a: Load, b: Load): Load => ({
  legLever: peak(a.legLever, b.legLever),
  curlLever: peak(a.curlLever, b.curlLever),
  lumbarMoment: peak(a.lumbarMoment, b.lumbarMoment),
  bellyMoment: Math.max(a.bellyMoment, b.bellyMoment),
  backMoment: Math.max(a.backMoment, b.backMoment),
});

export const NO_LOAD: Load = { legLever: null, curlLever: null, lumbarMoment: null, bellyMoment: 0, backMoment: 0 };
