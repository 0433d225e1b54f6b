import type { ClassPlan } from '../../plan';
import { isOver, isUnder } from '../../vocabulary/measure';
import { rungTitle } from '../finding';
import { lessOfSeveral } from '../remedies/shorten';
import { type BlockRule, DONE, NOTHING, type Rule, WHOLE_CLASS, type WholeRule } from '../rule';
import type { Subject } from '../subject/subject';
import { clock, percent, spell } from '../words/clock';
import { lateText } from '../words/lateText';

/** The target as people say it; a file may hold a part of a minute. */
const targetText = ({ targetMinutes }: ClassPlan): string =>
  Number.isInteger(targetMinutes) ? `${targetMinutes} minutes` : spell(targetMinutes * 60);

const targetOf = ({ timed }: Subject): number => timed.plan.targetMinutes * 60;

/** The part of the class in which its target falls, by index; −1 when the closing is. */
function whereTargetFalls({ timed }: Subject, target: number): number {
  const last = timed.sequence.findLast(({ startSeconds }) => startSeconds <= target);
  return last && target < timed.seconds - timed.parts.closing ? last.index : -1;
}

const timeOver: WholeRule = {
  code: 'TIME_OVER',
  ofLength: true,
  part: 'time',
  severity: 'fix',
  unit: 's',
  limit: 'the target length',
  says: 'the class lasts longer than its target, and in which block the target falls',
  find: (subject) => {
    const { timed } = subject;
    const target = targetOf(subject);
    if (!isOver(timed.seconds, target, 's')) return NOTHING;
    const at = whereTargetFalls(subject, target);
    return [{ blocks: at < 0 ? [] : [at], value: timed.seconds, limit: target }];
  },
  sentence: ({ blocks: [at], value, limit }, subject) =>
    `The class lasts ${clock(value)}, ${spell(value - limit)} over its ${targetText(subject.timed.plan)}; they end in ${at === undefined ? 'the closing' : subject.titleAt(at)}.`,
  mend: ({ value, limit }, subject) => lessOfSeveral(subject, value - limit),
};

const timeUnder: WholeRule = {
  code: 'TIME_UNDER',
  wantsMore: true,
  ofLength: true,
  ofWhole: true,
  part: 'time',
  severity: 'look',
  except: 'fix from twice that share',
  purposes: WHOLE_CLASS,
  unit: 's',
  limit: 'the target length less `limits.underShare`',
  says: 'a part of the class is left empty',
  find: (subject) => {
    const { timed, limits } = subject;
    const target = targetOf(subject);
    const least = target * (1 - limits.underShare);
    if (!isUnder(timed.seconds, least, 's')) return NOTHING;
    const severity = isUnder(timed.seconds, target * (1 - 2 * limits.underShare), 's') ? 'fix' : undefined;
    return [{ severity, blocks: [], value: timed.seconds, limit: least }];
  },
  sentence: ({ value }, subject) =>
    `The class lasts ${clock(value)}, ${spell(targetOf(subject) - value)} short of its ${targetText(subject.timed.plan)}.`,
};

const timeAtRisk: WholeRule = {
  code: 'TIME_AT_RISK',
  ofLength: true,
  part: 'time',
  severity: 'look',
  unit: '',
  limit: '`limits.overChance`',
  says: 'the class is not too long, and yet runs late too often',
  find: (subject) => {
    const { timed, limits } = subject;
    const target = targetOf(subject);
    if (isOver(timed.seconds, target, 's') || !isOver(timed.range.overChance, limits.overChance, '')) return NOTHING;
    return [{ blocks: [], value: timed.range.overChance, limit: limits.overChance }];
  },
  sentence: ({ value }, { timed: { range, plan } }) =>
    `As taught, ${lateText(value)}; one in ten lasts ${clock(range.p90)} or more, of ${targetText(plan)}.`,
  mend: (_found, subject) => lessOfSeveral(subject, subject.timed.range.p90 - targetOf(subject)),
};

const openingLong: WholeRule = {
  code: 'OPENING_LONG',
  ofWhole: true,
  part: 'time',
  severity: 'fix',
  purposes: WHOLE_CLASS,
  unit: '',
  limit: '`limits.openingShare` of the target length',
  says: 'the opening takes too much of the class',
  find: (subject) => {
    const { timed, limits } = subject;
    const target = targetOf(subject);
    const share = timed.parts.opening / target;
    if (timed.blocks.length === 0 || !isOver(share, limits.openingShare, '')) return NOTHING;
    return [{ blocks: [], value: share, limit: limits.openingShare }];
  },
  sentence: ({ value, limit }, { timed }) =>
    `The opening takes ${spell(timed.parts.opening)}, ${percent(value)} of the ${targetText(timed.plan)}; ${percent(limit)} is the most.`,
  mend: ({ limit }, subject) => {
    const openingSeconds = Math.floor((limit * targetOf(subject)) / 5) * 5;
    return [{ label: `Open in ${spell(openingSeconds)}`, edits: [{ kind: 'class', change: { openingSeconds } }] }];
  },
};

const blockLong: BlockRule = {
  code: 'BLOCK_LONG',
  part: 'time',
  severity: 'look',
  purposes: DONE,
  unit: 's',
  limit: '`limits.blockSeconds`',
  says: 'one block lasts so long that the room is lost',
  findIn: ({ laid, room: { limits } }) => {
    if (!isOver(laid.seconds, limits.blockSeconds, 's')) return NOTHING;
    return [{ value: laid.seconds, limit: limits.blockSeconds }];
  },
  sentence: ({ value, limit }, { laid }) =>
    `${rungTitle(laid.entry)} lasts ${spell(value)}; a block longer than ${spell(limit)} loses the room.`,
  mend: (_found, { laid: { sets, block } }) =>
    sets > 1
      ? [
          {
            label: `${sets - 1} ${sets === 2 ? 'set' : 'sets'} instead of ${sets}`,
            edits: [{ kind: 'dose', id: block.id, dose: { sets: sets - 1 } }],
          },
        ]
      : NOTHING,
};

const LOST = [{ value: 1, limit: 0 }];

const carryLost: BlockRule = {
  code: 'CARRY_LOST',
  part: 'time',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'never',
  says: 'a block said to carry on no longer can, since what it names was changed; it is timed as a new shape',
  findIn: ({ laid }) => (laid.carryLost ? LOST : NOTHING),
  sentence: (_found, { laid }) =>
    `${rungTitle(laid.entry)} is said to go on from the block before it, which it no longer can: position or props differ now.`,
  mend: (_found, { laid: { block } }) => [
    { label: 'Set it up anew', edits: [{ kind: 'set', id: block.id, change: { carry: null } }] },
  ],
};

export const TIME_RULES: readonly Rule[] = [timeOver, timeUnder, timeAtRisk, openingLong, blockLong, carryLost];
