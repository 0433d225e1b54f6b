export * from './contacts';
export * from './faults';
export * from './ground';
export * from './holds';
export * from './load';
export * from './mirror';
export * from './move';
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
