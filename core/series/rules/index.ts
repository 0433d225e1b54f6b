import type { SeriesCode, SeriesRule } from '../seriesRule';
import { COURSE_RULES } from './courseRules';
import { EARNED_RULES } from './earnedRules';
import { LOAD_RULES } from './loadRules';
import { PLACE_RULES, PROP_RULES } from './placeRules';

/** Every rule of the series review; their order is the order of findings of one severity. */
export const SERIES_RULES: readonly SeriesRule[] = [
  ...EARNED_RULES,
  ...PLACE_RULES,
  ...COURSE_RULES,
  ...LOAD_RULES,
  ...PROP_RULES,
];

const byCode = new Map(SERIES_RULES.map((rule) => [rule.code, rule]));

/** The rule that finds what has a code. */
export const seriesRuleOf = (code: SeriesCode): SeriesRule => byCode.get(code) as SeriesRule;
