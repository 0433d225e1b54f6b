import type { TimedBlock } from '../../plan';
import { isOver } from '../../vocabulary/measure';
import { BREATH_SECONDS } from '../patterns/arc';
import { restAfter } from '../remedies/restAfter';
import type { Subject } from '../subject/subject';
import { spell } from '../words/clock';
import { heatTaken } from './taking';
import { between, type CraftTerm, fine } from './term';

/** The share of what a room can take at which a class is as flat as can be. */
const FLAT = 0.5;
/** From this share of the hardest a block is work. */
const WORK = 0.6;

const isGentle = ({ timed }: Subject): boolean => timed.plan.effort === 'gentle';

/** A peak that the room can feel. */
export const peakLow: CraftTerm<'peakLow'> = {
  name: 'peakLow',
  measures: 'heat of the hardest block, held against what the room can take',
  unit: 'heat',
  weigh: (subject) => {
    const { room, audience, hottest, done, catalog } = subject;
    const { peakShare, peakShareAdvanced } = catalog.method.craft;
    const most = heatTaken(room);
    const share = audience?.level === 'advanced' ? peakShareAdvanced : peakShare;
    const limit = share * most;
    if (isGentle(subject) || done.length === 0 || most === 0) return { value: hottest, limit, distance: 0 };
    return { value: hottest, limit, distance: between(hottest, limit, FLAT * most) };
  },
  finding: {
    code: 'PEAK_LOW',
    severity: 'look',
    except: 'fix when it is no more than half of what the room can take',
    limit: '`craft.peakShare` of what the room can take; `craft.peakShareAdvanced` for the advanced',
    says: 'nothing in the class is as hard as the room could take',
    find: ({ arc, done, heats, hottest }, { distance }) => {
      const peak = arc?.peak ?? (done[heats.indexOf(hottest)] as TimedBlock);
      return { severity: distance >= 1 ? 'fix' : undefined, blocks: [peak.index] };
    },
    sentence: ({ blocks, value, limit }, subject) =>
      `The hardest, ${subject.titleAt(blocks[0])}, has heat ${Math.round(value)}; ${subject.audience?.name ?? 'this room'} could feel a peak of ${Math.round(limit)} and more.`,
  },
};

/** A stretch of hard work in which nobody comes to rest. */
interface Restless {
  readonly from: TimedBlock;
  readonly to: TimedBlock;
  readonly seconds: number;
}

/** The longest such stretch, from the first block that is work to the end of the last one. */
function longestRestless({ timed, done, heats, hottest }: Subject): Restless | null {
  const least = WORK * hottest;
  const first = heats.findIndex((heat) => heat >= least);
  const last = heats.findLastIndex((heat) => heat >= least);
  const [begins, ends] = [done[first], done[last]];
  if (!begins || !ends) return null;
  let longest: Restless | null = null;
  let from: TimedBlock | null = null;
  let since = 0;
  const close = (to: TimedBlock | null, at: number) => {
    if (from && to && (!longest || at - since > longest.seconds)) longest = { from, to, seconds: at - since };
    from = null;
  };
  let before: TimedBlock | null = null;
  for (let i = begins.index; i <= ends.index; i++) {
    const part = timed.sequence[i] as Subject['timed']['sequence'][number];
    if (part.kind === 'interlude') {
      if (part.block.interlude !== 'talk') close(before, part.startSeconds);
      continue;
    }
    if (!from) {
      from = part;
      since = part.startSeconds;
    }
    before = part;
    // A rest is the last thing in a block; in a run it follows the second side.
    if (part.rest >= BREATH_SECONDS) close(part, part.endSeconds - part.rest);
    else if (i === ends.index) close(part, part.endSeconds);
  }
  return longest;
}

/** A rest, a check or a release among hard work. */
export const calm: CraftTerm<'calm'> = {
  name: 'calm',
  measures: 'longest seconds of hard work without a rest, a small rest or a check',
  unit: 's',
  weigh: (subject) => {
    const { calmSeconds: limit } = subject.catalog.method.craft;
    if (isGentle(subject)) return { ...fine(limit), value: 0 };
    const value = longestRestless(subject)?.seconds ?? 0;
    return { value, limit, distance: between(value, limit, 2 * limit) };
  },
  finding: {
    code: 'CALM_MISSING',
    severity: 'look',
    limit: '`craft.calmSeconds`',
    says: 'hard work goes on too long without a rest, a small rest or a check',
    find: (subject) => {
      const { from, to } = longestRestless(subject) as Restless;
      return { blocks: [from.index, to.index] };
    },
    sentence: ({ blocks: [from, to], value, limit }, subject) =>
      `${spell(value)} from ${subject.titleAt(from)} to ${subject.titleAt(to)} without a rest or a check; ${spell(limit)} is the most.`,
    mend: (_found, subject) => {
      const { from, to } = longestRestless(subject) as Restless;
      return [restAfter(subject, middleOf(subject, from, to).index)];
    },
  },
};

/** The block after which a rest would part a stretch best: the hottest of its middle half, where no run is broken. */
function middleOf({ done, catalog }: Subject, from: TimedBlock, to: TimedBlock): TimedBlock {
  const [begin, end] = [from.startSeconds, to.endSeconds];
  const quarter = (end - begin) / 4;
  const open = done.filter(
    ({ endSeconds, runsOn, block }) =>
      endSeconds >= begin + quarter && endSeconds <= end - quarter && !runsOn && !block.locked,
  );
  return (
    open.reduce<TimedBlock | null>(
      (best, each) => (best && !isOver(catalog.heat(each.entry), catalog.heat(best.entry), 'heat') ? best : each),
      null,
    ) ?? from
  );
}
