import { diff, type Edit } from '@warm-ladder/core/edits';
import type { DocumentKind } from '@warm-ladder/core/formats';
import type { FedDocument, FeedEvent } from '@warm-ladder/core/wire';
import type { Snapshot } from './snapshot';

/** A document that has changed, with the edit it was changed by where that is at hand. */
export interface Changed {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly edit?: Edit;
}

/**
 * Documents as they are told of: what was changed in each since an earlier snapshot, or all of it where it was not there.
 * @param before `null` for whoever knows none
 */
export const told = (documents: readonly Changed[], now: Snapshot, before: Snapshot | null): FedDocument[] =>
  documents.map(({ kind, id, edit }) => {
    const [kept, was] = [now.kept(kind, id), before?.kept(kind, id)];
    return kept && was
      ? { kind, id, version: kept.version, base: was.version, edit: edit ?? diff(was.value, kept.value) }
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
