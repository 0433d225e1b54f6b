import { contactsOf as bearingPoints } from './contacts';
import { type Ground, groundOf, isPropped, isUpright } from './ground';
import {
  type Angles,
  armBears,
  bears,
  JOINT_RANGES,
  type LimbJoint,
  legBears,
  type Pose,
  pelvisBears,
  SIDES,
  type Side,
  supportsOf,
  type TrunkJoint,
} from './pose';
import type { BasePosition } from './position';
import { add, armOf, between, cross, dot, type Limb, legOf, type Point, type Skeleton, skeletonOf } from './skeleton';

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
  /** How far the body as a whole was turned beyond what its pose says. */
  readonly tilt: Tilt;
  /** What could not be brought down, or up, within the joints' ranges. */
  readonly gaps: readonly Gap[];
  /** Joints that had to give by far more than a pose is written by the eye, in degrees: `hip.left`. */
  readonly bent: ReadonlyArray<{ readonly joint: string; readonly degrees: number }>;
}

/** Degrees the head end was raised, and the body rolled about its own line. */
export interface Tilt {
  readonly pitch: number;
  readonly roll: number;
}
const LEVEL: Tilt = { pitch: 0, roll: 0 };

/** A limb by its name. */
type LimbName = `${'arm' | 'leg'}.${Side}`;
const LIMBS: readonly LimbName[] = ['leg.left', 'leg.right', 'arm.left', 'arm.right'];

/** A point of the body that has to lie on something. */
interface Contact {
  readonly support: string;
  /** The limb it belongs to; a part of the trunk has none. */
  readonly limb: LimbName | null;
  readonly place: (bones: Pick<Skeleton, 'hip' | 'ribs' | 'shoulder' | 'head' | 'arm' | 'leg'>) => Point;
  /** Metres of its middle above the floor when it rests. */
  readonly rests: number;
  /** It hangs free and only must not go through the floor: its own limb gives way, never the body. */
  readonly free?: true;
}

const LEG_JOINTS: readonly LimbJoint[] = ['hip', 'knee', 'hipAbduction', 'hipRotation'];
const ARM_JOINTS: readonly LimbJoint[] = ['shoulder', 'elbow', 'shoulderAbduction'];

/** How far things give way, as standard deviations: degrees of a joint and of the whole body, metres of a contact. */
const GIVES = {
  lumbar: 9,
  thoracic: 9,
  neck: 9,
  sideBend: 12,
  hip: 14,
  knee: 14,
  shoulder: 14,
  elbow: 14,
  hipAbduction: 7,
  hipRotation: 20,
  shoulderAbduction: 9,
  ankle: 1,
} as const;
const CONTACT_GIVES = 0.002;
/** A body between its contacts turns freely; lying or upright it keeps its own line, and nearly so where that is said. */
const TURNS = { propped: 30, lying: 9, upright: 3, said: 0.5 } as const;

const STEPS = 10;
/** Degrees. */
const MOST_TURN = 20;
/** Metres within which a body lies as it should: nothing is left to settle. */
const NEAR = 0.0015;
/** Metres within which it is left as it is written: angles are written in whole degrees. */
const CLOSE = 0.006;
const RADIANS = Math.PI / 180;

/**
 * Settles a body on what it rests on: turned as a whole, and bent a little at the limbs that bear, until every support
 * lies on its surface. The least change that does it, by damped least squares (Gauss–Newton), within the joints' ranges.
 * @param heightM metres of the body
 */
