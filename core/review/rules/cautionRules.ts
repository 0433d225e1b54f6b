import {
  type CautionRule,
  CONDITIONS,
  type Condition,
  judge,
  keyOfRule,
  measuredText,
  readChecks,
  type Verdict,
  valueText,
} from '../../caution';
import { offeredRungs } from '../../plan';
import { FEATURES, laneOf, type RungEntry, substitutesFor } from '../../repertoire';
import { type FindingCode, type Found, type Remedy, rungTitle, type Severity } from '../finding';
import type { Fired, FiredOn } from '../patterns/fired';
import { NOTHING, type WholeRule } from '../rule';
import type { Known } from '../subject/known';
import type { Offer } from '../subject/offer';
import { isFineFor } from '../subject/offerCautions';
import type { Room } from '../subject/room';
import type { Subject } from '../subject/subject';
import { lackingOf } from './propRules';

const cautionRule = (
  code: FindingCode,
  verdict: Exclude<Verdict, 'fine'>,
  severity: Severity,
  says: string,
  except?: string,
): WholeRule => ({
  code,
  arisesFrom: 'audience',
  part: 'cautions',
  severity,
  ...(except === undefined ? {} : { except }),
  unit: 'times',
  limit: 'the rule’s own (docs/cautions.md), or the house’s',
  says,
  find: (subject) => {
    const found: Found[] = verdict === 'clear-first' ? checkFound(subject) : [];
    for (const fired of subject.fired.all) if (fired.rule.verdict === verdict) found.push(...foundIn(subject, fired));
    return found;
  },
  sentence: (found, subject) => {
    const fired = firedOf(subject, found);
    if (!fired) return checkSentence(subject);
    return isAnswered(found) ? answeredSentence(subject, fired) : cautionSentence(subject, fired);
  },
  ...(verdict === 'adapt'
    ? {}
    : {
        mend: (found: Found, subject: Subject) => {
          const fired = isAnswered(found) ? undefined : firedOf(subject, found);
          return fired ? mostFirst(fired.on).flatMap(({ index }) => waysAt(subject, fired.rule, index)) : NOTHING;
        },
      }),
});

/** What a rule fired on: blocks beside which something fine is offered apart from those where nothing is. */
function foundIn(subject: Subject, { rule, on }: Fired): Found[] {
  if (rule.verdict !== 'swap') return [ofRule(rule, on)];
  const answered = on.filter(({ index }) => answerAt(subject, index, rule.condition));
  if (answered.length === 0) return [ofRule(rule, on)];
  // A block that people with a condition can't do is right for them where they are offered what they can.
  const fine: Found = { ...ofRule(rule, answered), severity: 'look', presence: true };
  const open = on.filter((each) => !answered.includes(each));
  return open.length === 0 ? [fine] : [ofRule(rule, open), fine];
}

const isAnswered = ({ severity }: Found): boolean => severity === 'look';

const ofRule = (rule: CautionRule, on: readonly FiredOn[]): Found => ({
  blocks: on.map(({ index }) => index),
  about: keyOfRule(rule),
  values: on.map(({ value }) => value),
  value: Math.max(...on.map(({ value }) => value)),
  limit: rule.over,
  unit: FEATURES[rule.feature].unit,
});

/** The rule that a finding is of, on the blocks it is about; nothing where the record of checks speaks. */
function firedOf(subject: Subject, { about, blocks }: Found): Fired | undefined {
  const fired = subject.fired.all.find(({ rule }) => keyOfRule(rule) === about);
  return fired && { rule: fired.rule, on: fired.on.filter(({ index }) => blocks.includes(index)) };
}

function cautionSentence(subject: Subject, { rule, on }: Fired): string {
  const advice = [...new Set(on.map(({ how }) => how))].map((how) => {
    const own = on.filter((each) => each.how === how);
    const where = own.length === on.length ? '' : `${own.map(({ index }) => subject.titleAt(index)).join(', ')}: `;
    return `${where}${how}`;
  });
  return `${CONDITIONS[rule.condition].name}${measuredAt(subject, rule, on)}. ${rule.why} ${advice.join(' ')}`;
}

/** The blocks of which most is asked come first; three are enough to choose from. */
const mostFirst = (on: readonly FiredOn[]): FiredOn[] => [...on].sort((a, b) => b.value - a.value).slice(0, 3);

/** After the name of the condition: each block with its own value, nothing hidden behind a number. */
function measuredAt(subject: Subject, { feature, over }: CautionRule, on: readonly FiredOn[]): string {
  const [only] = on;
  if (only && on.length === 1) return `: ${subject.titleAt(only.index)}, ${measuredText(feature, only.value, over)}`;
  const { words, unit } = FEATURES[feature];
  const list = on.map(({ index, value }) => {
    const own = unit === '' ? '' : ` ${valueText(value, unit)}`;
    return `${subject.titleAt(index)}${own}`;
  });
  return `, ${words}: ${list.join('; ')}${over === 0 || unit === '' ? '' : ` (limit ${valueText(over, unit)})`}`;
}

