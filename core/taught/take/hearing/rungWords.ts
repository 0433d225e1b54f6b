import type { Catalog, RungEntry } from '../../../repertoire';
import { type HeardWord, heardWord, numberOf, tokensOf } from './words';

/** Words of every rung, numbers aside, to find what was done that no plan names. */
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
      const stems = new Set(
        texts
          .flatMap(tokensOf)
          .filter((word) => numberOf(word) === null)
          .map((word) => heardWord(word, 0).stem),
      );
      for (const stem of stems) this.#spread.set(stem, (this.#spread.get(stem) ?? 0) + 1);
      return [entry, stems] as const;
    });
  }

  get entries(): readonly RungEntry[] {
    return this.#rungs.map(([entry]) => entry);
  }

  /** Whether a rung, by its place among the entries, has a word. */
  has(place: number, stem: string): boolean {
    return this.#rungs[place]?.[1].has(stem) ?? false;
  }

  /** How rare a word is among all rungs, as a logarithm; 0 for one that none has. */
  rare(stem: string): number {
    const count = this.#spread.get(stem);
    return count === undefined ? 0 : Math.log(this.#rungs.length / count);
  }

  /** What some words most likely speak of. */
  nearest(words: readonly HeardWord[]): { readonly entry: RungEntry | null; readonly confidence: number } {
    const heard = new Set(words.map(({ stem }) => stem));
    const all = [...heard].reduce((sum, stem) => sum + this.rare(stem), 0);
    let best = null as RungEntry | null;
    let [most, second] = [0, 0];
    for (const [entry, stems] of this.#rungs) {
      let own = 0;
      for (const stem of stems) if (heard.has(stem)) own += this.rare(stem);
      const score = own / Math.sqrt(stems.size + LENGTH);
      if (score > most) {
        if (best?.exercise !== entry.exercise) second = most;
        best = entry;
        most = score;
      } else if (score > second && best?.exercise !== entry.exercise) second = score;
    }
    if (!best || all === 0) return { entry: null, confidence: 0 };
    const sure = Math.min(1, (most - second) / most + most / (2 * Math.sqrt(all + 1)));
    // A few words of a rung among much that is none of its are chance.
    const stems = this.#rungs.find(([entry]) => entry === best)?.[1];
    const rarest = Math.log(this.#rungs.length);
    const weight = (stem: string) => (this.#spread.has(stem) ? this.rare(stem) : rarest);
    let [own, whole] = [0, 0];
    for (const stem of heard) {
      whole += weight(stem);
      if (stems?.has(stem)) own += weight(stem);
    }
    return { entry: best, confidence: sure * Math.min(1, own / (MOSTLY * whole)) };
  }
}

/** The share of words that are a rung's, from which it is not chance. */
const MOSTLY = 0.25;

/** Rungs with few words are no likelier for it. */
const LENGTH = 12;
