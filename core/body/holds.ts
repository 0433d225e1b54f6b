import { armBears, HANDS, type Hand, type Pose, SIDES, type Side } from './pose';
import { asWritten, type Posed } from './posed';
import type { BasePosition } from './position';
import { distanceTo, type PoseFault } from './reach';
import { dot, LENGTH, type Point } from './skeleton';

/** Metres by which what a hand holds may lie farther from the shoulder than the arm is long: bodies differ. */
const GIVE_M = 0.05;

const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

const sideOf = (part: string): Side => (part.endsWith('.right') ? 'right' : 'left');

/**
 * Hands said to hold what they cannot reach: the nearest point of it lies farther from the shoulder than the arm is
 * long. Where the hand is drawn does not matter; a bar or a prop may be anywhere.
 * @returns faults, empty when every hand can be where it is said to be
 */
export function reachFaults(pose: Pose, like: BasePosition, heightM: number): readonly PoseFault[] {
  if (!pose.holds) return [];
  const posed = asWritten(pose, like, heightM);
  const arm = (LENGTH.upperArm + LENGTH.forearm + LENGTH.hand) * heightM;
  return HANDS.flatMap((hand): PoseFault[] => {
    const held = pose.holds?.[hand];
    if (held === undefined) return [];
    const away = distanceFrom(posed, posed.bones.arm[sideOf(hand)].root, held);
    if (away === null || away <= arm + GIVE_M) return [];
    const message = `The ${sideOf(hand)} hand is said to hold the ${spoken(held)}, which is ${Math.round(away * 100)} cm from its shoulder; the arm is ${Math.round(arm * 100)} cm long.`;
    return [{ path: ['holds', hand], message }];
  });
}

const spoken = (held: string): string => (held.includes('.') ? `${sideOf(held)} ${held.split('.')[0]}` : held);

/** Metres from a point to the nearest point of what is held; `null` where that may be anywhere. */
function distanceFrom({ bones, ground }: Posed, from: Point, held: string): number | null {
  const { leg, head, hip } = bones;
  const { root, middle, end, tip } = leg[sideOf(held)];
  if (held.startsWith('thigh.')) return distanceTo(from, root, middle);
  if (held.startsWith('shin.')) return distanceTo(from, middle, end);
  if (held.startsWith('foot.')) return distanceTo(from, end, tip);
  if (held === 'head') return apart(from, head);
  if (held === 'seat') return apart(from, hip);
  if (held !== 'floor') return null;
  // The floor is no higher than the lowest joint of the body.
  const heights = [hip, bones.shoulder, leg.left.end, leg.right.end, leg.left.middle, leg.right.middle];
  return dot(from, ground.up) - Math.min(...heights.map((point) => dot(point, ground.up)));
}

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