export function settled(
  pose: Pose,
  like: BasePosition,
  written: Angles,
  heightM: number,
  surfaces: Surfaces = FLOOR,
): Settled {
  const angles = turningOf(withAnkles(pose, like, written));
  let bones = skeletonOf(angles, heightM);
  const ground = groundOf(pose, like, angles, bones);
  const contacts = contactsOf(pose, like, bones, ground, heightM, surfaces);
  const heights = contacts.map(({ place, rests }) => dot(place(bones), ground.up) - rests);
  const far = isUpright(like) ? dropFar(contacts, heights, FAR * heightM) : [];
  let floor = heights.length > 0 ? Math.min(...heights) : 0;
  const clear = throughFloor(bones, ground.up, floor, heightM, contacts, surfaces).length === 0;
  if (heights.length === 0 || (clear && Math.max(...heights) - floor < CLOSE)) {
    const gaps = gapsOf(far, bones, ground.up, floor);
    return handsPlaced({ angles, bones, ground, floor, tilt: LEVEL, gaps, bent: [] }, pose, heightM);
  }

  let { up, along } = ground;
  const gives = turnGives(pose, like);
  const spine = givingSpine(contacts, heights, like);
  const changed = new Map<string, number>();
  /** Joints at the end of their range: what they can't give the others must. */
  const stuck = new Set<string>();
  let [pitch, roll] = [0, 0];
  for (let step = 0; step < STEPS; step++) {
    for (const through of throughFloor(bones, up, floor, heightM, contacts, surfaces)) contacts.push(through);
    if (contacts.every(({ place, rests }) => Math.abs(dot(place(bones), up) - floor - rests) < NEAR)) break;
    const side = cross(along, up);
    const joints = movable(contacts).filter(({ key }) => !stuck.has(key));
    const size = 3 + joints.length + spine.length;
    const solver = new LeastSquares(size);
    solver.keep(0, pitch, gives.pitch);
    solver.keep(1, roll, gives.roll);
    solver.keep(2, 0, 10);
    joints.forEach(({ key, joint }, i) => {
      solver.keep(3 + i, changed.get(key) ?? 0, GIVES[joint]);
    });
    spine.forEach((joint, i) => {
      solver.keep(3 + joints.length + i, changed.get(joint) ?? 0, GIVES[joint]);
    });
    // The body with each joint turned by a degree.
    const turned = joints.map(({ limb, joint, side: of }) =>
      withLimb(bones, limb, limbTurned(limb, angles, joint, of, bones, heightM)),
    );
    const bent = spine.map((joint) => trunkTurned(angles, joint, heightM));
    const row = new Float64Array(size);
    for (const contact of contacts) {
      const at = contact.place(bones);
      const height = dot(at, up);
      row[0] = contact.free ? 0 : dot(at, along) * RADIANS;
      row[1] = contact.free ? 0 : dot(at, side) * RADIANS;
      row[2] = contact.free ? 0 : -1;
      for (let i = 0; i < spine.length; i++) {
        row[3 + joints.length + i] = contact.free ? 0 : dot(contact.place(bent[i] as Skeleton), up) - height;
      }
      for (let i = 0; i < joints.length; i++) {
        const moves = joints[i]?.limb === contact.limb;
        row[3 + i] = moves ? dot(contact.place(turned[i] as Skeleton), up) - height : 0;
      }
      solver.want(row, floor + contact.rests - height, CONTACT_GIVES);
    }
    const change = solver.solve();
    const before = stuck.size;
    // Far from where it lies a body is not straight: nothing turns more than this at a step.
    for (let i = 0; i < size; i++)
      if (i !== 2) change[i] = Math.max(-MOST_TURN, Math.min(MOST_TURN, change[i] as number));
    pitch += change[0] as number;
    roll += change[1] as number;
    floor += change[2] as number;
    [up, along] = tipped(up, along, change[0] as number);
    [up, along] = rolled(up, along, change[1] as number);
    joints.forEach(({ key, joint, side: of }, i) => {
      const by = change[3 + i] as number;
      const turned = turn(angles, joint, of, by);
      changed.set(key, (changed.get(key) ?? 0) + turned);
      if (Math.abs(by - turned) > 1e-9) stuck.add(key);
    });
    spine.forEach((joint, i) => {
      const by = turnTrunk(angles, joint, change[3 + joints.length + i] as number);
      changed.set(joint, (changed.get(joint) ?? 0) + by);
    });
    bones = skeletonOf(angles, heightM);
    if (stuck.size === before && change.every((by, i) => Math.abs(by) < (i === 2 ? NEAR / 10 : 0.05))) break;
  }
  const gaps = gapsOf([...contacts.filter(({ free }) => !free), ...far], bones, up, floor);
  const bent = [...changed].flatMap(([joint, degrees]) => (Math.abs(degrees) > MUCH ? [{ joint, degrees }] : []));
  return handsPlaced(
    {
      angles,
      bones,
      ground: { up, along, contacts: bearingPoints(pose, bones, up) },
      floor,
      tilt: { pitch, roll },
      gaps,
      bent,
    },
    pose,
    heightM,
  );
}

/** Degrees of an ankle that hangs or lies long. */
const LONG = 80;
const LOOSE = 25;

