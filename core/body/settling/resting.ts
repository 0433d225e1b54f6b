import { liesOnSide } from '../../vocabulary/bodies/position';
import { type Angles, bears, type Pose, SIDES, type Side, supportsOf } from '../poses/pose';
import { add, between, dot, type Point, type Skeleton } from '../poses/skeleton';
import type { Tilt } from '../poses/tilt';
import type { BasePosition } from '../position';
import type { Ground } from './ground';
import type { LimbName } from './turning';

/**
 * How far each part's middle line lies from what carries it, as a share of height: flesh has thickness. Our own
 * measures, after the breadths of Drillis & Contini; trunk and head alike, so that a straight body lies straight.
 */
export const FLESH = {
  pelvis: 0.058,
  ribs: 0.058,
  shoulders: 0.058,
  head: 0.058,
  thigh: 0.045,
  knee: 0.033,
  shin: 0.032,
  foot: 0.03,
  heel: 0.03,
  toe: 0.012,
  hand: 0.018,
  fist: 0.03,
  forearm: 0.022,
  elbow: 0.024,
} as const;
export type FleshyPart = keyof typeof FLESH;

/** The ankle's height over a sole that lies flat. */
const SOLE = 0.039;

/** Metres above the floor of what carries a support; `null` where nobody says how high that is. */
export type Surfaces = (support: string) => number | null;
export const FLOOR: Surfaces = () => 0;

/** How far apart a support and what carries it are left, in metres. */
export interface Gap {
  readonly support: string;
  readonly metres: number;
}

/** A body that lies, sits or stands on what it rests on. */
export interface Settled {
  readonly angles: Angles;
  readonly bones: Skeleton;
  readonly ground: Ground;
  /** The floor's height along `ground.up`, seen from the middle of the hips, metres. */
  readonly floor: number;
  /** How far the body as a whole is turned beyond how its angles alone would let it lie. */
  readonly tilt: Tilt;
  /** What could not be brought down, or up, within the joints' ranges. */
  readonly gaps: readonly Gap[];
  /** Joints that had to give by far more than a pose is written by the eye, in degrees: `hip.left`. */
  readonly bent: ReadonlyArray<{ readonly joint: string; readonly degrees: number }>;
}

/** Metres within which a body lies as it should: nothing is left to settle. */
export const NEAR = 0.0015;
/** Metres by which a contact gives, as a standard deviation. */
export const CONTACT_GIVES = 0.002;

/** Of a skeleton, what a point that bears is read from. */
export type Bearing = Pick<Skeleton, 'hip' | 'ribs' | 'shoulder' | 'head' | 'arm' | 'leg'>;

/** A point of the body that has to lie on something. */
export interface Contact {
  readonly support: string;
  /** The limb it belongs to; a part of the trunk has none. */
  readonly limb: LimbName | null;
  readonly place: (bones: Bearing) => Point;
  /** It is above the knee: folding that moves it not. */
  readonly above?: true;
  /** Metres of its middle above the floor when it rests. */
  readonly rests: number;
  /** It hangs free and only must not go through the floor: its own limb gives way, never the body. */
  readonly free?: true;
}

