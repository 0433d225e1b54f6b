import { isInterlude, type PlanEdit, type TimedBlock } from '../../plan';
import type { RungEntry } from '../../repertoire';
import { liesOnSide } from '../../vocabulary/bodies/position';
import { type Remedy, rungTitle } from '../finding';
import type { Subject } from '../subject/subject';
import { percent, spell } from '../words/clock';
import { between, type CraftTerm, fine } from './term';

/** Where a class is as chopped up as can be. Sources: docs/review.md, "Craft". */
const [NO_CHAIN, ALL_ALONE, EVERY_OTHER, MANY_TURNS] = [0.05, 1 / 3, 0.5, 4];

/** Chains: blocks that carry on, with little to set up. */
export const carry: CraftTerm<'carry'> = {
  name: 'carry',
  measures: 'share of blocks that carry on',
  unit: '',
  drills: true,
  weigh: ({ done, room, catalog }) => {
    const { carryShare, carryShareDrill } = catalog.method.craft;
    const limit = room.purpose === 'drill' ? carryShareDrill : carryShare;
    if (done.length < 2) return fine(limit);
    let carrying = 0;
    for (const block of done) if (block.carries) carrying += 1;
    const value = carrying / done.length;
    return { value, limit, distance: between(value, limit, NO_CHAIN) };
  },
  finding: {
    code: 'SETUPS_MANY',
    severity: 'look',
    limit: '`craft.carryShare`; `craft.carryShareDrill` in a drill',
    says: 'too few blocks carry on from the one before: every block is set up anew',
    find: ({ done }) => ({ blocks: done.filter(({ carries }) => !carries).map(({ index }) => index) }),
    sentence: ({ value, limit }) =>
      `${percent(value)} of the blocks carry on from the one before; ${percent(limit)} is the least, so that people are not set up anew each time.`,
    mend: (_found, subject) => carryOn(subject),
  },
};

/** `carry` wherever position and props stay, all in one. */
function carryOn({ timed }: Subject): Remedy[] {
  const edits: PlanEdit[] = [];
  for (let i = 1; i < timed.sequence.length; i++) {
    const [before, part] = [timed.sequence[i - 1], timed.sequence[i]];
    if (part?.kind !== 'block' || before?.kind !== 'block' || part.carries || part.block.locked) continue;
    const { change, position, block } = part;
    if (before.position !== position || change.taken.length + change.putAway.length > 0) continue;
    edits.push({ kind: 'set', id: block.id, change: { carry: true } });
  }
  const [first] = edits;
  if (!first) return [];
  const label = edits.length === 1 ? 'Carry on in one more block' : `Carry on in ${edits.length} more blocks`;
  return [{ label, edits }];
}

/** Blocks alone in their position, the first and the last aside. */
function alone({ done }: Subject): TimedBlock[] {
  const found: TimedBlock[] = [];
  for (let i = 1; i < done.length - 1; i++) {
    const [before, block, after] = [done[i - 1], done[i], done[i + 1]] as [TimedBlock, TimedBlock, TimedBlock];
    if (before.position !== block.position && after.position !== block.position) found.push(block);
  }
  return found;
}

/** Two or more blocks in a position before it is left. */
export const stays: CraftTerm<'stays'> = {
  name: 'stays',
  measures: 'share of blocks alone in their position, the first and the last aside',
  unit: '',
  weigh: (subject) => {
    const { length } = subject.done;
    if (length < 3) return fine(0);
    let count = 0;
    for (let i = 1; i < length - 1; i++) {
      const { position } = subject.done[i] as TimedBlock;
      if (subject.done[i - 1]?.position !== position && subject.done[i + 1]?.position !== position) count += 1;
    }
    const value = count / (length - 2);
    return { value, limit: 0, distance: between(value, 0, ALL_ALONE) };
  },
  finding: {
    code: 'STAYS_SHORT',
    severity: 'look',
    limit: 'none alone, the first and the last aside',
    says: 'people come to a position for one block and leave it again',
    find: (subject) => ({ blocks: alone(subject).map(({ index }) => index) }),
    sentence: ({ blocks }, subject) =>
      `${blocks.length === 1 ? '1 block stands' : `${blocks.length} blocks stand`} alone in ${blocks.length === 1 ? 'its' : 'their'} position, ${subject.titleAt(blocks[0])} first; two or more before people move on.`,
    mend: (_found, subject) => alone(subject).flatMap((block) => toItsLike(subject, block)),
  },
};

