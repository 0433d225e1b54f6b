import { interludeLines, type PlanEdit, type TimedBlock, type TimedClass } from '../../plan';
import { wordsIn } from '../../vocabulary/words/words';
import { type Found, type Remedy, titleOf } from '../finding';
import { NOTHING, type Rule, type WholeRule } from '../rule';
import { spell } from '../words/clock';

/** Seconds, and share of what is typed, that words may take beyond it without a word of ours. Source: docs/timing.md. */
const [SLACK_SECONDS, SLACK_SHARE] = [2, 0.1];

/** Something for which seconds are typed, and words written. */
interface Timed {
  /** Of the part it is in; none for the opening and the closing. */
  readonly blocks: readonly number[];
  readonly about?: 'opening' | 'closing';
  readonly what: string;
  readonly typed: number;
  readonly spoken: number;
  /** The sentences that take the time and can be left out here. */
  readonly texts: readonly string[];
  readonly lasting: (seconds: number) => PlanEdit;
  readonly saying: (texts: readonly string[]) => PlanEdit;
}

const wordsLong: WholeRule = {
  code: 'WORDS_LONG',
  part: 'time',
  severity: 'look',
  unit: 's',
  limit: 'the seconds typed, 2 s and a tenth more',
  says: 'an opening, a closing, a talk, a check or a set-up is given fewer seconds than its words take; it is timed by its words',
  find: ({ timed }) => {
    const found = timesOf(timed).filter(
      ({ typed, spoken }) => spoken - typed > Math.max(SLACK_SECONDS, SLACK_SHARE * typed),
    );
    if (found.length === 0) return NOTHING;
    return found.map(({ blocks, about, spoken, typed }): Found => ({ blocks, about, value: spoken, limit: typed }));
  },
  sentence: (found, { timed }) =>
    `${timeOf(timed, found).what}: the words take ${spell(found.value)}, and ${spell(found.limit)} are planned for them. Give them the time, or say less.`,
  mend: (found, { timed }) => mended(timeOf(timed, found)),
};

const timesOf = (timed: TimedClass): Timed[] => [...ends(timed), ...parts(timed)];

/** What a finding is about. */
const timeOf = (timed: TimedClass, { blocks, about }: Found): Timed =>
  timesOf(timed).find((each) => each.about === about && each.blocks[0] === blocks[0]) as Timed;

function ends({ plan, parts: { opening, closing } }: TimedClass): Timed[] {
  return [
    {
      blocks: [],
      about: 'opening',
      what: 'The opening',
      typed: plan.openingSeconds,
      spoken: opening,
      texts: plan.openingWords ?? [],
      lasting: (openingSeconds) => ({ kind: 'class', change: { openingSeconds } }),
      saying: (texts) => ({ kind: 'class', change: { openingWords: [...texts] } }),
    },
    {
      blocks: [],
      about: 'closing',
      what: 'The closing',
      typed: plan.closingSeconds,
      spoken: closing,
      texts: plan.closingWords ?? [],
      lasting: (closingSeconds) => ({ kind: 'class', change: { closingSeconds } }),
      saying: (texts) => ({ kind: 'class', change: { closingWords: [...texts] } }),
    },
  ];
}

const parts = ({ sequence }: TimedClass): Timed[] =>
  sequence.flatMap((part): Timed[] => {
    if (part.kind === 'block') return part.block.setupSeconds === undefined ? [] : [setUp(part)];
    const { block, index, seconds } = part;
    const own = block.lines !== undefined && block.lines.length > 0;
    return [
      {
        blocks: [index],
        what: titleOf(part),
        typed: block.seconds,
        spoken: seconds,
        texts: own ? [] : interludeLines(block),
        lasting: (needed) => ({ kind: 'interlude', id: block.id, change: { seconds: needed } }),
        saying: (texts) => ({ kind: 'interlude', id: block.id, change: { words: [...texts] } }),
      },
    ];
  });

/** A set-up with seconds of its own; of its words those of the class can be left out here. */
function setUp(part: TimedBlock): Timed {
  const { block, index, spoken } = part;
  const lines = block.lines ?? [];
  const own = lines.filter(
    ({ kind, text, pass }) => (kind === 'setup' || kind === 'check') && text !== '' && pass !== 2,
  );
  return {
    blocks: [index],
    what: `${titleOf(part)}, its set-up`,
    typed: block.setupSeconds ?? 0,
    spoken,
    texts: own.map(({ text }) => text),
    lasting: (setupSeconds) => ({ kind: 'set', id: block.id, change: { setupSeconds } }),
    saying: (texts) => ({
      kind: 'set',
      id: block.id,
      change: { lines: lines.filter((line) => !own.includes(line) || texts.includes(line.text)) },
    }),
  };
}

function mended({ typed, spoken, texts, lasting, saying }: Timed): Remedy[] {
  const needed = Math.ceil(spoken);
  const left = leftOut(texts, spoken - typed, spoken);
  return [
    { label: `Give it ${spell(needed)}`, edits: [lasting(needed)] },
    ...(left.length === 0
      ? []
      : [
          {
            label: `Leave out ${left.map((text) => `“${text}”`).join(' and ')}`,
            edits: [saying(texts.filter((text) => !left.includes(text)))],
          },
        ]),
  ];
}

/**
 * Which sentences to leave out so that the others fit: the shortest one that is long enough, else as many of the last as
 * it takes; none where nothing would be left.
 */
function leftOut(texts: readonly string[], tooLong: number, spoken: number): readonly string[] {
  const words = texts.map(wordsIn);
  const all = words.reduce((sum, each) => sum + each, 0);
  if (all === 0) return [];
  const seconds = (i: number) => ((words[i] as number) * spoken) / all;
  const enough = texts.map((_, i) => i).filter((i) => seconds(i) >= tooLong);
  const [one] = enough.sort((a, b) => seconds(a) - seconds(b));
  if (one !== undefined && texts.length > 1) return [texts[one] as string];
  let from = texts.length;
  for (let gained = 0; from > 0 && gained < tooLong; ) {
    from -= 1;
    gained += seconds(from);
  }
  return from === 0 ? [] : texts.slice(from);
}

export const SPOKEN_RULES: readonly Rule[] = [wordsLong];
