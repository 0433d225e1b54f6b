import Papa from 'papaparse';
import type { Bundle } from '../formats';
import { atOnce, type Steps, shortened } from '../formats';
import { schemaProblems } from '../formats/file/schemaProblems';
import { DIRECTIONS, type Direction } from '../method';
import type { Problem } from '../plan';
import { type Exercise, type Prop, plainRung, type Rung, type RungRef, rungKey } from '../repertoire';
import { exerciseSchema } from '../repertoire/exerciseSchema';
import { type BasePosition, POSITIONS } from '../vocabulary/bodies/position';
import { type Column, CSV_COLUMNS, LEFT_OUT } from './columns';
import { type Fill, filledRows } from './filledRows';

/** Rows of one table at most: more rungs than any studio teaches, and few enough to be checked while one waits. */
const MOST_ROWS = 20_000;

export type ReadCsv =
  | {
      readonly ok: true;
      readonly exercises: readonly Exercise[];
      /** Keys of rungs that were not here and come with a plain pose. */
      readonly plain: readonly string[];
      /** Props the table names that were not here. */
      readonly props: readonly Prop[];
    }
  | Refused;

/** Columns of one table at most. */
const MOST_COLUMNS = 200;

/** A row as it was read: the text of each of its columns. */
export type TableRow = Readonly<Partial<Record<Column, string>>>;

type Refused = { readonly ok: false; readonly problems: readonly Problem[] };
export type ReadRows = { readonly ok: true; readonly rows: readonly TableRow[] } | Refused;

/**
 * Reads a table of the repertoire onto the studio that is here: all of it, or nothing with a report naming the row
 * and the column. Comma, semicolon or tab, with or without a byte-order mark; the order of the columns is free.
 * @param bundle the studio: its rungs keep their poses, phases and cues
 * @param fill what is taken for new rungs where the table says nothing
 */
export function readRepertoireCsv(text: string, bundle: Bundle, fill: Fill = {}): ReadCsv {
  const table = readTableRows(text);
  return table.ok ? atOnce(exercisesOfRows(table.rows, bundle, fill)) : table;
}

/** The rows of such a table, not yet held against anything. */
export function readTableRows(text: string): ReadRows {
  const table = text.replace(/^\uFEFF/, '');
  const shape = { skipEmptyLines: 'greedy' as const, delimitersToGuess: [',', ';', '\t'] };
  const nameOf = (header: string) => header.trim().toLowerCase();
  // The first row by itself: a table with a column twice is not to be read as one with other names.
  const [head = []] = Papa.parse<string[]>(firstRow(table), { ...shape, preview: 1 }).data;
  const columns = columnProblems(head.map(nameOf));
  if (columns.length > 0) return { ok: false, problems: columns };
  const parsed = Papa.parse<TableRow>(table, {
    ...shape,
    header: true,
    // Left-out columns share a name, which a table’s rows can’t.
    transformHeader: (header, i) => (nameOf(header) === LEFT_OUT ? `${LEFT_OUT}${i}` : nameOf(header)),
    transform: (value) => unescaped(value.trim()),
  });
  // A table of one column has no delimiter to be found.
  const wrong = parsed.errors.filter(({ code }) => code !== 'UndetectableDelimiter');
  const broken = wrong.map(({ row = 0, message }): Problem => ({ path: [`row ${row + 2}`], message: `${message}.` }));
  if (broken.length > 0) return { ok: false, problems: shortened(broken) };
  if (parsed.data.length > MOST_ROWS) {
    return refusal([], `The table has ${parsed.data.length} rows; expected at most ${MOST_ROWS}, one for each rung.`);
  }
  if (parsed.data.length === 0) return refusal([], 'The table has no rows; expected one for each rung.');
  return { ok: true, rows: parsed.data };
}

/** Characters of a first row at most: its columns, with room to spare. */
const MOST_HEAD = 100_000;
/** As much of a table as its first row can be. */
const firstRow = (table: string): string => table.slice(0, MOST_HEAD);

const refusal = (path: Problem['path'], message: string): Refused => ({ ok: false, problems: [{ path, message }] });

/** A leading apostrophe is how tables keep a text from being run; it is not part of the text. */
const unescaped = (value: string): string => value.replace(/^'(?=['=+\-@\t\r\n])/, '');

function columnProblems(found: readonly string[]): Problem[] {
  if (found.length > MOST_COLUMNS) {
    return [{ path: ['row 1'], message: `The table has ${found.length} columns; expected at most ${MOST_COLUMNS}.` }];
  }
  const known: readonly string[] = CSV_COLUMNS;
  const seen = new Set<string>();
  const taken = found.filter((column) => column !== LEFT_OUT);
  const twice = taken.filter((column) => seen.size === seen.add(column).size);
  const strange = taken.filter((column) => !known.includes(column));
  return [
    ...strange.map((column) => ({
      path: ['row 1'],
      message: `The column “${column.slice(0, 60)}” is not known; expected ${CSV_COLUMNS.join(', ')}.`,
    })),
    ...twice.map((column) => ({ path: ['row 1'], message: `The column “${column}” stands twice.` })),
  ].slice(0, 12);
}