/** A lone block brought to where its position is taken anyway. */
function toItsLike({ timed, catalog }: Subject, block: TimedBlock): Remedy[] {
  if (block.block.locked) return [];
  const other = timed.blocks.findLast(
    (each) => each.index !== block.index && each.position === block.position && !each.runsOn,
  );
  if (!other) return [];
  return [
    {
      label: `Do ${rungTitle(block.entry)} after ${rungTitle(other.entry)}, ${catalog.graph.name(block.position)} too`,
      edits: [{ kind: 'move', id: block.block.id, before: timed.sequence[other.index + 1]?.block.id ?? null }],
    },
  ];
}

/** Few changes of position, from the first block to the last. */
export const changes: CraftTerm<'changes'> = {
  name: 'changes',
  measures: 'changes of position a minute, from the first block to the last',
  unit: '',
  weigh: ({ timed, done, catalog }) => {
    const limit = 1 / catalog.method.craft.changeMinutes;
    const minutes = minutesOf(done);
    const [first, last] = [done[0], done.at(-1)];
    if (!first || !last || minutes === 0) return fine(limit);
    let count = 0;
    for (let i = first.index + 1; i <= last.index; i++) {
      if (timed.sequence[i]?.position !== timed.sequence[i - 1]?.position) count += 1;
    }
    const value = count / minutes;
    return { value, limit, distance: between(value, limit, EVERY_OTHER) };
  },
  finding: {
    code: 'CHANGES_MANY',
    severity: 'look',
    limit: 'one every `craft.changeMinutes`',
    says: 'people change position too often',
    find: ({ timed }) => {
      const moved = timed.sequence.filter((part, i) => i > 0 && part.position !== timed.sequence[i - 1]?.position);
      return { blocks: moved.map(({ index }) => index) };
    },
    sentence: ({ blocks, limit }, { done }) => {
      const times = blocks.length === 1 ? 'once' : `${blocks.length} times`;
      return `People change position ${times} in ${minutesText(minutesOf(done))}; once in ${minutesText(1 / limit)} is enough.`;
    },
  },
};

const minutesText = (minutes: number): string => spell(Math.round(minutes * 60));

/** Minutes from the start of the first done block to the end of the last. */
export function minutesOf(done: readonly TimedBlock[]): number {
  const begin = done[0]?.startSeconds ?? 0;
  let end = begin;
  for (const { endSeconds } of done) if (endSeconds > end) end = endSeconds;
  return (end - begin) / 60;
}

const sameKind = (a: RungEntry, b: RungEntry): boolean =>
  a.position === b.position && a.exercise.directions[0] === b.exercise.directions[0];

/** The longest row of blocks of one position and first direction; those that carry on neither lengthen nor end it. */
function longestRow(done: readonly TimedBlock[]): readonly TimedBlock[] {
  let longest: TimedBlock[] = [];
  let row: TimedBlock[] = [];
  for (const block of done) {
    if (block.carries) continue;
    const before = row.at(-1);
    row = before && sameKind(before.entry, block.entry) ? [...row, block] : [block];
    if (row.length > longest.length) longest = row;
  }
  return longest;
}

