import { type Ground, groundOf, isPropped } from './ground';
import { type Angles, anglesOf, type Pose } from './pose';
import type { BasePosition } from './position';
import { FLOOR, type Surfaces } from './resting';
import { rested } from './settle';
import { type Skeleton, skeletonOf } from './skeleton';
import { LEVEL, type Tilt, tilted } from './tilt';

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
  const { angles, bones, ground, tilt } = rested(pose, like, anglesOf(pose), heightM, carrying(pose, like, surfaces));
  return { pose, like, angles, bones, ground, tilt };
}

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
function carrying(pose: Pose, like: BasePosition, surfaces: Surfaces): Surfaces {
  const pitch = isPropped(pose, like) ? (pose.pitch ?? 0) : 0;
  const higher = pitch > 0 ? OF_ARM : OF_LEG;
  return (support) => {
    if (support === 'floor') return null;
    const height = surfaces(support);
    return pitch !== 0 && height === 0 && higher.test(support) ? null : height;
  };
}
