export { armReach, bentArms, bentLegs, feltLegs, tipping } from './loads/felt';
export { bothLegs, raisedLegs } from './loads/levers';
export { feetOverhead, type HoldingSide, holdingSide, type Load, loadOf, NO_LOAD, peakLoad } from './loads/load';
export { GRAVITY, type ReferenceBody } from './loads/lumps';
export { poseFaults, reachFaults } from './poses/faults';
export { handOf, helps, holdsHead, restsOnBelly } from './poses/holds';
export { alike, mirrored, sameShape } from './poses/mirror';
export {
  type Angles,
  anglesOf,
  armBears,
  bears,
  eachOf,
  HANDS,
  type Hand,
  HELD_PARTS,
  type HeldPart,
  headBears,
  JOINT_RANGES,
  LIMB_JOINTS,
  type LimbJoint,
  legBears,
  type Pose,
  type PressedPart,
  pelvisBears,
  ribsBear,
  SIDES,
  SINGLE_OF,
  type Side,
  type Support,
  supportsOf,
  TRUNK_JOINTS,
  type TrunkJoint,
} from './poses/pose';
export { paired, type WeightPlace, withHold, withSupports, withWeight } from './poses/poseEdits';
export {
  add,
  apart,
  between,
  cross,
  dot,
  type Limb,
  MASS,
  type Point,
  type Skeleton,
  skeletonOf,
  unit,
} from './poses/skeleton';
export { type Tilt, tiltBetween } from './poses/tilt';
export { type BasePosition, type PlaceId, POSITIONS, PositionGraph, type StudioPosition } from './position';

export { isPropped } from './settling/ground';
export { moveBetween, sameAngles } from './settling/move';
export { type Passage, passageBetween } from './settling/passage';
export { inTheRoom, type Placed, placedBetween } from './settling/placed';
export { placedAfter, placedAlone } from './settling/placing';
export type { Footing } from './settling/plants';
export { type Posed, posedAs, posedWith } from './settling/posed';
export { restsAbove } from './settling/reach';
export {
  depthsOf,
  FLESH,
  FLOOR,
  type FleshyPart,
  type Gap,
  restingPoint,
  type Settled,
  type Surfaces,
} from './settling/resting';
export { settled } from './settling/settle';
