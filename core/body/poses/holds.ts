import { liesOnBack } from '../../vocabulary/bodies/position';
import type { Posed } from '../settling/posed';
import { armBears, HANDS, type Hand, type Pose, SIDES, type Side } from './pose';
import { apart } from './skeleton';

/** The hand of a side as a key of `holds`. */
export const handOf = (side: Side): Hand => (side === 'left' ? 'hand.left' : 'hand.right');

/** A straight arm that holds a leg carries half of it; one bent to a right angle, eight tenths. */
const CARRIES = 0.5;
const BENT_CARRIES = 0.3;

/**
 * The share of a leg's weight that hands take off the trunk, 0 to 0.95: a hand behind the thigh, on the shin or on the
 * foot carries part of it, the more its elbow is bent; two hands carry more than one. Our estimate (docs/body.md).
 */
export function legCarried({ pose, angles }: Posed, side: Side): number {
  const { holds } = pose;
  if (!holds) return 0;
  let left = 1;
  for (const arm of SIDES) {
    const held = holds[handOf(arm)];
    if (held !== `thigh.${side}` && held !== `shin.${side}` && held !== `foot.${side}`) continue;
    left *= 1 - (CARRIES + BENT_CARRIES * Math.min(1, Math.max(0, angles.elbow[arm] / 90)));
  }
  return Math.min(0.95, 1 - left);
}

/** Degrees of the hip from which a thigh lies on the belly of somebody who lies on the back. */
const FOLDED = 115;

/** Whether a leg is drawn onto the belly and held there: it rests on the trunk and hangs in no air. */
export const restsOnBelly = (posed: Posed, side: Side): boolean =>
  liesOnBack(posed.like) && posed.angles.hip[side] >= FOLDED && legCarried(posed, side) > 0;

/** What each hand under the seat, pressing the floor or on a bar leaves of a lever. Our estimate (docs/body.md). */
const EASED = 0.88;

/** The share of a lever that is left when hands press beside or under the body: 1 where none does. */
export function leverEased({ pose }: Posed): number {
  let left = 1;
  for (const hand of HANDS) {
    const held = pose.holds?.[hand];
    if (held === 'seat' || held === 'floor' || held === 'bar') left *= EASED;
  }
  return left;
}

/** A wrist nearer to the middle of the head than this many times the head's distance from the shoulders holds it. */
const HAND_ON_HEAD = 1.9;

/** Whether a hand holds the head: said, or drawn there with the elbow bent. */
export function holdsHead({ pose, angles, bones }: Posed, side: Side): boolean {
  if (pose.holds?.[handOf(side)] === 'head') return true;
  if (armBears(pose, side)) return false;
  const near = apart(bones.arm[side].end, bones.head) < HAND_ON_HEAD * apart(bones.head, bones.shoulder);
  return near && angles.elbow[side] > 60;
}

/** What one can hold on to; a weight, or one's own ribs, hold nobody up. */
const HELPS = /^(thigh|shin|foot)\.|^(seat|floor|bar)$/;

/**
 * What is left of a tipping trunk for itself to hold: each hand or forearm that bears takes two fifths, one that holds
 * on to a leg, the seat or a bar as much. Our estimate (docs/body.md).
 */
export function handsHelp({ pose }: Posed): number {
  let left = 1;
  for (const side of SIDES) if (armBears(pose, side) || helps(pose, side)) left -= 0.4;
  return left;
}

/** Whether a hand holds on to what holds the body up. */
export function helps({ holds }: Pose, side: Side): boolean {
  const held = holds?.[handOf(side)];
  return held !== undefined && HELPS.test(held);
}
