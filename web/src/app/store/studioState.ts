import type { Edit } from '@warm-ladder/core/edits';
import {
  DOCUMENT_KINDS,
  type DocumentKey,
  type DocumentKind,
  documentKey,
  emptyBundle,
} from '@warm-ladder/core/formats';
import type { ChangeAnswer, Kept, RefusalBody, Versions } from '@warm-ladder/core/wire';
import type { RecordKey } from '../saving/unsent';
import { documentOf, type Entities, entitiesOf, withValue } from './entities';

/** Which document. */
export interface Place {
  readonly kind: DocumentKind;
  readonly id: string;
}

/** One document as it became; `undefined` where it was removed. */
export interface ChangedDocument extends Place {
  readonly after: unknown;
}

/** What is done at once: most changes one document, an import many. */
export interface Change {
  readonly documents: readonly ChangedDocument[];
  /** What was done, in the director's words. */
  readonly label: string;
  /** Edits of one field by one hand are one step of undo. */
  readonly field: string;
}

/**
 * What a step did to one document: an edit of `{ document }`, so that making one and removing it are edits like any
 * other. It is taken back from the document as it is by then: what somebody else did elsewhere in it stays.
 */
export interface DocumentEdit extends Place {
  readonly edit: Edit;
}

/** One step of undo. */
export interface HistoryStep extends Pick<Change, 'label' | 'field'> {
  /** Grows from step to step, and tells two apart wherever they are kept. */
  readonly n: number;
  readonly documents: readonly DocumentEdit[];
  /** The page it was done on; not known of steps that were kept before pages were. */
  readonly at?: string | undefined;
}

/** A step that was gone back or forward: the documents it changed, and those changed since where it would have. */
export interface Gone extends Pick<HistoryStep, 'n' | 'label'> {
  readonly way: 'back' | 'forward';
  /** How many have been gone this way in a row. */
  readonly times: number;
  /** Ids of what was changed inside a document, where it can be pointed at. */
  readonly items: readonly string[];
  readonly changed: readonly Place[];
  readonly clashed: readonly Place[];
}

/** Another version of a document that was changed here: the server's, or what another tab could not send. */
export interface Conflict extends Place {
  /** What the server has; `null` where it was deleted there. */
  readonly current: Kept | null;
  /** What both were made from, where only some of it clashes: that alone is asked about. */
  readonly was?: Kept['value'];
  /** What another tab kept and never sent, and where it lies in this browser. */
  readonly unsent?: { readonly key: RecordKey; readonly value: unknown };
}

/** What the server has of a document that was changed here: at the version it was made from, `null` where it was not there. */
interface Unsaved {
  /** Left out where only the version is known: it was changed by an earlier page. */
  readonly was?: unknown;
}

/** Why the server does not take a document as it is here. */
type Refusal = Pick<RefusalBody, 'message'> & { readonly value: unknown };

export interface StudioState {
  readonly status: 'loading' | 'ready' | 'failed';
  /** Which studio this is; empty until it is here. */
  readonly id: string;
  /** The class whose page is all that is here yet; `null` once the whole studio is. */
  readonly only: string | null;
  readonly entities: Entities;
  readonly versions: Versions;
  /** The newest revision of the studio that is in it, and the one it was read at. */
  readonly revision: number;
  readonly readAt: number;
  /** At what revision documents were changed after that, as far as this page has heard. */
  readonly heard: Readonly<Record<DocumentKey, number>>;
  /** The last that was heard of documents while they are on their way from here, and at what revision. */
  readonly ahead: Readonly<
    Record<DocumentKey, { readonly at: number; readonly version: number; readonly value: unknown }>
  >;
  readonly past: readonly HistoryStep[];
  readonly future: readonly HistoryStep[];
  /** What the last undo or redo did, and where. */
  readonly gone: Gone | null;
  /** The path of the page that is shown. */
  readonly page: string;
  /** Documents changed here and not yet kept there. */
  readonly unsaved: Readonly<Record<DocumentKey, Unsaved>>;
  /** What was sent of a document without an answer: it may have arrived. */
  readonly unanswered: Readonly<Record<DocumentKey, { readonly value: unknown }>>;
  /** Documents the server does not take as they are; they are sent again with what is changed next. */
  readonly refused: Readonly<Record<DocumentKey, Refusal>>;
  /** What of documents is on its way to the server. */
  readonly sending: Readonly<Record<DocumentKey, { readonly value: unknown }>>;
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

/** The steps of undo of one tab, as they are kept from page to page. */
export type KeptHistory = Pick<StudioState, 'past' | 'future'>;
export const NO_HISTORY: KeptHistory = { past: [], future: [] };

export const noVersions = (): Versions =>
  Object.fromEntries(DOCUMENT_KINDS.map((kind): [DocumentKind, object] => [kind, {}])) as Versions;

export const initialState: StudioState = {
  status: 'loading',
  id: '',
  only: null,
  entities: entitiesOf(emptyBundle()),
  versions: noVersions(),
  revision: 0,
  readAt: 0,
  heard: {},
  ahead: {},
  past: [],
  future: [],
  gone: null,
  page: '',
  unsaved: {},
  unanswered: {},
  refused: {},
  sending: {},
  away: false,
  trouble: null,
  held: true,
  conflicts: [],
  aside: 0,
};

/** What became of one document that was sent. */
export interface SentAnswer extends Place {
  readonly sent: unknown;
  readonly answer: ChangeAnswer;
}

export const isDocument = (value: unknown): value is object => typeof value === 'object' && value !== null;

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

/** The state with documents put as they became, each waiting to be sent. */
export function withDocuments(state: StudioState, documents: readonly ChangedDocument[]): StudioState {
  let { entities, unsaved, refused } = state;
  for (const { kind, id, after } of documents) {
    const key = documentKey(kind, id);
    unsaved = { ...unsaved, [key]: unsaved[key] ?? { was: documentOf(entities, kind, id) ?? null } };
    // A house that had no method of its own has one that changes nothing: the method is never taken away.
    entities = withValue(entities, kind, id, kind === 'method' ? (after ?? {}) : after);
    refused = without(refused, key);
  }
  return { ...state, entities, unsaved, refused };
}
