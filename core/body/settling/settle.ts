import { bearsOnHands, isUpright, liesOnFront, liesOnSide } from '../../vocabulary/bodies/position';
import { handsPlaced } from '../poses/hands';
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
  type TrunkJoint,
} from '../poses/pose';
import { add, cross, dot, type Limb, type Point, type Skeleton, skeletonOf, unit } from '../poses/skeleton';
import { LEVEL, RADIANS, rolled, type Tilt, tiltFrom, tipped } from '../poses/tilt';
import type { BasePosition } from '../position';
import { contactsOf as bearingPoints } from './contacts';
import { type Ground, groundOf, isPropped } from './ground';
import { LeastSquares } from './leastSquares';
import {
  CONTACT_GIVES,
  type Contact,
  contactsOf,
  dropFar,
  FAR,
  FLOOR,
  gapsOf,
  NEAR,
  type Settled,
  type Surfaces,
  throughFloor,
} from './resting';
import {
  type Axis,
  axisOf,
  type LimbName,
  MOST_TURN,
  risesBy,
  type Turning,
  trunkTurned,
  turn,
  turningOf,
  turnTrunk,
} from './turning';

const LIMBS: readonly LimbName[] = ['leg.left', 'leg.right', 'arm.left', 'arm.right'];

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
/** A body between its contacts turns freely; lying or upright it keeps its own line, and nearly so where that is said. */
const TURNS = { propped: 30, lying: 9, upright: 3, said: 0.5 } as const;

const STEPS = 10;
/** Metres within which it is left as it is written: angles are written in whole degrees. */
const CLOSE = 0.006;

/**
 * Settles a body on what it rests on, and brings its hands to what they hold.
 * @param heightM metres of the body
 */
export const settled = (
  pose: Pose,
  like: BasePosition,
  written: Angles,
  heightM: number,
  surfaces: Surfaces = FLOOR,
): Settled => handsPlaced(rested(pose, like, written, heightM, surfaces), pose, heightM, surfaces);

/**
 * Settles a body on what it rests on: turned as a whole, and bent a little at the limbs that bear, until every support
 * lies on its surface. The least change that does it, by damped least squares (Gauss–Newton), within the joints' ranges.
 * @param heightM metres of the body
 */
export function rested(pose: Pose, like: BasePosition, written: Angles, heightM: number, surfaces: Surfaces): Settled {
  const angles = turningOf(withAnkles(pose, like, written));
  const bones = skeletonOf(angles, heightM);
  const ground = groundOf(pose, like, angles, bones);
  const contacts = contactsOf(pose, like, bones, ground, heightM, surfaces);
  const heights = contacts.map(({ place, rests }) => dot(place(bones), ground.up) - rests);
  const far = isUpright(like) ? dropFar(contacts, heights, FAR * heightM) : [];
  const floor = heights.length > 0 ? Math.min(...heights) : 0;
  const clear = throughFloor(bones, ground.up, floor, heightM, contacts, surfaces).length === 0;
  if (heights.length === 0 || (clear && Math.max(...heights) - floor < CLOSE)) {
    const gaps = gapsOf(far, bones, ground.up, floor);
    return { angles, bones, ground, floor, tilt: LEVEL, gaps, bent: [] };
  }

  const settling = new Settling(angles, bones, ground, floor, contacts, {
    gives: trunkLies(contacts, heights) ? SAID : turnGives(pose, like),
    spine: givingSpine(contacts, heights, like),
    heightM,
    surfaces,
  });
  settling.run();
  return settling.settled(pose, like, far);
}

/** What a settling body gives way by, and on. */
interface Giving {
  /** Degrees the whole body turns, as standard deviations. */
  readonly gives: Tilt;
  readonly spine: readonly GivingSpine[];
  readonly heightM: number;
  readonly surfaces: Surfaces;
}

/** The unknowns of a step: the whole body's pitch, roll and height, then its joints. */
const [PITCH, ROLL, HEIGHT, JOINTS] = [0, 1, 2, 3] as const;
/** Metres the height may change freely. */
const ANY_HEIGHT = 10;
/** Degrees under which a step changes nothing to speak of. */
const STILL = 0.05;

