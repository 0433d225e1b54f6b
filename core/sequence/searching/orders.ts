import { type BasePosition, POSITIONS } from '../../body';
import type { Direction, Order } from '../../method';
import type { TimedBlock } from '../../plan';
import type { RungEntry } from '../../repertoire';

/** What an order is judged by, beside the class. */
export interface Past {
  /** Keys of the rungs the episode before ended with, the last one last; none where there is none. */
  readonly lastEnd: readonly string[];
}

/** What of a class its order is read from. */
export interface Ordered {
  readonly blocks: ReadonlyArray<Pick<TimedBlock, 'entry'>>;
}

/**
 * How often a class strays from an order, 0 where it keeps it: what makes each order recognisably its own. The review
 * only silences rules by order; this is what the sequencer holds a proposal to (docs/sequencing.md, "Orders").
 */
export const strayFrom: Readonly<Record<Order, (timed: Ordered, past: Past, heat: HeatOf) => number>> = {
  positions: ({ blocks }) => {
    const stays = runsOf(blocks, ({ entry }) => entry.position);
    const levels = stays.map(([{ entry }]) => levelOf(entry.like));
    return stays.length - new Set(stays.map(([{ entry }]) => entry.position)).size + turnsOf(levels);
  },
  customary: ({ blocks }) => descentsOf(blocks.map(stageOf)),
  layered: ({ blocks }, _past, heat) =>
    Math.max(0, Math.ceil(blocks.length * LAYERED_SHARE) - longestGrowing(blocks, heat)),
  directions: ({ blocks }) => {
    const groups = runsOf(
      blocks.filter((block) => mainDirection(block) !== 'neutral'),
      mainDirection,
    );
    return groups.length - new Set(groups.map(([block]) => mainDirection(block))).size;
  },
  recap: ({ blocks }, { lastEnd }) => {
    const wanted = lastEnd.slice(-RECAPPED);
    return wanted.filter((key, i) => blocks[i]?.entry.key !== key).length;
  },
};

/** How hot a rung is. */
type HeatOf = (entry: RungEntry) => number;

/** The share of blocks that are of the one pattern that grows, for a class in layers; of the work it is more. */
const LAYERED_SHARE = 0.4;
/** A layer may be this much cooler than the hottest before it. */
const DIP = 3;

/** How many blocks the longest pattern has that grows in one position. */
function longestGrowing(blocks: readonly Placed[], heat: HeatOf): number {
  let [longest, row, hottest] = [0, 0, 0];
  blocks.forEach(({ entry }, i) => {
    const own = heat(entry);
    const goesOn = blocks[i - 1]?.entry.position === entry.position && own >= hottest - DIP;
    row = goesOn ? row + 1 : 1;
    hottest = goesOn ? Math.max(hottest, own) : own;
    if (row > longest) longest = row;
  });
  return longest;
}

/** How many of the last episode's last blocks a recap begins with. */
export const RECAPPED = 3;

/** Height of the body from the floor, 0 for standing. */
export const levelOf = (like: BasePosition): number => POSITIONS.indexOf(like);

type Placed = Ordered['blocks'][number];
type Run = readonly [Placed, ...Placed[]];

/** Neighbouring blocks that have something in common. */
function runsOf(blocks: readonly Placed[], common: (block: Placed) => string): Run[] {
  const runs: Array<[Placed, ...Placed[]]> = [];
  for (const block of blocks) {
    const run = runs.at(-1);
    if (run && common(run[0]) === common(block)) run.push(block);
    else runs.push([block]);
  }
  return runs;
}

/** How often a row of numbers turns round. */
function turnsOf(levels: readonly number[]): number {
  let [turns, way] = [0, 0];
  levels.forEach((level, i) => {
    const step = Math.sign(level - (levels[i - 1] ?? level));
    if (step !== 0 && way !== 0 && step !== way) turns += 1;
    if (step !== 0) way = step;
  });
  return turns;
}

/** How often a row of numbers falls. */
const descentsOf = (row: readonly number[]): number =>
  row.filter((each, i) => i > 0 && each < (row[i - 1] as number)).length;

/** The direction a rung is first of all about. */
export const mainDirection = ({ entry }: Placed): Direction => entry.exercise.directions[0] ?? 'neutral';

/**
 * Our own customary order, by position and direction: breath and small things on the back, then the trunk lifted, then
 * the legs; rolling and sitting; prone as the answer to bending; on the side; turning and bending sideways seated; on
 * hands and knees and in the plank; kneeling; standing last.
 */
export function stageOf({ entry }: Placed): number {
  const direction = mainDirection({ entry });
  const own = STAGES[entry.like];
  return typeof own === 'number' ? own : (own[direction] ?? own.neutral);
}

const STAGES: Readonly<Record<BasePosition, number | (Partial<Record<Direction, number>> & { neutral: number })>> = {
  supine: { articulation: 0, neutral: 1, flexion: 2, rotation: 2, 'lateral-flexion': 2, extension: 3 },
  seated: { articulation: 3, flexion: 3, neutral: 6, extension: 6, rotation: 6, 'lateral-flexion': 6 },
  prone: 4,
  'side-lying': 5,
  'four-point': 7,
  plank: 8,
  kneeling: 9,
  standing: 10,
};
