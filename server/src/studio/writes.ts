import { diff } from '@warm-ladder/core/edits';
import {
  type DocumentChange,
  type DocumentKind,
  type Documents,
  documentKey,
  referencesOf,
  type Steps,
  splitDocumentKey,
} from '@warm-ladder/core/formats';
import { documentSchemas } from '@warm-ladder/core/schemas';
import type { DocumentName, Write } from './documentRows';
import { type Snapshot, textOf } from './snapshot';

const NOTHING = {};

/**
 * Changes as they are written: each with the version it was made from, the edit it is, and what its document names of
 * what the studio holds; a document a step.
 * @param after the studio with them in it
 */
export function* writesOf(before: Snapshot, changes: readonly DocumentChange[], after: Documents): Steps<Write[]> {
  const writes: Write[] = [];
  for (const { kind, id, value } of changes) {
    const edit = diff(before.documents.get(kind, id) ?? NOTHING, value ?? NOTHING);
    writes.push({
      kind,
      id,
      base: before.version(kind, id),
      text: value === undefined ? null : textOf(value),
      edit,
      patch: JSON.stringify(edit),
      names: value === undefined ? [] : [...referencesIn(after, kind, value)],
    });
    yield;
  }
  return writes;
}

/** What a document names of what the studio holds; base positions are no documents. */
export function* referencesIn(
  documents: Documents,
  kind: DocumentKind,
  value: NonNullable<DocumentChange['value']>,
): Iterable<DocumentName> {
  for (const key of referencesOf(kind, value)) {
    const [toKind, toId] = splitDocumentKey(key);
    if (documents.has(toKind, toId) && key !== documentKey(kind, idOf(value))) yield { kind: toKind, id: toId };
  }
}

const idOf = (value: NonNullable<DocumentChange['value']>): string => ('id' in value ? value.id : '');

/** Every document of a studio by its name, kind by kind, in its order. */
export const namesIn = (documents: Documents): DocumentName[] =>
  (Object.keys(documentSchemas) as DocumentKind[]).flatMap((kind) =>
    [...documents.shelf(kind).keys()].map((id) => ({ kind, id })),
  );