/**
 * The angles with ankles that nobody said as they lie: long where the knee or the shin bears, or in prone; flat under a
 * shin that stands; loose where the heel lies or the foot hangs.
 */
function withAnkles(pose: Pose, like: BasePosition, angles: Angles): Angles {
  if (pose.ankle !== undefined) return angles;
  const bones = skeletonOf(angles, 1);
  const { up } = groundOf(pose, like, angles, bones);
  const lies = (side: Side): number => {
    if (bears(pose, 'toes', side)) return 0;
    if (bears(pose, 'knees', side) || bears(pose, 'shins', side) || like === 'prone') return LONG;
    if (like === 'plank' || like === 'four-point') return legBears(pose, side) ? 0 : LOOSE;
    if (!bears(pose, 'feet', side)) return LOOSE;
    return soleFlat(bones.leg[side], up) ?? LOOSE;
  };
  return { ...angles, ankle: { left: lies('left'), right: lies('right') } };
}

/** Degrees of the ankle at which a sole lies level under its shin; `null` where it can't. */
function soleFlat({ middle, end, tip }: Limb, up: Point): number | null {
  const shin = unit(add(end, middle, -1));
  // At 0 the sole stands square to the shin.
  const sole = unit(add(tip, end, -1));
  const [down, front] = [dot(shin, up), dot(sole, up)];
  const degrees = Math.atan2(front, -down) / RADIANS;
  const [least, most] = JOINT_RANGES.ankle;
  return degrees >= least && degrees <= most - 15 ? degrees : null;
}

function unit(p: Point): Point {
  const length = Math.hypot(p.x, p.y, p.z);
  return { x: p.x / length, y: p.y / length, z: p.z / length };
}

/**
 * A body on its way between two settled ones: its angles and its tilt are theirs, mixed, and it is let down on the
 * lowest of what it rests on. Nothing is solved, so that two dozen bodies can move at once.
 */
export function laidDown(
  pose: Pose,
  like: BasePosition,
  angles: Angles,
  tilt: Tilt,
  heightM: number,
  surfaces: Surfaces = FLOOR,
): Pick<Settled, 'angles' | 'bones' | 'ground' | 'floor'> {
  const bones = skeletonOf(angles, heightM);
  const ground = groundOf(pose, like, angles, bones);
  let { up, along } = ground;
  [up, along] = tipped(up, along, tilt.pitch);
  [up, along] = rolled(up, along, tilt.roll);
  const contacts = contactsOf(pose, like, bones, { ...ground, up, along }, heightM, surfaces);
  let floor = Number.POSITIVE_INFINITY;
  for (const { place, rests } of contacts) floor = Math.min(floor, dot(place(bones), up) - rests);
  if (contacts.length === 0) floor = Math.min(...SIDES.map((side) => dot(bones.leg[side].end, up)));
  return { angles, bones, ground: { ...ground, up, along }, floor };
}

type GivingSpine = Extract<TrunkJoint, 'lumbar' | 'thoracic' | 'neck' | 'sideBend'>;

/** Metres of a trunk or an arm off what it rests on from which the spine gives way too. */
const BENDS = 0.01;

/** Where the spine gives way: the neck to bring the head down, the back and the waist for a chest that rests or is propped. */
function givingSpine(contacts: readonly Contact[], heights: readonly number[], like: BasePosition): GivingSpine[] {
  const least = Math.min(...heights);
  const off = contacts.filter((_contact, i) => (heights[i] as number) - least > BENDS);
  if (off.length === 0) return [];
  const upper = contacts.some(
    ({ limb, support }) => limb?.startsWith('arm') || support === 'ribs' || support === 'shoulders',
  );
  const head = contacts.some(({ support }) => support === 'head');
  if (isUpright(like)) return contacts.some(({ limb }) => limb?.startsWith('arm')) ? ['sideBend'] : [];
  // A plank and a body on all fours are as straight as they are written.
  if (like === 'plank' || like === 'four-point' || like === 'side-lying') return [];
  return [...(upper ? (['lumbar', 'thoracic'] as const) : []), ...(head ? (['neck'] as const) : [])];
}

function gapsOf(contacts: readonly Contact[], bones: Skeleton, up: Point, floor: number): Gap[] {
  return contacts.flatMap(({ support, place, rests }) => {
    const metres = dot(place(bones), up) - floor - rests;
    return Math.abs(metres) > NEAR * 4 ? [{ support, metres }] : [];
  });
}

