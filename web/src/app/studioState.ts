import {
  type Bundle,
  DOCUMENT_KINDS,
  type DocumentKey,
  type DocumentKind,
  documentKey,
  emptyBundle,
} from '@warm-ladder/core/formats';
import type { ChangeAnswer, Kept, RefusalBody, Versions } from '@warm-ladder/core/wire';

/** One document as it was and as it became; `undefined` where it was not there. */
export interface ChangedDocument {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** One step of undo: most change one document, an import many. */
export interface Change {
  readonly documents: readonly ChangedDocument[];
  /** What was done, in the director's words. */
  readonly label: string;
  /** Edits of one field by one hand are one step of undo. */
  readonly field: string;
}

/** Another version of a document that was changed here: the server's, or what another tab could not send. */
export interface Conflict {
  readonly kind: DocumentKind;
  readonly id: string;
  /** What the server has; `null` where it was deleted there. */
  readonly current: Kept | null;
  /** What another tab kept and never sent, and where it lies in this browser. */
  readonly unsent?: { readonly key: string; readonly value: unknown };
}

/** Why the server does not take a document as it is here. */
type Refusal = Pick<RefusalBody, 'message'> & { readonly value: unknown };

export interface StudioState {
  readonly status: 'loading' | 'ready' | 'failed';
  /** Which studio this is; empty until it is here. */
  readonly id: string;
  readonly bundle: Bundle;
  readonly versions: Versions;
  /** The newest revision of the studio that is in it. */
  readonly revision: number;
  readonly past: readonly Change[];
  readonly future: readonly Change[];
  /** Documents changed here and not yet kept there. */
  readonly unsaved: Readonly<Record<DocumentKey, true>>;
  /** What was sent of a document without an answer: it may have arrived. */
  readonly unanswered: Readonly<Record<DocumentKey, { readonly value: unknown }>>;
  /** Documents the server does not take as they are; they are sent again with what is changed next. */
  readonly refused: Readonly<Record<DocumentKey, Refusal>>;
  readonly saving: boolean;
  /** The server can't be reached. */
  readonly away: boolean;
  /** The server is there and fails, in its words. */
  readonly trouble: string | null;
  /** Whether this browser keeps what is not yet sent. */
  readonly held: boolean;
  readonly conflicts: readonly Conflict[];
  /** Documents set aside on the server, and records in this browser that can't be read. */
  readonly aside: number;
}

/** Steps of undo kept; older ones are forgotten. */
export const STEPS = 200;

export const noVersions = (): Versions =>
  Object.fromEntries(DOCUMENT_KINDS.map((kind): [DocumentKind, object] => [kind, {}])) as Versions;

export const initialState: StudioState = {
  status: 'loading',
  id: '',
  bundle: emptyBundle(),
  versions: noVersions(),
  revision: 0,
  past: [],
  future: [],
  unsaved: {},
  unanswered: {},
  refused: {},
  saving: false,
  away: false,
  trouble: null,
  held: true,
  conflicts: [],
  aside: 0,
};

export function documentOf(bundle: Bundle, kind: DocumentKind, id: string): unknown {
  if (kind === 'method') return bundle.method;
  return bundle[kind]?.find((each) => each.id === id);
}

/** The bundle with one document put in its place, added at the end, or (`undefined`) taken out. */
export function withValue(bundle: Bundle, kind: DocumentKind, id: string, value: unknown): Bundle {
  if (kind === 'method') return { ...bundle, method: value as Bundle['method'] };
  const list = (bundle[kind] ?? []) as Array<{ id: string }>;
  const at = list.findIndex((each) => each.id === id);
  const next =
    value === undefined
      ? list.filter((each) => each.id !== id)
      : at < 0
        ? [...list, value as { id: string }]
        : list.with(at, value as { id: string });
  return { ...bundle, [kind]: next };
}

/** What became of one document that was sent. */
export interface SentAnswer {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly sent: unknown;
  readonly answer: ChangeAnswer;
}

export const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

export function without<K extends string, T>(record: Readonly<Record<K, T>>, key: K): Record<K, T> {
  const { [key]: _gone, ...rest } = record;
  return rest as Record<K, T>;
}

/** Version 0 stands for a document that is not there. */
export const withVersion = (versions: Versions, kind: DocumentKind, id: string, version: number): Versions => ({
  ...versions,
  [kind]: version === 0 ? without(versions[kind], id) : { ...versions[kind], [id]: version },
});

/** The steps without what they did to one document. */
export const forgetSteps = (steps: readonly Change[], kind: DocumentKind, id: string): Change[] =>
  steps.flatMap((step) => {
    const documents = step.documents.filter((each) => each.kind !== kind || each.id !== id);
    return documents.length > 0 ? [{ ...step, documents }] : [];
  });

export function applied(state: StudioState, { documents }: Change, which: 'before' | 'after'): StudioState {
  let { bundle, unsaved, refused } = state;
  for (const { kind, id, [which]: value } of documents) {
    const key = documentKey(kind, id);
    // A house that had no method of its own has one that changes nothing: the method is never taken away.
    bundle = withValue(bundle, kind, id, kind === 'method' ? (value ?? {}) : value);
    unsaved = { ...unsaved, [key]: true };
    refused = without(refused, key);
  }
  return { ...state, bundle, unsaved, refused };
}
