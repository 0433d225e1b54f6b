import type { DocumentKey } from '@warm-ladder/core/formats';
import { turn } from './unhurried';

/**
 * Lets everybody who writes the same documents have their turn. Whoever has just written knows the newest version first
 * and would always be the next to write; so the answer of what is kept waits until those behind it have theirs.
 */
export class Line {
  /** When the last write of each document that is asked for will be decided. */
  readonly #last = new Map<DocumentKey, Promise<void>>();

  /** @param kept whether a decision keeps anything: what is refused is answered at once, so that it can be tried again */
  async serve<T>(keys: readonly DocumentKey[], decide: () => Promise<T>, kept: (decision: T) => boolean): Promise<T> {
    const deciding = decide();
    const decided = deciding.then(
      () => undefined,
      () => undefined,
    );
    for (const key of keys) this.#last.set(key, decided);
    try {
      const decision = await deciding;
      if (kept(decision)) await this.#behind(keys, decided);
      return decision;
    } finally {
      for (const key of keys) if (this.#last.get(key) === decided) this.#last.delete(key);
    }
  }

  /** Waits for those who have come until now; who comes later waits for nobody here. */
  async #behind(keys: readonly DocumentKey[], own: Promise<void>): Promise<void> {
    const others = new Set(keys.map((key) => this.#last.get(key)));
    others.delete(own);
    others.delete(undefined);
    if (others.size === 0) return;
    await Promise.all(others);
    await turn();
  }
}
