import Papa from 'papaparse';
import type { Bundle } from '../formats';
import { Catalog, rungKey } from '../repertoire';

/** The columns of the repertoire as a table, one row a rung, easiest first. */
export const CSV_COLUMNS = [
  'exercise',
  'exercise name',
  'position',
  'directions',
  'sides',
  'notes',
  'rung',
  'rung name',
  'props',
  'set-up seconds',
  'sets',
  'reps',
  'seconds per count',
  'ready when',
  'stay when',
  'requires',
  'preparation',
  'heat',
  'heat set by director',
  'reason',
] as const;
export type Column = (typeof CSV_COLUMNS)[number];
/** Columns a file may leave out; `heat` is computed and only written. */
export const OPTIONAL_COLUMNS: readonly Column[] = [
  'notes',
  'props',
  'seconds per count',
  'ready when',
  'stay when',
  'requires',
  'preparation',
  'heat',
  'heat set by director',
  'reason',
];

/** What a table can't carry, in words: shown wherever one goes out or comes in. */
export const CSV_LOSS =
  'A table carries the flat parts of the repertoire. Poses, phases and cues are not in it: rungs that are here already keep theirs, new ones come with the plain pose of their position, to be drawn in the editor. Heat is computed and is not read back.';

/** Several values in one cell. */
const JOIN = ' | ';

/** The repertoire as CSV (RFC 4180, comma, CRLF), one row a rung. */
export function writeRepertoireCsv(bundle: Bundle): string {
  const { exercises = [] } = bundle;
  const catalog = new Catalog({ ...bundle, exercises });
  const rows = catalog.rungs.map((entry): Record<Column, string | number> => {
    const { exercise, rung } = entry;
    return {
      exercise: exercise.id,
      'exercise name': exercise.name,
      position: exercise.position,
      directions: exercise.directions.join(JOIN),
      sides: exercise.sides,
      notes: exercise.notes ?? '',
      rung: rung.id,
      'rung name': rung.name,
      props: (rung.props ?? []).join(JOIN),
      'set-up seconds': rung.setupSeconds,
      sets: rung.dose.sets,
      reps: rung.dose.reps,
      'seconds per count': rung.dose.secondsPerCount ?? '',
      'ready when': (rung.gate?.ready ?? []).join(JOIN),
      'stay when': (rung.gate?.stay ?? []).join(JOIN),
      requires: (rung.requires ?? []).map(rungKey).join(JOIN),
      preparation: (rung.preparation ?? []).join(JOIN),
      heat: Math.round(catalog.heat(entry) * 10) / 10,
      'heat set by director': rung.heatOverride?.heat ?? '',
      reason: rung.heatOverride?.reason ?? '',
    };
  });
  return Papa.unparse({ fields: [...CSV_COLUMNS], data: rows }, { escapeFormulae: true });
}
