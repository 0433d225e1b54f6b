import { type Facing, facingTurned } from '../poses/facing';
import type { Angles, LimbJoint, Side, TrunkJoint } from '../poses/pose';
import { cross, dot, type Point, type Skeleton, skeletonOf } from '../poses/skeleton';
import { RADIANS } from '../poses/tilt';
import { LeastSquares } from './leastSquares';
import type { Bearing } from './resting';
import {
  axisOf,
  type LimbName,
  MOST_TURN,
  movedBy,
  type Turning,
  trunkTurned,
  turn,
  turningOf,
  turnTrunk,
} from './turning';

/** A point of a body that is to be somewhere in the room. */
export interface Want {
  /** The limb it belongs to; a part of the trunk has none. */
  readonly limb: LimbName | null;
  readonly place: (bones: Bearing) => Point;
  /** Metres along the mat, above the floor and across the mat. */
  readonly to: Point;
  /** Metres by which it gives along the floor, as a standard deviation; `null` where it may be anywhere along it. */
  readonly across: number | null;
  /** The same for its height. */
  readonly rise: number;
  /** It is above the knee or the elbow: folding that moves it not. */
  readonly above?: boolean;
}

/** What a body gives by that is brought somewhere, as standard deviations: degrees, and metres of its place. */
const GIVES = { place: 0.12, height: 0.12 } as const;
/** A trunk that lies keeps its line: its limbs give way, and it does not roll over for them. */
const TURNS = { free: { turn: 7, yaw: 4 }, lying: { turn: 1, yaw: 1 } } as const;
const LEG_GIVES = { hip: 14, knee: 14, hipAbduction: 7, hipRotation: 20 } as const;
const ARM_GIVES = { shoulder: 14, elbow: 14, shoulderAbduction: 9, armTurn: 30 } as const;
const WHOLE = { height: GIVES.height, x: GIVES.place, z: GIVES.place };
/** How much shorter a step is tried again that leads away, and the least there is. */
const SHORTER = 0.35;
const LEAST = 0.1;
const SPINE: readonly TrunkJoint[] = ['lumbar', 'thoracic', 'sideBend'];
const SPINE_GIVES = 6;

/** A joint of a limb that gives way. */
interface Movable {
  readonly key: string;
  readonly limb: LimbName;
  readonly joint: LimbJoint | 'armTurn';
  readonly side: Side;
  readonly gives: number;
}

function movableOf(limb: LimbName): readonly Movable[] {
  const side: Side = limb.endsWith('right') ? 'right' : 'left';
  const joints = Object.entries(limb.startsWith('leg') ? LEG_GIVES : ARM_GIVES) as Array<[Movable['joint'], number]>;
  return joints.map(([joint, gives]) => ({ key: `${joint}.${side}`, limb, joint, side, gives }));
}

/** The unknowns of a step: how the whole body turns and moves, then its joints. */
const [PITCH, ROLL, YAW, HEIGHT, X, Z, JOINTS] = [0, 1, 2, 3, 4, 5, 6] as const;
const NOWHERE: Point = { x: 0, y: 0, z: 0 };
/** Metres within which a body is where it should be, and degrees under which a step changes nothing to speak of. */
const NEAR = 0.0015;
const STILL = 0.05;

/**
 * Brings points of a body to where they should be in the room by the least change of all its joints and of the whole, by
 * damped least squares (Gauss–Newton) within the joints' ranges: what is planted stays where it bears.
 */
export class Bringing {
  angles: Turning;
  bones: Skeleton;
  facing: Facing;
  floor: number;
  x: number;
  z: number;
  readonly #heightM: number;
  readonly #turns: keyof typeof TURNS;
  /** By how much each unknown has given so far, by its name. */
  #changed = new Map<string, number>();
  /** Joints at the end of their range: what they can't give the others must. */
  readonly #stuck = new Set<string>();

  /** @param lies whether its trunk lies on the floor, on two parts of it or more */
  constructor(
    { angles, facing, floor, x, z }: { angles: Angles; facing: Facing; floor: number; x: number; z: number },
    heightM: number,
    lies = false,
  ) {
    this.#turns = lies ? 'lying' : 'free';
    this.angles = turningOf(angles);
    this.bones = skeletonOf(this.angles, heightM);
    this.facing = facing;
    this.floor = floor;
    this.x = x;
    this.z = z;
    this.#heightM = heightM;
  }

