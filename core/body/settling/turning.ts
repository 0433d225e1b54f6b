import { type Angles, JOINT_RANGES, type LimbJoint, type Side, type TrunkJoint } from '../poses/pose';
import {
  add,
  armOf,
  cross,
  dot,
  type Limb,
  legOf,
  type Point,
  type Skeleton,
  skeletonOf,
  unit,
} from '../poses/skeleton';
import { RADIANS } from '../poses/tilt';

/** Far from where it lies a body is not straight: no joint turns more than this at a step, degrees. */
export const MOST_TURN = 20;

/** A limb by its name. */
export type LimbName = `${'arm' | 'leg'}.${Side}`;

/** Angles that are turned in place: a copy for every degree tried would take longer than all else. */
export type Turning = { readonly [J in LimbJoint | 'armTurn']: Record<Side, number> } & {
  -readonly [J in TrunkJoint]: number;
};

export const turningOf = (angles: Angles): Turning => ({
  ...angles,
  hip: { ...angles.hip },
  knee: { ...angles.knee },
  shoulder: { ...angles.shoulder },
  elbow: { ...angles.elbow },
  hipAbduction: { ...angles.hipAbduction },
  hipRotation: { ...angles.hipRotation },
  shoulderAbduction: { ...angles.shoulderAbduction },
  ankle: { ...angles.ankle },
  armTurn: { ...angles.armTurn },
});

/** Degrees an upper arm may turn about itself, either way. */
const ARM_TURN = 80;

/** Turns a joint as far as its range goes. @returns by how much it turned */
export function turn(angles: Turning, joint: LimbJoint | 'armTurn', side: Side, degrees: number): number {
  const [least, most] = joint === 'armTurn' ? [-ARM_TURN, ARM_TURN] : JOINT_RANGES[joint];
  const before = angles[joint][side];
  angles[joint][side] = Math.min(most, Math.max(least, before + degrees));
  return angles[joint][side] - before;
}

/** The body as it would be with a joint of its trunk turned by a degree. */
export function trunkTurned(angles: Turning, joint: TrunkJoint, heightM: number): Skeleton {
  const before = angles[joint];
  angles[joint] = before + 1;
  const moved = skeletonOf(angles, heightM);
  angles[joint] = before;
  return moved;
}

export function turnTrunk(angles: Turning, joint: TrunkJoint, degrees: number): number {
  const [least, most] = JOINT_RANGES[joint];
  const before = angles[joint];
  angles[joint] = Math.min(most, Math.max(least, before + degrees));
  return angles[joint] - before;
}

/** The line a joint turns about: its direction, of length 1, and a point on it. */
export interface Axis {
  readonly along: Point;
  readonly through: Point;
}

const [SINE, VERSINE] = [Math.sin(RADIANS), 1 - Math.cos(RADIANS)];

/**
 * How a point of a limb moves as a joint turns by a degree. By a degree and not by the tangent: a straight limb comes
 * shorter as it bends, which its tangent does not know.
 */
export function movedBy({ along, through }: Axis, point: Point): Point {
  const way = add(point, through, -1);
  const across = cross(along, way);
  const inward = add(way, along, -dot(along, way));
  return {
    x: across.x * SINE - inward.x * VERSINE,
    y: across.y * SINE - inward.y * VERSINE,
    z: across.z * SINE - inward.z * VERSINE,
  };
}

/** By how much that raises the point, without a thing made on the way: it is asked for every contact and joint. */
export function risesBy({ along: a, through }: Axis, point: Point, up: Point): number {
  const [x, y, z] = [point.x - through.x, point.y - through.y, point.z - through.z];
  const across = (a.y * z - a.z * y) * up.x + (a.z * x - a.x * z) * up.y + (a.x * y - a.y * x) * up.z;
  const inward = x * up.x + y * up.y + z * up.z - (a.x * x + a.y * y + a.z * z) * dot(a, up);
  return across * SINE - inward * VERSINE;
}

const LEG_SIDEWAYS: Point = { x: 0, y: 0, z: -1 };
const minus = (p: Point): Point => ({ x: -p.x, y: -p.y, z: -p.z });

/**
 * What a joint of a limb turns about, as `legOf` and `armOf` turn it: bent forward first, then out to the side, then
 * about itself, then folded in the middle. By it a turn's effect is known without posing the limb anew.
 */
export function axisOf(name: LimbName, joint: LimbJoint | 'armTurn', angles: Angles, bones: Skeleton): Axis {
  const side: Side = name.endsWith('left') ? 'left' : 'right';
  const out = side === 'right' ? 1 : -1;
  const leg = name.startsWith('leg');
  const { root, middle, fold } = (leg ? bones.leg : bones.arm)[side];
  switch (joint) {
    case 'hip':
      return { along: LEG_SIDEWAYS, through: root };
    case 'shoulder':
      return { along: minus(bones.chest.right), through: root };
    case 'hipAbduction':
    case 'shoulderAbduction': {
      const bent = (leg ? angles.hip : angles.shoulder)[side] * RADIANS;
      const { up, front } = leg ? bones.pelvis : bones.chest;
      const [s, c] = [out * Math.sin(bent), out * Math.cos(bent)];
      return {
        along: { x: up.x * s + front.x * c, y: up.y * s + front.y * c, z: up.z * s + front.z * c },
        through: root,
      };
    }
    case 'hipRotation':
      return { along: unit(add(root, middle, -1), out), through: root };
    case 'armTurn':
      return { along: unit(add(middle, root, -1), out), through: root };
    default:
      return { along: cross(unit(add(middle, root, -1)), fold), through: middle };
  }
}

export function limbOf(limb: LimbName, angles: Angles, bones: Skeleton, heightM: number): Limb {
  const side: Side = limb.endsWith('left') ? 'left' : 'right';
  return limb.startsWith('leg')
    ? legOf(side, angles, heightM)
    : armOf(side, angles, bones.chest, bones.shoulder, heightM);
}
