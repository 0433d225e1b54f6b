export * from './climb';
export * from './dates';
export * from './earliest';
export * from './earning';
export * from './learning';
export * from './mending';
export * from './moving';
export * from './reviewSeries';
export {
  SERIES_CODES,
  type SeriesCode,
  type SeriesEdit,
  type SeriesFinding,
  type SeriesRemedy,
  type WholeStudio,
} from './seriesRule';
export type * from './seriesSchema';
export * from './seriesTable';
export * from './weekdays';
export * from './whatIf';
