import type { SeriesRule } from '../seriesRule';
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
