import type { TimedBlock } from '../../plan';
import { isOver, isUnder, rounded } from '../../vocabulary/measure';
import type { Found } from '../finding';
import { BREATH, BREATH_SECONDS, EASE, spanOf, WARM, WARM_UP } from '../patterns/arc';
import { restAfter } from '../remedies/restAfter';
import { NOTHING, WHOLE_CLASS, type WholeRule } from '../rule';
import type { Subject } from '../subject/subject';
import { percent } from '../words/clock';

/** Less heat than this over a share of the hardest is nothing anybody feels. Source: docs/heat.md. */
const FELT = 2;
const isFelt = (value: number, limit: number): boolean => rounded(value, 'heat') - rounded(limit, 'heat') >= FELT;

const heatJump: WholeRule = {
  code: 'HEAT_JUMP',
  wantsMore: true,
  part: 'arc',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'heat',
  limit: '`limits.heatJump`',
  says: 'heat rises too steeply between neighbours',
  ofOrder: true,
  find: ({ done, heats, limits }) => {
    let found: Found[] | undefined;
    for (let i = 1; i < done.length; i++) {
      const rise = (heats[i] as number) - (heats[i - 1] as number);
      if (!isOver(rise, limits.heatJump, 'heat')) continue;
      const [before, block] = [done[i - 1] as TimedBlock, done[i] as TimedBlock];
      found ??= [];
      found.push({
        blocks: [before.index, block.index],
        value: rise,
        limit: limits.heatJump,
      });
    }
    return found ?? NOTHING;
  },
  sentence: ({ blocks, value, limit }, subject) =>
    `Heat jumps by ${Math.round(value)} into ${subject.titleAt(blocks[1])}; ${limit} is the most between neighbours.`,
};

const warmUpHot: WholeRule = {
  code: 'WARM_UP_HOT',
  ofWhole: true,
  part: 'arc',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'heat',
  limit: '0.7 of the hardest, in the first fifth of the class',
  says: 'something hard is done before people are warm',
  find: (subject) => {
    const { arc } = subject;
    if (!arc) return NOTHING;
    const [begin, end] = spanOf(arc.blocks);
    const until = begin + WARM_UP * (end - begin);
    const limit = WARM * arc.hottest;
    const found: Found[] = [];
    for (let i = 0; i < arc.blocks.length; i++) {
      const block = arc.blocks[i] as TimedBlock;
      const value = arc.heats[i] as number;
      if (block.startSeconds >= until) break;
      if (!isFelt(value, limit)) continue;
      found.push({
        blocks: [block.index],
        value,
        limit,
      });
    }
    return found;
  },
  sentence: ({ blocks, value, limit }, subject) =>
    `${subject.titleAt(blocks[0])} has heat ${Math.round(value)} in the first fifth of the class; ${Math.round(limit)} is the most before people are warm.`,
};

const peakRule = (code: 'PEAK_EARLY' | 'PEAK_LATE'): WholeRule => {
  const early = code === 'PEAK_EARLY';
  return {
    code,
    ofWhole: true,
    part: 'arc',
    severity: 'look',
    purposes: WHOLE_CLASS,
    unit: '',
    limit: early ? '`limits.peakFrom`' : '`limits.peakTo`',
    says: early
      ? 'the hardest block comes too early in the class'
      : 'the hardest block comes too late to ease after it',
    find: ({ arc, limits }) => {
      if (!arc || arc.blocks.length < 3) return NOTHING;
      const { peak, peakAt: value } = arc;
      const limit = early ? limits.peakFrom : limits.peakTo;
      if (!(early ? isUnder(value, limit, '') : isOver(value, limit, ''))) return NOTHING;
      return [{ blocks: [peak.index], value, limit }];
    },
    sentence: ({ blocks, value }, subject) => {
      const { peakFrom, peakTo } = subject.limits;
      return `The hardest, ${subject.titleAt(blocks[0])}, comes at ${percent(value)} of the class; expected between ${percent(peakFrom)} and ${percent(peakTo)}.`;
    },
  };
};

const peaksClose: WholeRule = {
  code: 'PEAKS_CLOSE',
  wantsMore: true,
  part: 'arc',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'times',
  presence: true,
  limit: 'between two peaks: 10 s of rest, a small rest, or a block at most 0.6 of them',
  says: 'two peaks follow one another with no breathing space',
  find: ({ arc, timed }) => {
    if (!arc) return NOTHING;
    const found: Found[] = [];
    for (let i = 1; i < arc.peaks.length; i++) {
      const [a, b] = [arc.peaks[i - 1] as number, arc.peaks[i] as number];
      const [before, block] = [arc.blocks[a] as TimedBlock, arc.blocks[b] as TimedBlock];
      const least = BREATH * Math.min(arc.heats[a] as number, arc.heats[b] as number);
      const eased = arc.heats.slice(a + 1, b).some((heat) => heat <= least);
      const rested = before.rest >= BREATH_SECONDS || recovers(timed.sequence, before.index, block.index);
      if (eased || rested) continue;
      found.push({
        blocks: [before.index, block.index],
        value: 1,
        limit: 0,
      });
    }
    return found;
  },
  sentence: ({ blocks: [before, block] }, subject) =>
    `${subject.titleAt(before)} and ${subject.titleAt(block)} are both peaks, with no breathing space between.`,
  mend: ({ blocks: [before] }, subject) => [restAfter(subject, before as number)],
};

const recovers = (sequence: Subject['timed']['sequence'], from: number, to: number): boolean =>
  sequence.slice(from + 1, to).some((part) => part.kind === 'interlude' && part.block.interlude === 'recover');

const easeMissing: WholeRule = {
  code: 'EASE_MISSING',
  wantsMore: true,
  ofWhole: true,
  part: 'arc',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'heat',
  limit: '0.5 of the hardest',
  says: 'the last block is not easy enough to end with',
  find: ({ arc }) => {
    const last = arc?.blocks.at(-1);
    if (!arc || !last || arc.blocks.length < 2 || last === arc.peak) return NOTHING;
    const value = arc.heats.at(-1) as number;
    const limit = EASE * arc.hottest;
    if (!isFelt(value, limit)) return NOTHING;
    return [{ blocks: [last.index], value, limit }];
  },
  sentence: ({ blocks, value, limit }, subject) =>
    `The class ends with ${subject.titleAt(blocks[0])}, heat ${Math.round(value)}; ${Math.round(limit)} is the most to ease out with.`,
};

const hottestLast: WholeRule = {
  code: 'HOTTEST_LAST',
  wantsMore: true,
  ofWhole: true,
  part: 'arc',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'times',
  presence: true,
  limit: 'never',
  says: 'the class ends with its hardest block',
  find: ({ arc, timed }) => {
    if (!arc || arc.blocks.length < 2 || arc.blocks.at(-1) !== arc.peak) return NOTHING;
    if (timed.plan.effort === 'gentle') return NOTHING;
    return [{ blocks: [arc.peak.index], value: 1, limit: 0 }];
  },
  sentence: ({ blocks }, subject) =>
    `The class ends with its hardest block, ${subject.titleAt(blocks[0])}; nothing eases after it.`,
};

export const ARC_RULES: readonly WholeRule[] = [
  heatJump,
  warmUpHot,
  peakRule('PEAK_EARLY'),
  peakRule('PEAK_LATE'),
  peaksClose,
  easeMissing,
  hottestLast,
];