/** A body on its way down to what it rests on, step by step. */
class Settling {
  readonly #angles: Turning;
  readonly #contacts: Contact[];
  readonly #giving: Giving;
  /** By how much each joint has given so far, and those at the end of their range: what they can't give the others must. */
  readonly #changed = new Map<string, number>();
  readonly #stuck = new Set<string>();
  #bones: Skeleton;
  #up: Point;
  #along: Point;
  #floor: number;
  #pitch = 0;
  #roll = 0;

  constructor(
    angles: Turning,
    bones: Skeleton,
    { up, along }: Ground,
    floor: number,
    contacts: Contact[],
    giving: Giving,
  ) {
    this.#angles = angles;
    this.#bones = bones;
    this.#up = up;
    this.#along = along;
    this.#floor = floor;
    this.#contacts = contacts;
    this.#giving = giving;
  }

  run(): void {
    const { heightM, surfaces } = this.#giving;
    for (let step = 0; step < STEPS; step++) {
      for (const through of throughFloor(this.#bones, this.#up, this.#floor, heightM, this.#contacts, surfaces)) {
        this.#contacts.push(through);
      }
      if (this.#contacts.every((contact) => Math.abs(this.#gap(contact)) < NEAR) || !this.#step()) return;
    }
  }

  settled(pose: Pose, like: BasePosition, far: readonly Contact[]): Settled {
    const resting = [...this.#contacts.filter(({ free }) => !free), ...far];
    return {
      angles: this.#angles,
      bones: this.#bones,
      ground: { up: this.#up, along: this.#along, contacts: bearingPoints(pose, this.#bones, this.#up) },
      floor: this.#floor,
      tilt: tiltFrom(groundOf(pose, like, this.#angles, this.#bones), this.#up),
      gaps: gapsOf(resting, this.#bones, this.#up, this.#floor),
      bent: [...this.#changed].flatMap(([joint, degrees]) => (Math.abs(degrees) > MUCH ? [{ joint, degrees }] : [])),
    };
  }

  #gap({ place, rests }: Contact): number {
    return dot(place(this.#bones), this.#up) - this.#floor - rests;
  }

  /** One step of Gauss–Newton. @returns whether another may change something */
  #step(): boolean {
    const { gives, spine } = this.#giving;
    const joints = movable(this.#contacts, this.#stuck);
    const solver = new LeastSquares(JOINTS + joints.length + spine.length);
    solver.keep(PITCH, this.#pitch, gives.pitch);
    solver.keep(ROLL, this.#roll, gives.roll);
    solver.keep(HEIGHT, 0, ANY_HEIGHT);
    joints.forEach(({ key, joint }, i) => {
      solver.keep(JOINTS + i, this.#changed.get(key) ?? 0, GIVES[joint]);
    });
    spine.forEach((joint, i) => {
      solver.keep(JOINTS + joints.length + i, this.#changed.get(joint) ?? 0, GIVES[joint]);
    });
    this.#bringDown(solver, joints);
    const stuck = this.#stuck.size;
    const change = solver.solve().map((by, i) => (i === HEIGHT ? by : Math.max(-MOST_TURN, Math.min(MOST_TURN, by))));
    this.#turn(change, joints);
    return this.#stuck.size > stuck || change.some((by, i) => Math.abs(by) >= (i === HEIGHT ? NEAR / 10 : STILL));
  }

  /** Asks for every contact to come down, with what each unknown does to its height. */
  #bringDown(solver: LeastSquares, joints: readonly Movable[]): void {
    const { spine, heightM } = this.#giving;
    const [angles, bones, up] = [this.#angles, this.#bones, this.#up];
    const side = cross(this.#along, up);
    const axes = joints.map(({ limb, joint }) => axisOf(limb, joint, angles, bones));
    const bent = spine.map((joint) => trunkTurned(angles, joint, heightM));
    const row = new Float64Array(JOINTS + joints.length + spine.length);
    for (const contact of this.#contacts) {
      const at = contact.place(bones);
      const height = dot(at, up);
      const rises = (body: Skeleton | undefined) => (body ? dot(contact.place(body), up) - height : 0);
      row[PITCH] = contact.free ? 0 : dot(at, this.#along) * RADIANS;
      row[ROLL] = contact.free ? 0 : dot(at, side) * RADIANS;
      row[HEIGHT] = contact.free ? 0 : -1;
      for (let i = 0; i < joints.length; i++) {
        const { limb, joint } = joints[i] as Movable;
        const moves = limb === contact.limb && !(contact.above && joint === 'knee');
        row[JOINTS + i] = moves ? risesBy(axes[i] as Axis, at, up) : 0;
      }
      for (let i = 0; i < spine.length; i++) row[JOINTS + joints.length + i] = contact.free ? 0 : rises(bent[i]);
      solver.want(row, -this.#gap(contact), CONTACT_GIVES);
    }
  }

  #turn(change: Float64Array, joints: readonly Movable[]): void {
    const [pitch, roll, height] = [change[PITCH] as number, change[ROLL] as number, change[HEIGHT] as number];
    this.#pitch += pitch;
    this.#roll += roll;
    this.#floor += height;
    [this.#up, this.#along] = tipped(this.#up, this.#along, pitch);
    [this.#up, this.#along] = rolled(this.#up, this.#along, roll);
    const gave = (key: string, by: number) => this.#changed.set(key, (this.#changed.get(key) ?? 0) + by);
    joints.forEach(({ key, joint, side }, i) => {
      const wanted = change[JOINTS + i] as number;
      const by = turn(this.#angles, joint, side, wanted);
      gave(key, by);
      if (Math.abs(wanted - by) > 1e-9) this.#stuck.add(key);
    });
    this.#giving.spine.forEach((joint, i) => {
      gave(joint, turnTrunk(this.#angles, joint, change[JOINTS + joints.length + i] as number));
    });
    this.#bones = skeletonOf(this.#angles, this.#giving.heightM);
  }
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
    if (bears(pose, 'toes', side)) return heelUp(bones.leg[side], up);
    if (bears(pose, 'knees', side) || bears(pose, 'shins', side) || liesOnFront(like)) return LONG;
    if (bearsOnHands(like)) return legBears(pose, side) ? 0 : LOOSE;
    if (!bears(pose, 'feet', side)) return LOOSE;
    return soleFlat(bones.leg[side], up) ?? LOOSE;
  };
  return { ...angles, ankle: { left: lies('left'), right: lies('right') } };
}

/** Degrees by which a heel is lifted off a level sole while the toes stay. */
const HEEL_UP = 30;
/** Cosine of the slope up to which a shin stands. */
const STANDS = 0.75;

/** Under a shin that stands the heel comes up off a level sole; else the toes are tucked under, square to the shin. */
function heelUp(leg: Limb, up: Point): number {
  const stands = dot(unit(add(leg.middle, leg.end, -1)), up) > STANDS;
  const flat = stands ? soleFlat(leg, up) : null;
  return flat === null ? 0 : Math.min(flat + HEEL_UP, JOINT_RANGES.ankle[1]);
}

/** Degrees of the ankle at which a sole lies level under its shin, read from a foot square to it; `null` where it can't. */
export function soleFlat({ middle, end, tip }: Limb, up: Point): number | null {
  const shin = unit(add(end, middle, -1));
  // At 0 the sole stands square to the shin.
  const sole = unit(add(tip, end, -1));
  const [down, front] = [dot(shin, up), dot(sole, up)];
  const degrees = Math.atan2(front, -down) / RADIANS;
  const [least, most] = JOINT_RANGES.ankle;
  return degrees >= least && degrees <= most - 15 ? degrees : null;
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
  if (bearsOnHands(like) || liesOnSide(like)) return [];
  return [...(upper ? (['lumbar', 'thoracic'] as const) : []), ...(head ? (['neck'] as const) : [])];
}

/** Degrees by which a joint had to give that was not meant so. */
const MUCH = 45;

const SAID: Tilt = { pitch: TURNS.said, roll: TURNS.said };

/** A trunk that lies as it is written stays so: its limbs give way and it does not tip up for them. */
function trunkLies(contacts: readonly Contact[], heights: readonly number[]): boolean {
  const trunk = heights.filter((_height, i) => contacts[i]?.limb === null);
  return trunk.length > 1 && Math.max(...trunk) - Math.min(...trunk) < CLOSE;
}

function turnGives(pose: Pose, like: BasePosition): Tilt {
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

function movable(contacts: readonly Contact[], stuck: ReadonlySet<string>): Movable[] {
  const found: Movable[] = [];
  for (const limb of LIMBS) {
    if (!contacts.some((contact) => contact.limb === limb)) continue;
    for (const each of MOVABLE[limb]) if (!stuck.has(each.key)) found.push(each);
  }
  return found;
}
