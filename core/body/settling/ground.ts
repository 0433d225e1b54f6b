import { isUpright, liesOnBack, liesOnSide } from '../../vocabulary/bodies/position';
import { type Angles, headBears, type Pose, pelvisBears, ribsBear } from '../poses/pose';
import { add, dot, type Point, type Skeleton } from '../poses/skeleton';
import { leanOf } from '../poses/upright';
import type { BasePosition } from '../position';
import { type Contacts, contactsOf } from './contacts';

/** The room's own directions, seen from the pelvis. */
export interface Ground {
  /** Straight up. */
  readonly up: Point;
  /** Level, in the plane of the spine: towards the head when lying, towards the front when upright. */
  readonly along: Point;
  readonly contacts: Contacts;
}

const cos = (degrees: number) => Math.cos((degrees * Math.PI) / 180);
const sin = (degrees: number) => Math.sin((degrees * Math.PI) / 180);

/** Up for a level trunk in each position. Side-lying poses are written lying on the left. */
function levelUp(like: BasePosition, roll: number): Point {
  if (liesOnSide(like)) return { x: 0, y: 0, z: 1 };
  const out = liesOnBack(like) ? 1 : -1;
  return { x: 0, y: out * cos(roll), z: out * sin(roll) };
}

/** Whether the body is held off the floor by its limbs (or shoulders and feet) and not by the pelvis. */
export const isPropped = (pose: Pose, like: BasePosition): boolean => !isUpright(like) && !pelvisBears(pose);

/**
 * How the body lies in the room. A propped body settles until what it rests on is level, then takes its pitch;
 * lying on the ribs and the head, a tilt or a twist turns the pelvis and not the chest. With no pitch said, sitting up
 * from the back rolls the pelvis until resting legs lie down, and a pelvis swung up over the ribs leaves them flat.
 */
export function groundOf(pose: Pose, like: BasePosition, angles: Angles, bones: Skeleton): Ground {
  if (isUpright(like)) {
    const pitch = angles.pitch + leanOf(pose, like, bones);
    const up: Point = { x: cos(pitch), y: sin(pitch), z: 0 };
    return { up, along: { x: -sin(pitch), y: cos(pitch), z: 0 }, contacts: contactsOf(pose, bones, up) };
  }
  const up = levelUp(like, ribsBear(pose) ? angles.twist : 0);
  const along: Point = { x: 1, y: 0, z: 0 };
  const contacts = contactsOf(pose, bones, up);
  return { ...turned(up, along, settled(pose, like, bones, contacts, up, along) + angles.pitch), contacts };
}

/** Degrees the head end rises before its pitch, for the body to lie on what it rests on. */
function settled(pose: Pose, like: BasePosition, bones: Skeleton, contacts: Contacts, up: Point, along: Point): number {
  if (isPropped(pose, like) && contacts.lower) return settle(contacts, up, along);
  const chest = ribsBear(pose) && headBears(pose);
  if (chest && pelvisBears(pose)) return chestDown(bones, up, along);
  // Rolled up from the pelvis, or over on the chest: a pose that says its pitch says how far itself.
  if (pose.pitch !== undefined) return 0;
  if (liesOnBack(like) && pelvisBears(pose) && !ribsBear(pose)) return sitUp(bones, contacts, up, along);
  return chest ? chestDown(bones, up, along) : 0;
}

/** Degrees the head end must rise for the upper and the lower contact to be level. */
function settle({ upper, lower }: Contacts, up: Point, along: Point): number {
  if (!upper || !lower) return 0;
  const span = add(upper, lower, -1);
  const run = dot(span, along);
  return run < 0.1 ? 0 : (-Math.atan2(dot(span, up), run) * 180) / Math.PI;
}

/** Degrees the pelvis rolls up when the chest has left the floor, until legs said to rest come down to it. */
function sitUp({ hip }: Skeleton, { lower }: Contacts, up: Point, along: Point): number {
  if (!lower) return 0;
  const leg = add(lower, hip, -1);
  return Math.max(0, (Math.atan2(dot(leg, up), -dot(leg, along)) * 180) / Math.PI);
}

/** Degrees the head end must rise for a chest at rest to lie flat. */
function chestDown({ ribs, shoulder }: Skeleton, up: Point, along: Point): number {
  const chest = add(shoulder, ribs, -1);
  return (-Math.atan2(dot(chest, up), dot(chest, along)) * 180) / Math.PI;
}

/** The room's directions once the head end is raised by some degrees. */
function turned(up: Point, along: Point, raised: number): { up: Point; along: Point } {
  return {
    up: add(scaled(up, cos(raised)), along, sin(raised)),
    along: add(scaled(along, cos(raised)), up, -sin(raised)),
  };
}

const scaled = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by, z: p.z * by });
