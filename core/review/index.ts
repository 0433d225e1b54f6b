export { CRAFT_NAMES, type CraftName } from './craft/craft';
export { threadTitle } from './craft/idea';
export { heatTaken, hottestTaken, isAtHand, type TakenInPosition, takenByPosition } from './craft/taking';
export { type CraftWord, craftWords } from './craft/words';
export {
  type Finding,
  type FindingCode,
  type FindingName,
  findingKey,
  type Remedy,
  rungTitle,
  SCORE_PARTS,
  SEVERITIES,
  type Severity,
  titleOf,
} from './finding';
export { askedMeasures, type Ends, endsOf, HELD_BY, type HouseSetting, isBeyond } from './heldBy';
export { idealHeat, stagesOf } from './ideal';
export { MEASURES, type MeasureName, type Measures } from './measures';
export { spanOf } from './patterns/arc';
export {
  type ClassMeasure,
  type ClassReview,
  findingsOf,
  measureClass,
  measuredUnder,
  measureTimed,
  remediesFor,
  reviewClass,
} from './reviewClass';
export { keptReviews } from './reviewKept';
export type { Rule } from './rule';
export { RULES, ruleOf } from './rules';
export { passes } from './rules/cautionRules';
export { lackingOf } from './rules/propRules';
export { measuresTable, rulesTable, tableOf } from './rulesTable';
export type { Score } from './score';
export { contextIn, earlierInSeries, fromSeries, metBefore } from './subject/earlier';
export { learntBy } from './subject/learnt';
export { Offer } from './subject/offer';
export { broughtBy, conditionsOf, type Limits, limitsOf, roomOf } from './subject/room';
export { type ReviewContext, Subject } from './subject/subject';
export { conditionsAgainst } from './words/against';
export { arisesIn } from './words/arises';
export { clock, percent, spell } from './words/clock';
export { type Glance, glanceOf, type PeakBlock } from './words/glance';
export { giveText, lateText } from './words/lateText';
export { lettingGo, restName } from './words/lettingGo';
export { nowAndLater } from './words/nowAndLater';
export { rangeWords, type Verdict, verdictOf } from './words/verdict';