/** Degrees by which a joint had to give that was not meant so. */
const MUCH = 45;

function turnGives(pose: Pose, like: BasePosition): { readonly pitch: number; readonly roll: number } {
  const roll = isUpright(like) && !SIDES.some((side) => armBears(pose, side)) ? TURNS.upright : TURNS.lying;
  if (isPropped(pose, like) && !pose.pitch) return { pitch: TURNS.propped, roll };
  if (pose.pitch !== undefined) return { pitch: TURNS.said, roll };
  return { pitch: isUpright(like) && pelvisBears(pose) ? TURNS.said * 2 : roll, roll };
}

/** A joint that may give way, and the limb it moves. */
interface Movable {
  readonly key: string;
  readonly limb: LimbName;
  readonly joint: LimbJoint;
  readonly side: Side;
}

function movableOf(limb: LimbName, joints: readonly LimbJoint[], side: Side): readonly Movable[] {
  return joints.map((joint) => ({ key: `${joint}.${side}`, limb, joint, side }));
}
const MOVABLE: Readonly<Record<LimbName, readonly Movable[]>> = {
  'leg.left': movableOf('leg.left', LEG_JOINTS, 'left'),
  'leg.right': movableOf('leg.right', LEG_JOINTS, 'right'),
  'arm.left': movableOf('arm.left', ARM_JOINTS, 'left'),
  'arm.right': movableOf('arm.right', ARM_JOINTS, 'right'),
};

const movable = (contacts: readonly Contact[]): Movable[] =>
  LIMBS.filter((limb) => contacts.some((contact) => contact.limb === limb)).flatMap((limb) => MOVABLE[limb]);

/** Angles that are turned in place: a copy for every degree tried would take longer than all else. */
type Turning = { readonly [J in LimbJoint | 'armTurn']: Record<Side, number> } & {
  -readonly [J in TrunkJoint]: number;
};

const turningOf = (angles: Angles): Turning => ({
  ...angles,
  hip: { ...angles.hip },
  knee: { ...angles.knee },
  shoulder: { ...angles.shoulder },
  elbow: { ...angles.elbow },
  hipAbduction: { ...angles.hipAbduction },
  hipRotation: { ...angles.hipRotation },
  shoulderAbduction: { ...angles.shoulderAbduction },
  armTurn: { ...angles.armTurn },
});

/** Degrees an upper arm may turn about itself, either way. */
const ARM_TURN = 80;

/** Turns a joint as far as its range goes. @returns by how much it turned */
function turn(angles: Turning, joint: LimbJoint | 'armTurn', side: Side, degrees: number): number {
  const [least, most] = joint === 'armTurn' ? [-ARM_TURN, ARM_TURN] : JOINT_RANGES[joint];
  const before = angles[joint][side];
  angles[joint][side] = Math.min(most, Math.max(least, before + degrees));
  return angles[joint][side] - before;
}

/** The body as it would be with a joint of its trunk turned by a degree. */
function trunkTurned(angles: Turning, joint: TrunkJoint, heightM: number): Skeleton {
  const before = angles[joint];
  angles[joint] = before + 1;
  const moved = skeletonOf(angles, heightM);
  angles[joint] = before;
  return moved;
}

function turnTrunk(angles: Turning, joint: TrunkJoint, degrees: number): number {
  const [least, most] = JOINT_RANGES[joint];
  const before = angles[joint];
  angles[joint] = Math.min(most, Math.max(least, before + degrees));
  return angles[joint] - before;
}

/** A limb as it would be with one of its joints turned by a degree. */
function limbTurned(
  limb: LimbName,
  angles: Turning,
  joint: LimbJoint | 'armTurn',
  side: Side,
  bones: Skeleton,
  heightM: number,
): Limb {
  const before = angles[joint][side];
  angles[joint][side] = before + 1;
  const moved = limbOf(limb, angles, bones, heightM);
  angles[joint][side] = before;
  return moved;
}

function limbOf(limb: LimbName, angles: Angles, bones: Skeleton, heightM: number): Limb {
  const side: Side = limb.endsWith('left') ? 'left' : 'right';
  return limb.startsWith('leg')
    ? legOf(side, angles, heightM)
    : armOf(side, angles, bones.chest, bones.shoulder, heightM);
}

