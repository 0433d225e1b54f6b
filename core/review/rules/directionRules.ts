import { rulesFor } from '../../caution';
import { type Band, bandsFor, DIRECTION_WORDS, DIRECTIONS, type Direction } from '../../method';
import type { TimedBlock } from '../../plan';
import type { Feature } from '../../vocabulary/bodies/features';
import { isOver, isUnder } from '../../vocabulary/measure';
import { TOLD_FROM } from '../craft/term';
import { type Found, type Remedy, rungTitle } from '../finding';
import { DONE, NOTHING, WHOLE_CLASS, type WholeRule } from '../rule';
import type { Room } from '../subject/room';
import type { Subject } from '../subject/subject';
import { percent, spell } from '../words/clock';

const shareOf = ({ timed }: Subject, direction: Direction): number =>
  timed.parts.work === 0 ? 0 : (timed.directions[direction] ?? 0) / timed.parts.work;

/**
 * Holds each direction's share of the work against its band; a class without work has no shares. One that is openly
 * about a direction is asked for that one alone.
 */
function eachDirection(
  subject: Subject,
  find: (direction: Direction, share: number, band: Band, found: Found[]) => void,
): readonly Found[] {
  const { timed, catalog } = subject;
  if (timed.parts.work === 0) return NOTHING;
  const bands = bandsFor(catalog.method.directionBands, timed.plan.focus);
  const found: Found[] = [];
  const { focus } = timed.plan;
  const asked = focus === undefined ? DIRECTIONS : [focus];
  for (const direction of asked) find(direction, shareOf(subject, direction), bands[direction], found);
  return found;
}

const directionHigh: WholeRule = {
  code: 'DIRECTION_HIGH',
  wantsMore: true,
  ofWhole: true,
  part: 'directions',
  severity: 'fix',
  purposes: WHOLE_CLASS,
  unit: '',
  limit: 'the most of its band (`directionBands`, or the focus’s)',
  says: 'a direction takes too much of the work',
  find: (subject) =>
    eachDirection(subject, (direction, value, { max }, found) => {
      if (!isOver(value, max, '')) return;
      found.push({
        blocks: subject.timed.blocks.flatMap(({ index, entry }) =>
          entry.exercise.directions.includes(direction) ? [index] : [],
        ),
        about: direction,
        value,
        limit: max,
      });
    }),
  sentence: ({ about, value, limit }) =>
    `${percent(value)} of the work is ${DIRECTION_WORDS[about as Direction]}; ${percent(limit)} is the most for this class.`,
};

/** What a direction asks of a body, where a room may have to leave it out. */
const ASKS: Readonly<Partial<Record<Direction, readonly Feature[]>>> = {
  flexion: ['loadedFlexion', 'headLifted'],
  extension: ['extension'],
  rotation: ['rotation'],
  'lateral-flexion': ['sideBend'],
  articulation: ['loadedFlexion'],
};

/** Whether the room's cautions swap a direction away or send it to a professional: then nobody asks for it. */
export function ruledOut({ catalog, graded }: Pick<Room, 'catalog' | 'graded'>, direction: Direction): boolean {
  const features = ASKS[direction];
  if (!features || graded.length === 0) return false;
  const { peak, time } = rulesFor(catalog.method, graded);
  const swaps = (feature: Feature) =>
    [...peak, ...time].some((rule) => rule.feature === feature && rule.verdict !== 'adapt' && rule.over <= MILD);
  return features.some(swaps);
}
/** A limit above this leaves room for the direction done small. */
const MILD = 30;

const directionLow: WholeRule = {
  code: 'DIRECTION_LOW',
  wantsMore: true,
  ofWhole: true,
  part: 'directions',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: '',
  limit:
    'the least of its band; silent where the room’s cautions rule the direction out, and where `FOCUS_MISSED` says it',
  says: 'a direction takes too little of the work, or is missing',
  find: (subject) => {
    const { timed } = subject;
    return eachDirection(subject, (direction, value, { min }, found) => {
      if (!isUnder(value, min, '') || ruledOut(subject.room, direction)) return;
      if (timed.plan.focus === direction && (subject.craft.get('focus')?.distance ?? 0) > TOLD_FROM) return;
      found.push({ blocks: [], about: direction, value, limit: min });
    });
  },
  sentence: ({ about, value, limit }) => {
    const word = DIRECTION_WORDS[about as Direction];
    return value === 0
      ? `There is no ${word} in this class.`
      : `Only ${percent(value)} of the work is ${word}; ${percent(limit)} is the least for this class.`;
  },
};

const flexionStretch: WholeRule = {
  code: 'FLEXION_STRETCH',
  wantsMore: true,
  part: 'directions',
  severity: 'look',
  except: 'fix when nothing releases it',
  purposes: DONE,
  unit: 's',
  limit: '`limits.flexionStretchSeconds`',
  says: 'bending forward adds up too long before extension or neutral work',
  find: ({ bent, limits }) => {
    const limit = limits.flexionStretchSeconds;
    let found: Found[] | undefined;
    for (const { blocks, seconds, release } of bent) {
      if (!isOver(seconds, limit, 's')) continue;
      found ??= [];
      found.push({
        ...(release ? {} : { severity: 'fix' }),
        blocks: blocks.map(({ index }) => index),
        value: seconds,
        limit,
      });
    }
    return found ?? NOTHING;
  },
  sentence: (found, subject) => {
    const { blocks, value, limit } = found;
    const release = bentOf(subject, found)?.release;
    const way = release
      ? `before ${rungTitle(release.entry)} releases it`
      : 'with no extension or neutral work after it';
    const [first, last] = [subject.titleAt(blocks[0]), subject.titleAt(blocks.at(-1))];
    const where = blocks.length === 1 ? `in ${first}` : `from ${first} to ${last}`;
    return `${spell(value)} of bending forward ${where}, ${way}; ${spell(limit)} is the most.`;
  },
  mend: (found, subject) => {
    const bent = bentOf(subject, found);
    return bent?.release ? releaseSooner(bent.blocks, bent.own, bent.release, found.limit) : NOTHING;
  },
};

const bentOf = ({ bent }: Subject, { blocks }: Found) => bent.find((each) => each.blocks[0]?.index === blocks[0]);

/** The release brought forward to where the stretch would pass its limit. */
function releaseSooner(
  blocks: readonly TimedBlock[],
  own: readonly number[],
  release: TimedBlock,
  limit: number,
): Remedy[] {
  let sum = 0;
  const over = blocks.find((_block, i) => {
    sum += own[i] as number;
    return sum > limit;
  });
  if (!over || over === blocks[0]) return [];
  return [
    {
      label: `Do ${rungTitle(release.entry)} before ${rungTitle(over.entry)}`,
      edits: [{ kind: 'move', id: release.block.id, before: over.block.id }],
    },
  ];
}

export const DIRECTION_RULES: readonly WholeRule[] = [flexionStretch, directionHigh, directionLow];
