import { type Angles, JOINT_RANGES, type LimbJoint, type Side, type TrunkJoint } from './pose';
import { armOf, type Limb, legOf, type Skeleton, skeletonOf } from './skeleton';

/** Far from where it lies a body is not straight: no joint turns more than this at a step, degrees. */
export const MOST_TURN = 20;

/** A limb by its name. */
export type LimbName = `${'arm' | 'leg'}.${Side}`;

/** Angles that are turned in place: a copy for every degree tried would take longer than all else. */
export type Turning = { readonly [J in LimbJoint | 'armTurn']: Record<Side, number> } & {
  -readonly [J in TrunkJoint]: number;
};

export const turningOf = (angles: Angles): Turning => ({
  ...angles,
  hip: { ...angles.hip },
  knee: { ...angles.knee },
  shoulder: { ...angles.shoulder },
  elbow: { ...angles.elbow },
  hipAbduction: { ...angles.hipAbduction },
  hipRotation: { ...angles.hipRotation },
  shoulderAbduction: { ...angles.shoulderAbduction },
  armTurn: { ...angles.armTurn },
});

/** Degrees an upper arm may turn about itself, either way. */
const ARM_TURN = 80;

/** Turns a joint as far as its range goes. @returns by how much it turned */
export function turn(angles: Turning, joint: LimbJoint | 'armTurn', side: Side, degrees: number): number {
  const [least, most] = joint === 'armTurn' ? [-ARM_TURN, ARM_TURN] : JOINT_RANGES[joint];
  const before = angles[joint][side];
  angles[joint][side] = Math.min(most, Math.max(least, before + degrees));
  return angles[joint][side] - before;
}

/** The body as it would be with a joint of its trunk turned by a degree. */
export function trunkTurned(angles: Turning, joint: TrunkJoint, heightM: number): Skeleton {
  const before = angles[joint];
  angles[joint] = before + 1;
  const moved = skeletonOf(angles, heightM);
  angles[joint] = before;
  return moved;
}

export function turnTrunk(angles: Turning, joint: TrunkJoint, degrees: number): number {
  const [least, most] = JOINT_RANGES[joint];
  const before = angles[joint];
  angles[joint] = Math.min(most, Math.max(least, before + degrees));
  return angles[joint] - before;
}

/** A limb as it would be with one of its joints turned by a degree. */
export function limbTurned(
  limb: LimbName,
  angles: Turning,
  joint: LimbJoint | 'armTurn',
  side: Side,
  bones: Skeleton,
  heightM: number,
): Limb {
  const before = angles[joint][side];
  angles[joint][side] = before + 1;
  const moved = limbOf(limb, angles, bones, heightM);
  angles[joint][side] = before;
  return moved;
}

export function limbOf(limb: LimbName, angles: Angles, bones: Skeleton, heightM: number): Limb {
  const side: Side = limb.endsWith('left') ? 'left' : 'right';
  return limb.startsWith('leg')
    ? legOf(side, angles, heightM)
    : armOf(side, angles, bones.chest, bones.shoulder, heightM);
}

export function withLimb(bones: Skeleton, limb: LimbName, moved: Limb): Skeleton {
  const side: Side = limb.endsWith('left') ? 'left' : 'right';
  return limb.startsWith('leg')
    ? { ...bones, leg: { ...bones.leg, [side]: moved } }
    : { ...bones, arm: { ...bones.arm, [side]: moved } };
}