/** Not too many alike in a row. */
export const alike: CraftTerm<'alike'> = {
  name: 'alike',
  measures: 'longest row of blocks of one position and first direction, those that carry on aside',
  unit: 'times',
  drills: true,
  weigh: ({ done, catalog }) => {
    const { alikeBlocks: limit } = catalog.method.craft;
    let [value, row] = [0, 0];
    let before: RungEntry | null = null;
    for (const { carries, entry } of done) {
      if (carries) continue;
      row = before && sameKind(before, entry) ? row + 1 : 1;
      before = entry;
      if (row > value) value = row;
    }
    return { value, limit, distance: between(value, limit, 2 * limit) };
  },
  finding: {
    code: 'ALIKE_LONG',
    severity: 'look',
    limit: '`craft.alikeBlocks`',
    says: 'too many blocks of one position and direction in a row',
    find: ({ done }) => ({ blocks: longestRow(done).map(({ index }) => index) }),
    sentence: ({ blocks: [first], value, limit }, subject) => {
      const { position } = subject.timed.sequence[first as number] as TimedBlock;
      return `${value} blocks alike in a row, ${subject.catalog.graph.name(position)}, from ${subject.titleAt(first)} on; ${limit} is the most before something else.`;
    },
  },
};

/** Changes of the side lain on beyond one for each stay, and the blocks of the stay with the most. */
function turnsOf({ timed, catalog }: Subject): { readonly turns: number; readonly most: readonly TimedBlock[] } {
  let [turns, worst] = [0, 0];
  let most: readonly TimedBlock[] = [];
  let stay: TimedBlock[] = [];
  const close = () => {
    if (stay.length > 0) {
      const own = Math.max(0, turnsIn(stay) - 1);
      turns += own;
      if (own > worst) [worst, most] = [own, stay];
    }
    stay = [];
  };
  for (const part of timed.sequence) {
    if (!liesOnSide(catalog.graph.like(part.position))) close();
    else if (part.kind === 'block' && !part.shown) stay.push(part);
  }
  close();
  return { turns, most };
}

/** How often people turn over in blocks of one stay, in the order in which sides are done. */
function turnsIn(stay: readonly TimedBlock[]): number {
  const lain = stay
    .flatMap(({ slots }) => slots)
    .filter(({ side }) => side !== null)
    .sort((a, b) => a.startSeconds - b.startSeconds);
  let count = 0;
  for (let i = 1; i < lain.length; i++) if (lain[i]?.side !== lain[i - 1]?.side) count += 1;
  return count;
}

/** People turned over once a stay. */
export const turning: CraftTerm<'turning'> = {
  name: 'turning',
  measures: 'changes of the side lain on, beyond one for each stay',
  unit: 'times',
  weigh: (subject) => {
    if (!subject.done.some(({ entry }) => liesOnSide(entry.like))) return fine(0);
    const value = turnsOf(subject).turns;
    return { value, limit: 0, distance: between(value, 0, MANY_TURNS) };
  },
  finding: {
    code: 'TURNED_OFTEN',
    severity: 'look',
    limit: 'once a stay',
    says: 'people lying on their side are turned over more than once a stay',
    find: (subject) => ({ blocks: turnsOf(subject).most.map(({ index }) => index) }),
    sentence: ({ value }) =>
      `People lying on their side are turned over ${value} ${value === 1 ? 'time' : 'times'} more than they need to be; do one side of all of them, then the other.`,
    mend: (_found, subject) => together(subject, turnsOf(subject).most),
  },
};

/** The blocks of a stay as one run. */
function together({ timed }: Subject, stay: readonly TimedBlock[]): Remedy[] {
  const open = stay.filter(({ block, entry }) => entry.sides === 'each' && block.side === undefined && !block.locked);
  const neighbours = open.every(({ index }, i) => i === 0 || index === (open[i - 1] as TimedBlock).index + 1);
  if (open.length < 2 || open.length < stay.length || !neighbours) return [];
  const taken = new Set(timed.plan.blocks.map((block) => (isInterlude(block) ? undefined : block.run)));
  let number = 1;
  while (taken.has(`side-${number}`)) number += 1;
  const edits = open.map(
    ({ block }, i): PlanEdit => ({
      kind: 'set',
      id: block.id,
      change: i === 0 ? { run: `side-${number}` } : { run: `side-${number}`, firstSide: null },
    }),
  );
  return [{ label: `All ${open.length} on one side, then on the other`, edits }];
}
