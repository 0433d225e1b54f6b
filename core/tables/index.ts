export { type Column, CSV_COLUMNS, CSV_LOSS, REQUIRED_COLUMNS } from './columns';
export { decodeTable } from './decodeTable';
export { FILLABLE, type Fill } from './filledRows';
export { type OwnColumn, ownColumns, withColumns } from './ownTable';
export { exercisesOfRows, readTableRows, type TableRow } from './readRepertoireCsv';
export { tableTemplate } from './template';
export { repertoireCsvSteps, writeRepertoireCsv } from './writeRepertoireCsv';
