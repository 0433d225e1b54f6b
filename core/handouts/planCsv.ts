import Papa from 'papaparse';
import { doseOf } from '../plan';
import { clock } from '../review';
import { inert } from '../tables/inert';
import type { SpokenClass } from './spokenClass';

/** The plan of a class as CSV (RFC 4180, comma, CRLF), one row a block or interlude, clock times and seconds. */
export function planCsv({ timed, catalog }: SpokenClass): string {
  const rows = timed.sequence.map((part, i) => {
    const own = part.kind === 'block' ? part : null;
    const dose = own ? doseOf(own.entry, own.block) : null;
    return {
      number: i + 1,
      start: clock(part.startSeconds),
      seconds: Math.round(part.seconds),
      exercise: part.kind === 'block' ? part.entry.exercise.name : part.block.name,
      rung: own?.entry.rung.name ?? '',
      mode: part.kind === 'block' ? part.block.mode : part.block.interlude,
      sets: dose?.sets ?? '',
      reps: dose?.reps ?? '',
      'first side': own?.firstSide ?? '',
      position: catalog.graph.name(part.position),
      heat: own ? Math.round(catalog.heat(own.entry)) : '',
      props: own ? own.entry.props.map(({ name }) => name).join(' | ') : '',
      notes: part.block.notes ?? '',
    };
  });
  const written = rows.map((row) => Object.fromEntries(Object.entries(row).map(([key, value]) => [key, inert(value)])));
  return `${Papa.unparse(written, { newline: '\r\n' })}\r\n`;
}
