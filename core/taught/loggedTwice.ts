import { minutesOf } from '../series/dates';
import type { Log } from './logSchema';

/** Minutes within which two logs of a class on one day are of one and the same class: nobody teaches it twice so soon. */
const APART = 20;

/**
 * Logs that tell of a class another log tells of too, as when two phones are in the room: both would count for the
 * teacher's pace. Rehearsals tell of no class.
 * @returns their ids
 */
export function loggedTwice(logs: readonly Log[]): ReadonlySet<string> {
  const byDay = new Map<string, Log[]>();
  for (const log of logs) {
    if (log.source === 'rehearsal') continue;
    const day = `${log.class} ${log.date}`;
    byDay.set(day, [...(byDay.get(day) ?? []), log]);
  }
  const twice = [...byDay.values()].flatMap((own) =>
    own.filter((log) => own.some((other) => other !== log && ofOneClass(log, other))),
  );
  return new Set(twice.map(({ id }) => id));
}

/** Of two teachers a class is taught twice, unless nobody said who taught one of them. */
function ofOneClass(a: Log, b: Log): boolean {
  if (a.teacher !== undefined && b.teacher !== undefined && a.teacher !== b.teacher) return false;
  if (a.begun === undefined || b.begun === undefined) return true;
  return Math.abs(minutesOf(a.begun) - minutesOf(b.begun)) <= APART;
}
