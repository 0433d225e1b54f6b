import type { Contacts } from './contacts';
import { isPropped, isUpright } from './ground';
import { handOf, holdsHead, legCarried, leverEased } from './holds';
import {
  armBears,
  bears,
  headBears,
  JOINT_RANGES,
  legBears,
  type Pose,
  pelvisBears,
  ribsBear,
  SIDES,
  type Side,
} from './pose';
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
function bearings(posed: Posed): Contacts {
  const { contacts } = posed.ground;
  return feetOverhead(posed) ? { upper: contacts.upper, lower: null } : contacts;
}

/** Whether the legs are rolled over and a foot touches down beyond the shoulders. */
export function feetOverhead({ pose, like, ground: { contacts, along } }: Posed): boolean {
  const { upper, lower } = contacts;
  return (
    isPropped(pose, like) && like === 'supine' && !!upper && !!lower && dot(add(lower, upper, -1), along) > -OVERHEAD
  );
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

/**
 * Legs held off the floor, about their hips, whatever else the body rests on: N·m. Opened to both sides, what one draws
 * to the left the other draws to the right, and the pelvis feels neither.
 */
export function raisedLegs(posed: Posed, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  const levers = SIDES.map((side): Lever => {
    const whole = raisedLeg(posed, side, body);
    return { whole, aside: asideOf(legOf(bones, pose, side, body), bones.leg[side].root, ground.up) };
  });
  return opened(levers, 1).reduce((sum, each) => sum + each, 0);
}

/** A leg's moment about its hip, N·m, and the share of it that draws to one side, −1 to 1. */
interface Lever {
  readonly whole: number;
  readonly aside: number;
}

/**
 * Two legs' levers, one beside the other, less what they draw to opposite sides.
 * @param cancels the share of that which cancels, 0 to 1
 */
function opened(levers: readonly Lever[], cancels: number): readonly number[] {
  const net = Math.abs(levers.reduce((sum, { whole, aside }) => sum + whole * aside, 0));
  const each = levers.reduce((sum, { whole, aside }) => sum + whole * Math.abs(aside), 0);
  const left = each < 1e-9 ? 1 : 1 - cancels * (1 - net / each);
  return levers.map(({ whole, aside }) => whole * Math.sqrt(Math.max(0, 1 - aside * aside * (1 - left * left))));
}

/** The share of a group's moment that draws to one side of the body, −1 to 1, right above 0. */
function asideOf(sum: Lump, pivot: Point, up: Point): number {
  const [x, y, z] = [sum.x - sum.kg * pivot.x, sum.y - sum.kg * pivot.y, sum.z - sum.kg * pivot.z];
  const upward = x * up.x + y * up.y + z * up.z;
  const level = Math.sqrt(Math.max(0, x * x + y * y + z * z - upward * upward));
  return level < 1e-9 ? 0 : (z - upward * up.z) / level;
}

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

/** Raised legs as they are felt, N·m. */
export interface FeltLegs {
  /** What both do as one: twice the lighter one. */
  readonly both: number;
  /** What one does beyond the other. */
  readonly one: number;
}

/**
 * Raised legs as they are felt: a straighter knee is never the lighter one. Statics alone would have it so where
 * a bent shank points outward from a high thigh (legs folded over the hips weigh more about them than legs to the
 * ceiling), and nobody is taught in that order. So each leg counts the most it has weighed on its way from folded to
 * where it is, and a little for being long.
 */
export function feltLegs(posed: Posed, body: ReferenceBody): FeltLegs {
  const { pose, angles, bones, ground } = posed;
  const over = feetOverhead(posed);
  // On a side a leg weighs most as it leaves the other; lifted higher it is never the easier.
  const up = posed.like === 'side-lying' ? NOWHERE : ground.up;
  const levers: Lever[] = [];
  for (const side of SIDES) {
    if (legBears(pose, side) && !over) continue;
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
      most = Math.max(most, momentOf(leg, root, up));
    }
    const level = (shankKg * CENTRE.shank + footKg) * shankLength * GRAVITY;
    const felt = most + STRAIGHT * level * Math.max(0, 1 - bent / 90);
    // Hands that hold a leg still hold it with the trunk: a part of their help is felt.
    const left = felt * (1 - legCarried(posed, side) * HELP_FELT);
    levers.push({ whole: left, aside: asideOf(legOf(bones, pose, side, body), root, ground.up) });
  }
  const [one = 0, other = 0] = opened(levers, OPEN_CANCELS);
  const eased = leverEased(posed);
  return { both: 2 * Math.min(one, other) * eased, one: Math.abs(one - other) * eased };
}

/** The share of what legs opened alike take off the pelvis that is felt as ease: the thighs hold the rest. */
const OPEN_CANCELS = 0.2;

/** The share of what hands take off a leg that is felt as help. */
const HELP_FELT = 0.15;

const NOWHERE: Point = { x: 0, y: 0, z: 0 };

/** What one can hold on to; a weight, or one's own ribs, hold nobody up. */
const HELPS = /^(thigh|shin|foot)\.|^(seat|floor|bar)$/;

/**
 * What is left of a tipping trunk for itself to hold: each hand or forearm that bears takes two fifths, one that holds
 * on to a leg, the seat or a bar as much. Our estimate (docs/body.md).
 */
function handsHelp({ pose }: Posed): number {
  let left = 1;
  for (const side of SIDES) if (armBears(pose, side) || helps(pose, side)) left -= 0.4;
  return left;
}

/** Whether a hand holds on to what holds the body up. */
export function helps({ holds }: Pose, side: Side): boolean {
  const held = holds?.[handOf(side)];
  return held !== undefined && HELPS.test(held);
}

