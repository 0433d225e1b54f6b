import { facingBetween } from '../poses/facing';
import { cross, dot, type Point, skeletonOf } from '../poses/skeleton';
import { anglesBetween, part } from './move';
import type { Settled } from './resting';

/** A body as it lies, and where it is in the room: metres along the mat and across it, to the middle of its hips. */
export interface Placed extends Pick<Settled, 'angles' | 'bones' | 'ground' | 'floor'> {
  readonly x: number;
  readonly z: number;
}

/** Where a point of a body is in the room: along the mat, above the floor, across the mat; metres. */
export function inTheRoom(
  { ground: { up, along }, floor, x, z }: Omit<Placed, 'angles' | 'bones'>,
  point: Point,
): Point {
  return { x: dot(point, along) + x, y: dot(point, up) - floor, z: dot(point, cross(up, along)) + z };
}

/**
 * Between two bodies: every joint, the turn of the whole and its place, evenly. Nothing is settled.
 * @param share 0 to 1
 */
export function placedBetween(a: Placed, b: Placed, share: number, heightM: number): Placed {
  const angles = anglesBetween(a.angles, b.angles, share);
  const ground = { ...facingBetween(a.ground, b.ground, share), contacts: (share < 0.5 ? a : b).ground.contacts };
  return {
    angles,
    bones: skeletonOf(angles, heightM),
    ground,
    floor: part(a.floor, b.floor, share),
    x: part(a.x, b.x, share),
    z: part(a.z, b.z, share),
  };
}
