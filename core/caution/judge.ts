import type { BasePosition } from '../body';
import type { Method } from '../method';
import {
  type Already,
  type Catalog,
  type Dose,
  everIn,
  featureAt,
  type Passing,
  peakOf,
  type RungEntry,
  rateOf,
  WHOLE,
} from '../repertoire';
import {
  FEATURES,
  type Feature,
  type PeakFeature,
  type RateFeature,
  type TimeFeature,
} from '../vocabulary/bodies/features';
import { isOver, rounded, type Unit } from '../vocabulary/measure';
import type { Condition } from '../vocabulary/words/condition';
import { type CautionRule, graver, VERDICTS, type Verdict } from './rule';
import { adviceOf, cautionRules } from './rules';

/** A rule that fired, with what was measured. */
/** What people come with, and how far a check of the belly lets them go. */
export type Graded = Condition | typeof WITHIN;
/** Abdominal separation of which every check is within the limits. */
export const WITHIN = 'abdominal-separation/within';

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
  /** On peaks, those on rates after them. */
  readonly peak: readonly CautionRule[];
  readonly rates: readonly CautionRule[];
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
  readonly byList: WeakMap<readonly Graded[], RulesFor>;
}
const sorted = new WeakMap<Method, Sorted>();

/** The rules of some conditions, those on peaks and those on time apart; one object for one room. */
export function rulesFor(method: Method, conditions: readonly Graded[]): RulesFor {
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

function sortedRules(method: Method, conditions: readonly Graded[]): RulesFor {
  const own = cautionRules(method).filter(({ condition, grade }) =>
    condition === 'abdominal-separation' && conditions.includes(WITHIN)
      ? grade !== 'beyond'
      : grade !== 'within' && conditions.includes(condition),
  );
  // Rates last: they hang on the room's seconds, and the others do not.
  const ofKind = (kind: string) => own.filter(({ feature }) => FEATURES[feature].kind === kind);
  return {
    peak: [...ofKind('peak'), ...ofKind('rate')],
    rates: ofKind('rate'),
    time: ofKind('time'),
    keys: { peaks: [{}, {}, {}, {}], time: {}, all: {} },
  };
}

/** Whether a rule speaks of a position at all, and of a rung by where its feet are. */
export const speaksOf = (
  { positions, footDown }: CautionRule,
  like: BasePosition,
  already?: ReadonlySet<Already>,
): boolean =>
  (positions === undefined || positions.includes(like)) &&
  (footDown === undefined || already === undefined || already.has('footDown') === footDown);

/** The rules that fire: of those of one condition on one feature only the gravest. Gravest first. */
function gravest(
  rules: readonly CautionRule[],
  already: ReadonlySet<Already>,
  measured: (feature: Feature) => number,
): readonly Caution[] {
  const fired = new Map<string, Caution>();
  for (const rule of rules) {
    const value = measured(rule.feature);
    if (!isOver(value, rule.over, FEATURES[rule.feature].unit)) continue;
    const key = `${rule.condition}/${rule.feature}`;
    const known = fired.get(key);
    if (known && graver(known.verdict, rule.verdict) === known.verdict) continue;
    fired.set(key, { ...rule, how: adviceOf(rule, already), rule, value });
  }
  return [...fired.values()].filter((each) => !isSaidBy(each, fired)).sort(byGravity);
}

const byGravity = (a: Caution, b: Caution): number => VERDICTS.indexOf(b.verdict) - VERDICTS.indexOf(a.verdict);

/** Whether a graver rule of the same condition, on the feature a rule yields to, says it all. */
function isSaidBy({ condition, unless, verdict }: Caution, fired: ReadonlyMap<string, Caution>): boolean {
  const other = unless && fired.get(`${condition}/${unless}`);
  return other !== undefined && VERDICTS.indexOf(other.verdict) > VERDICTS.indexOf(verdict);
}

/**
 * What the peaks of a rung ask of people with these conditions, whatever its dose: worked out once for what is done of
 * it (the way in and out may be left out), and kept with the rung.
 */
export function peakCautions(
  catalog: Catalog,
  entry: RungEntry,
  conditions: readonly Graded[],
  passing: Passing = WHOLE,
): readonly Caution[] {
  if (conditions.length === 0) return NONE;
  const { peak, keys } = rulesFor(catalog.method, conditions);
  const key = keys.peaks[(passing.entry ? 1 : 0) + (passing.exit ? 2 : 0)] as object;
  return catalog.worth(entry).remembered(key, () => {
    const features = catalog.features(entry);
    const rules = peak.filter(
      (rule) => FEATURES[rule.feature].kind === 'peak' && speaksOf(rule, entry.like, features.already),
    );
    return gravest(rules, features.already, (feature) => peakOf(features, feature as PeakFeature, passing));
  });
}

/** What is asked of them by how fast a rung goes. @param count seconds of a count, as the room has it */
export function rateCautions(
  catalog: Catalog,
  entry: RungEntry,
  conditions: readonly Graded[],
  count: number,
  passing: Passing = WHOLE,
): readonly Caution[] {
  const { rates } = rulesFor(catalog.method, conditions);
  if (rates.length === 0) return NONE;
  const features = catalog.features(entry);
  const rules = rates.filter((rule) => speaksOf(rule, entry.like, features.already));
  return gravest(rules, features.already, (feature) => rateOf(features, feature as RateFeature, count, passing));
}

/** The rules on time that could fire on a rung if only it were done for long enough; kept with the rung. */
export function timeRulesOn(catalog: Catalog, entry: RungEntry, conditions: readonly Graded[]): readonly CautionRule[] {
  const { time, keys } = rulesFor(catalog.method, conditions);
  return catalog.worth(entry).remembered(keys.time, () => {
    const features = catalog.features(entry);
    return time.filter(
      (rule) => speaksOf(rule, entry.like, features.already) && everIn(features, rule.feature as TimeFeature),
    );
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
export function judge(catalog: Catalog, entry: RungEntry, conditions: readonly Graded[], dose?: Dose): Judgement {
  if (conditions.length === 0) return judgementOf(NONE);
  const work = () => {
    const features = catalog.features(entry);
    const { peak, time } = rulesFor(catalog.method, conditions);
    const rules = [...peak, ...time].filter((rule) => speaksOf(rule, entry.like, features.already));
    return judgementOf(
      gravest(rules, features.already, (feature) =>
        featureAt(features, feature, dose ?? entry.rung.dose, catalog.method),
      ),
    );
  };
  if (dose !== undefined && dose !== entry.rung.dose) return work();
  return catalog.worth(entry).remembered(rulesFor(catalog.method, conditions).keys.all, work);
}

/** A measured feature as people read it: `head lifted 96 s (limit 45 s)`; a limit of nothing at all goes unsaid. */
export function measuredText(feature: Feature, value: number, limit: number): string {
  const { words, unit } = FEATURES[feature];
  if (unit === '') return words;
  const told = valueText(value, unit);
  return limit === 0 ? `${words} ${told}` : `${words} ${told} (limit ${valueText(limit, unit)})`;
}

/** A measured value with its unit. @example valueText(96.4, 's') // '96 s' */
export const valueText = (value: number, unit: Unit): string =>
  `${rounded(value, unit)}${unit.startsWith('°') ? '' : ' '}${unit}`;
