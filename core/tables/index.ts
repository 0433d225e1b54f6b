export { CSV_COLUMNS, CSV_LOSS } from './columns';
export { decodeTable } from './decodeTable';
export * from './readRepertoireCsv';
export { repertoireCsvSteps, writeRepertoireCsv } from './writeRepertoireCsv';
