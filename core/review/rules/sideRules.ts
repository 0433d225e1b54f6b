import type { TimedBlock } from '../../plan';
import { rounded } from '../../vocabulary/measure';
import { otherSide, type Side } from '../../vocabulary/side';
import { spell } from '../clock';
import { type Found, type Remedy, rungTitle } from '../finding';
import { freeId } from '../remedies/freeId';
import { DONE, NOTHING, type WholeRule } from '../rule';
import type { SideTally } from '../sides';
import type { Subject } from '../subject';

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
      const one = unevenness(subject, tally);
      if (!one) continue;
      found ??= [];
      found.push(one);
    }
    return found ?? NOTHING;
  },
};

function unevenness(subject: Subject, { blocks, seconds, reps }: SideTally): Found | null {
  const byTime = rounded(seconds.left - seconds.right, 's');
  const repsApart = reps.left - reps.right;
  if (byTime === 0 && repsApart === 0) return null;
  const heavy: Side = (byTime || repsApart) > 0 ? 'left' : 'right';
  const light = otherSide(heavy);
  const [first] = blocks as [TimedBlock];
  return {
    blocks: blocks.map(({ index }) => index),
    value: byTime === 0 ? Math.abs(repsApart) : Math.abs(seconds.left - seconds.right),
    limit: 0,
    unit: byTime === 0 ? 'reps' : 's',
    sentence: () => {
      const name = first.entry.exercise.name;
      const counted =
        repsApart === 0 ? '' : `, ${rounded(reps[heavy], 'reps')} repetitions against ${rounded(reps[light], 'reps')}`;
      if (byTime === 0) return `${name} is done more often on the ${heavy}${counted}.`;
      return `${name} works the ${heavy} side ${spell(Math.abs(seconds.left - seconds.right))} longer than the ${light}${counted}.`;
    },
    mend: () => blocks.flatMap((block) => evenOut(subject, block, heavy)),
  };
}

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
      const side = otherSide(block.firstSide as Side);
      return [
        {
          blocks: [before.index, block.index],
          value: 1,
          limit: 0,
          sentence: () =>
            `${rungTitle(before.entry)} and ${rungTitle(block.entry)} both begin on the ${block.firstSide}; the house changes the side that begins.`,
          mend: () => [
            {
              label: `${rungTitle(block.entry)}: begin on the ${side}`,
              edits: [{ kind: 'set', id: block.block.id, change: { firstSide: side } }],
            },
          ],
        },
      ];
    });
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
    return [...runs.values()].flatMap((blocks): Found[] => {
      if (blocks.length < 2) return [];
      const [first] = blocks as [TimedBlock];
      return [
        {
          blocks: blocks.map(({ index }) => index),
          value: blocks.length,
          limit: 1,
          sentence: () =>
            `${blocks.length} blocks from ${rungTitle(first.entry)} on are done on one side before the other; the house changes sides block by block.`,
          mend: () => [
            {
              label: `From ${rungTitle(first.entry)} on: each block on both sides`,
              edits: blocks.map(({ block }) => ({ kind: 'set', id: block.id, change: { run: null } })),
            },
          ],
        },
      ];
    });
  },
};

export const SIDE_RULES: readonly WholeRule[] = [sidesUneven, firstSideSame, runOfSides];
