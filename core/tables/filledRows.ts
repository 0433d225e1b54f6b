import type { Bundle, Steps } from '../formats';
import { DIRECTIONS } from '../method';
import type { Problem } from '../plan';
import type { Exercise, Prop } from '../repertoire';
import { idOf, plainWords } from '../vocabulary';
import { POSITIONS } from '../vocabulary/bodies/position';
import { DIRECTION_CALLED, NO_PROP, POSITION_CALLED, SIDES_CALLED } from './cellWords';
import { type Column, REQUIRED_COLUMNS } from './columns';
import type { TableRow } from './readRepertoireCsv';

/** What is taken for every new rung where its table says nothing. */
export type Fill = Readonly<Partial<Record<Column, string>>>;
/** What can be said once for all rows of a table. */
export const FILLABLE = [
  'rung name',
  'position',
  'directions',
  'sides',
  'set-up seconds',
  'sets',
  'reps',
] as const satisfies readonly Column[];

export interface Filled {
  readonly rows: readonly TableRow[];
  /** Props that rows name and the studio does not have. */
  readonly props: readonly Prop[];
  readonly problems: readonly Problem[];
}

/**
 * Rows as people keep them, as rows that are read here: ids are made from names, or found by them; a cell that was left
 * empty under another says the same; words of the field stand for codes; “3 x 8” and “8–10” are a dose; a prop nobody has
 * is a new one. What a column says nothing of is as it is on the ladder here, and for a new rung as `fill` says.
 */
export function* filledRows(rows: readonly TableRow[], bundle: Bundle, fill: Fill): Steps<Filled> {
  const here = new Map((bundle.exercises ?? []).map((exercise) => [exercise.id, exercise]));
  const ladders = new Ids([...here.values()]);
  const steps = new Map<string, Ids>();
  const props = new Props(bundle.props ?? []);
  const codes = codesOf(bundle);
  const missing = new Set<Column>();
  const filled: TableRow[] = [];
  let above: TableRow = {};
  for (const row of rows) {
    yield;
    const name = row['exercise name'] || (row.exercise ? here.get(row.exercise)?.name : above['exercise name']) || '';
    const own = row.exercise || ladders.of(name);
    const exercise = here.get(own);
    const level = levelOf(row['rung name'] ?? '') || (row.rung ? '' : (fill['rung name'] ?? ''));
    const ids = steps.get(own) ?? new Ids(exercise?.rungs ?? []);
    steps.set(own, ids);
    const id = row.rung || ids.of(level);
    const rung = exercise?.rungs.find((each) => each.id === id);
    const said = (column: Column, known: string | undefined): string => {
      const cell = row[column];
      if (cell) return cell;
      const elsewhere = known ?? (above.exercise === own ? above[column] : undefined) ?? fill[column];
      if (elsewhere === undefined && cell === undefined) missing.add(column);
      return elsewhere ?? '';
    };
    const next: TableRow = {
      ...row,
      exercise: own,
      'exercise name': name,
      rung: id,
      'rung name': level || rung?.name || '',
      position: codes.position(said('position', exercise?.position)),
      directions: codes.directions(said('directions', exercise?.directions.join('|'))),
      sides: codes.sides(said('sides', exercise?.sides)),
      'set-up seconds': secondsOf(said('set-up seconds', rung && String(rung.setupSeconds))),
      ...doseOf(row, said, rung),
      ...(row.props === undefined ? {} : { props: props.idsOf(row.props) }),
    };
    if (row['rung name'] === undefined && !rung && fill['rung name'] === undefined) missing.add('rung name');
    if (row['exercise name'] === undefined && !exercise) missing.add('exercise name');
    filled.push(next);
    above = next;
  }
  const told = rows[0]?.exercise === undefined ? withNotesTogether(filled) : filled;
  const problems = REQUIRED_COLUMNS.filter((column) => missing.has(column)).map(
    (column): Problem => ({ path: ['row 1'], message: `The column “${column}” is missing.` }),
  );
  return { rows: told, props: props.added, problems };
}

/**
 * In a table of one’s own a note stands beside its level; an exercise has one for all of them.
 * @param rows of a table without ids: one that was written here says the same in every row
 */
function withNotesTogether(rows: readonly TableRow[]): TableRow[] {
  const notes = new Map<string, Array<{ level: string; note: string }>>();
  for (const { exercise = '', 'rung name': level = '', notes: note = '' } of rows) {
    if (note !== '') notes.set(exercise, [...(notes.get(exercise) ?? []), { level, note }]);
  }
  return rows.map((row) => {
    const own = notes.get(row.exercise ?? '');
    if (!own) return row;
    const [first] = own;
    const same = own.every(({ note }) => note === first?.note);
    return { ...row, notes: same ? first?.note : own.map(({ level, note }) => `${level}: ${note}`).join('\n') };
  });
}

/** Ids by names: those there are, and new ones that none of them has. */
class Ids {
  private readonly byName = new Map<string, string>();
  private readonly taken = new Set<string>();

