import { add, cross, dot, type Point, unit } from './skeleton';

/** How a body lies in the room: the room's directions, seen from its pelvis, each of length 1 and square to the other. */
export interface Facing {
  /** Straight up. */
  readonly up: Point;
  /** Level, along the mat. */
  readonly along: Point;
}

const times = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by, z: p.z * by });

/** A direction turned about a line, by an angle in radians (Rodrigues). */
function turnedAbout(way: Point, line: Point, angle: number): Point {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return add(add(times(way, c), cross(line, way), s), line, dot(line, way) * (1 - c));
}

/** Under this sine of the turn between them two facings are one, or opposite. */
const NONE = 1e-9;

/** Turns a body as a whole from one facing to another by the shortest turn. @param share 0 to 1 */
export function facingBetween(a: Facing, b: Facing, share: number): Facing {
  const [sideA, sideB] = [cross(a.up, a.along), cross(b.up, b.along)];
  const axes = [
    [a.up, b.up],
    [a.along, b.along],
    [sideA, sideB],
  ] as const;
  const cosine = (dot(a.up, b.up) + dot(a.along, b.along) + dot(sideA, sideB) - 1) / 2;
  const angle = Math.acos(Math.max(-1, Math.min(1, cosine)));
  // The sum of the crosses lies along the line it turns about, twice the sine long.
  const sum = axes.reduce<Point>((all, [from, to]) => add(all, cross(from, to)), { x: 0, y: 0, z: 0 });
  if (Math.hypot(sum.x, sum.y, sum.z) < NONE) return share < 0.5 ? a : b;
  const line = unit(sum);
  return squared({ up: turnedAbout(a.up, line, angle * share), along: turnedAbout(a.along, line, angle * share) });
}

/** The body turned as a whole, by radians about its side, the mat's line and the upright. */
export function facingTurned({ up, along }: Facing, pitch: number, roll: number, yaw: number): Facing {
  const side = cross(up, along);
  const turned = (way: Point) => turnedAbout(turnedAbout(turnedAbout(way, side, pitch), along, roll), up, yaw);
  return squared({ up: turned(up), along: turned(along) });
}

/** Square again, and of length 1, after many small turns. */
function squared({ up, along }: Facing): Facing {
  const straight = unit(up);
  return { up: straight, along: unit(add(along, straight, -dot(along, straight))) };
}
