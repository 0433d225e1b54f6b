export * from './checks/checkCarries';
export * from './checks/checkClass';
export * from './checks/doseProblems';
export * from './checks/problem';
export * from './class';
export * from './clock/blockTime';
export { dayPace } from './clock/dayPace';
export * from './clock/laid';
export { type OwnPace, PACE_KINDS, type PaceFactors, type PaceKind } from './clock/pace';
export * from './clock/timeClass';
export * from './clock/timedBlock';
export {
  type Guessed,
  guessedSetups,
  rangeOfParts,
  startRanges,
  type TimeRange,
  type UncertainSeconds,
} from './clock/uncertainty';
export * from './edits/change';
export * from './edits/edit';
export * from './edits/many';
export * from './edits/replaceRung';
export * from './edits/shortForm';
export { keepForTime, takeFromSpare, withoutSpare, withSpare } from './edits/spare';
export * from './ownWords';
export * from './repsRange';
export * from './spokenWords';
export type * from './teacherSchema';
export { sharesOfUse, type UseShare } from './uses';
