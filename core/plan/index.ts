export * from './blockTime';
export * from './change';
export * from './checkCarries';
export * from './checkClass';
export * from './class';
export { dayPace } from './dayPace';
export * from './doseProblems';
export * from './edit';
export * from './laid';
export * from './many';
export * from './ownWords';
export { type OwnPace, PACE_KINDS, type PaceFactors, type PaceKind } from './pace';
export * from './problem';
export * from './replaceRung';
export * from './repsRange';
export * from './shortForm';
export { keepForTime, takeFromSpare, withoutSpare, withSpare } from './spare';
export * from './spokenWords';
export type * from './teacherSchema';
export * from './timeClass';
export * from './timedBlock';
export {
  type Guessed,
  guessedSetups,
  rangeOfParts,
  startRanges,
  type TimeRange,
  type UncertainSeconds,
} from './uncertainty';
export { sharesOfUse, type UseShare } from './uses';
