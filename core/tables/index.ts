export { decodeTable } from './decodeTable';
export * from './readRepertoireCsv';
export { CSV_COLUMNS, CSV_LOSS, writeRepertoireCsv } from './writeRepertoireCsv';