  constructor(known: ReadonlyArray<{ readonly id: string; readonly name: string }>) {
    for (const { id, name } of known) {
      this.byName.set(plainWords(name), id);
      this.taken.add(id);
    }
  }

  of(name: string): string {
    const plain = plainWords(name);
    const known = this.byName.get(plain);
    if (known !== undefined) return known;
    const base = idOf(name);
    let id = base;
    for (let n = 2; this.taken.has(id); n++) id = `${base}-${n}`;
    this.byName.set(plain, id);
    this.taken.add(id);
    return id;
  }
}

/** A level that is only a number is said as one. */
const levelOf = (cell: string): string => (/^\d+$/.test(cell) ? `Level ${cell}` : cell);

/** “20 s” and “0:20” are seconds. */
function secondsOf(cell: string): string {
  const clock = /^(\d+):([0-5]\d)$/.exec(cell);
  if (clock) return String(Number(clock[1]) * 60 + Number(clock[2]));
  return cell.replace(/^(\d+(?:[.,]\d+)?)\s*(?:s|sec|secs|seconds)\.?$/i, '$1');
}

type Dose = Pick<TableRow, 'sets' | 'reps' | 'reps to'>;

function doseOf(
  row: TableRow,
  said: (column: Column, known: string | undefined) => string,
  rung: Exercise['rungs'][number] | undefined,
): Dose {
  const reps = said('reps', rung && String(rung.dose.reps));
  const times = /^(\d+)\s*[x×]\s*(.+)$/i.exec(reps);
  const count = (times?.[2] ?? reps).trim();
  const range = /^(\d+)\s*(?:-|–|to)\s*(\d+)\b/.exec(count);
  const sets = times?.[1] ?? said('sets', rung && String(rung.dose.sets));
  const to = range?.[2] ?? row['reps to'];
  // “8 each side” is eight: sides have a column of their own.
  return {
    sets,
    reps: range?.[1] ?? count.replace(/^(\d+)\s*(?:x|times|reps?|repetitions|each|a side|per side)\b.*$/i, '$1'),
    ...(to === undefined ? {} : { 'reps to': to }),
  };
}

/** What stands in a cell, each by itself. */
const piecesOf = (cell: string): string[] => cell.split(/\s*(?:[|,;/+&]|\band\b)\s*/i).filter(Boolean);

function codesOf({ positions = [] }: Bundle) {
  const places = new Map(
    positions.flatMap(
      ({ id, name }) =>
        [
          [plainWords(id), id],
          [plainWords(name), id],
        ] as const,
    ),
  );
  const base = lookup(POSITIONS, POSITION_CALLED);
  const direction = lookup(DIRECTIONS, DIRECTION_CALLED);
  const sides = lookup(['both', 'each', 'alternate'], SIDES_CALLED);
  // A word that is not known stays, and is told of where it stands.
  const known = (find: (word: string) => string | undefined, cell: string) => find(plainWords(cell)) ?? cell;
  return {
    position: (cell: string) => known((word) => places.get(word) ?? base(word), cell),
    sides: (cell: string) => known(sides, cell),
    directions: (cell: string): string => {
      const whole = direction(plainWords(cell));
      if (whole) return whole;
      const pieces = piecesOf(cell);
      return pieces.every((piece) => direction(plainWords(piece)))
        ? [...new Set(pieces.map((piece) => direction(plainWords(piece))))].join('|')
        : cell;
    },
  };
}

function lookup<T extends string>(codes: readonly T[], called: Readonly<Record<T, readonly string[]>>) {
  const found = new Map(
    codes.flatMap((code) => [code, ...called[code]].map((word) => [plainWords(word), code] as const)),
  );
  return (word: string): T | undefined => found.get(word);
}

/** The props of a studio by their ids and names, and those a table adds. */
class Props {
  readonly added: Prop[] = [];
  private readonly ids = new Map<string, string>();

  constructor(props: readonly Prop[]) {
    for (const { id, name } of props) for (const word of [id, name]) this.ids.set(plainWords(word), id);
  }

  idsOf(cell: string): string {
    if (NO_PROP.has(plainWords(cell))) return '';
    const whole = this.find(cell);
    const pieces = whole ? [cell] : piecesOf(cell);
    return pieces
      .filter((piece) => !NO_PROP.has(plainWords(piece)))
      .map((piece) => this.find(piece) ?? this.add(piece))
      .join('|');
  }

  private find(word: string): string | undefined {
    const plain = plainWords(word);
    return (
      this.ids.get(plain) ??
      this.ids.get(plain.replace(/^(?:a|an|the|one) /, '')) ??
      this.ids.get(plain.replace(/s$/, ''))
    );
  }

  private add(word: string): string {
    const name = word.trim();
    const id = idOf(name);
    this.added.push({ id, name: `${name.charAt(0).toUpperCase()}${name.slice(1)}` });
    this.ids.set(plainWords(word), id);
    return id;
  }
}
