import { minutesOf } from '../series/dates';
import type { Log } from './logSchema';

/** Minutes within which two logs of a class on one day are of one and the same class: nobody teaches it twice so soon. */
const APART = 20;

/**
 * Logs that tell of a class another log tells of too, as when two phones are in the room: both would count for the
 * teacher's pace. Rehearsals tell of no class.
 * @returns each with the others of its class, by its id
 */
export function loggedTwice(logs: readonly Log[]): ReadonlyMap<string, readonly Log[]> {
  const found = new Map<string, readonly Log[]>();
  const byDay = new Map<string, Log[]>();
  for (const log of logs) {
    if (log.source === 'rehearsal') continue;
    const day = `${log.class} ${log.date}`;
    byDay.set(day, [...(byDay.get(day) ?? []), log]);
  }
  for (const own of byDay.values()) {
    for (const log of own) {
      const others = own.filter((other) => other !== log && ofOneClass(log, other));
      if (others.length > 0) found.set(log.id, others);
    }
  }
  return found;
}

/** Of two teachers a class is taught twice, unless nobody said who taught one of them. */
function ofOneClass(a: Log, b: Log): boolean {
  if (a.teacher !== undefined && b.teacher !== undefined && a.teacher !== b.teacher) return false;
  if (a.begun === undefined || b.begun === undefined) return true;
  return Math.abs(minutesOf(a.begun) - minutesOf(b.begun)) <= APART;
}
