import { CONDITIONS, type Condition, type Graded, judge, WITHIN } from '../../caution';
import { doseOf, type TimedBlock } from '../../plan';
import type { Catalog } from '../../repertoire';
import { namesStopSign } from '../../vocabulary/words/stopSigns';
import { small } from '../../vocabulary/words/words';
import { asLine, cuesOf, drafted, type Unnamed } from './line';

/** Words by which a line of safety is for people with something, in everyday words. */
const ABOUT: ReadonlyArray<readonly [RegExp, readonly Condition[]]> = [
  [/\bneck\b/i, ['neck-pain', 'neck-injury']],
  [/\b(?:low(?:er)? back|back|discs?)\b/i, ['low-back-pain']],
  [/\b(?:separation|separating|dom(?:e|es|ed|ing)|belly surgery|gap along)\b/i, ['abdominal-separation']],
  [/\b(?:pregnan\w*|birth|bump|baby)\b/i, ['pregnancy-first', 'pregnancy-second', 'pregnancy-third']],
  [/\bpelvic[- ]floor\b/i, ['pelvic-floor']],
  [/\bbones?\b(?! (?:lower|by bone))/i, ['low-bone-density']],
  [/\b(?:blood )?pressure\b/i, ['high-blood-pressure']],
  [/\b(?:glaucoma|eyes?)\b/i, ['glaucoma']],
  [/\b(?:vertigo|balance trouble|sense of balance)\b/i, ['vertigo']],
  [/\bwrists?\b/i, ['wrist']],
  [/\bshoulders?\b/i, ['shoulder']],
  [/\bknees?\b/i, ['knee']],
  [/\bankles?\b/i, ['ankle']],
  [/\b(?:new hip|hip replac\w*|hip replaced)\b/i, ['hip-replacement']],
];

/** Where a sentence says whom it is for: “Neck tires: …”, “Hip replaced? …”, “With a troublesome knee, …”, “… with a new hip”. */
const WHOM = [
  /^[^.!?:]{0,70}[:?]/,
  /^(?:with|after|if|once|when|not for)\b[^,.]*/i,
  /\b(?:with|after)\b[^,.]*$/i,
] as const;

const whomPart = (sentence: string): string =>
  WHOM.map((words) => words.exec(sentence)?.[0]).find((part) => part !== undefined) ?? '';

/** Said of somebody with something, whatever it is. */
const SOMEBODY = /\b(?:troublesome|tender|sensitive|injured|replaced|trouble|history|after (?:an?|recent))\b/i;

/** Whom a line of safety is for: people with these conditions; everybody where it names nobody (`null`). @example forWhom('Neck tires: head down.') // ['neck-pain', 'neck-injury'] */
export const forWhom = (text: string): readonly Condition[] | null => {
  const parts = text.split(/(?<=[.!])\s+/).map((sentence) => whomPart(sentence.replace(/[.!]$/, '')));
  const named = ABOUT.flatMap(([words, conditions]) => (parts.some((part) => words.test(part)) ? conditions : []));
  return named.length > 0 || parts.some((part) => SOMEBODY.test(part)) ? named : null;
};

/** What the safety of a block hangs on beside the block. */
export interface Minded {
  readonly catalog: Catalog;
  readonly graded: readonly Graded[];
  /** The first block of its ladder in the class. */
  readonly firstOfLadder: boolean;
}

/**
 * Lines of safety of a block: what the room’s cautions ask for; what the rung says, where somebody it is for is in the
 * room, or it is for all; signs to stop once a ladder, and again where a caution of the room touches the block. The rest
 * is to know.
 */
export function safetyLines({ catalog, graded, firstOfLadder }: Minded, { entry, block }: TimedBlock): Unnamed[] {
  const { cautions } = judge(catalog, entry, graded, block.dose ? doseOf(entry, block) : undefined);
  const again = firstOfLadder || cautions.length > 0;
  const here = new Set<Condition>(graded.map((each) => (each === WITHIN ? 'abdominal-separation' : each)));
  const own = catalog.method.stopSigns;
  const stop = entry.rung.gate?.stop ?? [];
  return [
    ...cautions.map(({ condition, verdict, how }) =>
      drafted(
        'safety',
        `${CONDITIONS[condition].spoken}${verdict === 'clear-first' ? ', only once a professional has agreed' : ''}: ${how}`,
      ),
    ),
    ...cuesOf(entry, 'safety').map((cue): Unnamed => {
      const whom = forWhom(cue.text);
      const concerns = whom === null ? again : whom.some((condition) => here.has(condition));
      return { ...asLine(cue), said: concerns || (again && namesStopSign(cue.text, own)) };
    }),
    ...(stop.length > 0
      ? [{ ...drafted('safety', `Stop altogether ${stop.map(stopWords).join(', or ')}.`), said: again }]
      : []),
  ];
}

/** “with dizziness”, “if the low back pinches”. */
const stopWords = (sign: string): string => {
  const words = lower(sign);
  return `${/^(?:the|your|you|it) /.test(words) ? 'if' : 'with'} ${words}`;
};

const lower = (sign: string): string => small(sign).replace(/\.$/, '');
