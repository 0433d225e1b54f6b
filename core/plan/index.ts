export { checkCarries } from './checks/checkCarries';
export { checkClass } from './checks/checkClass';
export { doseProblems } from './checks/doseProblems';
export type { Problem } from './checks/problem';
export {
  type Audience,
  type Block,
  type BlockField,
  type ClassPlan,
  INTERLUDE_WORDS,
  INTERLUDES,
  type Interlude,
  type InterludeKind,
  isInterlude,
  isRungBlock,
  LEVELS,
  type Line,
  MODES,
  type Option,
  offeredRungs,
  optionOf,
  PURPOSE_WORDS,
  PURPOSES,
  type Purpose,
  type RungBlock,
  type SpareBlock,
} from './class';
export {
  blockSeconds,
  changesSide,
  doseOf,
  oneMoreRep,
  type Pacing,
  repsOf,
  tempoOf,
  untypedSetup,
} from './clock/blockTime';
export { dayPace } from './clock/dayPace';
export type { LaidBlock, LaidInterlude } from './clock/laid';
export { type OwnPace, PACE_KINDS, type PaceFactors, type PaceKind } from './clock/pace';
export {
  getsUpOverSide,
  isLesson,
  type PacedTeacher,
  PlanError,
  pacingOf,
  type Taught,
  type TimedClass,
  type TimeParts,
  timeClass,
} from './clock/timeClass';
export { propsNeeded, type Slot, TimedBlock, type TimedInterlude } from './clock/timedBlock';
export {
  type Guessed,
  guessedSetups,
  rangeOfParts,
  startRanges,
  type TimeRange,
  type UncertainSeconds,
} from './clock/uncertainty';
export type { Change } from './edits/change';
export {
  applyEdit,
  applyEdits,
  type ClassChange,
  freeBlockId,
  type InterludeChange,
  type PlanEdit,
  type RungBlockChange,
} from './edits/edit';
export { duplicateTogether, moveTogether, removeTogether, sayTogether } from './edits/many';
export { type ReplacedIn, replaceRung } from './edits/replaceRung';
export { leavingOut, shortForm } from './edits/shortForm';
export { keepForTime, takeFromSpare, withoutSpare, withSpare } from './edits/spare';
export { withOwnWords } from './ownWords';
export { repsRangeOf } from './repsRange';
export { interludeLines } from './spokenWords';
export type { Room, Teacher } from './teacherSchema';
export { sharesOfUse, type UseShare } from './uses';
