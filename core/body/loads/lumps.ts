import { type Pose, SIDES, type Side } from '../poses/pose';
import { CENTRE, MASS, type Point, type Skeleton } from '../poses/skeleton';
import type { Posed } from '../settling/posed';

/** Newtons per kilogram. */
export const GRAVITY = 9.81;

export interface ReferenceBody {
  readonly bodyMassKg: number;
  readonly bodyHeightM: number;
}

/**
 * Parts of the body added up: their kilograms, and each one's kilograms times where it is. Every moment of a group is
 * linear in these four sums, so no list of parts is ever made: loads run for every moment of every rung.
 */
export interface Lump {
  kg: number;
  x: number;
  y: number;
  z: number;
}

export const lump = (): Lump => ({ kg: 0, x: 0, y: 0, z: 0 });

/** Adds a part whose centre is a share of the way from one joint to another. */
export function put(sum: Lump, kg: number, from: Point, to: Point = from, share = 0): Lump {
  sum.kg += kg;
  sum.x += kg * (from.x + (to.x - from.x) * share);
  sum.y += kg * (from.y + (to.y - from.y) * share);
  sum.z += kg * (from.z + (to.z - from.z) * share);
  return sum;
}

export function join(sum: Lump, other: Lump): Lump {
  sum.kg += other.kg;
  sum.x += other.x;
  sum.y += other.y;
  sum.z += other.z;
  return sum;
}

export const putHead = (sum: Lump, bones: Skeleton, pose: Pose, body: ReferenceBody): Lump =>
  put(sum, MASS.head * body.bodyMassKg + (pose.weights?.head ?? 0), bones.head);

export const pelvisOf = (bones: Skeleton, pose: Pose, body: ReferenceBody): Lump =>
  put(lump(), MASS.pelvis * body.bodyMassKg + (pose.weights?.pelvis ?? 0), bones.hip, bones.lumbar, 0.5);

export function trunkOf({ lumbar, waist, ribs, shoulder }: Skeleton, { bodyMassKg: kg }: ReferenceBody): Lump {
  const sum = put(lump(), MASS.abdomen * kg, lumbar, waist, 0.5);
  put(sum, MASS.thorax * kg * 0.5, waist, ribs, 0.5);
  return put(sum, MASS.thorax * kg * 0.5, ribs, shoulder, 0.5);
}

export function withHeadAndArms(trunk: Lump, { bones, pose }: Posed, body: ReferenceBody): Lump {
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

export function putThigh(sum: Lump, bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Lump {
  const { root, middle } = bones.leg[side];
  put(sum, MASS.thigh * body.bodyMassKg, root, middle, CENTRE.thigh);
  return put(sum, pose.weights?.[`knee.${side}`] ?? 0, middle);
}

export function legOf(bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Lump {
  const { middle, end } = bones.leg[side];
  const sum = putThigh(lump(), bones, pose, side, body);
  put(sum, MASS.shank * body.bodyMassKg, middle, end, CENTRE.shank);
  return put(sum, MASS.foot * body.bodyMassKg + (pose.weights?.[`foot.${side}`] ?? 0), end);
}

/** Size of the moment of weights about a pivot: each weight times its horizontal distance, as vectors. */
export function momentOf(sum: Lump, pivot: Point, up: Point): number {
  const x = sum.x - sum.kg * pivot.x;
  const y = sum.y - sum.kg * pivot.y;
  const z = sum.z - sum.kg * pivot.z;
  const upward = x * up.x + y * up.y + z * up.z;
  return GRAVITY * Math.sqrt(Math.max(0, x * x + y * y + z * z - upward * upward));
}

/** Whether a group of parts, drawn down, turns towards the front of the pelvis about a point of the spine above it. */
export function pullsForward(sum: Lump, pivot: Point, up: Point): boolean {
  const [x, y] = [sum.x - sum.kg * pivot.x, sum.y - sum.kg * pivot.y];
  return y * up.x - x * up.y > 0;
}
