export * from './loads/felt';
export { bothLegs, raisedLegs } from './loads/levers';
export * from './loads/load';
export { GRAVITY, type ReferenceBody } from './loads/lumps';
export * from './poses/faults';
export * from './poses/holds';
export * from './poses/mirror';
export * from './poses/pose';
export * from './poses/poseEdits';
export * from './poses/skeleton';
export { type Tilt, tiltBetween } from './poses/tilt';
export * from './position';
export * from './settling/contacts';
export * from './settling/ground';
export * from './settling/move';
export { type Passage, passageBetween } from './settling/passage';
export { inTheRoom, type Placed, placedBetween } from './settling/placed';
export { placedAfter, placedAlone } from './settling/placing';
export type { Footing } from './settling/plants';
export * from './settling/posed';
export * from './settling/reach';
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
export * from './settling/settle';
