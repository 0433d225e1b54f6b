import type { Method } from '../method/method';
import type { Already } from '../repertoire';
import type { Condition } from '../vocabulary/words/condition';
import type { CautionChange } from './changeSchema';
import type { CautionRule } from './rule';
import { BEARING } from './table/bearing';
import { LIMBS } from './table/limbs';
import type { Line } from './table/line';
import { TRUNK } from './table/trunk';
import { WHOLE } from './table/whole';

/**
 * The usual cautions of group movement teaching as data. Limits are the house's careful starting values on the
 * product's own scales (degrees, N·m, seconds); they sort options and replace nobody's judgement.
 */
const LINES: Readonly<Record<Condition, readonly Line[]>> = { ...TRUNK, ...BEARING, ...WHOLE, ...LIMBS };

/** The rule table as it comes, line by line. */
export const CAUTION_RULES: readonly CautionRule[] = (
  Object.entries(LINES) as Array<[Condition, readonly Line[]]>
).flatMap(([condition, lines]) =>
  lines.map(([feature, over, verdict, how, why, told]) => ({ condition, feature, over, verdict, how, why, ...told })),
);

const resolved = new WeakMap<Method, readonly CautionRule[]>();

/** The rule table of a house: its changes taken in, rules it does not hold to left out. */
export function cautionRules(method: Method): readonly CautionRule[] {
  const known = resolved.get(method);
  if (known) return known;
  const rules = CAUTION_RULES.flatMap((rule): CautionRule[] => {
    const change = method.cautions.find((each) => isAbout(each, rule));
    if (!change) return [rule];
    if (change.off) return [];
    const { over = rule.over, how, reason } = change;
    // Advice of the house is the house's, whatever people do already.
    return [{ ...rule, over, reason, ...(how === undefined ? {} : { how, already: undefined }) }];
  });
  resolved.set(method, rules);
  return rules;
}

const keys = new WeakMap<CautionRule, string>();
/** What a rule is found again by: no two of one table have the same. */
export function keyOfRule(rule: CautionRule): string {
  let key = keys.get(rule);
  if (key === undefined) {
    const { condition, feature, verdict, over, positions = [], footDown = '', grade = '' } = rule;
    key = [condition, feature, verdict, over, ...positions, footDown, grade].join('/');
    keys.set(rule, key);
  }
  return key;
}

/** What a rule advises people who do some of it already. */
export const adviceOf = ({ how, already = [] }: CautionRule, done: ReadonlySet<Already>): string =>
  already.find(([each]) => done.has(each))?.[1] ?? how;

/** Whether a change of the house is about a rule: the same condition, feature and verdict, wherever the body is. */
export const isAbout = (change: CautionChange, rule: CautionRule): boolean =>
  change.condition === rule.condition && change.feature === rule.feature && change.verdict === rule.verdict;