/** Every point that has to lie on something. */
export function contactsOf(
  pose: Pose,
  like: BasePosition,
  bones: Skeleton,
  { up }: Ground,
  heightM: number,
  surfaces: Surfaces,
): Contact[] {
  const contacts: Contact[] = [];
  const put = (support: string, limb: LimbName | null, place: Contact['place'], flesh: number, above?: true) => {
    const surface = surfaces(support);
    if (surface === null) return;
    const rests = surface + flesh * heightM;
    contacts.push(above ? { support, limb, place, rests, above } : { support, limb, place, rests });
  };
  const parts = supportsOf(pose);
  const onSide = liesOnSide(like);
  if (parts.has('pelvis')) put('pelvis', null, onSide ? lowerHip : ({ hip }) => hip, FLESH.pelvis);
  if (parts.has('ribs')) put('ribs', null, onSide ? lowerShoulder : ({ ribs }) => ribs, FLESH.ribs);
  else if (parts.has('shoulders')) put('shoulders', null, ({ shoulder }) => shoulder, FLESH.shoulders);
  if (parts.has('head') && !onSide) put('head', null, ({ head }) => head, FLESH.head);
  for (const side of SIDES) {
    const limb: LimbName = `leg.${side}`;
    if (onSide && side === 'right' && liesOnOther(bones.leg, up, heightM)) continue;
    if (bears(pose, 'thighs', side))
      put(`thigh.${side}`, limb, ({ leg }) => between(leg[side].root, leg[side].middle, 0.7), FLESH.thigh, true);
    if (bears(pose, 'knees', side)) put(`knee.${side}`, limb, ({ leg }) => leg[side].middle, FLESH.knee);
    if (bears(pose, 'shins', side))
      put(`shin.${side}`, limb, ({ leg }) => between(leg[side].middle, leg[side].end, 0.6), FLESH.shin);
    const tip: Contact['place'] = ({ leg }) => leg[side].tip;
    const ankle: Contact['place'] = ({ leg }) => leg[side].end;
    if (bears(pose, 'toes', side)) put(`toe.${side}`, limb, tip, FLESH.toe);
    else if (bears(pose, 'heels', side)) put(`heel.${side}`, limb, ankle, FLESH.heel);
    else if (bears(pose, 'feet', side)) {
      const { end, tip: toes } = bones.leg[side];
      const drop = dot(end, up) - dot(toes, up);
      if (drop > TIPTOE * heightM) put(`foot.${side}`, limb, tip, FLESH.toe);
      else put(`foot.${side}`, limb, ankle, drop > -TIPTOE * heightM ? SOLE : FLESH.foot);
    }
  }
  for (const side of SIDES) {
    const limb: LimbName = `arm.${side}`;
    const wrist: Contact['place'] = ({ arm }) => arm[side].end;
    const elbow: Contact['place'] = ({ arm }) => arm[side].middle;
    if (bears(pose, 'forearms', side)) {
      put(`forearm.${side}`, limb, elbow, FLESH.elbow);
      put(`forearm.${side}`, limb, wrist, FLESH.forearm);
    } else if (bears(pose, 'elbows', side)) put(`elbow.${side}`, limb, elbow, FLESH.elbow);
    else if (bears(pose, 'fists', side)) put(`fist.${side}`, limb, wrist, FLESH.fist);
    else if (bears(pose, 'hands', side)) put(`hand.${side}`, limb, wrist, FLESH.hand);
  }
  return contacts;
}

/** Points of limbs that hang free, with their flesh: none goes through the floor. */
const FREE: readonly FreePoint[] = SIDES.flatMap((side) => [
  freePoint('leg', side, 'middle', FLESH.knee),
  freePoint('leg', side, 'end', FLESH.foot),
  freePoint('leg', side, 'tip', FLESH.toe),
  freePoint('arm', side, 'middle', FLESH.elbow),
  freePoint('arm', side, 'end', FLESH.hand),
  freePoint('arm', side, 'tip', FLESH.hand),
]);

interface FreePoint {
  readonly support: string;
  readonly limb: LimbName;
  readonly place: (bones: Pick<Skeleton, 'leg' | 'arm'>) => Point;
  /** Of a foot or a hand, its end. */
  readonly tip: boolean;
  readonly flesh: number;
}

function freePoint(kind: 'leg' | 'arm', side: Side, point: 'middle' | 'end' | 'tip', flesh: number): FreePoint {
  const limb: LimbName = `${kind}.${side}`;
  const place = (bones: Pick<Skeleton, 'leg' | 'arm'>): Point => bones[kind][side][point];
  return { support: `${limb}.${point}`, limb, place, tip: point === 'tip', flesh };
}

/** Metres by which each limb that is under the floor is so at its deepest. */
export function depthsOf({ bones, ground, floor }: Settled, heightM: number): Array<readonly [LimbName, number]> {
  const depths = new Map<LimbName, number>();
  for (const { limb, place, flesh } of FREE) {
    const depth = floor + flesh * heightM - dot(place(bones), ground.up);
    if (depth > (depths.get(limb) ?? 0)) depths.set(limb, depth);
  }
  return [...depths];
}

/** Metres by which a limb that bears elsewhere may press into the floor. */
const PRESSES = 0.006;

