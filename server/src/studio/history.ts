import { applied, type Edit, EditClash, inverted } from '@warm-ladder/core/edits';
import { BUNDLE_VERSION, type DocumentKind, type DocumentOf } from '@warm-ladder/core/formats';
import { documentSchemas, migrateDocument } from '@warm-ladder/core/schemas';
import type { History, HistoryQuery } from '@warm-ladder/core/wire';
import type { Queries } from '../database/port';
import { Refusal } from '../errors';
import { documentRows } from './documentRows';

/** What has been changed in a studio, the newest first, as its rows of changes tell. */
export async function historyOf(db: Queries, { most, ...asked }: HistoryQuery): Promise<History> {
  const rows = await documentRows.history(db, asked, most + 1);
  const changes = rows.slice(0, most).map(({ version, kind, id, at, patch }) => ({
    version,
    kind: kind as DocumentKind,
    id,
    at: at.toISOString(),
    edit: patch as Edit,
  }));
  return { changes, more: rows.length > most };
}

/** A document as it was before a change of it; no value where it was not there. */
export interface Former {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly value: DocumentOf<DocumentKind> | null;
}

/**
 * A document as it was before a change: the edits from that one on taken back from it as it is.
 * @throws Refusal NOT_FOUND where no such change is kept, or what it was does not fit what a document is by now
 */
export async function beforeChange(db: Queries, version: number): Promise<Former> {
  const rows = await documentRows.from(db, version);
  const [last] = rows;
  if (!last || !(last.kind in documentSchemas)) {
    throw new Refusal('NOT_FOUND', `No change ${version} is kept any more; expected one of the history.`);
  }
  const kind = last.kind as DocumentKind;
  let value: object = last.body ?? NOTHING;
  try {
    for (const { patch } of rows) value = applied(inverted(patch as Edit), value);
  } catch (error) {
    if (!(error instanceof EditClash)) throw error;
    throw lost(last.id);
  }
  if (Object.keys(value).length === 0) return { kind, id: last.id, value: null };
  // What it was may have been written before this version of the format.
  const read = [value, migrateDocument(kind, value, BUNDLE_VERSION - 1).value]
    .map((each) => documentSchemas[kind].safeParse(each))
    .find(({ success }) => success);
  if (!read?.success) throw lost(last.id);
  return { kind, id: last.id, value: read.data };
}

const NOTHING = {};

const lost = (id: string): Refusal =>
  new Refusal('NOT_FOUND', `What “${id}” was can’t be made out any more: it was written by an older version.`);
