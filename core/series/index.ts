export type * from './seriesSchema';
