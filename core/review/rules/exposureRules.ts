import { doseOf, repsOf, type TimedBlock } from '../../plan';
import type { TimeFeature } from '../../vocabulary/bodies/features';
import { isOver } from '../../vocabulary/measure';
import { type FindingCode, type Found, type Remedy, rungTitle } from '../finding';
import { type BlockRule, NOTHING, type Rule, type WholeRule } from '../rule';
import { BIT } from '../subject/reading';
import type { Limits } from '../subject/room';
import type { Subject } from '../subject/subject';
import { spell } from '../words/clock';

/** A part of the body that tires whatever the class is for, with its most at a stretch and in all. */
export interface Exposure {
  readonly code: FindingCode;
  readonly feature: TimeFeature;
  readonly words: string;
  readonly stretch: keyof Limits;
  readonly total: keyof Limits;
}

export const EXPOSURES: readonly Exposure[] = [
  {
    code: 'HEAD_LIFTED_LONG',
    feature: 'headLifted',
    words: 'The head is lifted',
    stretch: 'headStretchSeconds',
    total: 'headSeconds',
  },
  {
    code: 'WRISTS_LONG',
    feature: 'extendedWrists',
    words: 'Weight is on bent-back wrists',
    stretch: 'wristStretchSeconds',
    total: 'wristSeconds',
  },
  {
    code: 'DOUBLE_LEVER_LONG',
    feature: 'longDoubleLever',
    words: 'Both legs hang long',
    stretch: 'doubleLeverStretchSeconds',
    total: 'doubleLeverSeconds',
  },
  {
    code: 'KNEELING_LONG',
    feature: 'kneeling',
    words: 'Weight is on the knees',
    stretch: 'kneelingStretchSeconds',
    total: 'kneelingSeconds',
  },
];

const exposureRule = ({ code, feature, words, stretch, total }: Exposure): WholeRule => ({
  code,
  part: 'exposure',
  severity: 'look',
  unit: 's',
  limit: `\`limits.${stretch}\` at a stretch, \`limits.${total}\` in all`,
  says: `${words.charAt(0).toLowerCase()}${words.slice(1)} too long, at a stretch or in all`,
  find: (subject) => {
    const held = subject.stretches.of(feature);
    if (held.stretches.length === 0) return NOTHING;
    const most = subject.limits[stretch];
    const found: Found[] = [];
    for (const { seconds, blocks } of held.stretches) {
      if (!isOver(seconds, most, 's')) continue;
      found.push({
        blocks,
        value: seconds,
        limit: most,
      });
    }
    const all = subject.limits[total];
    if (isOver(held.total, all, 's')) {
      found.push({
        blocks: held.blocks(),
        about: IN_ALL,
        value: held.total,
        limit: all,
      });
    }
    return found;
  },
  sentence: ({ about, blocks, value, limit }, subject) =>
    about === IN_ALL
      ? `${words} for ${spell(value)} in all; ${spell(limit)} is the most for one class.`
      : `${words} for ${spell(value)} at a stretch ${whereIn(subject, blocks)}; ${spell(limit)} is the most.`,
  mend: ({ about, blocks, value, limit }, subject) =>
    about === IN_ALL ? NOTHING : shorter(subject, blocks, limit / value),
});
/** Of all its stretches together. */
const IN_ALL = 'in all';

/** Where a stretch runs, in words. */
function whereIn(subject: Subject, blocks: readonly number[]): string {
  const [first, last] = [subject.titleAt(blocks[0]), subject.titleAt(blocks.at(-1))];
  return blocks.length > 1 ? `from ${first} to ${last}` : `in ${first}`;
}

/** Fewer repetitions of a stretch of one block; a rest of the part in the middle of one of several. */
function shorter({ timed }: Subject, blocks: readonly number[], share: number): Remedy[] {
  if (blocks.length !== 1) return [];
  const part = timed.sequence[blocks[0] as number];
  return part?.kind === 'block' ? fewerReps(part, share) : [];
}

function fewerReps({ entry, block, index }: TimedBlock, share: number): Remedy[] {
  const reps = repsOf(doseOf(entry, block));
  const fewer = Math.floor(reps * share);
  if (fewer < 1 || fewer >= reps) return [];
  return [
    {
      label: `Block ${index + 1}: ${fewer} instead of ${reps}`,
      edits: [{ kind: 'dose', id: block.id, dose: { reps: fewer } }],
    },
  ];
}

/** The breath is never held with effort, whoever is in the room. */
const breathHeld: BlockRule = {
  code: 'BREATH_HELD',
  part: 'exposure',
  severity: 'fix',
  unit: 's',
  limit: '0',
  says: 'the breath is held with effort',
  findIn: ({ laid, first, room }) => {
    if (!(first.ever & BIT.breathHeld)) return NOTHING;
    const { entry, count, entrySeconds, exitSeconds } = laid;
    const { entry: into, rep, exit } = room.catalog.features(entry);
    const counts = Math.max(
      rep.runs.breathHeld.longest,
      entrySeconds > 0 ? (into?.runs.breathHeld.longest ?? 0) : 0,
      exitSeconds > 0 ? (exit?.runs.breathHeld.longest ?? 0) : 0,
    );
    if (counts === 0) return NOTHING;
    return [{ value: counts * count, limit: 0 }];
  },
  sentence: ({ value }, { laid }) =>
    `${rungTitle(laid.entry)} holds the breath with effort for ${spell(value)}; the effort wants an out-breath, or to breathe freely.`,
};

export const EXPOSURE_RULES: readonly Rule[] = [...EXPOSURES.map(exposureRule), breathHeld];
