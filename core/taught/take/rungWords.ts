import type { Catalog, RungEntry } from '../../repertoire';
import { type HeardWord, heardWord, tokensOf } from './words';

/** Words of every rung, to find what was done that no plan names. */
export class RungWords {
  readonly #rungs: ReadonlyArray<readonly [RungEntry, ReadonlySet<string>]>;
  readonly #spread = new Map<string, number>();

  constructor({ rungs }: Catalog) {
    this.#rungs = rungs.map((entry) => {
      const { exercise, rung } = entry;
      const texts = [
        exercise.name,
        rung.name,
        ...(rung.cues ?? []).filter(({ kind }) => kind !== 'note').map(({ text }) => text),
      ];
      const stems = new Set(texts.flatMap(tokensOf).map((word) => heardWord(word, 0).stem));
      for (const stem of stems) this.#spread.set(stem, (this.#spread.get(stem) ?? 0) + 1);
      return [entry, stems] as const;
    });
  }

  /** How rare a word is among all rungs, as a logarithm; 0 for one that none has. */
  #rare(stem: string): number {
    const count = this.#spread.get(stem);
    return count === undefined ? 0 : Math.log(this.#rungs.length / count);
  }

  /** What some words most likely speak of. */
  nearest(words: readonly HeardWord[]): { readonly entry: RungEntry | null; readonly confidence: number } {
    const heard = new Set(words.map(({ stem }) => stem));
    const all = [...heard].reduce((sum, stem) => sum + this.#rare(stem), 0);
    let best = null as RungEntry | null;
    let [most, second] = [0, 0];
    for (const [entry, stems] of this.#rungs) {
      let own = 0;
      for (const stem of stems) if (heard.has(stem)) own += this.#rare(stem);
      const score = own / Math.sqrt(stems.size + LENGTH);
      if (score > most) {
        if (best?.exercise !== entry.exercise) second = most;
        best = entry;
        most = score;
      } else if (score > second && best?.exercise !== entry.exercise) second = score;
    }
    if (!best || all === 0) return { entry: null, confidence: 0 };
    return { entry: best, confidence: Math.min(1, (most - second) / most + most / (2 * Math.sqrt(all + 1))) };
  }
}

/** Rungs with few words are no likelier for it. */
const LENGTH = 12;