/**
 * Rows gathered into exercises, a row and an exercise a step: the first row of each says what it is, and the others must
 * agree.
 */
export function* exercisesOfRows(written: readonly TableRow[], bundle: Bundle, fill: Fill = {}): Steps<ReadCsv> {
  const { rows, props, problems: missing } = yield* filledRows(written, bundle, fill);
  if (missing.length > 0) return { ok: false, problems: missing };
  const problems: Problem[] = [];
  const here = new Map((bundle.exercises ?? []).map((exercise) => [exercise.id, exercise]));
  const likes = new Map((bundle.positions ?? []).map(({ id, like }) => [id, like]));
  const made = new Map<string, { exercise: Omit<Exercise, 'rungs'>; rungs: Rung[]; row: number }>();
  const seen = new Map<string, number>();
  const plain: string[] = [];
  for (const [i, row] of rows.entries()) {
    yield;
    const number = i + 2;
    const complain = (column: Column, message: string) => problems.push({ path: [`row ${number}`, column], message });
    const ref: RungRef = { exercise: row.exercise ?? '', rung: row.rung ?? '' };
    const key = rungKey(ref);
    const before = seen.get(key);
    if (before !== undefined) {
      complain('rung', `“${key}” stands in row ${before} already; expected each rung once.`);
      continue;
    }
    seen.set(key, number);
    const head = headOf(row, likes, complain);
    const known = made.get(ref.exercise);
    if (known && JSON.stringify(known.exercise) !== JSON.stringify(head)) {
      complain(
        'exercise',
        `What it says of “${ref.exercise}” differs from row ${known.row}; expected the same in every row of an exercise.`,
      );
    }
    const old = here.get(ref.exercise)?.rungs.find(({ id }) => id === ref.rung);
    if (!old) plain.push(key);
    const like = likes.get(head.position) ?? (head.position as BasePosition);
    const rung = rungOf(row, old ?? plainRung(like), complain);
    if (known) known.rungs.push(rung);
    else made.set(ref.exercise, { exercise: head, rungs: [rung], row: number });
  }
  const exercises: Exercise[] = [];
  for (const { exercise, rungs: named, row } of made.values()) {
    yield;
    const rungs = withUnnamed(here.get(exercise.id)?.rungs ?? [], named);
    const { tags } = here.get(exercise.id) ?? {};
    const read = exerciseSchema.safeParse({ ...exercise, ...(tags ? { tags } : {}), rungs });
    if (read.success) exercises.push(read.data);
    else
      problems.push(
        ...schemaProblems(read.error).map(({ path, message }) => ({
          path: [rowOf(path, row, rungs, seen, exercise.id), ...flatPath(path)],
          message,
        })),
      );
  }
  if (problems.length > 0) return { ok: false, problems: shortened(problems) };
  return { ok: true, exercises, plain, props };
}

/**
 * The rungs of the table in its order, and those of the ladder that it leaves out, each behind the rung it stood behind:
 * a table may be filtered to a part of the repertoire, and says nothing of the rest.
 */
function withUnnamed(old: readonly Rung[], named: readonly Rung[]): Rung[] {
  const ids = new Set(named.map(({ id }) => id));
  const rungs = [...named];
  old.forEach((rung, step) => {
    if (ids.has(rung.id)) return;
    const before = old[step - 1];
    const at = before === undefined ? -1 : rungs.findIndex(({ id }) => id === before.id);
    rungs.splice(at + 1, 0, rung);
  });
  return rungs;
}

/** The row a problem of an assembled exercise stands in. */
function rowOf(
  path: Problem['path'],
  first: number,
  rungs: readonly Rung[],
  seen: ReadonlyMap<string, number>,
  exercise: string,
): string {
  const index = path[0] === 'rungs' && typeof path[1] === 'number' ? path[1] : -1;
  const rung = rungs[index];
  return `row ${(rung && seen.get(rungKey({ exercise, rung: rung.id }))) ?? first}`;
}

const COLUMN_OF: Readonly<Record<string, Column>> = {
  id: 'exercise',
  name: 'exercise name',
  'rungs.id': 'rung',
  'rungs.name': 'rung name',
  'rungs.setupSeconds': 'set-up seconds',
  'rungs.dose.sets': 'sets',
  'rungs.dose.reps': 'reps',
  'rungs.dose.repsTo': 'reps to',
  'rungs.dose.until': 'until',
  'rungs.dose.secondsPerCount': 'seconds per count',
  'rungs.gate.ready': 'ready when',
  'rungs.gate.stay': 'stay when',
  'rungs.gate.stop': 'stop when',
  'rungs.branchOf': 'branch of',
  'rungs.heatOverride.heat': 'heat set by director',
  'rungs.heatOverride.reason': 'reason',
  'rungs.requires': 'requires',
  'rungs.props': 'props',
  'rungs.preparation': 'preparation',
};

