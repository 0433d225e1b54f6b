import { applied, EditClash, editSchema } from '@warm-ladder/core/edits';
import {
  bundleInOrder,
  COLLECTIONS,
  changeInOrder,
  type DocumentChange,
  METHOD_ID,
  parseFilesSteps,
} from '@warm-ladder/core/formats';
import { documentSchemas } from '@warm-ladder/core/schemas';
import { decodeTable, readTableRows } from '@warm-ladder/core/tables';
import { type ChangedPlace, changesSchema, type SentValue, writtenSchema } from '@warm-ladder/core/wire';
import { invalid, Refusal } from '../errors';
import { read } from '../routes/read';
import type { AskedChange } from '../studio/resolve';
import type { ReadChange, ReadDocument, ReadName, Tasks } from './tasks';

/** A task at work: it gives its items one by one, none while it reads on, and ends with what it says. */
export type Reading<K extends ReadName> = Generator<Tasks[K]['item'] | undefined, Tasks[K]['said'], undefined>;

const textIn = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

/** Reads a portable file, or several as one: its documents, each in its one order, or why it can't be read. */
function* bundleIn({ bytes }: Tasks['bundle']['given']): Reading<'bundle'> {
  const parsed = yield* parseFilesSteps(textIn(bytes));
  if (!parsed.ok) return parsed;
  const bundle = bundleInOrder(parsed.bundle);
  for (const kind of COLLECTIONS) {
    for (const document of bundle[kind] ?? []) yield [kind, JSON.stringify(document)];
  }
  return { ok: true, method: bundle.method ? JSON.stringify(bundle.method) : null, notes: parsed.notes };
}

/** A sent document read by the schema of its kind. @throws Refusal INVALID */
function readValue({ kind, id, version, value }: SentValue): AskedChange {
  if (value === null) return { kind, id, base: version };
  const parsed = read(documentSchemas[kind], value);
  const own = kind === 'method' ? METHOD_ID : (parsed as { readonly id: string }).id;
  if (own !== id) {
    throw invalid([{ path: ['id'], message: `The id “${own}” is not the “${id}” it was sent to.` }]);
  }
  return { ...changeInOrder({ kind, id, value: parsed } as DocumentChange), base: version };
}

/** Reads changes sent together: one that can't be read is refused by itself. */
function* changesIn({ bytes }: Tasks['changes']['given']): Reading<'changes'> {
  let changes: ReadonlyArray<ChangedPlace & { readonly edit?: unknown; readonly value?: unknown }>;
  try {
    ({ changes } = read(changesSchema, parsedJson(bytes)));
  } catch (error) {
    if (error instanceof Refusal) return { refusal: error.body };
    throw error;
  }
  for (const { edit, value, ...place } of changes) {
    yield edit === undefined ? documentRead({ ...place, value }) : editRead(place, edit, value);
  }
  return { refusal: null };
}

/** Reads a document sent to its own address. */
function* documentIn({ bytes, kind, id }: Tasks['document']['given']): Reading<'document'> {
  try {
    const { version, value } = read(writtenSchema, parsedJson(bytes));
    if (value === null) throw invalid([{ path: ['value'], message: 'The document is missing.' }]);
    const change = documentRead({ kind, id, version, value });
    if ('refusal' in change) return { refusal: Refusal.of(change.refusal).within(['value']).body };
    yield change;
    return { refusal: null };
  } catch (error) {
    if (error instanceof Refusal) return { refusal: error.body };
    throw error;
  }
}

/** Makes a document out of what it was, which comes as its JSON, and what was changed in it. */
function* editedIn({ bytes, kind, id, version, edit }: Tasks['edited']['given']): Reading<'edited'> {
  let value: object;
  try {
    value = applied(edit, parsedJson(bytes) as object);
  } catch (error) {
    if (error instanceof EditClash) return { fits: false };
    throw error;
  }
  yield documentRead({ kind, id, version, value });
  return { fits: true };
}

function documentRead(sent: SentValue): ReadDocument {
  const { kind, id, version } = sent;
  return orRefused(sent, () => {
    const { value } = readValue(sent);
    return { kind, id, version, text: value === undefined ? null : JSON.stringify(value) };
  });
}

function editRead({ kind, id, version }: ChangedPlace, edit: unknown, value: unknown): ReadChange {
  return orRefused<ReadChange>({ kind, id, version }, () => {
    if (value !== undefined) throw invalid([{ path: ['value'], message: 'Expected an edit or a value, found both.' }]);
    return { kind, id, version, edit: read(editSchema, edit) };
  });
}

function orRefused<T>({ kind, id, version }: ChangedPlace, work: () => T): T | ReadDocument {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { kind, id, version, refusal: error.body };
  }
}

function parsedJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(textIn(bytes));
  } catch {
    throw new Refusal('BAD_JSON', 'The body is not whole JSON; nothing was changed.');
  }
}

/** Reads a table into its rows, or says why it is none. */
function* tableIn({ bytes }: Tasks['table']['given']): Reading<'table'> {
  const table = readTableRows(decodeTable(bytes));
  if (!table.ok) return table;
  yield* table.rows;
  return { ok: true };
}

export const READS: { readonly [K in ReadName]: (given: Tasks[K]['given']) => Reading<K> } = {
  bundle: bundleIn,
  changes: changesIn,
  document: documentIn,
  edited: editedIn,
  table: tableIn,
};
