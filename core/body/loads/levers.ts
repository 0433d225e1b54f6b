import { legCarried, leverEased } from '../poses/holds';
import { legBears, SIDES, type Side } from '../poses/pose';
import type { Point } from '../poses/skeleton';
import type { Posed } from '../settling/posed';
import { type Lump, legOf, momentOf, type ReferenceBody } from './lumps';

/** A leg held off the floor, about its hip, N·m; 0 where it rests. */
function raisedLeg(posed: Posed, side: Side, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  if (legBears(pose, side)) return 0;
  const whole = momentOf(legOf(bones, pose, side, body), bones.leg[side].root, ground.up);
  return whole * (1 - legCarried(posed, side)) * leverEased(posed);
}

/**
 * Legs held off the floor, about their hips, whatever else the body rests on: N·m. Opened to both sides, what one draws
 * to the left the other draws to the right, and the pelvis feels neither.
 */
export function raisedLegs(posed: Posed, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  const levers = SIDES.map((side): Lever => {
    const whole = raisedLeg(posed, side, body);
    return { whole, aside: asideOf(legOf(bones, pose, side, body), bones.leg[side].root, ground.up) };
  });
  return opened(levers, 1).reduce((sum, each) => sum + each, 0);
}

/** A leg's moment about its hip, N·m, and the share of it that draws to one side, −1 to 1. */
export interface Lever {
  readonly whole: number;
  readonly aside: number;
}

/**
 * Two legs' levers, one beside the other, less what they draw to opposite sides.
 * @param cancels the share of that which cancels, 0 to 1
 */
export function opened(levers: readonly Lever[], cancels: number): readonly number[] {
  const net = Math.abs(levers.reduce((sum, { whole, aside }) => sum + whole * aside, 0));
  const each = levers.reduce((sum, { whole, aside }) => sum + whole * Math.abs(aside), 0);
  const left = each < 1e-9 ? 1 : 1 - cancels * (1 - net / each);
  return levers.map(({ whole, aside }) => whole * Math.sqrt(Math.max(0, 1 - aside * aside * (1 - left * left))));
}

/** The share of a group's moment that draws to one side of the body, −1 to 1, right above 0. */
export function asideOf(sum: Lump, pivot: Point, up: Point): number {
  const [x, y, z] = [sum.x - sum.kg * pivot.x, sum.y - sum.kg * pivot.y, sum.z - sum.kg * pivot.z];
  const upward = x * up.x + y * up.y + z * up.z;
  const level = Math.sqrt(Math.max(0, x * x + y * y + z * z - upward * upward));
  return level < 1e-9 ? 0 : (z - upward * up.z) / level;
}

/**
 * What both legs do as one, N·m: twice the lighter one. One leg that reaches while the other stays folded over its hip
 * is not two legs lowered.
 */
export const bothLegs = (posed: Posed, body: ReferenceBody): number =>
  2 * Math.min(raisedLeg(posed, 'left', body), raisedLeg(posed, 'right', body));
