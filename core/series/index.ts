export * from './climb';
export * from './dates';
export * from './earliest';
export * from './earning';
export * from './learning';
export * from './mending';
export * from './moving';
export * from './reviewSeries';
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
export type * from './seriesSchema';
export * from './seriesTable';
export * from './toldSeries';
export * from './weekdays';
export * from './whatIf';