function withLimb(bones: Skeleton, limb: LimbName, moved: Limb): Skeleton {
  const side: Side = limb.endsWith('left') ? 'left' : 'right';
  return limb.startsWith('leg')
    ? { ...bones, leg: { ...bones.leg, [side]: moved } }
    : { ...bones, arm: { ...bones.arm, [side]: moved } };
}

/** The head end raised by some degrees. */
function tipped(up: Point, along: Point, degrees: number): [Point, Point] {
  const [c, s] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)];
  return [add(scaled(up, c), along, s), add(scaled(along, c), up, -s)];
}

/** The body rolled about the line it lies along. */
function rolled(up: Point, along: Point, degrees: number): [Point, Point] {
  const side = cross(along, up);
  return [add(scaled(up, Math.cos(degrees * RADIANS)), side, Math.sin(degrees * RADIANS)), along];
}

const scaled = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by, z: p.z * by });

/** Every point that has to lie on something. */
function contactsOf(
  pose: Pose,
  like: BasePosition,
  bones: Skeleton,
  { up }: Ground,
  heightM: number,
  surfaces: Surfaces,
): Contact[] {
  const contacts: Contact[] = [];
  const put = (support: string, limb: LimbName | null, place: Contact['place'], flesh: number) => {
    const surface = surfaces(support);
    if (surface !== null) contacts.push({ support, limb, place, rests: surface + flesh * heightM });
  };
  const parts = supportsOf(pose);
  const onSide = like === 'side-lying';
  if (parts.has('pelvis')) put('pelvis', null, onSide ? lowerHip : ({ hip }) => hip, FLESH.pelvis);
  if (parts.has('ribs')) put('ribs', null, onSide ? lowerShoulder : ({ ribs }) => ribs, FLESH.ribs);
  else if (parts.has('shoulders')) put('shoulders', null, ({ shoulder }) => shoulder, FLESH.shoulders);
  if (parts.has('head') && !onSide) put('head', null, ({ head }) => head, FLESH.head);
  for (const side of SIDES) {
    const limb: LimbName = `leg.${side}`;
    if (onSide && side === 'right' && liesOnOther(bones.leg, up, heightM)) continue;
    if (bears(pose, 'thighs', side))
      put(`thigh.${side}`, limb, ({ leg }) => between(leg[side].root, leg[side].middle, 0.7), FLESH.thigh);
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
const FREE: ReadonlyArray<readonly [LimbName, keyof Limb, number]> = SIDES.flatMap((side) => [
  [`leg.${side}`, 'middle', FLESH.knee] as const,
  [`leg.${side}`, 'end', FLESH.foot] as const,
  [`leg.${side}`, 'tip', FLESH.toe] as const,
  [`arm.${side}`, 'middle', FLESH.elbow] as const,
  [`arm.${side}`, 'end', FLESH.hand] as const,
  [`arm.${side}`, 'tip', FLESH.hand] as const,
]);

/** Points that lie under the floor and are not held to it yet; none where the floor is not what the body is on. */
function throughFloor(
  bones: Skeleton,
  up: Point,
  floor: number,
  heightM: number,
  contacts: readonly Contact[],
  surfaces: Surfaces,
): Contact[] {
  if (surfaces('floor') === null) return [];
  return FREE.flatMap(([limb, point, flesh]): Contact[] => {
    const side: Side = limb.endsWith('left') ? 'left' : 'right';
    const place: Contact['place'] = (body) => (limb.startsWith('leg') ? body.leg : body.arm)[side][point];
    const rests = flesh * heightM;
    if (dot(place(bones), up) - floor >= rests - NEAR) return [];
    const support = `${limb}.${point}`;
    // A limb that bears lies as what bears of it lies.
    if (contacts.some((contact) => contact.limb === limb && !contact.free)) return [];
    return contacts.some((contact) => contact.support === support) ? [] : [{ support, limb, place, rests, free: true }];
  });
}

/** Upright, a hand this share of height above what it should be on is a doubt: no body falls over to bring it down. */
const FAR = 0.14;

/** @returns the contacts that were dropped */
function dropFar(contacts: Contact[], heights: number[], far: number): Contact[] {
  const dropped: Contact[] = [];
  const least = Math.min(...heights);
  for (let i = contacts.length - 1; i >= 0; i--) {
    if (!contacts[i]?.limb?.startsWith('arm') || (heights[i] as number) - least <= far) continue;
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

/** A hand that bears bends back until it lies on what carries it, fingers away from the hips. */
function handsFlat(settled: Settled, pose: Pose): Settled {
  const { bones, ground } = settled;
  const flat = SIDES.filter((side) => bears(pose, 'hands', side) && !bears(pose, 'forearms', side));
  if (flat.length === 0) return settled;
  const { up } = ground;
  const arm = { ...bones.arm };
  for (const side of flat) {
    const { end, tip } = arm[side];
    const level = (way: Point): Point => add(way, up, -dot(way, up));
    const own = level(add(tip, end, -1));
    const away = level(add(bones.shoulder, bones.hip, -1));
    const way = Math.hypot(own.x, own.y, own.z) > apart(tip, end) * 0.5 ? own : away;
    if (Math.hypot(way.x, way.y, way.z) < 1e-6) continue;
    arm[side] = { ...arm[side], tip: add(end, unit(way), apart(tip, end)) };
  }
  return { ...settled, bones: { ...bones, arm } };
}

/** Degrees by which an arm gives way to bring its hand to what it holds. */
const ARM_GIVES = { shoulder: 25, elbow: 30, shoulderAbduction: 25, armTurn: 60 } as const;
const HOLD_STEPS = 10;

/** Brings hands that hold a part of the body to it: the least change of the arm that does. */
function handsPlaced(bearing: Settled, pose: Pose, heightM: number): Settled {
  const settled = handsFlat(bearing, pose);
  const { holds } = pose;
  if (!holds) return settled;
  const angles = turningOf(settled.angles);
  let { bones } = settled;
  const gaps = [...settled.gaps];
  for (const side of SIDES) {
    const held = holds[`hand.${side}`];
    if (held === undefined) continue;
    const target = (palm: Point): Point | null => heldAt(held, palm, side, bones, settled, heightM);
    if (target(palmOf(bones.arm[side])) === null) continue;
    armTo(angles, bones, side, target as (palm: Point) => Point, heightM);
    const arm = armOf(side, angles, bones.chest, bones.shoulder, heightM);
    bones = { ...bones, arm: { ...bones.arm, [side]: arm } };
    const away = apart(palmOf(arm), (target as (palm: Point) => Point)(palmOf(arm)));
    if (away > HELD_NEAR) gaps.push({ support: `hand.${side}`, metres: away });
  }
  return { ...settled, angles, bones, gaps };
}
/** Metres within which a hand is on what it holds. */
const HELD_NEAR = 0.03;

const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
const palmOf = ({ end, tip }: Limb): Point => between(end, tip, 0.4);

const ARM_TURNS = ['shoulder', 'elbow', 'shoulderAbduction', 'armTurn'] as const;

/** Turns an arm until its hand is where it should be, or as near as it goes. */
function armTo(angles: Turning, bones: Skeleton, side: Side, target: (palm: Point) => Point, heightM: number): void {
  const arm: LimbName = `arm.${side}`;
  const already = [0, 0, 0, 0];
  for (let step = 0; step < HOLD_STEPS; step++) {
    const at = palmOf(limbOf(arm, angles, bones, heightM));
    const gap = add(target(at), at, -1);
    if (Math.hypot(gap.x, gap.y, gap.z) < NEAR) break;
    const solver = new LeastSquares(ARM_TURNS.length);
    const moved = ARM_TURNS.map((joint) => add(palmOf(limbTurned(arm, angles, joint, side, bones, heightM)), at, -1));
    ARM_TURNS.forEach((joint, i) => {
      solver.keep(i, already[i] as number, ARM_GIVES[joint]);
    });
    for (const axis of ['x', 'y', 'z'] as const) {
      solver.want(
        moved.map((way) => way[axis]),
        gap[axis],
        CONTACT_GIVES * 2,
      );
    }
    const change = solver.solve();
    ARM_TURNS.forEach((joint, i) => {
      const by = Math.max(-MOST_TURN, Math.min(MOST_TURN, change[i] as number));
      already[i] = (already[i] as number) + turn(angles, joint, side, by);
    });
  }
}

/** Where a hand touches what it holds; `null` where that may be anywhere. */
function heldAt(
  held: string,
  palm: Point,
  side: Side,
  bones: Skeleton,
  { ground, floor }: Settled,
  heightM: number,
): Point | null {
  const own = held.endsWith('.right') ? 'right' : 'left';
  const { root, middle, end, tip } = bones.leg[own];
  const on = (a: Point, b: Point, flesh: number) => surfaceOf(palm, a, b, flesh * heightM);
  if (held.startsWith('thigh.')) return on(between(root, middle, 0.25), middle, FLESH.thigh + FLESH.hand);
  if (held.startsWith('shin.')) return on(middle, between(middle, end, 0.8), FLESH.shin + FLESH.hand);
  if (held.startsWith('foot.')) return on(end, tip, FLESH.foot);
  const out = side === 'right' ? 1 : -1;
  if (held === 'head') {
    const { skull, head } = bones;
    return add(add(head, skull.front, -0.062 * heightM), skull.right, out * 0.025 * heightM);
  }
  if (held === 'seat')
    return add(add(bones.hip, { x: 0, y: -1, z: 0 }, 0.05 * heightM), { x: 0, y: 0, z: out }, 0.06 * heightM);
  if (held === 'hips') return on(bones.leg[side].root, add(bones.hip, bones.pelvis.up, 0.09 * heightM), 0.055);
  if (held === 'ribs') return on(bones.waist, between(bones.ribs, bones.shoulder, 0.4), 0.075);
  if (held === 'shoulder') {
    // Folded arms: each hand on the other arm.
    const other = bones.arm[side === 'right' ? 'left' : 'right'];
    return add(between(other.root, other.middle, 0.25), bones.chest.front, 0.05 * heightM);
  }
  if (held !== 'floor') return null;
  return add(palm, ground.up, floor + FLESH.hand * heightM - dot(palm, ground.up));
}

/** The point nearest to a hand on a limb's surface. */
function surfaceOf(palm: Point, a: Point, b: Point, flesh: number): Point {
  const line = add(b, a, -1);
  const share = Math.max(0, Math.min(1, dot(add(palm, a, -1), line) / dot(line, line)));
  const nearest = between(a, b, share);
  const way = add(palm, nearest, -1);
  const length = Math.hypot(way.x, way.y, way.z);
  return length < 1e-6 ? nearest : add(nearest, way, flesh / length);
}

/** Least squares by normal equations: a dozen unknowns, so that a dense elimination is the quickest there is. */
class LeastSquares {
  readonly #size: number;
  readonly #left: Float64Array;
  readonly #right: Float64Array;

  constructor(size: number) {
    this.#size = size;
    this.#left = new Float64Array(size * size);
    this.#right = new Float64Array(size);
  }

  /** An unknown wants its whole change, with what it has changed already, to be small. */
  keep(i: number, already: number, gives: number): void {
    const weight = 1 / (gives * gives);
    this.#left[i * this.#size + i] = (this.#left[i * this.#size + i] as number) + weight;
    this.#right[i] = (this.#right[i] as number) - weight * already;
  }

  /** A row of derivatives wants to come to a value. */
  want(row: ArrayLike<number>, value: number, gives: number): void {
    const weight = 1 / (gives * gives);
    for (let i = 0; i < this.#size; i++) {
      const own = row[i] as number;
      if (own === 0) continue;
      this.#right[i] = (this.#right[i] as number) + weight * own * value;
      for (let j = 0; j < this.#size; j++) {
        const at = i * this.#size + j;
        this.#left[at] = (this.#left[at] as number) + weight * own * (row[j] as number);
      }
    }
  }

  /** Cholesky: the matrix is symmetric and, with every unknown kept, positive. */
  solve(): Float64Array {
    const n = this.#size;
    const l = this.#left;
    const x = this.#right;
    for (let j = 0; j < n; j++) {
      for (let i = j; i < n; i++) {
        let sum = l[i * n + j] as number;
        for (let k = 0; k < j; k++) sum -= (l[i * n + k] as number) * (l[j * n + k] as number);
        l[i * n + j] = i === j ? Math.sqrt(Math.max(sum, 1e-12)) : sum / (l[j * n + j] as number);
      }
    }
    for (let i = 0; i < n; i++) {
      let sum = x[i] as number;
      for (let k = 0; k < i; k++) sum -= (l[i * n + k] as number) * (x[k] as number);
      x[i] = sum / (l[i * n + i] as number);
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = x[i] as number;
      for (let k = i + 1; k < n; k++) sum -= (l[k * n + i] as number) * (x[k] as number);
      x[i] = sum / (l[i * n + i] as number);
    }
    return x;
  }
}
