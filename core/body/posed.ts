import { type Ground, groundOf } from './ground';
import { type Angles, anglesOf, type Pose } from './pose';
import type { BasePosition } from './position';
import { type Skeleton, skeletonOf } from './skeleton';

/** A pose worked out once: its angles, its joints, and how it lies in the room. Load and heat both read it. */
export interface Posed {
  readonly pose: Pose;
  readonly like: BasePosition;
  readonly angles: Angles;
  readonly bones: Skeleton;
  readonly ground: Ground;
}

/** @param heightM metres of the body it is worked out for */
export const posedAs = (pose: Pose, like: BasePosition, heightM: number): Posed =>
  posedWith(pose, anglesOf(pose), like, heightM);

/** The same for a pose whose angles are already written out. */
export function posedWith(pose: Pose, angles: Angles, like: BasePosition, heightM: number): Posed {
  const bones = skeletonOf(angles, heightM);
  return { pose, like, angles, bones, ground: groundOf(pose, like, angles, bones) };
}