/**
 * What the thighs hold up in somebody who stands or kneels: for each leg that bears, its share of all that is above the
 * knees times how far that is before or behind its knee, beyond what a body that stands tall already balances, N·m. More
 * the deeper a knee bends under the body and the further a kneeling body leans back.
 */
export function bentLegs(posed: Posed, body: ReferenceBody): number {
  const { pose, like, bones, ground } = posed;
  if ((like !== 'standing' && like !== 'kneeling') || pelvisBears(pose)) return 0;
  const bearing = SIDES.filter((side) => legBears(pose, side));
  const above = withHeadAndArms(join(pelvisOf(bones, pose, body), trunkOf(bones, body)), posed, body);
  for (const side of SIDES) putThigh(above, bones, pose, side, body);
  const tall = STANDS_TALL * above.kg * GRAVITY;
  let sum = 0;
  for (const side of bearing) {
    // Sitting back on the heels rests.
    if (posed.angles.knee[side] > ON_HEELS) continue;
    sum += shareOf(posed, side, above) * Math.max(0, momentOf(above, bones.leg[side].middle, ground.up) - tall);
  }
  // A wall behind the back takes part of it, a hand on a chair a little.
  const held = SIDES.filter((hand) => armBears(pose, hand) || helps(pose, hand)).length;
  return sum * (1 - held * HAND_TAKES) * (ribsBear(pose) ? WALL_LEAVES : 1);
}
const WALL_LEAVES = 0.5;
const HAND_TAKES = 0.2;

/** The share of a weight that one leg carries: in a split stance, by how near it is to that leg. */
function shareOf({ pose, bones, ground: { up } }: Posed, side: Side, above: Lump): number {
  const other = side === 'left' ? 'right' : 'left';
  if (!legBears(pose, other)) return 1;
  const [own, far] = [footing(pose, bones, side), footing(pose, bones, other)];
  const apartBy = level(add(own, far, -1), up);
  const span = dot(apartBy, apartBy);
  if (span < SIDE_BY_SIDE ** 2) return 0.5;
  const weight = { x: above.x / above.kg, y: above.y / above.kg, z: above.z / above.kg };
  return Math.min(1, Math.max(0, dot(level(add(weight, far, -1), up), apartBy) / span));
}
/** Metres from which two feet stand one before the other. */
const SIDE_BY_SIDE = 0.2;

/** Where a leg that somebody stands or kneels on meets the floor. */
const footing = (pose: Pose, { leg }: Skeleton, side: Side): Point =>
  bears(pose, 'knees', side) || bears(pose, 'shins', side) ? leg[side].middle : leg[side].end;

/** What of a line runs level. */
const level = (line: Point, up: Point): Point => add(line, up, -dot(line, up));
/** Degrees of the knee from which the seat rests on the heels. */
const ON_HEELS = 125;
/** Metres by which what is above the knees may be off them in somebody who stands tall. */
const STANDS_TALL = 0.08;

/** What a sitting body tips by, forward above 0: all above the hips times how far it is before or behind them, N·m. */
export function tipping(posed: Posed, body: ReferenceBody): number {
  const { bones, pose, ground } = posed;
  const above = withHeadAndArms(join(pelvisOf(bones, pose, body), trunkOf(bones, body)), posed, body);
  const moment = momentOf(above, bones.hip, ground.up) * handsHelp(posed);
  return pullsForward(above, bones.hip, ground.up) ? moment : -moment;
}

/**
 * What bent arms hold up in a body on its hands: for each hand that bears, its share of what the arms carry (the trunk
 * with head and arms, half of it where the knees or feet share) times how far the shoulder is beyond the elbow, N·m.
 */
export function bentArms(posed: Posed, body: ReferenceBody): number {
  const { pose, like, bones, ground } = posed;
  if (!isPropped(pose, like) || ribsBear(pose)) return 0;
  const bearing = SIDES.filter((side) => bears(pose, 'hands', side) && !bears(pose, 'forearms', side));
  const kg = (ABOVE_HIPS * body.bodyMassKg * Math.cos((posed.angles.pitch * Math.PI) / 180)) / 2;
  let sum = 0;
  for (const side of bearing) {
    const { root, middle } = bones.arm[side];
    const bent = Math.min(1, posed.angles.elbow[side] / BENT_ELBOW);
    sum += bent * momentOf(put(lump(), kg / bearing.length, root), middle, ground.up);
  }
  return sum;
}

/** Degrees of the elbow from which an arm no longer stands on its bones. */
const BENT_ELBOW = 60;
const ABOVE_HIPS =
  MASS.head + MASS.thorax + MASS.abdomen + MASS.pelvis + 2 * (MASS.upperArm + MASS.forearm + MASS.hand);

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
    // Lying on the front, hands behind the head hang from the back with it.
    share = (holdsHead(posed, side) && posed.like !== 'prone') || helps(pose, side) ? HELD_ARM : 1;
    const { root, middle, end } = bones.arm[side];
    reach(MASS.upperArm * body.bodyMassKg, root, middle, CENTRE.upperArm);
    reach(MASS.forearm * body.bodyMassKg, middle, end, CENTRE.forearm);
    reach(MASS.hand * body.bodyMassKg + (pose.weights?.[`hand.${side}`] ?? 0), end, end, 0);
  }
  return sum * GRAVITY;
}

/**
 * Hands behind the head spare the neck more than their own weight adds there, and a hand that holds on rests on what it
 * holds: so much of its reach is felt.
 */
const HELD_ARM = 0.4;

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
