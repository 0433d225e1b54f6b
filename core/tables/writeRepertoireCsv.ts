import Papa from 'papaparse';
import { atOnce, type Bundle, type Steps } from '../formats';
import { Catalog, type RungEntry, rungKey } from '../repertoire';
import { type Column, CSV_COLUMNS } from './columns';
import { inert } from './inert';

/** Several values in one cell. */
const JOIN = ' | ';

/** One value of several in a cell: a bar of its own is written twice, since a single one parts values. */
const part = (value: string): string => value.replaceAll('|', '||');
const joined = (values: readonly string[]): string => values.map(part).join(JOIN);

/** The repertoire as CSV (RFC 4180, comma, CRLF), one row a rung. */
export function writeRepertoireCsv(bundle: Bundle): string {
  return atOnce(repertoireCsvSteps(new Catalog({ ...bundle, exercises: bundle.exercises ?? [] })));
}

/** The same, a rung a step. */
export function* repertoireCsvSteps(catalog: Catalog): Steps<string> {
  const lines = [Papa.unparse([[...CSV_COLUMNS]])];
  for (const entry of catalog.rungs) {
    const row = rowOf(catalog, entry);
    lines.push(Papa.unparse([CSV_COLUMNS.map((column) => inert(row[column]))]));
    yield;
  }
  return lines.join('\r\n');
}

function rowOf(catalog: Catalog, entry: RungEntry): Record<Column, string | number> {
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
    'reps to': rung.dose.repsTo ?? '',
    until: rung.dose.until ?? '',
    'seconds per count': rung.dose.secondsPerCount ?? '',
    'ready when': joined(rung.gate?.ready ?? []),
    'stay when': joined(rung.gate?.stay ?? []),
    'stop when': joined(rung.gate?.stop ?? []),
    'branch of': rung.branchOf ?? '',
    requires: (rung.requires ?? []).map(rungKey).join(JOIN),
    preparation: (rung.preparation ?? []).join(JOIN),
    heat: Math.round(catalog.heat(entry) * 10) / 10,
    'heat set by director': rung.heatOverride?.heat ?? '',
    reason: rung.heatOverride?.reason ?? '',
  };
}
