import { CONDITIONS, judge, measuredText, readChecks, type Verdict } from '../../caution';
import { FEATURES, type RungEntry, substitutesFor } from '../../repertoire';
import { type FindingCode, type Found, type Remedy, rungTitle, type Severity } from '../finding';
import type { Fired } from '../fired';
import type { Room } from '../room';
import { NOTHING, type WholeRule } from '../rule';
import type { Subject } from '../subject';

const cautionRule = (
  code: FindingCode,
  verdict: Exclude<Verdict, 'fine'>,
  severity: Severity,
  says: string,
): WholeRule => ({
  code,
  part: 'cautions',
  severity,
  unit: 'times',
  limit: 'the rule’s own (docs/cautions.md), or the house’s',
  says,
  find: (subject) => {
    const found: Found[] = verdict === 'clear-first' ? checkFound(subject) : [];
    for (const fired of subject.fired.all) if (fired.rule.verdict === verdict) found.push(told(subject, fired));
    return found;
  },
});

function told(subject: Subject, { rule, worst, blocks: indexes }: Fired): Found {
  const { condition, feature, over, verdict, how, why } = rule;
  return {
    blocks: indexes,
    value: worst,
    limit: over,
    unit: FEATURES[feature].unit,
    sentence: () => {
      const part = subject.timed.sequence[indexes[0] as number];
      const name = part?.kind === 'block' ? rungTitle(part.entry) : (part?.block.name ?? '');
      const more = indexes.length > 1 ? ` and ${indexes.length - 1} more` : '';
      return `${CONDITIONS[condition].name}: ${name}${more}, ${measuredText(feature, worst, over)}. ${why} ${how}`;
    },
    mend: () => (verdict === 'adapt' ? [] : indexes.slice(0, 3).flatMap((index) => swapAt(subject, index))),
  };
}

/** The record of checks speaks before any rule: without a clear one, someone qualified is seen first. */
function checkFound({ audience, conditions, limits, today }: Subject): Found[] {
  if (!conditions.includes('abdominal-separation')) return [];
  const { clear, latest, reason } = readChecks(audience?.abdominalChecks ?? [], limits, today);
  if (clear) return [];
  return [
    {
      blocks: [],
      value: latest?.fingers ?? 0,
      limit: limits.fingerWidth,
      unit: 'fingers',
      sentence: () =>
        `${CONDITIONS['abdominal-separation'].name}: ${reason} See a women’s-health physiotherapist or a midwife before this class.`,
    },
  ];
}

/** Whether a rung alone asks for no more than adapting. */
export const passes = ({ catalog, conditions }: Pick<Room, 'catalog' | 'conditions'>, entry: RungEntry): boolean => {
  const { verdict } = judge(catalog, entry, conditions);
  return verdict === 'fine' || verdict === 'adapt';
};

/** A lower rung of the same ladder that passes, or the nearest other rung that does. */
function swapAt(subject: Subject, index: number): Remedy[] {
  const part = subject.timed.sequence[index];
  if (part?.kind !== 'block') return [];
  const { entry, block } = part;
  const allowed = (other: RungEntry) => passes(subject, other);
  const lower = subject.catalog.ladder(entry.exercise.id).slice(0, entry.step).findLast(allowed);
  const equipment = subject.audience?.equipment;
  const other = lower ?? substitutesFor(subject.catalog, entry, { allowed, equipment })[0]?.entry;
  if (!other) return [];
  const to = { exercise: other.exercise.id, rung: other.rung.id };
  return [{ label: `Block ${index + 1}: ${rungTitle(other)} instead`, edits: [{ kind: 'swap', id: block.id, to }] }];
}

/** A small rest of which nobody says what is done in it can't be held against what people bring. */
const recoverUnnamed: WholeRule = {
  code: 'RECOVER_UNNAMED',
  part: 'cautions',
  severity: 'look',
  unit: 'times',
  presence: true,
  limit: 'a rung, where the room has cautions',
  says: 'a small rest does not say what is done in it, and the room has cautions',
  ofOrder: true,
  find: ({ timed, conditions }) => {
    if (conditions.length === 0) return NOTHING;
    return timed.interludes.flatMap(({ block, index }): Found[] =>
      block.interlude !== 'recover' || block.rung !== undefined
        ? []
        : [
            {
              blocks: [index],
              value: 0,
              limit: 1,
              sentence: () =>
                `“${block.name}” does not say what is done in it, so it can’t be held against the cautions in the room.`,
            },
          ],
    );
  },
};

export const CAUTION_RULES_OF_REVIEW: readonly WholeRule[] = [
  cautionRule('CAUTION_CLEAR_FIRST', 'clear-first', 'stop', 'a professional decides first (docs/cautions.md)'),
  cautionRule('CAUTION_SWAP', 'swap', 'fix', 'something else has to be taken instead'),
  cautionRule('CAUTION_ADAPT', 'adapt', 'look', 'a block has to be adapted for somebody'),
  recoverUnnamed,
];
