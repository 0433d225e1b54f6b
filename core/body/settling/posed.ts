import { type Angles, anglesOf, type Pose, supportsOf } from '../poses/pose';
import { apart, type Skeleton, skeletonOf } from '../poses/skeleton';
import { LEVEL, type Tilt, tilted } from '../poses/tilt';
import type { BasePosition } from '../position';
import { type Ground, groundOf, isPropped } from './ground';
import { FLOOR, type Surfaces } from './resting';
import { rested } from './settle';

/** A pose worked out once: its angles, its joints, and how it lies in the room. Load and heat both read it. */
export interface Posed {
  readonly pose: Pose;
  readonly like: BasePosition;
  readonly angles: Angles;
  readonly bones: Skeleton;
  readonly ground: Ground;
  /** How far it is turned beyond how its angles alone would let it lie. */
  readonly tilt: Tilt;
}

/**
 * A pose as a body lies in it, settled on what carries it.
 * @param heightM metres of the body it is worked out for
 */
export function posedAs(pose: Pose, like: BasePosition, heightM: number, surfaces: Surfaces = FLOOR): Posed {
  const written = anglesOf(pose);
  const raised = raisedBy(pose, like, heightM, surfaces);
  const carried = carrying(pose, like, raised, surfaces);
  const { angles, bones, ground, tilt } = rested(pose, like, written, heightM, carried);
  return raised === 0
    ? { pose, like, angles, bones, ground, tilt }
    : posedWith(pose, { ...angles, pitch: raised }, like, heightM, tilt);
}

/**
 * Degrees by which something under the hands or forearms pitches a body held off the floor that says no pitch itself:
 * hands on a block are a body as steep as one that says so, and never the heavier for it.
 */
function raisedBy(pose: Pose, like: BasePosition, heightM: number, surfaces: Surfaces): number {
  if (pose.pitch || !isPropped(pose, like)) return 0;
  const arms = Math.max(0, ...heightsOf(pose, OF_ARM, surfaces));
  const legs = Math.max(0, ...heightsOf(pose, OF_LEG, surfaces));
  if (arms <= legs) return 0;
  const { upper, lower } = asWritten(pose, like, heightM).ground.contacts;
  const span = upper && lower ? apart(upper, lower) : 0;
  return span === 0 ? 0 : (Math.asin(Math.min(1, (arms - legs) / span)) * 180) / Math.PI;
}

const heightsOf = (pose: Pose, half: RegExp, surfaces: Surfaces): readonly number[] =>
  [...supportsOf(pose)].flatMap((support) => (half.test(support) ? (surfaces(support) ?? []) : []));

/** A pose as its angles alone let it lie, whether or not it rests on anything so. */
export const asWritten = (pose: Pose, like: BasePosition, heightM: number): Posed =>
  posedWith(pose, anglesOf(pose), like, heightM);

/** A body on its way, its angles already written out: turned as it is told, and nothing solved. */
export function posedWith(pose: Pose, angles: Angles, like: BasePosition, heightM: number, tilt: Tilt = LEVEL): Posed {
  const bones = skeletonOf(angles, heightM);
  const ground = groundOf(pose, like, angles, bones);
  return { pose, like, angles, bones, ground: { ...ground, ...tilted(ground, tilt) }, tilt };
}

const OF_ARM = /^(hand|fist|forearm|elbow)/;
const OF_LEG = /^(foot|heel|toe|shin|knee|thigh)/;

/**
 * What carries a body whose load is read. One held off the floor that says its pitch says how high its higher half
 * rests, on whatever it is; and limbs that hang free weigh as they are written, kept off the floor or not.
 */
function carrying(pose: Pose, like: BasePosition, raised: number, surfaces: Surfaces): Surfaces {
  const pitch = isPropped(pose, like) ? (pose.pitch ?? 0) : 0;
  const higher = pitch > 0 ? OF_ARM : OF_LEG;
  // Raised by what is under its hands, a body lies as it would on the level, and is pitched from there.
  const level = raised > 0 ? Math.max(0, ...heightsOf(pose, OF_LEG, surfaces)) : null;
  return (support) => {
    if (support === 'floor') return null;
    const height = surfaces(support);
    if (level !== null && OF_ARM.test(support)) return level;
    return pitch !== 0 && height === 0 && higher.test(support) ? null : height;
  };
}
