import { type Dose, FEATURES, type Feature, featureAt, type RungFeatures } from '../repertoire';
import { agoText, daysBetween } from './calendar';
import type { AbdominalCheck, Condition } from './condition';
import { CAUTION_RULES, type CautionRule, graver, VERDICTS, type Verdict } from './rules';

/** A rule that fired, with what was measured. */
export interface Caution extends CautionRule {
  /** In the feature's unit, at the dose. */
  readonly value: number;
}

export interface Judgement {
  readonly verdict: Verdict;
  /** Gravest first; of the rules of one condition on one feature only the gravest. */
  readonly cautions: readonly Caution[];
}

/**
 * What a rung at a dose asks of people with these conditions. It reads computed features and nothing else.
 * @param dose the block's, or the rung's own
 */
export function judge(features: RungFeatures, dose: Dose, conditions: readonly Condition[]): Judgement {
  const fired = new Map<string, Caution>();
  for (const rule of CAUTION_RULES) {
    if (!conditions.includes(rule.condition)) continue;
    const value = featureAt(features, rule.feature, dose);
    if (!(value > rule.over)) continue;
    const key = `${rule.condition}/${rule.feature}`;
    const known = fired.get(key);
    if (known && graver(known.verdict, rule.verdict) === known.verdict) continue;
    fired.set(key, { ...rule, value });
  }
  const cautions = [...fired.values()].sort((a, b) => VERDICTS.indexOf(b.verdict) - VERDICTS.indexOf(a.verdict));
  return { verdict: cautions[0]?.verdict ?? 'fine', cautions };
}

/** A measured feature as people read it: `head lifted 96 s (limit 45 s)`; a limit of nothing at all goes unsaid. */
export function measuredText(feature: Feature, value: number, limit: number): string {
  const { words, unit } = FEATURES[feature];
  if (unit === '') return words;
  const figure = (each: number) =>
    `${each < 10 && !Number.isInteger(each) ? each.toFixed(1) : Math.round(each)}${unit === '°' ? '' : ' '}${unit}`;
  return limit === 0 ? `${words} ${figure(value)}` : `${words} ${figure(value)} (limit ${figure(limit)})`;
}

/** What the newest finger-width check says of an audience with abdominal separation. */
export interface CheckReading {
  readonly latest: AbdominalCheck | undefined;
  readonly clear: boolean;
  /** Why someone must be seen first; empty when the check is clear. */
  readonly reason: string;
}

/** What the house takes into class (`method.limits`). */
export interface CheckLimits {
  readonly fingerWidth: number;
  /** Weeks after which a check no longer says how things are. */
  readonly checkWeeks: number;
}

/**
 * Reads the record by the calendar: a check dated after today is none yet, and an old one no longer counts.
 * @param today `YYYY-MM-DD`; without it no age is judged
 */
export function readChecks(checks: readonly AbdominalCheck[], limits: CheckLimits, today?: string): CheckReading {
  const made = today === undefined ? checks : checks.filter(({ date }) => date <= today);
  const latest = made.reduce<AbdominalCheck | undefined>(
    (newest, check) => (newest && newest.date > check.date ? newest : check),
    undefined,
  );
  const seenFirst = (reason: string): CheckReading => ({ latest, clear: false, reason });
  if (!latest) return seenFirst('No finger-width check is on record.');
  const by = `${latest.checkedBy} on ${latest.date}`;
  if (latest.doming) return seenFirst(`The belly domed in the check by ${by}.`);
  if (latest.fingers > limits.fingerWidth) {
    return seenFirst(
      `${latest.fingers} finger-widths in the check by ${by}; the house limit is ${limits.fingerWidth}.`,
    );
  }
  const days = today === undefined ? 0 : daysBetween(latest.date, today);
  if (days > limits.checkWeeks * 7) {
    return seenFirst(`The last check, by ${by}, was ${agoText(days)}; it counts for ${limits.checkWeeks} weeks.`);
  }
  return { latest, clear: true, reason: '' };
}
