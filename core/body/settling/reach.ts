import { liesOnSide } from '../../vocabulary/bodies/position';
import { type Pose, pelvisBears, ribsBear, SIDES, type Side, supportsOf } from '../poses/pose';
import { add, between, dot, type Limb, type Point } from '../poses/skeleton';
import type { BasePosition } from '../position';
import { isPropped } from './ground';
import { asWritten, type Posed } from './posed';

/**
 * How far above its floor a support may be written and still be taken as resting, in metres: poses are written to
 * the nearest few degrees, flesh has thickness, and a heel or a fist lifts a hand's breadth.
 */
const SLACK_M = 0.34;
/** Lying on a side, the upper limb rests on the lower one, a hip's breadth higher. */
const STACKED_M = 0.3;
/** A wrist this near a leg's bones, in metres, rests on the leg. */
const ON_LEG_M = 0.2;

const PART = /^(foot|heel|toe|shin|knee|thigh|hand|fist|forearm|elbow)\.(left|right)$/;
const OF_LEG = new Set(['foot', 'heel', 'toe', 'shin', 'knee', 'thigh']);

/** Whether a limb of a pose as it is written rests on something higher than the floor. */
export function restsAbove(pose: Pose, like: BasePosition, heightM: number): boolean {
  const posed = asWritten(pose, like, heightM);
  return [...supportsOf(pose)].some((part) => {
    const found = PART.exec(part);
    if (!found) return false;
    const [, name = '', side = 'left'] = found as unknown as [string, string, Side];
    return heightOf(posed, name, side) > slackOf(like) && !onOwnLeg(posed, name, side);
  });
}

const slackOf = (like: BasePosition): number => SLACK_M + (liesOnSide(like) ? STACKED_M : 0);

/** Hands may rest on a thigh or a shin. */
function onOwnLeg({ bones }: Posed, part: string, side: Side): boolean {
  if (part !== 'hand' && part !== 'fist') return false;
  const wrist = bones.arm[side].end;
  return SIDES.some((each) => {
    const { root, middle, end } = bones.leg[each];
    return Math.min(distanceTo(wrist, root, middle), distanceTo(wrist, middle, end)) < ON_LEG_M;
  });
}

/** Metres from a point to the line between two others. */
export function distanceTo(point: Point, from: Point, to: Point): number {
  const along = add(to, from, -1);
  const share = Math.max(0, Math.min(1, dot(add(point, from, -1), along) / dot(along, along)));
  const gap = add(point, between(from, to, share), -1);
  return Math.hypot(gap.x, gap.y, gap.z);
}

/** Metres from what the body rests on up to one of its supports. */
function heightOf(posed: Posed, part: string, side: Side): number {
  const { pose, like, bones, ground } = posed;
  const at = dot(pointOf(OF_LEG.has(part) ? bones.leg[side] : bones.arm[side], part), ground.up);
  if (isPropped(pose, like)) return at - proppedFloor(posed, at);
  return at - restingFloor(posed);
}

function pointOf({ root, middle, end, tip }: Limb, part: string): Point {
  if (part === 'toe') return tip;
  if (part === 'knee' || part === 'elbow') return middle;
  if (part === 'thigh') return between(root, middle, 0.5);
  if (part === 'shin' || part === 'forearm') return between(middle, end, 0.5);
  return end;
}

/** The lowest part that rests: where a lying, a sitting or a standing body's floor is. */
function restingFloor({ pose, bones, ground }: Posed): number {
  const trunk = [...(pelvisBears(pose) ? [bones.hip] : []), ...(ribsBear(pose) ? [bones.shoulder] : [])];
  const limbs = [...supportsOf(pose)].flatMap((part) => {
    const found = PART.exec(part);
    if (!found) return [];
    const [, name = '', side = 'left'] = found;
    return [pointOf((OF_LEG.has(name) ? bones.leg : bones.arm)[side as Side], name)];
  });
  // A lying trunk is the floor itself; an upright body stands on its lowest support.
  const floor = trunk.length > 0 ? trunk : limbs;
  return Math.min(...floor.map((point) => dot(point, ground.up)));
}

/** A propped body settles on its two contacts: its floor is the higher of them, since pitch raises one end. */
function proppedFloor({ ground }: Posed, otherwise: number): number {
  const contacts = [ground.contacts.upper, ground.contacts.lower].flatMap((point) => point ?? []);
  if (contacts.length === 0) return otherwise;
  return Math.max(...contacts.map((point) => dot(point, ground.up)));
}
