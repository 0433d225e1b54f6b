import type { TimedBlock } from '../../plan';
import { otherSide, type Side } from '../../vocabulary/bodies/side';
import { rounded } from '../../vocabulary/measure';
import { type Found, type Remedy, rungTitle } from '../finding';
import type { SideTally } from '../patterns/sides';
import { freeId } from '../remedies/freeId';
import { DONE, NOTHING, type WholeRule } from '../rule';
import type { Subject } from '../subject/subject';
import { spell } from '../words/clock';

const sidesUneven: WholeRule = {
  code: 'SIDES_UNEVEN',
  part: 'sides',
  severity: 'fix',
  purposes: DONE,
  unit: 's',
  limit: '0, exercise by exercise, in seconds and in repetitions',
  says: 'one exercise is done longer, or more often, on one side',
  find: (subject) => {
    let found: Found[] | undefined;
    for (const tally of subject.sides.values()) {
      const one = unevenness(tally);
      if (!one) continue;
      found ??= [];
      found.push(one);
    }
    return found ?? NOTHING;
  },
  sentence: (found, subject) => {
    const tally = tallyOf(subject, found);
    const { blocks, reps } = tally;
    const [name, heavy] = [blocks[0]?.entry.exercise.name, heavySide(tally)];
    const light = otherSide(heavy);
    const counted =
      reps.left === reps.right
        ? ''
        : `, ${rounded(reps[heavy], 'reps')} repetitions against ${rounded(reps[light], 'reps')}`;
    return found.unit === 'reps'
      ? `${name} is done more often on the ${heavy}${counted}.`
      : `${name} works the ${heavy} side ${spell(found.value)} longer than the ${light}${counted}.`;
  },
  mend: (found, subject) => {
    const tally = tallyOf(subject, found);
    return tally.blocks.flatMap((block) => evenOut(subject, block, heavySide(tally)));
  },
};

function unevenness({ blocks, seconds, reps }: SideTally): Found | null {
  const byTime = rounded(seconds.left - seconds.right, 's');
  const repsApart = reps.left - reps.right;
  if (byTime === 0 && repsApart === 0) return null;
  return {
    blocks: blocks.map(({ index }) => index),
    about: blocks[0]?.entry.exercise.id,
    value: byTime === 0 ? Math.abs(repsApart) : Math.abs(seconds.left - seconds.right),
    limit: 0,
    unit: byTime === 0 ? 'reps' : 's',
  };
}

/** The side an exercise is done more on: longer, or where that is the same more often. */
const heavySide = ({ seconds, reps }: SideTally): Side =>
  (rounded(seconds.left - seconds.right, 's') || reps.left - reps.right) > 0 ? 'left' : 'right';

const tallyOf = ({ sides }: Subject, { about = '' }: Found): SideTally => sides.get(about) as SideTally;

/** A block that tips the balance done on both sides, or with the same repetitions, or its other side put after it. */
function evenOut(subject: Subject, { block, entry, index }: TimedBlock, heavy: Side): Remedy[] {
  const title = rungTitle(entry);
  if (block.secondDose) {
    return [
      {
        label: `${title}: the same on both sides`,
        edits: [{ kind: 'set', id: block.id, change: { secondDose: null } }],
      },
    ];
  }
  if (block.side !== heavy) return [];
  const light = otherSide(heavy);
  const after = subject.timed.plan.blocks[index + 1]?.id ?? null;
  const { options: _options, run: _run, lines: _lines, carry: _carry, locked: _locked, ...again } = block;
  return [
    { label: `${title}: both sides`, edits: [{ kind: 'set', id: block.id, change: { side: null } }] },
    {
      label: `Add the ${light} side of ${title} after it`,
      edits: [{ kind: 'insert', before: after, block: { ...again, id: freeId(subject), mode: 'flow', side: light } }],
    },
  ];
}

const firstSideSame: WholeRule = {
  code: 'FIRST_SIDE_SAME',
  part: 'sides',
  severity: 'look',
  purposes: DONE,
  unit: 'times',
  presence: true,
  limit: 'only where the house changes the side that begins (`choices.sideChange` alternate)',
  says: 'two blocks in a row begin on the same side, though the house alternates',
  find: ({ choices, done }) => {
    if (choices.sideChange !== 'alternate') return NOTHING;
    const sided = done.filter(({ slots, firstSide }) => firstSide !== null && slots.length > 1);
    return sided.flatMap((block, i): Found[] => {
      const before = sided[i - 1];
      const sameRun = before?.block.run !== undefined && before.block.run === block.block.run;
      if (!before || sameRun || before.firstSide !== block.firstSide) return [];
      return [{ blocks: [before.index, block.index], value: 1, limit: 0 }];
    });
  },
  sentence: ({ blocks: [before, at] }, subject) => {
    const { firstSide } = subject.timed.sequence[at as number] as TimedBlock;
    return `${subject.titleAt(before)} and ${subject.titleAt(at)} both begin on the ${firstSide}; the house changes the side that begins.`;
  },
  mend: ({ blocks: [, at] }, subject) => {
    const { firstSide, block } = subject.timed.sequence[at as number] as TimedBlock;
    const side = otherSide(firstSide as Side);
    return [
      {
        label: `${subject.titleAt(at)}: begin on the ${side}`,
        edits: [{ kind: 'set', id: block.id, change: { firstSide: side } }],
      },
    ];
  },
};

const runOfSides: WholeRule = {
  code: 'RUN_OF_SIDES',
  part: 'sides',
  severity: 'look',
  purposes: DONE,
  unit: 'times',
  limit: '1, only where the house changes sides block by block (`choices.sideChange` block, alternate)',
  says: 'several blocks are done on one side before the other, though the house changes sides block by block',
  find: ({ choices, done }) => {
    if (choices.sideChange === 'run') return NOTHING;
    const runs = new Map<string, TimedBlock[]>();
    for (const block of done) {
      const { run } = block.block;
      if (run !== undefined) runs.set(run, [...(runs.get(run) ?? []), block]);
    }
    return [...runs.values()].flatMap((blocks): Found[] =>
      blocks.length < 2 ? [] : [{ blocks: blocks.map(({ index }) => index), value: blocks.length, limit: 1 }],
    );
  },
  sentence: ({ blocks, value }, subject) =>
    `${value} blocks from ${subject.titleAt(blocks[0])} on are done on one side before the other; the house changes sides block by block.`,
  mend: ({ blocks }, subject) => [
    {
      label: `From ${subject.titleAt(blocks[0])} on: each block on both sides`,
      edits: blocks.map((index) => ({
        kind: 'set',
        id: subject.timed.sequence[index]?.block.id ?? '',
        change: { run: null },
      })),
    },
  ],
};

export const SIDE_RULES: readonly WholeRule[] = [sidesUneven, firstSideSame, runOfSides];
