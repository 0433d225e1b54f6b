import type { Edit } from '@warm-ladder/core/edits';
import type { Bundle, CollectionName, Problem } from '@warm-ladder/core/formats';
import type { TableRow } from '@warm-ladder/core/tables';
import type { ChangedPlace, Form, RefusalBody } from '@warm-ladder/core/wire';
import type { Wanted } from '../handouts/handOut';
import type { Paper } from '../handouts/paper/sheet';
import type { SentError } from './messages';

type Refused = { readonly ok: false; readonly problems: readonly Problem[] };

/** A document as it was read: as text and in order, nothing where it is removed, or why it can't be. */
export type ReadDocument = ChangedPlace & ({ readonly text: string | null } | { readonly refusal: RefusalBody });
/** A change as it was read: a document, or what is to be changed in one. */
export type ReadChange = ReadDocument | (ChangedPlace & { readonly edit: Edit });

/** What was sent to the server, as it came. */
interface Sent {
  readonly bytes: Uint8Array;
}

/** A part of a studio, and which series in it, on which day. */
interface OfSeries {
  readonly bundle: Bundle;
  readonly id: string;
  readonly today?: string | undefined;
}

/**
 * What a thread does for the server: what it is given, what it sends on the way, many at a time, and what it says at the
 * end. Files come as bytes, and documents go back as the JSON they are kept as.
 */
export interface Tasks {
  bundle: {
    readonly given: Sent;
    readonly item: readonly [kind: CollectionName, document: string];
    readonly said: Refused | { readonly ok: true; readonly method: string | null; readonly notes: readonly Problem[] };
  };
  changes: {
    readonly given: Sent;
    readonly item: ReadChange;
    readonly said: { readonly refusal: RefusalBody | null };
  };
  document: {
    readonly given: Sent & Pick<ChangedPlace, 'kind' | 'id'>;
    readonly item: ReadDocument;
    readonly said: { readonly refusal: RefusalBody | null };
  };
  /** A document with what was changed in it; nothing where that does not fit it. */
  edited: {
    readonly given: Sent & ChangedPlace & { readonly edit: Edit };
    readonly item: ReadDocument;
    readonly said: { readonly fits: boolean };
  };
  table: { readonly given: Sent; readonly item: TableRow; readonly said: Refused | { readonly ok: true } };
  handout: {
    readonly given: OfSeries & {
      readonly teacher?: string | undefined;
      readonly form: Form;
      readonly wanted: Wanted;
    };
    readonly item: never;
    readonly said: string | Uint8Array | null;
  };
  sheets: {
    readonly given: OfSeries & { readonly paper: Paper };
    readonly item: never;
    readonly said: Uint8Array | null;
  };
  calendar: { readonly given: OfSeries; readonly item: never; readonly said: string | null };
  termSheet: {
    readonly given: Omit<OfSeries, 'id'> & {
      readonly from?: string | undefined;
      readonly to?: string | undefined;
      readonly paper: Paper;
    };
    readonly item: never;
    readonly said: Uint8Array;
  };
  termCalendar: { readonly given: Omit<OfSeries, 'id'>; readonly item: never; readonly said: string };
  package: { readonly given: OfSeries; readonly item: never; readonly said: Uint8Array | null };
}
export type TaskName = keyof Tasks;
/** What reads what was sent, and what makes what is asked for. */
export type ReadName = 'bundle' | 'changes' | 'document' | 'edited' | 'table';
export type MakeName = Exclude<TaskName, ReadName>;

/** To the thread: a task, or the word that what it sent was taken. */
export type ToThread =
  | { readonly [K in TaskName]: { readonly task: K; readonly given: Tasks[K]['given'] } }[TaskName]
  | { readonly taken: true };

/** From the thread: some items, then what it says, or what went wrong. */
export type FromThread =
  | { readonly items: readonly unknown[] }
  | { readonly said: unknown }
  | { readonly error: SentError };
