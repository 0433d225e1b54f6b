import Papa from 'papaparse';
import { plainWords } from '../vocabulary';
import { DIRECTION_CALLED, POSITION_CALLED, SIDES_CALLED } from './cellWords';
import { type Column, CSV_COLUMNS, calledOf, LEFT_OUT } from './columns';

/** A column of somebody's own table: what stands over it, what stands first in it, and what it seems to be. */
export interface OwnColumn {
  readonly name: string;
  readonly samples: readonly string[];
  readonly guess: Column | null;
}

/** Rows that are looked at for a guess, and cells that are shown of a column. */
const [LOOKED_AT, SHOWN] = [30, 3];
/** Of the cells looked at, the share that must be words of a column for it to be taken for that one. */
const SURE = 0.6;

/**
 * The columns of a table as somebody keeps it, each with a guess by its name, else by what stands in it; no column is
 * guessed twice. A table as it is written here comes back with its own columns.
 */
export function ownColumns(text: string): OwnColumn[] {
  const { data } = Papa.parse<string[]>(withoutMark(text), { skipEmptyLines: 'greedy', preview: LOOKED_AT + 1 });
  const [head = [], ...rows] = data;
  const names = head.map(plainWords);
  const taken = new Set<Column>();
  const guesses = names.map((name): Column | null => take(taken, byName(name, names)));
  const cells = head.map((_, i) => rows.map((row) => (row[i] ?? '').trim()).filter(Boolean));
  cells.forEach((own, i) => {
    guesses[i] ??= take(taken, byCells(own));
  });
  return head.map((name, i) => ({
    name: name.trim(),
    samples: [...new Set(cells[i])].slice(0, SHOWN),
    guess: guesses[i] ?? null,
  }));
}

/** The table with its first row said in the columns that are known here; `null` leaves a column out. */
export function withColumns(text: string, columns: ReadonlyArray<Column | null>): string {
  const table = withoutMark(text);
  // Its fast mode reads a row on, and says so in the cursor.
  const { meta } = Papa.parse<string[]>(table, { preview: 1, fastMode: false });
  const head = Papa.unparse([columns.map((column) => column ?? LEFT_OUT)], { delimiter: meta.delimiter });
  return `${head}${meta.linebreak}${table.slice(meta.cursor)}`;
}

/** From its first row on. */
const withoutMark = (text: string): string => text.replace(/^\uFEFF/, '').replace(/^(?:[ \t]*\r?\n)+/, '');

function take(taken: Set<Column>, column: Column | null): Column | null {
  if (column === null || taken.has(column)) return null;
  taken.add(column);
  return column;
}

/** By what stands over it: just so, else as people call it, else beginning so. */
function byName(name: string, all: readonly string[]): Column | null {
  const own = (column: Column) => plainWords(column);
  // “Exercise” alone is a name; beside “exercise name” it is the id, as it is written here.
  const isIds = (column: Column) => all.includes(`${own(column)} name`);
  const just = CSV_COLUMNS.find((column) => own(column) === name);
  if (just && (!['exercise', 'rung'].includes(just) || isIds(just))) return just;
  const called = CSV_COLUMNS.find((column) => calledOf(column).includes(name));
  if (called) return called;
  const first = CSV_COLUMNS.find((column) => calledOf(column).some((word) => name.startsWith(`${word} `)));
  return first ?? null;
}

/** By what stands in it. */
function byCells(cells: readonly string[]): Column | null {
  if (cells.length === 0) return null;
  const words = cells.map(plainWords);
  const codes = [
    ['position', POSITION_CALLED],
    ['directions', DIRECTION_CALLED],
    ['sides', SIDES_CALLED],
  ] as const;
  for (const [column, called] of codes) {
    const known = new Set(Object.entries(called).flatMap(([code, own]) => [plainWords(code), ...own]));
    // Yes and no answer more questions than one.
    if (column === 'sides') for (const word of ['yes', 'no', 'y', 'n', 'none']) known.delete(word);
    if (words.filter((word) => known.has(word)).length >= SURE * words.length) return column;
  }
  return null;
}
