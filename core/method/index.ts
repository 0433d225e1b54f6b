export { DIRECTION_WORDS, DIRECTIONS, type Direction } from '../vocabulary/bodies/direction';
export { otherSide, SIDES, type Side } from '../vocabulary/bodies/side';
export { textFault } from '../vocabulary/words/text';
export { BALANCED_BANDS, type Band, bandsFor } from './bands';
export {
  answersOf,
  type Choices,
  chosen,
  DEFAULT_CHOICES,
  ORDER_WORDS,
  ORDERS,
  type Order,
  SCHOOL_IDS,
  SCHOOLS,
  type SchoolId,
} from './choices';
export { hasOwnEdge, withEdge } from './edges';
export { type Measuring, type Method, type MethodFile, measuresAlike, resolveMethod } from './method';
export {
  CRAFT_SETTINGS,
  LIMIT_SETTINGS,
  SCORE_SETTINGS,
  type Setting,
  TIMING_SETTINGS,
  UNCERTAINTY_SETTINGS,
} from './settings';
