import type { TimedClass } from '../../plan';
import type { Finding } from '../finding';
import { ruleOf } from '../rules';

/** The share of its target under which a class is plainly being begun. */
const BEGUN = 0.5;

/** Findings of a class as a director hears them: while it is being begun, what speaks of a finished shape waits. */
export function nowAndLater<F extends Pick<Finding, 'code'>>(
  findings: readonly F[],
  { seconds, plan }: Pick<TimedClass, 'seconds' | 'plan'>,
): { readonly now: readonly F[]; readonly later: readonly F[] } {
  if (seconds >= BEGUN * plan.targetMinutes * 60) return { now: findings, later: [] };
  const waits = ({ code }: F) => ruleOf(code).ofWhole === true;
  return { now: findings.filter((each) => !waits(each)), later: findings.filter(waits) };
}
