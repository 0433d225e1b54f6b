import type { FeedEvent } from '@warm-ladder/core/wire';

/** Tells whoever listens of what was kept, in its order. */
export class Feed {
  readonly #listeners = new Set<(event: FeedEvent) => void>();

  /** @returns what ends it */
  listen(tell: (event: FeedEvent) => void): () => void {
    this.#listeners.add(tell);
    return () => this.#listeners.delete(tell);
  }

  tell(event: FeedEvent): void {
    for (const listener of this.#listeners) listener(event);
  }
}
