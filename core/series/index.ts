export type { ClimbLine, ClimbStep } from './climb';
export {
  datesOf,
  daysOn,
  inWeek,
  mondayOf,
  type Occasion,
  occasionsOf,
  skippedStretches,
  taughtDays,
  timeText,
  weekdayOf,
  weeksFrom,
} from './dates';
export { earliest, type PathStep, wayTo } from './earliest';

export {
  broughtBefore,
  doingsOf,
  followedBy,
  Learnt,
  needsOf,
  rulesOf,
  type SeriesRules,
  type SeriesStudio,
} from './learning';
export { countsOf, type EditedSeries, editedSeries, type SeriesFix, seriesFixesFor, withEdited } from './mending';
export { rungMoved, rungTaken, stepHigher } from './moving';
export {
  type EpisodeReview,
  heatMinutesOf,
  measureSeries,
  reviewSeries,
  type SeriesMeasure,
  type SeriesReview,
} from './reviewSeries';
export { clashesOf } from './rules/placeRules';
export {
  SERIES_CODES,
  type SeriesCode,
  type SeriesEdit,
  type SeriesFinding,
  type SeriesFindingName,
  type SeriesRemedy,
  seriesFindingKey,
  type WholeStudio,
} from './seriesRule';
export type { Series } from './seriesSchema';
export { seriesTable } from './seriesTable';
export { type ToldEpisode, type ToldSeries, type ToldSeriesFinding, toldSeries } from './toldSeries';
export { WEEKDAYS, type Weekday } from './weekdays';
export { type Consequence, type Consequent, couldTake, type Next, whatIf } from './whatIf';