  /** Degrees by which the joint that gave most has given; what a limb turns about itself is seen least. */
  mostBent(): number {
    const turns = [...this.#changed].filter(([name]) => !/^(?:armTurn|hipRotation|height|x|z)\b/.test(name));
    return turns.reduce((most, [, by]) => Math.max(most, Math.abs(by)), 0);
  }

  /** Begins with what another has given, a moment before: much the same will do. */
  beginAs(other: Bringing): void {
    const { angles } = this;
    for (const [name, by] of other.#changed) {
      const [joint, side] = name.split('.') as [LimbJoint, Side?];
      const bends = SPINE.find((each) => each === name);
      const gave = side ? turn(angles, joint, side, by) : bends ? turnTrunk(angles, bends, by) : by;
      this.#changed.set(name, gave);
    }
    const by = (name: string) => this.#changed.get(name) ?? 0;
    this.facing = facingTurned(this.facing, by('pitch') * RADIANS, by('roll') * RADIANS, by('yaw') * RADIANS);
    this.floor += by('height');
    this.x += by('x');
    this.z += by('z');
    this.bones = skeletonOf(angles, this.#heightM);
  }

  /** Lays a foot's sole as it is said, degrees of its ankle. */
  setAnkle(side: Side, degrees: number): void {
    this.angles.ankle[side] = degrees;
    this.bones = skeletonOf(this.angles, this.#heightM);
  }

  /** Where a point is in the room. */
  readonly at = (point: Point): Point => {
    const { up, along } = this.facing;
    return { x: dot(point, along) + this.x, y: dot(point, up) - this.floor, z: dot(point, cross(up, along)) + this.z };
  };

  /** How far a point is from where it should be. */
  gap({ place, to, across }: Want): number {
    const at = this.at(place(this.bones));
    return across === null ? Math.abs(at.y - to.y) : Math.hypot(at.x - to.x, at.y - to.y, at.z - to.z);
  }

  /**
   * Steps until all is where it should be, or nothing changes any more.
   * @param wants what should be where, asked anew after each step: more may go through the floor by then
   */
  run(wants: () => readonly Want[], steps: number): void {
    for (let step = 0; step < steps; step++) {
      const all = wants();
      if (all.every((want) => this.gap(want) < NEAR) || !this.#step(all)) return;
    }
  }

  #step(wants: readonly Want[]): boolean {
    const limbs = new Set(wants.flatMap(({ limb }) => limb ?? []));
    const joints: readonly Movable[] = [...limbs].flatMap(movableOf).filter(({ key }) => !this.#stuck.has(key));
    const size = JOINTS + joints.length + SPINE.length;
    const solver = new LeastSquares(size);
    const keep = (i: number, name: string, gives: number) => solver.keep(i, this.#changed.get(name) ?? 0, gives);
    const { turn: turns, yaw } = TURNS[this.#turns];
    keep(PITCH, 'pitch', turns);
    keep(ROLL, 'roll', turns);
    keep(YAW, 'yaw', yaw);
    keep(HEIGHT, 'height', GIVES.height);
    keep(X, 'x', GIVES.place);
    keep(Z, 'z', GIVES.place);
    joints.forEach(({ key, gives }, i) => {
      keep(JOINTS + i, key, gives);
    });
    SPINE.forEach((joint, i) => {
      keep(JOINTS + joints.length + i, joint, SPINE_GIVES);
    });
    this.#ask(solver, wants, joints, size);
    return this.#goes(solver.solve(), wants, joints);
  }

  /** Asks for every point to be where it should, with what each unknown does to it. */
  #ask(solver: LeastSquares, wants: readonly Want[], joints: readonly Movable[], size: number): void {
    const { bones, angles } = this;
    const { up, along } = this.facing;
    const side = cross(up, along);
    const axes = joints.map(({ limb, joint }) => axisOf(limb, joint, angles, bones));
    const bent = SPINE.map((joint) => trunkTurned(angles, joint, this.#heightM));
    const rows = { x: new Float64Array(size), y: new Float64Array(size), z: new Float64Array(size) };
    for (const { limb, place, to, across, rise, above } of wants) {
      const p = place(bones);
      const [a, u, s] = [dot(p, along), dot(p, up), dot(p, side)];
      const put = (i: number, dx: number, dy: number, dz: number) => {
        rows.x[i] = dx;
        rows.y[i] = dy;
        rows.z[i] = dz;
      };
      put(PITCH, -u * RADIANS, a * RADIANS, 0);
      put(ROLL, 0, -s * RADIANS, u * RADIANS);
      put(YAW, s * RADIANS, 0, -a * RADIANS);
      put(HEIGHT, 0, -1, 0);
      put(X, 1, 0, 0);
      put(Z, 0, 0, 1);
      joints.forEach((movable, i) => {
        const moves = movable.limb === limb && !(above && (movable.joint === 'knee' || movable.joint === 'elbow'));
        const axis = axes[i];
        const by = moves && axis ? movedBy(axis, p) : NOWHERE;
        put(JOINTS + i, dot(by, along), dot(by, up), dot(by, side));
      });
      bent.forEach((body, i) => {
        const q = place(body);
        put(JOINTS + joints.length + i, dot(q, along) - a, dot(q, up) - u, dot(q, side) - s);
      });
      solver.want(rows.y, to.y - (u - this.floor), rise);
      if (across === null) continue;
      solver.want(rows.x, to.x - (a + this.x), across);
      solver.want(rows.z, to.z - (s + this.z), across);
    }
  }

  /** Goes as far along a step as brings the body nearer: far off, what a joint does is not what it begins to do. */
  #goes(change: Float64Array, wants: readonly Want[], joints: readonly Movable[]): boolean {
    const { angles, bones, facing, floor, x, z } = this;
    const changed = this.#changed;
    const before = this.#cost(wants, joints);
    for (let share = 1; ; share *= SHORTER) {
      this.angles = turningOf(angles);
      this.#changed = new Map(changed);
      const more = this.#turn(share === 1 ? change : change.map((by) => by * share), joints);
      if (share < LEAST || this.#cost(wants, joints) <= before) return more;
      Object.assign(this, { bones, facing, floor, x, z });
    }
  }

  /** What is wanted and kept, as the solver weighs it. */
  #cost(wants: readonly Want[], joints: readonly Movable[]): number {
    const { turn: turns, yaw } = TURNS[this.#turns];
    const own = new Map<string, number>(joints.map(({ key, gives }) => [key, gives]));
    const whole: Readonly<Record<string, number>> = { pitch: turns, roll: turns, yaw, ...WHOLE };
    let cost = 0;
    for (const [name, by] of this.#changed) {
      const gives = own.get(name) ?? whole[name] ?? SPINE_GIVES;
      cost += (by / gives) ** 2;
    }
    for (const { place, to, across, rise } of wants) {
      const at = this.at(place(this.bones));
      cost += ((at.y - to.y) / rise) ** 2;
      if (across !== null) cost += ((at.x - to.x) ** 2 + (at.z - to.z) ** 2) / across ** 2;
    }
    return cost;
  }

  /** @returns whether another step may change something */
  #turn(change: Float64Array, joints: readonly Movable[]): boolean {
    const degrees = (i: number) => Math.max(-MOST_TURN, Math.min(MOST_TURN, change[i] as number));
    const gave = (name: string, by: number) => this.#changed.set(name, (this.#changed.get(name) ?? 0) + by);
    const [pitch, roll, yaw] = [degrees(PITCH), degrees(ROLL), degrees(YAW)];
    this.facing = facingTurned(this.facing, pitch * RADIANS, roll * RADIANS, yaw * RADIANS);
    gave('pitch', pitch);
    gave('roll', roll);
    gave('yaw', yaw);
    this.floor += change[HEIGHT] as number;
    this.x += change[X] as number;
    this.z += change[Z] as number;
    gave('height', change[HEIGHT] as number);
    gave('x', change[X] as number);
    gave('z', change[Z] as number);
    joints.forEach(({ key, joint, side }, i) => {
      const wanted = degrees(JOINTS + i);
      const by = turn(this.angles, joint, side, wanted);
      gave(key, by);
      if (Math.abs(wanted - by) > 1e-6) this.#stuck.add(key);
    });
    SPINE.forEach((joint, i) => {
      gave(joint, turnTrunk(this.angles, joint, degrees(JOINTS + joints.length + i)));
    });
    this.bones = skeletonOf(this.angles, this.#heightM);
    return change.some((by, i) => Math.abs(by) >= (i >= HEIGHT && i < JOINTS ? NEAR / 4 : STILL));
  }
}
