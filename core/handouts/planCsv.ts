import Papa from 'papaparse';
import { doseOf, propsNeeded } from '../plan';
import { clock } from '../review';
import { inert } from '../tables/inert';
import { cardOf } from './handout';
import type { SpokenClass } from './spokenClass';

/** The plan of a class as CSV (RFC 4180, comma, CRLF), one row a block or interlude, clock times and seconds. */
export function planCsv(spoken: SpokenClass): string {
  const { timed, catalog } = spoken;
  const card = cardOf(spoken);
  const rows = timed.sequence.map((part, i) => {
    const own = part.kind === 'block' ? part : null;
    const dose = own ? doseOf(own.entry, own.block) : null;
    const row = own ? card.rows.find(({ id }) => id === own.block.id) : undefined;
    const told = row?.told;
    return {
      number: i + 1,
      start: clock(part.startSeconds),
      seconds: Math.round(part.seconds),
      exercise: part.kind === 'block' ? part.entry.exercise.name : part.block.name,
      rung: own?.entry.rung.name ?? '',
      mode: part.kind === 'block' ? part.block.mode : part.block.interlude,
      sets: dose?.sets ?? '',
      reps: dose?.reps ?? '',
      dose: told?.dose ?? '',
      'for later': told?.prescribed ?? '',
      'first side': own?.firstSide ?? '',
      side: told?.side ?? '',
      run: told?.run ?? '',
      'rest after': (own?.block.restAfterSeconds ?? 0) || '',
      position: catalog.graph.name(part.position),
      heat: own ? Math.round(catalog.heat(own.entry)) : '',
      props: propsNeeded(part)
        .map(({ name }) => name)
        .join(' | '),
      'at home': propsNeeded(part)
        .flatMap(({ standIn }) => standIn ?? [])
        .join(' | '),
      settings: told?.settings.join(' | ') ?? '',
      lower: row?.lower?.entry.rung.name ?? '',
      beside: row?.beside.map(({ entry }) => entry.rung.name).join(' | ') ?? '',
      higher: row?.upper?.entry.rung.name ?? '',
      'way in': told?.wayIn ?? '',
      'way out': told?.wayOut ?? '',
      'ready to move on when': told?.ready.join(' | ') ?? '',
      'stay or go easier when': told?.stay.join(' | ') ?? '',
      'stop when': told?.stop.join(' | ') ?? '',
      notes: part.block.notes ?? '',
    };
  });
  const written = rows.map((row) => Object.fromEntries(Object.entries(row).map(([key, value]) => [key, inert(value)])));
  return `${Papa.unparse(written, { newline: '\r\n' })}\r\n`;
}
