export type { AbdominalCheck } from '../vocabulary/schemas';
export { CONDITION_IDS, CONDITIONS, type Condition } from '../vocabulary/words/condition';
export { agoText, daysBetween } from './calendar';
export type { CautionChange } from './changeSchema';
export { type CheckLimits, type PersonReading, readChecks } from './checks';
export {
  type Caution,
  type Graded,
  judge,
  measuredText,
  peakCautions,
  rateCautions,
  rulesFor,
  speaksOf,
  timeRulesOn,
  valueText,
  WITHIN,
} from './judge';
export { type CautionRule, graver, VERDICTS, type Verdict } from './rule';
export { adviceOf, CAUTION_RULES, isAbout, keyOfRule } from './rules';
export { LEFT, type Left, surveyRepertoire } from './survey';
