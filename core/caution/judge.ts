import type { BasePosition } from '../body';
import type { Method } from '../method';
import { type Catalog, type Dose, everIn, featureAt, type Passing, peakOf, type RungEntry, WHOLE } from '../repertoire';
import type { Condition } from '../vocabulary/condition';
import { FEATURES, type Feature, type PeakFeature, type TimeFeature } from '../vocabulary/features';
import { isOver, rounded } from '../vocabulary/measure';
import type { AbdominalCheck } from '../vocabulary/schemas';
import { agoText, daysBetween } from './calendar';
import { type CautionRule, cautionRules, graver, VERDICTS, type Verdict } from './rules';

/** A rule that fired, with what was measured. */
export interface Caution extends CautionRule {
  /** The rule itself, the same object each time. */
  readonly rule: CautionRule;
  /** In the feature's unit, at the dose. */
  readonly value: number;
}

export interface Judgement {
  readonly verdict: Verdict;
  /** Gravest first; of the rules of one condition on one feature only the gravest. */
  readonly cautions: readonly Caution[];
}

interface RulesFor {
  readonly peak: readonly CautionRule[];
  readonly time: readonly CautionRule[];
  /** What is remembered of a rung under these rules: by its peaks (with or without the way in and out), by time, in all. */
  readonly keys: {
    readonly peaks: readonly [object, object, object, object];
    readonly time: object;
    readonly all: object;
  };
}
/** By the conditions as one key, for the order they are named in says nothing; and by the very list, which is quicker. */
interface Sorted {
  readonly byKey: Map<string, RulesFor>;
  readonly byList: WeakMap<readonly Condition[], RulesFor>;
}
const sorted = new WeakMap<Method, Sorted>();

/** The rules of some conditions, those on peaks and those on time apart; one object for one room. */
export function rulesFor(method: Method, conditions: readonly Condition[]): RulesFor {
  let known = sorted.get(method);
  if (!known) {
    known = { byKey: new Map(), byList: new WeakMap() };
    sorted.set(method, known);
  }
  const same = known.byList.get(conditions);
  if (same) return same;
  const key = [...conditions].sort().join(' ');
  const rules = known.byKey.get(key) ?? sortedRules(method, conditions);
  known.byKey.set(key, rules);
  known.byList.set(conditions, rules);
  return rules;
}

function sortedRules(method: Method, conditions: readonly Condition[]): RulesFor {
  const own = cautionRules(method).filter(({ condition }) => conditions.includes(condition));
  return {
    peak: own.filter(({ feature }) => FEATURES[feature].kind === 'peak'),
    time: own.filter(({ feature }) => FEATURES[feature].kind === 'time'),
    keys: { peaks: [{}, {}, {}, {}], time: {}, all: {} },
  };
}

/** Whether a rule speaks of a position at all. */
export const speaksOf = ({ positions }: CautionRule, like: BasePosition): boolean =>
  positions === undefined || positions.includes(like);

/** The rules that fire: of those of one condition on one feature only the gravest. Gravest first. */
function gravest(rules: readonly CautionRule[], measured: (feature: Feature) => number): readonly Caution[] {
  const fired = new Map<string, Caution>();
  for (const rule of rules) {
    const value = measured(rule.feature);
    if (!isOver(value, rule.over, FEATURES[rule.feature].unit)) continue;
    const key = `${rule.condition}/${rule.feature}`;
    const known = fired.get(key);
    if (known && graver(known.verdict, rule.verdict) === known.verdict) continue;
    fired.set(key, { ...rule, rule, value });
  }
  return [...fired.values()].sort((a, b) => VERDICTS.indexOf(b.verdict) - VERDICTS.indexOf(a.verdict));
}

/**
 * What the peaks of a rung ask of people with these conditions, whatever its dose: worked out once for what is done of
 * it (the way in and out may be left out), and kept with the rung.
 */
export function peakCautions(
  catalog: Catalog,
  entry: RungEntry,
  conditions: readonly Condition[],
  passing: Passing = WHOLE,
): readonly Caution[] {
  if (conditions.length === 0) return NONE;
  const { peak, keys } = rulesFor(catalog.method, conditions);
  const key = keys.peaks[(passing.entry ? 1 : 0) + (passing.exit ? 2 : 0)] as object;
  return catalog.worth(entry).remembered(key, () => {
    const features = catalog.features(entry);
    const rules = peak.filter((rule) => speaksOf(rule, entry.like));
    return gravest(rules, (feature) => peakOf(features, feature as PeakFeature, passing));
  });
}

/** The rules on time that could fire on a rung if only it were done for long enough; kept with the rung. */
export function timeRulesOn(
  catalog: Catalog,
  entry: RungEntry,
  conditions: readonly Condition[],
): readonly CautionRule[] {
  const { time, keys } = rulesFor(catalog.method, conditions);
  return catalog.worth(entry).remembered(keys.time, () => {
    const features = catalog.features(entry);
    return time.filter((rule) => speaksOf(rule, entry.like) && everIn(features, rule.feature as TimeFeature));
  });
}
const NONE: readonly Caution[] = [];

/** A judgement of a rung alone. */
const judgementOf = (cautions: readonly Caution[]): Judgement => ({
  verdict: cautions.reduce<Verdict>((worst, { verdict }) => graver(worst, verdict), 'fine'),
  cautions,
});

/**
 * What a rung alone at a dose asks of people with these conditions. It reads computed features and nothing else.
 * In a class, stretches run across blocks: the review holds time against them.
 * @param dose the block's, or the rung's own when unsaid
 */
export function judge(catalog: Catalog, entry: RungEntry, conditions: readonly Condition[], dose?: Dose): Judgement {
  if (conditions.length === 0) return judgementOf(NONE);
  const work = () => {
    const features = catalog.features(entry);
    const { peak, time } = rulesFor(catalog.method, conditions);
    const rules = [...peak, ...time].filter((rule) => speaksOf(rule, entry.like));
    return judgementOf(
      gravest(rules, (feature) => featureAt(features, feature, dose ?? entry.rung.dose, catalog.method)),
    );
  };
  if (dose !== undefined && dose !== entry.rung.dose) return work();
  return catalog.worth(entry).remembered(rulesFor(catalog.method, conditions).keys.all, work);
}

/** A measured feature as people read it: `head lifted 96 s (limit 45 s)`; a limit of nothing at all goes unsaid. */
export function measuredText(feature: Feature, value: number, limit: number): string {
  const { words, unit } = FEATURES[feature];
  if (unit === '') return words;
  const told = (each: number) => `${rounded(each, unit)}${unit === '°' ? '' : ' '}${unit}`;
  return limit === 0 ? `${words} ${told(value)}` : `${words} ${told(value)} (limit ${told(limit)})`;
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
