import type { TimedClass } from '../plan';
import type { Finding, FindingCode } from './finding';

/** What speaks of the shape of a whole class: of one that is only begun it says nothing worth hearing. */
const OF_THE_WHOLE: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'TIME_UNDER',
  'OPENING_LONG',
  'DIRECTION_HIGH',
  'DIRECTION_LOW',
  'WARM_UP_HOT',
  'PEAK_EARLY',
  'PEAK_LATE',
  'EASE_MISSING',
  'HOTTEST_LAST',
]);

/** The share of its target under which a class is plainly being begun. */
const BEGUN = 0.5;

/** Findings of a class as a director hears them: while it is being begun, what speaks of a finished shape waits. */
export function heardOf<F extends Pick<Finding, 'code'>>(
  findings: readonly F[],
  { seconds, plan }: Pick<TimedClass, 'seconds' | 'plan'>,
): { readonly now: readonly F[]; readonly later: readonly F[] } {
  if (seconds >= BEGUN * plan.targetMinutes * 60) return { now: findings, later: [] };
  const waits = ({ code }: F) => OF_THE_WHOLE.has(code);
  return { now: findings.filter((each) => !waits(each)), later: findings.filter(waits) };
}
