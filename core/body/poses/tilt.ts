import type { Ground } from '../settling/ground';
import { add, cross, dot, type Point } from './skeleton';

/** Degrees the head end was raised, and the body rolled about its own line, beyond how its angles alone let it lie. */
export interface Tilt {
  readonly pitch: number;
  readonly roll: number;
}

export const LEVEL: Tilt = { pitch: 0, roll: 0 };

export const RADIANS = Math.PI / 180;

/** The room's directions of a body, level as its angles let it lie. */
type Lies = Pick<Ground, 'up' | 'along'>;

/** Those directions once the body is turned as a whole. */
export function tilted({ up, along }: Lies, { pitch, roll }: Tilt): Lies {
  const [tippedUp, tippedAlong] = tipped(up, along, pitch);
  const [up2, along2] = rolled(tippedUp, tippedAlong, roll);
  return { up: up2, along: along2 };
}

/** On the way from one tilt to another. @param share 0 to 1 */
export const tiltBetween = (a: Tilt, b: Tilt, share: number): Tilt => ({
  pitch: a.pitch + (b.pitch - a.pitch) * share,
  roll: a.roll + (b.roll - a.roll) * share,
});

/** How a body lies that would lie otherwise by its angles alone. */
export function tiltFrom(ground: Lies, up: Point): Tilt {
  const pitch = Math.atan2(dot(up, ground.along), dot(up, ground.up)) / RADIANS;
  const [tippedUp, along] = tipped(ground.up, ground.along, pitch);
  const roll = Math.atan2(dot(up, cross(along, tippedUp)), dot(up, tippedUp)) / RADIANS;
  return { pitch, roll };
}

/** The head end raised by some degrees. */
export function tipped(up: Point, along: Point, degrees: number): [Point, Point] {
  const [c, s] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)];
  return [add(scaled(up, c), along, s), add(scaled(along, c), up, -s)];
}

/** The body rolled about the line it lies along. */
export function rolled(up: Point, along: Point, degrees: number): [Point, Point] {
  const side = cross(along, up);
  return [add(scaled(up, Math.cos(degrees * RADIANS)), side, Math.sin(degrees * RADIANS)), along];
}

const scaled = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by, z: p.z * by });
