export type { Problem } from '../plan';
export * from './bundle';
export * from './checkBundle';
export * from './mergeBundles';
export * from './parseBundle';
export * from './readRepertoireCsv';
export * from './reviewBundle';
export { CSV_COLUMNS, CSV_LOSS, writeRepertoireCsv } from './writeRepertoireCsv';
