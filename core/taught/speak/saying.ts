import { phaseCounts } from '../../repertoire';
import { inTurn, type ScriptLine, type ScriptSection } from '../../script';
import type { Chance } from '../../vocabulary/chance';
import { wordsIn } from '../../vocabulary/words/words';
import type { Habits } from './habitsSchema';
import { heard, otherwise } from './mumble';

/** Words as they were heard, from when to when. Seconds since the class began. */
export interface HeardCue {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** How long a pass of a block, or an interlude, takes. */
export interface Length {
  readonly block: number;
  readonly pass: 1 | 2;
  readonly way: number;
  readonly setup: number;
  readonly work: number;
  readonly rest: number;
}

/** The same as it really went: nobody moves on before what is said of it is said. */
export interface Pass extends Pick<Length, 'block' | 'pass'> {
  /** When the way to it begins, when its set-up begins to be said, when its effort begins and ends, and its rest. */
  readonly leaves: number;
  readonly start: number;
  readonly worked: number;
  readonly done: number;
  readonly end: number;
}

/** A word with when it is said. */
interface Word {
  readonly at: number;
  readonly text: string;
}

const NUMBERS =
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(
    ' ',
  );

/** Everything said, word by word, never two things at once. */
export class Saying {
  readonly #words: Word[] = [];
  readonly #secondsAWord: number;
  readonly #habits: Habits;
  readonly #chance: Chance;
  #cursor = 0;

  constructor(wordsPerMinute: number, habits: Habits, chance: Chance) {
    this.#secondsAWord = 60 / wordsPerMinute;
    this.#habits = habits;
    this.#chance = chance;
  }

  /** Lines one after another, from a second on or as soon as what is being said is over. */
  from(second: number, lines: ReadonlyArray<Pick<ScriptLine, 'kind' | 'text' | 'said'>>): void {
    for (const { kind, text, said } of lines) {
      if (said && !this.#habits.unsaid.includes(kind)) this.#say(second, text);
    }
  }

  #say(second: number, text: string): void {
    const { paraphrase } = this.#habits;
    const own = this.#chance.share() < paraphrase && wordsIn(text) > 2 ? otherwise(text, this.#chance) : text;
    this.#cursor = Math.max(this.#cursor, second);
    for (const word of heard(own.split(/\s+/).filter(Boolean), this.#habits, this.#chance)) {
      this.#words.push({ at: this.#cursor, text: word });
      this.#cursor += this.#secondsAWord;
    }
  }

  /** A pass by its script: the way, what comes before the effort, the first repetitions with words, the others counted. */
  pass({ lead, lines, times }: ScriptSection, { block, pass, way, setup, work, rest }: Length, leaves: number): Pass {
    if (lead) this.#say(leaves, lead);
    const said = lines.filter((line) => line.said && !this.#habits.unsaid.includes(line.kind));
    const start = Math.max(leaves + way, this.#cursor);
    const as = (worked: number): Pass => {
      const done = worked + work;
      return { block, pass, leaves, start, worked, done, end: done + rest };
    };
    if (!times) {
      this.from(start, said);
      return as(start);
    }
    const { before, actions, during, out } = inTurn(said);
    this.from(start, before);
    const own = as(Math.max(start + setup, this.#cursor));
    const scale = times.work > 0 ? work / (times.work + times.explained) : 1;
    const set = times.entry + times.reps * times.rep + times.exit + times.restBetween;
    const spoken = pass === 1 ? SPOKEN_REPS : 1;
    const left = [...during];
    for (let number = 0; number < times.sets; number++) {
      for (let rep = 0; rep < times.reps; rep++) {
        const begins = own.worked + (number * set + times.entry + rep * times.rep) * scale;
        if (number === 0 && rep < spoken) {
          this.#actions(actions, times, begins, scale);
          continue;
        }
        this.#say(begins, `${rep === times.reps - 1 && times.reps > 2 ? 'last one ' : ''}${NUMBERS[rep] ?? rep + 1}`);
        const next = left.shift();
        if (next) this.#say(this.#cursor, next.text);
      }
    }
    this.from(own.done - 2, left);
    this.from(own.done - 1, out);
    return own;
  }

  #actions(
    actions: readonly ScriptLine[],
    { phases, count }: NonNullable<ScriptSection['times']>,
    begins: number,
    scale: number,
  ): void {
    let at = begins;
    for (const phase of phases.rep) {
      this.from(
        at,
        actions.filter((line) => line.phase?.id === phase.id),
      );
      at += phaseCounts(phase) * count * scale;
    }
  }

  /** As captions: broken wherever so many words are full, and at pauses. */
  cues(): HeardCue[] {
    const cues: HeardCue[] = [];
    const plain = this.#habits.misheard > 0;
    let open: Word[] = [];
    let most = 8;
    const close = () => {
      const [first, last] = [open[0], open.at(-1)];
      if (first && last) {
        const text = open.map(({ text: each }) => each).join(' ');
        cues.push({ from: first.at, to: last.at + this.#secondsAWord, text: plain ? bare(text) : text });
      }
      open = [];
      most = 5 + this.#chance.below(8);
    };
    for (const word of this.#words) {
      const last = open.at(-1);
      if (last && (open.length >= most || word.at - last.at > PAUSE)) close();
      open.push(word);
    }
    close();
    return cues.filter(({ text }) => text !== '');
  }
}

/** Repetitions of a first side that the action is spoken on. */
const SPOKEN_REPS = 2;
/** Seconds of silence that end a caption. */
const PAUSE = 2;
/** As a recogniser writes: small letters, no marks. */
const bare = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}'’ -]/gu, '')
    .replace(/\s+/g, ' ')
    .trim();
