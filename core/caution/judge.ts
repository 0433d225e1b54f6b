import { type Dose, FEATURES, type Feature, featureAt, type RungFeatures } from '../repertoire';
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

/** @param limit finger-widths, the house's own (`method.limits.fingerWidth`) */
export function readChecks(checks: readonly AbdominalCheck[], limit: number): CheckReading {
  const latest = checks.reduce<AbdominalCheck | undefined>(
    (newest, check) => (newest && newest.date > check.date ? newest : check),
    undefined,
  );
  if (!latest) return { latest, clear: false, reason: 'No finger-width check is on record.' };
  const by = `${latest.checkedBy} on ${latest.date}`;
  if (latest.doming) return { latest, clear: false, reason: `The belly domed in the check by ${by}.` };
  if (latest.fingers > limit) {
    return {
      latest,
      clear: false,
      reason: `${latest.fingers} finger-widths in the check by ${by}; the house limit is ${limit}.`,
    };
  }
  return { latest, clear: true, reason: '' };
}
