export { FEATURES, type Feature } from '../vocabulary/bodies/features';
export { HEAT_WORDS } from '../vocabulary/bodies/heatSteps';
export { PREPARATION_IDS, PREPARATIONS, type Preparation } from '../vocabulary/bodies/preparations';
export { Catalog, type CatalogSource, drawnAs, type Heats, type RungEntry } from './catalog';
export { cueGaps } from './doubts/cueGaps';
export { type LadderDoubt, ladderDoubts } from './doubts/ladderDoubts';
export { poseDoubts } from './doubts/poseDoubts';
export {
  allPhases,
  BREATHS,
  CUE_KINDS,
  type Cue,
  type CueKind,
  type Dose,
  type DoseChange,
  type Exercise,
  type Phase,
  type Prop,
  phaseCounts,
  REP_PLACES,
  type RepPlace,
  type Rung,
  type RungRef,
  rungKey,
  splitRungKey,
} from './exercise';
export type { Already } from './features/already';
export { directionsSeen } from './features/directions';
export {
  type Doing,
  everIn,
  featureAt,
  heldInPosition,
  type Passing,
  peakOf,
  type RungFeatures,
  rateOf,
  WHOLE,
  workRun,
} from './features/features';
export { formOf, workingLimb } from './features/form';
export { type MarkRead, markJoint, marksOf, markText } from './features/landmarks';
export { preparedBy, preparersOf } from './features/preparation';
export { pressedAcross, restingNameOf } from './features/pressed';
export type { Run } from './features/run';
export { factorDifferences, LOAD_IDEAS, LOAD_WORDS, loadCurve, loadRatios, ratioText } from './ladders/compare';
export { heldAgainst, ladderHeats, ladderTau } from './ladders/ladder';
export {
  addPhase,
  addRungAbove,
  freeIdAmong,
  moveRung,
  PHASE_PARTS,
  type PhasePart,
  poseInUse,
  removePhase,
  removePose,
  removeRung,
  renamePose,
  swapPhases,
  withCarrier,
  withPhase,
  withPose,
  withRung,
} from './ladders/ladderEdits';
export { LANE_WORDS, type Lane, laneOf, signFor } from './ladders/lanes';
export { withRange } from './ladders/range';
export { RequirementGraph, requirementCycles } from './ladders/requirements';
export { findRungs, rankRungs } from './ladders/search';
export { REGIONS, type Region, regionsLoaded, type Substitute, substitutesFor } from './ladders/substitutes';
export { usesOf } from './ladders/uses';
export { AXES, AXIS_IDS, type Axis, draftsFromAxes, MOST_CROSSED, withDrafts } from './measuring/axes';
export { heaviestLoad, meanLoad } from './measuring/course';
export { HEAT_FACTOR_WORDS, HEAT_FACTORS, type HeatFactor, type HeatFactors } from './measuring/heat';
export { carrierOf, type PropShape, propShape, SEAT_M, surfacesOf } from './measuring/propShape';
export { bodiesOf, surfacesFor } from './measuring/rungBodies';
export { plainExercise, plainPose, plainRung } from './plain';
