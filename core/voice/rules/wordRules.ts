import type { Remedy } from '../../review';
import type { ScriptLine } from '../../script';
import { isOver } from '../../vocabulary/measure';
import { remembering } from '../../vocabulary/remember';
import { wordsIn } from '../../vocabulary/words';
import { saidInstead } from '../mending';
import { HERE, type Heard, type VoiceRule } from '../rule';
import type { SpokenBlock, Voice } from '../spoken';
import { flesch } from './reading';

/** Don’ts: they begin with a refusal, or turn on one. */
const REFUSES = /(?:^|[,;:–—]\s*|\b(?:and|but|so)\s+)(?:do not|don[’']t|never|avoid|no|not)\b/i;
const isDont = remembering((text: string): boolean =>
  text.split(/(?<=[.;!?])\s+/).some((sentence) => REFUSES.test(sentence)),
);

const dontsMany: VoiceRule = {
  code: 'DONTS_MANY',
  severity: 'look',
  limit: '`limits.dontShare` of what is said on the block, safety aside',
  says: 'people are told what not to do more than one time in four',
  find: ({ once }, { catalog }) => {
    const { dontShare } = catalog.method.limits;
    const counted = once.filter(({ kind }) => kind !== 'safety');
    const donts = counted.filter(({ text }) => isDont(text));
    const share = counted.length > 0 ? donts.length / counted.length : 0;
    if (!isOver(share, dontShare, '')) return [];
    return [
      {
        value: share,
        limit: dontShare,
        unit: '' as const,
        sentence: `${donts.length} of ${counted.length} lines say what not to do, such as “${donts[0]?.text}”. Say what to do instead.`,
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
  limit: 'once in a class',
  says: 'one image is spoken on two blocks; it names the second',
  find: (block, voice) => {
    const images = imagesOf(voice);
    return block.once.flatMap((line): Heard[] => {
      const first = line.kind === 'image' ? images.get(plain(line.text)) : undefined;
      if (!first || first === block) return [];
      return [
        {
          ...HERE,
          sentence: `“${line.text}” was the image of ${first.part.entry.exercise.name} already. Take another, or none.`,
          lines: [line.id],
          mend: () => inPlace(block, line, otherImages(block, line)),
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
    const words = text.reduce((sum, each) => sum + wordsIn(each), 0);
    if (words < ENOUGH_WORDS) return [];
    const grade = flesch(text);
    const limit = GRADES[audience?.level ?? 'improver'];
    if (!isOver(grade, limit, 'times')) return [];
    return [
      {
        value: grade,
        limit,
        unit: 'times' as const,
        sentence: `its words ask for ${Math.round(grade)} years of school, ${limit} at most for this room. Take shorter words and sentences.`,
      },
    ];
  },
};

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** A word or words as a whole, whatever stands around them: the first of them. */
const whole = remembering(
  (words: string): RegExp => new RegExp(String.raw`(?<![\p{L}\p{N}])${escaped(words)}(?![\p{L}\p{N}])`, 'iu'),
);

const termRefused: VoiceRule = {
  code: 'TERM_REFUSED',
  severity: 'look',
  limit: '`terms` of the method',
  says: 'a word the house does not say',
  find: (block, { catalog }) =>
    block.once.flatMap((line): Heard[] =>
      catalog.method.terms.flatMap(({ use, not }) =>
        not.flatMap((refused): Heard[] => {
          if (!whole(refused).test(line.text)) return [];
          const better = line.text.replace(new RegExp(whole(refused), 'giu'), (found) => inCase(use, found));
          return [
            {
              ...HERE,
              sentence: `“${line.text}” says “${refused}”; the house says “${use}”.`,
              lines: [line.id],
              mend: () => inPlace(block, line, [better]),
            },
          ];
        }),
      ),
    ),
};

const inCase = (words: string, like: string): string =>
  /^\p{Lu}/u.test(like) ? words.charAt(0).toUpperCase() + words.slice(1) : words;

/** What no exercise can promise: bodies reshaped, troubles cured, gaps closed. An inch as a distance is none. */
const PROMISES =
  /\b(?:cures?|heals?|guarantees?d?|burns? (?:off )?(?:the )?(?:fat|calories)|melts? (?:the )?fat|(?:lose|losing|drop) (?:weight|inches|pounds|kilos|a (?:dress )?size)|inches (?:off|from|around)|flat(?:ter|tens)?(?: your| the)? (?:belly|stomach|tummy)|clos(?:es|ing|e) (?:the|your) (?:gap|separation)|pain[- ]free|fix(?:es)? (?:your|the) (?:back|pelvic floor|posture|knees?)|never have .* again|sculpts?|tones? up)\b/i;

const promises = remembering((text: string): boolean => PROMISES.test(text));

const promise: VoiceRule = {
  code: 'PROMISE',
  severity: 'look',
  limit: 'none',
  says: 'a promise the work can’t keep: inches, cures, closed gaps',
  find: (block) =>
    block.once
      .filter(({ text }) => promises(text))
      .map((line) => ({
        ...HERE,
        sentence: `“${line.text}” promises what the work can’t keep. Say what it should feel like instead.`,
        lines: [line.id],
        mend: () => inPlace(block, line, [null]),
      })),
};

export const WORD_RULES: readonly VoiceRule[] = [dontsMany, imageTwice, readingHard, termRefused, promise];
