import Papa from 'papaparse';
import { type Column, REQUIRED_COLUMNS } from './columns';

/** What a new ladder is told in: what must be known, and what is best written beside it. */
const COLUMNS: readonly Column[] = [...REQUIRED_COLUMNS, 'props', 'ready when', 'stop when', 'notes'];

/** Two rungs of one ladder, to be written over. */
const ROWS: ReadonlyArray<Readonly<Partial<Record<Column, string>>>> = [
  {
    'exercise name': 'Kiln door',
    'rung name': 'One knee',
    position: 'on the back',
    directions: 'neutral',
    sides: 'alternating',
    'set-up seconds': '20',
    sets: '1',
    reps: '6-8',
    'ready when': 'six each side with a still pelvis',
  },
  { 'exercise name': 'Kiln door', 'rung name': 'Both knees', reps: '2 x 6', props: 'Ball' },
];

/** A table to fill in: the columns, and a ladder of two rungs that shows how much of it may be left empty. */
export const tableTemplate = (): string =>
  Papa.unparse([[...COLUMNS], ...ROWS.map((row) => COLUMNS.map((column) => row[column] ?? ''))], { newline: '\r\n' });
