import type { FindingCode } from '../finding';
import type { Rule } from '../rule';
import { ARC_RULES } from './arcRules';
import { CAUTION_RULES_OF_REVIEW } from './cautionRules';
import { CRAFT_RULES } from './craftRules';
import { DIRECTION_RULES } from './directionRules';
import { EXPOSURE_RULES } from './exposureRules';
import { FLOW_RULES } from './flowRules';
import { LADDER_RULES } from './ladderRules';
import { OPTION_RULES } from './optionRules';
import { PROP_RULES } from './propRules';
import { SIDE_RULES } from './sideRules';
import { SPOKEN_RULES } from './spokenRules';
import { TIME_RULES } from './timeRules';

/** Every rule of the review; their order is the order of findings of one severity. */
export const RULES: readonly Rule[] = [
  ...CAUTION_RULES_OF_REVIEW,
  ...LADDER_RULES,
  ...OPTION_RULES,
  ...TIME_RULES,
  ...SPOKEN_RULES,
  ...SIDE_RULES,
  ...FLOW_RULES,
  ...DIRECTION_RULES,
  ...ARC_RULES,
  ...EXPOSURE_RULES,
  ...PROP_RULES,
  ...CRAFT_RULES,
];

const byCode = new Map(RULES.map((rule) => [rule.code, rule]));

/** The rule that finds what has a code. */
export const ruleOf = (code: FindingCode): Rule => byCode.get(code) as Rule;
