import type { Choices } from '../method';
import { propsNeeded, type TimedBlock, type TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { isLying, isStanding, liesOnBack } from '../vocabulary/bodies/position';
import { small, speechSeconds, wordsIn } from '../vocabulary/words/words';
import { drafted, type Unnamed } from './lines/line';
import { whereWords } from './lines/way';

/** What an opening or a closing is drafted from. */
export interface Framed {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly choices: Choices;
  /** Who it is for, by name. */
  readonly audience: string | undefined;
  /** The class that comes after it in its series, by name. */
  readonly next: string | undefined;
  readonly wordsPerMinute: number;
  /** The room gets up over the side. */
  readonly overSide: boolean;
}

/** A sentence, with its place in order; of those that do not fit, the least needed go first. */
interface Sentence {
  readonly text: string;
  /** 1 is needed most. */
  readonly need: number;
}

const inWords = new Intl.ListFormat('en-GB');
const orInWords = new Intl.ListFormat('en-GB', { type: 'disjunction' });
const list = (words: readonly string[]): string => inWords.format(words);
const eachOnce = (words: readonly string[]): string[] => [...new Set(words)];

/** As many sentences as the seconds hold, the most needed first, in their order. */
function fitting(sentences: ReadonlyArray<Sentence | null>, seconds: number, wordsPerMinute: number): Unnamed[] {
  const all = sentences.filter((each) => each !== null);
  const taken = new Set<Sentence>();
  let left = seconds;
  for (const sentence of all.toSorted((a, b) => a.need - b.need)) {
    const own = speechSeconds(wordsIn(sentence.text), wordsPerMinute);
    if (own > left) continue;
    taken.add(sentence);
    left -= own;
  }
  return all.filter((each) => taken.has(each)).map(({ text }) => drafted('setup', text));
}

/** Blocks of a class that stand together in one position, in their order. */
function stays({ blocks }: TimedClass): Array<{ readonly position: string; readonly blocks: TimedBlock[] }> {
  const found: Array<{ readonly position: string; readonly blocks: TimedBlock[] }> = [];
  for (const block of blocks) {
    const last = found.at(-1);
    if (last?.position === block.position) last.blocks.push(block);
    else found.push({ position: block.position, blocks: [block] });
  }
  return found;
}

const ladderNames = (blocks: readonly TimedBlock[]): string[] =>
  eachOnce(blocks.map(({ entry }) => small(entry.exercise.name)));

/** What grows through a class: the ladder that comes back most, three blocks of it at least. */
function threadOf({ blocks }: TimedClass): { readonly name: string; readonly steps: number } | null {
  const counts = new Map<string, TimedBlock[]>();
  for (const block of blocks) {
    const { id } = block.entry.exercise;
    counts.set(id, [...(counts.get(id) ?? []), block]);
  }
  const [most] = [...counts.values()].sort((a, b) => b.length - a.length);
  if (!most || most.length < 3) return null;
  return { name: small(most[0]?.entry.exercise.name ?? ''), steps: new Set(most.map(({ entry }) => entry.key)).size };
}

function hottestOf(catalog: Catalog, { blocks }: TimedClass): TimedBlock | null {
  const done = blocks.filter(({ shown }) => !shown);
  return done.length < 3 ? null : done.reduce((a, b) => (catalog.heat(b.entry) > catalog.heat(a.entry) ? b : a));
}

const propsOf = ({ sequence }: TimedClass): string[] =>
  eachOnce(sequence.flatMap((part) => propsNeeded(part).map(({ name }) => `a ${small(name)}`))).map((each) =>
    each.endsWith('weights')
      ? each.slice(2)
      : each.replace(/^a wall$/, 'a free wall').replace(/^a carriage/, 'the carriage'),
  );

/** How a class begins that begins as the house does. */
const BEGINNING_WORDS = {
  floor: ': feel the breath, and where the pelvis rests',
  standing: ': both feet heavy, grow tall',
} as const;

function beginningWords({ catalog, choices: { begin } }: Framed, position: string): string {
  const standing = isStanding(catalog.graph.like(position));
  const as = standing === (begin === 'standing') ? BEGINNING_WORDS[begin] : '';
  const floor = as !== '' && begin === 'floor' ? 'on the floor, ' : '';
  return `We begin ${floor}${whereWords(catalog, position)}${as}.`;
}

/** An opening as the class itself tells it: who, where it begins, what to fetch, what comes, what grows, when to stop. */
export function openingDraft(framed: Framed): Unnamed[] {
  const { catalog, timed, audience, wordsPerMinute } = framed;
  const { plan, parts, sequence, blocks } = timed;
  const first = plan.openingPosition ?? sequence[0]?.position;
  const thread = threadOf(timed);
  const hottest = hottestOf(catalog, timed);
  const props = propsOf(timed);
  const minutes = Math.round(timed.seconds / 60);
  const about = plan.theme ?? thread?.name;
  const [one, ...more] = stays(timed);
  const stops = catalog.method.stopSigns;
  const options = blocks.some(({ block }) => (block.options?.length ?? 0) > 0);
  return fitting(
    [
      { need: 1, text: `Welcome${audience ? `, ${small(audience)}` : ''}. This is ${plan.name}.` },
      about ? { need: 5, text: `Our idea today is ${small(about)}.` } : null,
      { need: 7, text: `We have ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} together.` },
      {
        need: 4,
        text: props.length > 0 ? `Have a mat, ${list(props)} beside you.` : 'You need a mat and nothing else.',
      },
      stops.length > 0
        ? {
            need: 3,
            text: `Stop altogether with ${orInWords.format(stops.map(small))}, and tell me.`,
          }
        : null,
      options
        ? { need: 8, text: 'I will offer more than one version; each of them is the right one for somebody.' }
        : null,
      { need: 11, text: 'Work at the size at which your breath stays free.' },
      one ? { need: 6, text: `First comes ${list(ladderNames(one.blocks))}.` } : null,
      ...more.map(
        (stay, i): Sentence => ({
          need: 12 + i,
          text: `${i > 0 && i === more.length - 1 ? 'At the end' : i === 0 ? 'Then' : 'After that'} we are ${whereWords(catalog, stay.position)}, with ${list(ladderNames(stay.blocks))}.`,
        }),
      ),
      thread
        ? {
            need: 9,
            text: `One thing grows through the class: ${thread.name}, in ${thread.steps} ${thread.steps === 1 ? 'step' : 'steps'}.`,
          }
        : null,
      hottest
        ? {
            need: 10,
            text: `The most work waits in ${small(hottest.entry.exercise.name)}; all that comes before it gets you ready.`,
          }
        : null,
      { need: 30, text: 'Let the shoulders drop, and take three slow breaths before we begin.' },
      first === undefined ? null : { need: 2, text: beginningWords(framed, first) },
    ],
    parts.opening,
    wordsPerMinute,
  );
}

/** A closing as the class itself tells it: how to rest and come up, what was done, where it leads. */
export function closingDraft({ catalog, timed, next, wordsPerMinute, overSide }: Framed): Unnamed[] {
  const { parts, sequence } = timed;
  const last = sequence.at(-1)?.position;
  const thread = threadOf(timed);
  const hottest = hottestOf(catalog, timed);
  const lies = last !== undefined && isLying(catalog.graph.like(last));
  const places = stays(timed);
  return fitting(
    [
      lies
        ? { need: 2, text: 'Rest here for three breaths, and let the floor carry you.' }
        : { need: 2, text: 'Stay here for three breaths, and let the shoulders drop.' },
      thread
        ? {
            need: 4,
            text: `Today ${thread.name} grew through ${thread.steps} ${thread.steps === 1 ? 'step' : 'steps'}.`,
          }
        : null,
      places.length > 0
        ? { need: 6, text: `We worked ${list(eachOnce(places.map(({ position }) => whereWords(catalog, position))))}.` }
        : null,
      hottest ? { need: 7, text: `The most work was in ${small(hottest.entry.exercise.name)}.` } : null,
      { need: 8, text: 'Notice what feels different from when we began.' },
      next ? { need: 3, text: `Next time: ${next}.` } : null,
      lies
        ? {
            need: 5,
            text:
              overSide || liesOnBack(catalog.graph.like(last))
                ? 'When you are ready, roll to one side, push up with your hands and come up slowly.'
                : 'When you are ready, come up slowly.',
          }
        : null,
      { need: 9, text: 'If something bothered you today, tell me before you go.' },
      { need: 1, text: 'Thank you for working with me.' },
    ],
    parts.closing,
    wordsPerMinute,
  );
}
