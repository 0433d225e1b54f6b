import { isUpright } from '../../vocabulary/bodies/position';
import type { BasePosition } from '../position';
import { asWritten, type Posed } from '../settling/posed';
import { distanceTo } from '../settling/reach';
import { HANDS, type Pose, pelvisBears, ribsBear, type Side, supportsOf } from './pose';
import { apart, dot, LENGTH, type Point } from './skeleton';

/** A pose that can't be: a sentence naming the part, the joint and the range. */
export interface PoseFault {
  readonly path: readonly string[];
  readonly message: string;
}

const LEG = /^(foot|heel|toe|shin|knee|thigh)\./;
const ARM = /^(hand|fist|forearm|elbow)\./;

/**
 * Whether anything can carry a body as a pose says: its trunk, or limbs enough. Whether every support comes down to what
 * it rests on is a doubt and no fault (see `poseDoubts`).
 * @returns faults, empty when the pose can be
 */
export function poseFaults(pose: Pose, like: BasePosition): readonly PoseFault[] {
  const parts = supportsOf(pose);
  const trunk = pelvisBears(pose) || ribsBear(pose);
  const legs = [...parts].some((part) => LEG.test(part));
  const arms = [...parts].some((part) => ARM.test(part));
  if (!trunk && !legs) {
    const found = arms ? 'hands or forearms alone' : 'the head alone';
    const message = `The body rests on ${found}; expected the pelvis, the ribs, the shoulders, or a leg to carry it too.`;
    return [{ path: ['supports'], message }];
  }
  if (!trunk && !arms && !isUpright(like) && !parts.has('head')) {
    const message = `In ${like} the legs alone can’t carry the body; expected hands, forearms, ribs, shoulders or the pelvis to bear too.`;
    return [{ path: ['supports'], message }];
  }
  return [];
}

/** Metres by which what a hand holds may lie farther from the shoulder than the arm is long: bodies differ. */
const GIVE_M = 0.05;

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
