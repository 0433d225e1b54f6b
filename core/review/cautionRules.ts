import { type Caution, CONDITIONS, type Condition, graver, judge, measuredText, readChecks } from '../caution';
import { doseOf, type TimedBlock } from '../plan';
import { type Catalog, FEATURES, type RungEntry, substitutesFor } from '../repertoire';
import {
  type Finding,
  type FindingCode,
  type Remedy,
  type ReviewSubject,
  type Rule,
  rungTitle,
  type Severity,
} from './finding';

const SAYS = {
  'clear-first': { code: 'CAUTION_CLEAR_FIRST', severity: 'stop' },
  swap: { code: 'CAUTION_SWAP', severity: 'fix' },
  adapt: { code: 'CAUTION_ADAPT', severity: 'look' },
} as const satisfies Record<Caution['verdict'], { code: FindingCode; severity: Severity }>;

/** Conditions of a class: its audience's and its own, each once, in the table's order. */
export const conditionsOf = ({ timed, audience }: Pick<ReviewSubject, 'timed' | 'audience'>): Condition[] => {
  const present = new Set([...(audience?.cautions ?? []), ...(timed.plan.cautions ?? [])]);
  return (Object.keys(CONDITIONS) as Condition[]).filter((condition) => present.has(condition));
};

/** The table held against every block; one finding for each line that fired, with all the blocks it fired on. */
export const cautionsRule: Rule = (subject) => {
  const conditions = conditionsOf(subject);
  if (conditions.length === 0) return [];
  return [...checkFindings(subject, conditions), ...ruleFindings(subject, conditions)];
};

interface Fired {
  readonly caution: Caution;
  readonly blocks: TimedBlock[];
  worst: number;
}

function ruleFindings({ timed, catalog, audience }: ReviewSubject, conditions: readonly Condition[]): Finding[] {
  const fired = new Map<string, Fired>();
  for (const block of timed.blocks) {
    const { cautions } = judge(catalog.features(block.entry), doseOf(block.entry, block.block), conditions);
    for (const caution of cautions) {
      const key = `${caution.condition}/${caution.feature}/${caution.verdict}`;
      const known = fired.get(key) ?? { caution, blocks: [], worst: caution.value };
      known.blocks.push(block);
      known.worst = Math.max(known.worst, caution.value);
      fired.set(key, known);
    }
  }
  return [...fired.values()].map(({ caution, blocks, worst }): Finding => {
    const { condition, feature, over, verdict, how, why } = caution;
    const first = blocks[0];
    const more = blocks.length > 1 ? ` and ${blocks.length - 1} more` : '';
    return {
      ...SAYS[verdict],
      blocks: blocks.map(({ index }) => index),
      value: worst,
      limit: over,
      unit: FEATURES[feature].unit,
      message: `${CONDITIONS[condition].name}: ${first ? rungTitle(first.entry) : ''}${more}, ${measuredText(feature, worst, over)}. ${why} ${how}`,
      remedies:
        verdict === 'adapt'
          ? []
          : blocks.slice(0, 3).flatMap((block) => swapRemedy(catalog, block, conditions, audience?.equipment)),
    };
  });
}

/** The record of checks speaks before any rule: without a clear one, someone qualified is seen first. */
function checkFindings({ audience, catalog, today }: ReviewSubject, conditions: readonly Condition[]): Finding[] {
  if (!conditions.includes('abdominal-separation')) return [];
  const { limits } = catalog.method;
  const { clear, latest, reason } = readChecks(audience?.abdominalChecks ?? [], limits, today);
  if (clear) return [];
  return [
    {
      ...SAYS['clear-first'],
      blocks: [],
      value: latest?.fingers ?? 0,
      limit: limits.fingerWidth,
      unit: 'fingers',
      message: `${CONDITIONS['abdominal-separation'].name}: ${reason} See a women’s-health physiotherapist or a midwife before this class.`,
      remedies: [],
    },
  ];
}

/** Whether a rung asks for no more than adapting. */
export const passes = (catalog: Catalog, entry: RungEntry, conditions: readonly Condition[]): boolean =>
  graver(judge(catalog.features(entry), entry.rung.dose, conditions).verdict, 'adapt') === 'adapt';

/** A lower rung of the same ladder that passes, or the nearest other rung that does. */
function swapRemedy(
  catalog: Catalog,
  { entry, index }: TimedBlock,
  conditions: readonly Condition[],
  equipment: readonly string[] | undefined,
): Remedy[] {
  const allowed = (other: RungEntry) => passes(catalog, other, conditions);
  const lower = entry.exercise.rungs
    .slice(0, entry.step)
    .flatMap(({ id }) => catalog.rung({ exercise: entry.exercise.id, rung: id }) ?? [])
    .findLast(allowed);
  const other = lower ?? substitutesFor(catalog, entry, { allowed, equipment })[0]?.entry;
  if (!other) return [];
  const to = { exercise: other.exercise.id, rung: other.rung.id };
  return [{ label: `Block ${index + 1}: ${rungTitle(other)} instead`, edits: [{ kind: 'swap', block: index, to }] }];
}