function answeredSentence(subject: Subject, { rule: { condition }, on }: Fired): string {
  const list = on.map(({ index }) => {
    const taken = answerAt(subject, index, condition)?.entry.rung.name;
    return `in ${subject.titleAt(index)} they take “${taken}”`;
  });
  return `${CONDITIONS[condition].name}: ${list.join('; ')}.`;
}

/**
 * What is offered beside a block that is fine for people with a condition. Said once it holds for the blocks that carry
 * on, and for the second side.
 */
function answerAt({ known, timed }: Subject, index: number, condition: Condition): Offer | undefined {
  let at = timed.blocks.findIndex((block) => block.index === index);
  for (; at >= 0; at--) {
    const { offers, laid } = known[at] as Known;
    const fine = offers.find((offer) => isFineFor(offer, condition));
    if (fine || !laid.carries) return fine;
  }
  return undefined;
}

/** The record of checks speaks before any rule: without a clear one, someone qualified is seen first. */
function checkFound({ audience, conditions, limits, today }: Subject): Found[] {
  if (!conditions.includes('abdominal-separation')) return [];
  const { clear, persons } = readChecks(audience?.abdominalChecks ?? [], limits, today);
  if (clear) return [];
  return [
    {
      blocks: [],
      value: persons[0]?.latest?.fingers ?? 0,
      limit: limits.fingerWidth,
      unit: 'fingers',
    },
  ];
}

function checkSentence({ audience, limits, today }: Subject): string {
  const { reason } = readChecks(audience?.abdominalChecks ?? [], limits, today);
  return `${CONDITIONS['abdominal-separation'].name}: ${reason} See a women’s-health physiotherapist or a midwife before this class.`;
}

/** Whether a rung alone asks for no more than adapting. */
export const passes = ({ catalog, graded }: Pick<Room, 'catalog' | 'graded'>, entry: RungEntry): boolean => {
  const { verdict } = judge(catalog, entry, graded);
  return verdict === 'fine' || verdict === 'adapt';
};

/** Ways to do right by a block: first something offered beside it, then something in its place. */
const waysAt = (subject: Subject, rule: CautionRule, index: number): Remedy[] => [
  ...(rule.verdict === 'swap' ? offerAt(subject, rule, index) : []),
  ...swapAt(subject, index),
];

/** A rung of the same ladder that people with the condition can take, offered beside it: a branch, else the next lower. */
function offerAt(subject: Subject, { condition }: CautionRule, index: number): Remedy[] {
  const part = subject.timed.sequence[index];
  if (part?.kind !== 'block') return [];
  const { entry, block } = part;
  const { catalog, graded, audience } = subject;
  const offered = new Set(offeredRungs(block));
  const others = catalog
    .ladder(entry.exercise.id)
    .filter((other) => other.key !== entry.key && !offered.has(other.rung.id) && other.position === entry.position)
    .filter((other) =>
      judge(catalog, other, graded).cautions.every((each) => each.condition !== condition || each.verdict === 'adapt'),
    )
    .filter((other) => !audience?.equipment || lackingOf(other, audience.equipment).length === 0);
  const other =
    others.find((each) => laneOf(entry, each) === 'sideways') ??
    others.findLast((each) => laneOf(entry, each) === 'lower');
  if (!other) return [];
  const options = [...(block.options ?? []), other.rung.id];
  return [
    {
      label: `Block ${index + 1}: offer “${other.rung.name}” beside it`,
      edits: [{ kind: 'set', id: block.id, change: { options } }],
    },
  ];
}

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
      block.interlude !== 'recover' || block.rung !== undefined ? [] : [{ blocks: [index], value: 0, limit: 1 }],
    );
  },
  sentence: ({ blocks }, subject) =>
    `“${subject.titleAt(blocks[0])}” does not say what is done in it, so it can’t be held against the cautions in the room.`,
};

export const CAUTION_RULES_OF_REVIEW: readonly WholeRule[] = [
  cautionRule('CAUTION_CLEAR_FIRST', 'clear-first', 'stop', 'a professional decides first (docs/cautions.md)'),
  cautionRule(
    'CAUTION_SWAP',
    'swap',
    'fix',
    'something else has to be taken instead',
    'look where something that is fine for them is offered beside it',
  ),
  cautionRule('CAUTION_ADAPT', 'adapt', 'look', 'a block has to be adapted for somebody'),
  recoverUnnamed,
];
