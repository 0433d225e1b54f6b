import { diff } from '@warm-ladder/core/edits';
import type { DocumentKind } from '@warm-ladder/core/formats';
import type { FedDocument, FeedEvent } from '@warm-ladder/core/wire';
import type { Snapshot } from './snapshot';

/**
 * Documents as they are told of: what was changed in each since an earlier snapshot, or all of it where it was not there.
 * @param before `null` for whoever knows none
 */
export const told = (
  documents: ReadonlyArray<{ readonly kind: DocumentKind; readonly id: string }>,
  now: Snapshot,
  before: Snapshot | null,
): FedDocument[] =>
  documents.map(({ kind, id }) => {
    const [kept, was] = [now.kept(kind, id), before?.kept(kind, id)];
    return kept && was
      ? { kind, id, version: kept.version, base: was.version, edit: diff(was.value, kept.value) }
      : { kind, id, version: kept?.version ?? 0, value: kept?.value ?? null };
  });

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
