import type { Progress } from '@warm-ladder/core/wire';

/** Tells how far work is. @param of how much there is in all; `null` where that is not known yet */
export type Tell = (stage: Progress['stage'], done: number, of: number | null) => void;

/** Names kept at once: whoever asks for more work than that at one time is told nothing of the oldest. */
const MOST = 100;

/** How far long work is that somebody waits for, by the name they gave it; kept while it lasts. */
export class ProgressBook {
  readonly #kept = new Map<string, Progress>();

  of(name: string): Progress | null {
    return this.#kept.get(name) ?? null;
  }

  /** Does work that may tell how far it is. */
  async during<T>(name: string | undefined, work: (tell: Tell) => Promise<T>): Promise<T> {
    if (name === undefined) return work(() => undefined);
    try {
      return await work((stage, done, of) => {
        this.#kept.delete(name);
        this.#kept.set(name, { stage, done, of });
        const [oldest] = this.#kept.keys();
        if (this.#kept.size > MOST && oldest !== undefined) this.#kept.delete(oldest);
      });
    } finally {
      this.#kept.delete(name);
    }
  }
}
