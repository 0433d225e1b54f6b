import type { Cue, Rung } from '../repertoire/exercise';
import type { CueKind } from '../vocabulary/words/cue';
import { wordsIn } from '../vocabulary/words/words';
import type { Interlude, Line, RungBlock } from './class';
import { type Worded, withOwnWords } from './ownWords';

/** Words of a block that the clock counts: what somebody has written, in its first pass. What is drafted never counts. */
export interface SpokenWords {
  /** Of set-up and check, where the shape is new. */
  readonly fresh: number;
  /** The same where the block carries on: the rung's set-up is not said, its check is. */
  readonly carried: number;
  /** The same where the rung is known already: the class's own alone. */
  readonly known: number;
  /** Whether the class itself words the set-up. */
  readonly ownSetup: boolean;
  /** What is explained after shown repetitions: what to keep, one image, what to feel, faults. */
  readonly explained: number;
}

const SET_UP: ReadonlySet<CueKind> = new Set<CueKind>(['setup', 'check']);
const EXPLAINED: ReadonlySet<CueKind> = new Set<CueKind>(['alignment', 'image', 'feel', 'fault']);

/** By the rung, and by the class's own lines with it: neither is ever changed in place. */
const ofRung = new WeakMap<Rung, SpokenWords>();
const ofLines = new WeakMap<readonly Line[], Map<Rung, SpokenWords>>();

/** Words of a block by what is said when (docs/timing.md). */
export function spokenWords({ rung }: { readonly rung: Rung }, { lines }: Pick<RungBlock, 'lines'>): SpokenWords {
  if (!lines || lines.length === 0) {
    const known = ofRung.get(rung) ?? counted(rung, []);
    ofRung.set(rung, known);
    return known;
  }
  const byRung = ofLines.get(lines) ?? new Map<Rung, SpokenWords>();
  ofLines.set(lines, byRung);
  const known = byRung.get(rung) ?? counted(rung, lines);
  byRung.set(rung, known);
  return known;
}

interface Counted extends Worded {
  readonly own: boolean;
}

const ofCue = ({ kind, text, phase }: Cue): Counted => ({
  kind,
  text,
  said: true,
  own: false,
  ...(phase === undefined ? {} : { phase: { id: phase } }),
});
const ofLine = ({ kind, text, phase }: Line): Counted => ({
  kind,
  text,
  said: kind !== 'note',
  own: true,
  ...(phase === undefined ? {} : { phase: { id: phase } }),
});

function counted({ cues = [] }: Rung, own: readonly Line[]): SpokenWords {
  const { lines } = withOwnWords(cues.map(ofCue), own, 1, ofLine);
  const words = (counts: (line: Counted) => boolean): number =>
    lines.reduce((sum, line) => sum + (line.said && counts(line) ? wordsIn(line.text) : 0), 0);
  const image = lines.find(({ kind }) => kind === 'image');
  return {
    fresh: words(({ kind }) => SET_UP.has(kind)),
    carried: words(({ kind, own: mine }) => SET_UP.has(kind) && (mine || kind === 'check')),
    known: words(({ kind, own: mine }) => SET_UP.has(kind) && mine),
    ownSetup: lines.some(({ kind, own: mine }) => kind === 'setup' && mine),
    explained: words((line) => EXPLAINED.has(line.kind) && (line.kind !== 'image' || line === image)),
  };
}

/** What an interlude says: its words, or its own lines in their place. */
export function interludeLines({ words = [], interlude, lines = [] }: Interlude): readonly string[] {
  if (lines.length === 0) return words;
  const kind = interlude === 'check' ? 'check' : 'setup';
  const spoken = withOwnWords(
    words.map((text): Worded => ({ kind, text, said: true })),
    lines,
    1,
    ofLine,
  );
  return spoken.lines.flatMap(({ said, text }) => (said ? [text] : []));
}

const ofTexts = new WeakMap<readonly string[], number>();

/** Words of several sentences. */
export function wordsInAll(texts: readonly string[] | undefined): number {
  if (texts === undefined) return 0;
  const known = ofTexts.get(texts);
  if (known !== undefined) return known;
  const words = texts.reduce((sum, text) => sum + wordsIn(text), 0);
  ofTexts.set(texts, words);
  return words;
}

const ofInterlude = new WeakMap<Interlude, number>();

/** Words that are said in an interlude. */
export function wordsInInterlude(interlude: Interlude): number {
  const known = ofInterlude.get(interlude);
  if (known !== undefined) return known;
  const words = wordsInAll(interludeLines(interlude));
  ofInterlude.set(interlude, words);
  return words;
}
