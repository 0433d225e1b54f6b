import { judge } from '../../caution';
import { doseOf } from '../../plan';
import { type CueKind, workingLimb } from '../../repertoire';
import { liesOnSide } from '../../vocabulary/bodies/position';
import { remembering } from '../../vocabulary/remember';
import { HERE, missing, type VoiceRule } from '../rule';
import type { SpokenBlock } from '../spoken';

const says = ({ said }: SpokenBlock, kind: CueKind): boolean => said.some((line) => line.kind === kind);
/** Said by somebody: what was drafted says no more than the figure. */
const written = ({ said }: SpokenBlock, kind: CueKind): boolean =>
  said.some((line) => line.kind === kind && line.source !== 'drafted');

/** In flow the rung’s own set-up is known, and not said. */
const known = ({ part: { block, entry } }: SpokenBlock): boolean =>
  block.mode === 'flow' && (entry.rung.cues ?? []).some(({ kind }) => kind === 'setup');

const setupUnsaid: VoiceRule = {
  code: 'SETUP_UNSAID',
  severity: 'look',
  limit: 'a set-up that somebody wrote; none where the block goes on in the same shape, or the rung’s own is known',
  says: 'nobody says where everything is',
  find: (block) =>
    missing(
      !written(block, 'setup') && !block.part.carries && !known(block),
      'nobody has said how to set it up. Say where feet, hands and head are.',
    ),
};

const actionUnsaid: VoiceRule = {
  code: 'ACTION_UNSAID',
  severity: 'look',
  limit: 'words for every phase that is done, those of the way in and out too',
  says: 'a phase has no words',
  find: ({ passes }) => {
    const [first] = passes;
    const actions = first?.lines.filter(({ kind, said }) => kind === 'action' && said) ?? [];
    const unsaid = actions.filter(({ source }) => source === 'drafted').length;
    const silent = actions.length === 0 ? 1 : 0;
    const count = unsaid + silent;
    if (count === 0) return [];
    const what = silent
      ? 'no phase has words'
      : count === 1
        ? 'one phase has no words'
        : `${count} phases have no words`;
    return [
      {
        value: count,
        limit: 0,
        unit: 'times',
        sentence: `${what}. Say what moves on which breath.`,
        lines: actions.filter(({ source }) => source === 'drafted').map(({ id }) => id),
      },
    ];
  },
};

const alignmentUnsaid: VoiceRule = {
  code: 'ALIGNMENT_UNSAID',
  severity: 'look',
  limit: 'one at least',
  says: 'nothing says what stays still',
  find: (block) => missing(!written(block, 'alignment'), 'nothing says what stays still. Say one thing to keep.'),
};

const countUnsaid: VoiceRule = {
  code: 'COUNT_UNSAID',
  severity: 'look',
  limit: 'one at least',
  says: 'nobody says how many',
  find: (block) => missing(!says(block, 'count'), 'nobody says how many.'),
};

const transitionUnsaid: VoiceRule = {
  code: 'TRANSITION_UNSAID',
  severity: 'look',
  limit: 'the way out, where people leave their place and the class says nothing of it on purpose',
  says: 'the way out has been silenced',
  find: ({ part }, { timed }) => {
    const next = timed.sequence[part.index + 1];
    const leaves = next !== undefined && next.change.places.length > 1;
    const silenced = part.block.lines?.some(({ kind, text }) => kind === 'transition' && text === '') ?? false;
    const others = part.block.lines?.some(({ kind, text }) => kind === 'transition' && text !== '') ?? false;
    return missing(leaves && silenced && !others, 'people leave the place, and the way out has been silenced.');
  },
};

const optionUnsaid: VoiceRule = {
  code: 'OPTION_UNSAID',
  severity: 'look',
  limit: 'one for the options the block has',
  says: 'a block has options nobody offers',
  find: (block) =>
    missing(
      (block.part.block.options?.length ?? 0) > 0 && !says(block, 'option'),
      'it has options, and nobody offers them.',
    ),
};

const SIDE_WORDS = /\b(?:left|right)\b/i;

const sideUnsaid: VoiceRule = {
  code: 'SIDE_UNSAID',
  severity: 'look',
  limit: 'the side, on each pass of what is done on one side and then on the other',
  says: 'the side is not named, or not named again at the change',
  find: ({ part, passes }) => {
    if (part.slots.length < 2) return [];
    return passes.flatMap(({ lines, lead, pass }) => {
      const named = lines.some(({ said, text }) => said && SIDE_WORDS.test(text)) || SIDE_WORDS.test(lead ?? '');
      return missing(!named, pass === 1 ? 'nobody names the side.' : 'the side is not named again at the change.');
    });
  },
};

/** The limb that works, in the words of a cue. */
const LIMB = {
  leg: '(?:leg|foot|heel|knee|toes?|thigh|shin|hip)',
  arm: '(?:arm|hand|elbow|palm|fist|fingers?|shoulder)',
  side: 'side',
} as const;

/** The side a text names for a limb that works: the first it names of it; `null` where it names none. */
const namer = (limb: string) => {
  const named = new RegExp(
    String.raw`\b(left|right) ${limb}\b|\b(left|right) (?:side )?(?:first|begins|starts)\b`,
    'i',
  );
  return remembering((text: string): string | null => {
    const found = named.exec(text);
    return (found?.[1] ?? found?.[2])?.toLowerCase() ?? null;
  });
};
const SIDE_NAMED = { leg: namer(LIMB.leg), arm: namer(LIMB.arm), side: namer(LIMB.side) } as const;

const SIDED: ReadonlySet<CueKind> = new Set<CueKind>(['setup', 'action', 'side', 'count']);

const sideOther: VoiceRule = {
  code: 'SIDE_OTHER',
  severity: 'look',
  limit: 'the side that is counted',
  says: 'a cue names the other side than the one that works',
  find: ({ part, passes }) => {
    const { entry, firstSide } = part;
    // Lying on the side, the side counted is the one lain on, and cues name the limbs above it.
    if (firstSide === null || liesOnSide(entry.like)) return [];
    const limb = workingLimb(entry.rung) ?? 'side';
    return passes.flatMap(({ lines, side, pass }) => {
      const counted = side ?? firstSide;
      return lines
        .filter(({ said, source, kind, text }) => {
          const named = said && source !== 'drafted' && SIDED.has(kind) ? SIDE_NAMED[limb](text) : null;
          return named !== null && named !== counted;
        })
        .map(({ id, text }) => ({
          ...HERE,
          sentence: `“${text}” names the other side; ${pass === 1 ? 'the first side' : 'the second side'} is the ${counted}. Say “the ${limb === 'side' ? 'side' : limb} that works”, or word it for each side.`,
          lines: [id],
        }));
    });
  },
};

const safetyUnsaid: VoiceRule = {
  code: 'SAFETY_UNSAID',
  severity: 'fix',
  limit: 'a line of safety where a caution of the room applies',
  says: 'a caution applies, and its line has been silenced',
  find: (block, { catalog, graded }) => {
    const { entry, block: own } = block.part;
    const { cautions } = judge(catalog, entry, graded, own.dose ? doseOf(entry, own) : undefined);
    return missing(
      cautions.length > 0 && !says(block, 'safety'),
      'a caution of the room applies, and nobody says what to mind. Bring its safety line back.',
    );
  },
};

export const COMPLETE_RULES: readonly VoiceRule[] = [
  safetyUnsaid,
  setupUnsaid,
  actionUnsaid,
  alignmentUnsaid,
  countUnsaid,
  optionUnsaid,
  sideUnsaid,
  sideOther,
  transitionUnsaid,
];