/** Points that lie under the floor and are not held to it yet; none where the floor is not what the body is on. */
export function throughFloor(
  bones: Skeleton,
  up: Point,
  floor: number,
  heightM: number,
  contacts: readonly Contact[],
  surfaces: Surfaces,
): Contact[] {
  if (surfaces('floor') === null) return [];
  const found: Contact[] = [];
  for (const { support, limb, place, tip, flesh } of FREE) {
    const rests = flesh * heightM;
    const at = place(bones);
    const under = rests - (dot(at, up) - floor);
    if (under <= NEAR) continue;
    // A limb that bears lies as what bears of it lies; the rest of it may press in a little, and its end bends up.
    const bearing = contacts.filter((contact) => contact.limb === limb && !contact.free);
    const pressed = under < PRESSES || tip || bearing.some((contact) => contact.place(bones) === at);
    if (bearing.length > 0 && pressed) continue;
    if (!contacts.some((contact) => contact.support === support)) {
      found.push({ support, limb, place, rests, free: true });
    }
  }
  return found;
}

/**
 * Upright, a hand this share of height above what it should be on is a doubt: no body falls over to bring it down. So
 * is a foot as far below the seat: who sits so sits on something nobody named.
 */
export const FAR = 0.14;

/** @returns the contacts that were dropped */
export function dropFar(contacts: Contact[], heights: number[], far: number): Contact[] {
  const dropped: Contact[] = [];
  const least = Math.min(...heights);
  const seat = heights[contacts.findIndex(({ support }) => support === 'pelvis')] ?? Number.NEGATIVE_INFINITY;
  for (let i = contacts.length - 1; i >= 0; i--) {
    const { limb } = contacts[i] as Contact;
    const gap = limb?.startsWith('arm') ? (heights[i] as number) - least : limb ? seat - (heights[i] as number) : 0;
    if (gap <= far) continue;
    dropped.push(...contacts.splice(i, 1));
    heights.splice(i, 1);
  }
  return dropped;
}

/** Toes lower than the ankle by this share of height carry the foot; as much higher, the heel does. */
const TIPTOE = 0.03;

/** Lying on a side, an upper leg whose knee or foot is over the lower leg rests on it and not on the floor. */
function liesOnOther({ left, right }: Skeleton['leg'], up: Point, heightM: number): boolean {
  const level = (a: Point, b: Point) => {
    const way = add(a, b, -1);
    const rise = dot(way, up);
    return Math.sqrt(Math.max(0, dot(way, way) - rise * rise));
  };
  return [right.middle, right.end].some((point) =>
    [0.3, 0.6, 1].some(
      (share) =>
        level(point, between(left.root, left.middle, share)) < OVER * heightM ||
        level(point, between(left.middle, left.end, share)) < OVER * heightM,
    ),
  );
}
/** Share of height within which one leg is over the other. */
const OVER = 0.09;

/** Side-lying poses are written lying on the left. */
const lowerHip: Contact['place'] = ({ leg }) => leg.left.root;
const lowerShoulder: Contact['place'] = ({ arm }) => arm.left.root;

export function gapsOf(contacts: readonly Contact[], bones: Skeleton, up: Point, floor: number): Gap[] {
  return contacts.flatMap(({ support, place, rests }) => {
    const metres = dot(place(bones), up) - floor - rests;
    return Math.abs(metres) > NEAR * 4 ? [{ support, metres }] : [];
  });
}

/** The point of a part that lies on something, in the middle of its flesh; `null` for what is no part. */
export function restingPoint(
  { hip, ribs, shoulder, head, arm, leg }: Bearing,
  part: FleshyPart,
  side: Side,
): Point | null {
  const [upper, lower] = [arm[side], leg[side]];
  switch (part) {
    case 'pelvis':
      return hip;
    case 'ribs':
      return ribs;
    case 'shoulders':
      return shoulder;
    case 'head':
      return head;
    case 'thigh':
      return between(lower.root, lower.middle, 0.7);
    case 'knee':
      return lower.middle;
    case 'shin':
      return between(lower.middle, lower.end, 0.6);
    case 'foot':
      return between(lower.end, lower.tip, 0.35);
    case 'heel':
      return lower.end;
    case 'toe':
      return lower.tip;
    case 'elbow':
      return upper.middle;
    case 'forearm':
      return between(upper.middle, upper.end, 0.6);
    case 'hand':
    case 'fist':
      return between(upper.end, upper.tip, 0.4);
    default:
      return null;
  }
}
