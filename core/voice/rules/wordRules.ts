import { isLesson } from '../../plan';
import type { Remedy } from '../../review';
import type { ScriptLine } from '../../script';
import { isOver } from '../../vocabulary/measure';
import { remembering } from '../../vocabulary/remember';
import { wordsIn } from '../../vocabulary/words/words';
import { saidInstead } from '../mending';
import { HERE, type Heard, type VoiceRule } from '../rule';
import type { SpokenBlock, Voice } from '../spoken';
import { promises } from './promises';
import { flesch } from './reading';

/** Don’ts: they begin with a refusal, or turn on one. */
const REFUSES = /(?:^|[,;:–—]\s*|\b(?:and|but|so)\s+)(?:do not|don[’']t|never|avoid|no|not)\b/i;
const isDont = remembering((text: string): boolean =>
  text.split(/(?<=[.;!?])\s+/).some((sentence) => REFUSES.test(sentence)),
);

/** How many of some lines say what not to do; safety is left aside. */
export const dontsIn = (
  lines: readonly ScriptLine[],
): { readonly donts: readonly ScriptLine[]; readonly of: number } => {
  const counted = lines.filter(({ kind }) => kind !== 'safety');
  return { donts: counted.filter(({ text }) => isDont(text)), of: counted.length };
};

const dontsMany: VoiceRule = {
  code: 'DONTS_MANY',
  severity: 'look',
  limit: '`limits.dontShare` of what is said on the block, safety aside',
  says: 'people are told what not to do more than one time in four',
  find: ({ once }, { catalog }) => {
    const { dontShare } = catalog.method.limits;
    const { donts, of } = dontsIn(once);
    const share = of > 0 ? donts.length / of : 0;
    if (!isOver(share, dontShare, '')) return [];
    return [
      {
        value: share,
        limit: dontShare,
        unit: '' as const,
        sentence: `${donts.length} of ${of} lines say what not to do, such as “${donts[0]?.text}”. Say what to do instead.`,
        lines: donts.map(({ id }) => id),
      },
    ];
  },
};

const plain = remembering((text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim(),
);

/** The block on which each image of a class is spoken first. */
const firstOf = new WeakMap<Voice, ReadonlyMap<string, SpokenBlock>>();
function imagesOf(voice: Voice): ReadonlyMap<string, SpokenBlock> {
  const known = firstOf.get(voice);
  if (known) return known;
  const images = new Map<string, SpokenBlock>();
  for (const block of voice.blocks) {
    for (const { kind, text } of block.said) {
      if (kind === 'image' && !images.has(plain(text))) images.set(plain(text), block);
    }
  }
  firstOf.set(voice, images);
  return images;
}

const imageTwice: VoiceRule = {
  code: 'IMAGE_TWICE',
  severity: 'look',
  limit: 'once in a class; in a lesson as often as it helps',
  says: 'one image is spoken on two blocks; it names the second',
  find: (block, voice) => {
    // In a lesson one image may come as often as it helps.
    if (isLesson(voice.timed.plan.purpose)) return [];
    const images = imagesOf(voice);
    return block.once.flatMap((line): Heard[] => {
      const first = line.kind === 'image' ? images.get(plain(line.text)) : undefined;
      if (!first || first === block) return [];
      return [
        {
          ...HERE,
          sentence: `“${line.text}” was the image of ${first.part.entry.exercise.name} already. Take another, or none.`,
          lines: [line.id],
          remedies: inPlace(block, line, otherImages(block, line)),
        },
      ];
    });
  },
};

const otherImages = ({ part }: SpokenBlock, line: ScriptLine): readonly (string | null)[] => {
  const cue = part.entry.rung.cues?.find(({ id }) => id === line.cue);
  return [...(cue?.alternatives ?? []), null];
};

/** A line said otherwise in each of several ways. */
function inPlace({ part, passes }: SpokenBlock, line: ScriptLine, texts: ReadonlyArray<string | null>): Remedy[] {
  const section = passes.find(({ lines }) => lines.includes(line));
  return section ? texts.map((text) => saidInstead(part, section, line, text)) : [];
}

/** Years of schooling that what is said may ask for, by how far on people are. Our estimate: beginners listen lying down. */
const GRADES = { beginner: 6, improver: 8, advanced: 10 } as const;
/** Words from which a grade says anything. */
const ENOUGH_WORDS = 20;

const readingHard: VoiceRule = {
  code: 'READING_HARD',
  severity: 'look',
  limit: `grade ${GRADES.beginner} for beginners, ${GRADES.improver} for improvers, ${GRADES.advanced} for the advanced; from ${ENOUGH_WORDS} words on`,
  says: 'the words are harder than the audience’s level',
  find: (block, { audience }) => {
    const text = block.once.filter(({ source }) => source !== 'drafted').map((line) => line.text);
    return tooHard(text, audience).map((heard) => ({ ...heard, sentence: `its ${heard.sentence}` }));
  },
};

/** Words that ask for more school than a room has; from so many words on. */
export function tooHard(texts: readonly string[], audience: Voice['audience']): readonly Heard[] {
  const words = texts.reduce((sum, each) => sum + wordsIn(each), 0);
  if (words < ENOUGH_WORDS) return [];
  const grade = flesch(texts);
  const limit = GRADES[audience?.level ?? 'improver'];
  if (!isOver(grade, limit, 'times')) return [];
  return [
    {
      value: grade,
      limit,
      unit: 'times' as const,
      sentence: `words ask for ${Math.round(grade)} years of school, ${limit} at most for this room. Take shorter words and sentences.`,
    },
  ];
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** A word or words as a whole, whatever stands around them: the first of them. */
const whole = remembering(
  (words: string): RegExp => new RegExp(String.raw`(?<![\p{L}\p{N}])${escaped(words)}(?![\p{L}\p{N}])`, 'iu'),
);

/** Words of a text that the house does not say, with the text as the house would say it. */
export const refusedIn = (
  text: string,
  terms: Voice['catalog']['method']['terms'],
): ReadonlyArray<{ readonly sentence: string; readonly better: string }> =>
  terms.flatMap(({ use, not }) =>
    not
      .filter((refused) => whole(refused).test(text))
      .map((refused) => ({
        sentence: `“${text}” says “${refused}”; the house says “${use}”.`,
        better: text.replace(new RegExp(whole(refused), 'giu'), (found) => inCase(use, found)),
      })),
  );

const termRefused: VoiceRule = {
  code: 'TERM_REFUSED',
  severity: 'look',
  limit: '`terms` of the method',
  says: 'a word the house does not say',
  find: (block, { catalog }) =>
    block.once.flatMap((line) =>
      refusedIn(line.text, catalog.method.terms).map(
        ({ sentence, better }): Heard => ({
          ...HERE,
          sentence,
          lines: [line.id],
          remedies: inPlace(block, line, [better]),
        }),
      ),
    ),
};

const inCase = (words: string, like: string): string =>
  /^\p{Lu}/u.test(like) ? words.charAt(0).toUpperCase() + words.slice(1) : words;

const promise: VoiceRule = {
  code: 'PROMISE',
  severity: 'look',
  limit: 'none',
  says: 'a promise the work can’t keep: waists, inches, cures, closed gaps, “definitely”, “guaranteed”',
  find: (block) =>
    block.once
      .filter(({ text }) => promises(text))
      .map((line) => ({
        ...HERE,
        sentence: `“${line.text}” promises what the work can’t keep. Say what it should feel like instead.`,
        lines: [line.id],
        remedies: inPlace(block, line, [null]),
      })),
};

export const WORD_RULES: readonly VoiceRule[] = [dontsMany, imageTwice, readingHard, termRefused, promise];