function flatPath(path: Problem['path']): Problem['path'] {
  const words = path.filter((part) => typeof part === 'string');
  for (let length = words.length; length > 0; length--) {
    const column = COLUMN_OF[words.slice(0, length).join('.')];
    if (column) return [column];
  }
  return words.slice(0, 1);
}

type Complain = (column: Column, message: string) => void;

/** The values of a cell, parted by single bars; a double one is a bar of the value's own. */
const listOf = (cell: string | undefined): string[] =>
  (cell ?? '')
    .split(/(?<!\|)\|(?!\|)/)
    .map((each) => each.trim().replaceAll('||', '|'))
    .filter(Boolean);

function headOf(row: TableRow, likes: ReadonlyMap<string, BasePosition>, complain: Complain): Omit<Exercise, 'rungs'> {
  const position = row.position ?? '';
  const positions: readonly string[] = [...POSITIONS, ...likes.keys()];
  const known = positions.includes(position);
  if (!known) complain('position', `“${position.slice(0, 60)}” is not a position; expected ${positions.join(', ')}.`);
  const directions = listOf(row.directions);
  for (const each of directions) {
    if (!(DIRECTIONS as readonly string[]).includes(each)) {
      complain('directions', `“${each}” is not a direction; expected ${DIRECTIONS.join(', ')}, joined by |.`);
    }
  }
  const sides = row.sides as Exercise['sides'];
  if (!['both', 'each', 'alternate'].includes(sides)) {
    complain('sides', `“${sides}” is not a way of doing sides; expected both, each or alternate.`);
  }
  return {
    id: row.exercise ?? '',
    name: row['exercise name'] ?? '',
    // What was complained of once is not complained of again.
    position: known ? position : POSITIONS[0],
    directions: directions as Direction[],
    sides,
    ...(row.notes ? { notes: row.notes } : {}),
  };
}

function numberOf(row: TableRow, column: Column, complain: Complain): number | undefined {
  const cell = row[column];
  if (!cell) return undefined;
  // A decimal comma is how half the world's tables write a number.
  const value = /^-?\d+([.,]\d+)?$/.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN;
  if (!Number.isNaN(value)) return value;
  complain(column, `“${cell.slice(0, 40)}” is not a number.`);
  return undefined;
}

/** A rung with the flat parts of a row and the poses, phases and cues it had. */
function rungOf(row: TableRow, old: Omit<Rung, 'id' | 'name'>, complain: Complain): Rung {
  const {
    gate: _gate,
    requires: _requires,
    preparation: _preparation,
    heatOverride: _heat,
    props: _props,
    branchOf: _branch,
    ...kept
  } = old;
  const props = listOf(row.props);
  const requires = listOf(row.requires).map((key): RungRef => {
    const [exercise = '', rung = '', ...rest] = key.split('/');
    if (!rung || rest.length > 0) complain('requires', `“${key}” does not name a rung; expected exercise/rung.`);
    return { exercise, rung };
  });
  const preparation = listOf(row.preparation) as NonNullable<Rung['preparation']>;
  const heat = numberOf(row, 'heat set by director', complain);
  // A column that is not in the table says nothing: what the rung had stays.
  const branchOf = row['branch of'] === undefined ? old.branchOf : row['branch of'] || undefined;
  return {
    ...kept,
    id: row.rung ?? '',
    name: row['rung name'] ?? '',
    setupSeconds: numberOf(row, 'set-up seconds', complain) ?? old.setupSeconds,
    dose: doseOf(row, old.dose, complain),
    ...(branchOf === undefined ? {} : { branchOf }),
    ...(props.length > 0 ? { props } : {}),
    ...(requires.length > 0 ? { requires } : {}),
    ...(preparation.length > 0 ? { preparation } : {}),
    ...gateOf(row, old),
    ...(heat === undefined ? {} : { heatOverride: { heat, reason: row.reason ?? '' } }),
  };
}

function doseOf(row: TableRow, old: Rung['dose'], complain: Complain): Rung['dose'] {
  const secondsPerCount = numberOf(row, 'seconds per count', complain);
  const repsTo = row['reps to'] === undefined ? old.repsTo : numberOf(row, 'reps to', complain);
  const until = row.until === undefined ? old.until : row.until;
  if (until !== undefined && until !== '' && until !== 'tired') {
    complain('until', `“${until}” is not known here; expected tired, or nothing.`);
  }
  return {
    sets: numberOf(row, 'sets', complain) ?? 1,
    reps: numberOf(row, 'reps', complain) ?? 1,
    ...(repsTo === undefined ? {} : { repsTo }),
    ...(until === 'tired' ? { until } : {}),
    ...(secondsPerCount === undefined ? {} : { secondsPerCount }),
  };
}

function gateOf(row: TableRow, { gate }: Pick<Rung, 'gate'>): Pick<Rung, 'gate'> {
  const signs = {
    ready: listOf(row['ready when']),
    stay: listOf(row['stay when']),
    stop: row['stop when'] === undefined ? (gate?.stop ?? []) : listOf(row['stop when']),
  };
  const said = Object.entries(signs).filter(([, list]) => list.length > 0);
  return said.length > 0 ? { gate: Object.fromEntries(said) } : {};
}
