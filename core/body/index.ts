export * from './contacts';
export * from './faults';
export * from './felt';
export * from './ground';
export * from './holds';
export { bothLegs, raisedLegs } from './levers';
export * from './load';
export { GRAVITY, type ReferenceBody } from './lumps';
export * from './mirror';
export * from './move';
export { type Passage, passageBetween } from './passage';
export { inTheRoom, type Placed, placedBetween } from './placed';
export { placedAfter, placedAlone } from './placing';
export type { Footing } from './plants';
export * from './pose';
export * from './posed';
export * from './poseEdits';
export * from './position';
export * from './reach';
export {
  depthsOf,
  FLESH,
  FLOOR,
  type FleshyPart,
  type Gap,
  restingPoint,
  type Settled,
  type Surfaces,
} from './resting';
export * from './settle';
export * from './skeleton';
export { type Tilt, tiltBetween } from './tilt';
