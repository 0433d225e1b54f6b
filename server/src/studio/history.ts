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
  const value = formerOf(kind, rows);
  if (value === undefined) {
    throw new Refusal(
      'NOT_FOUND',
      `What “${last.id}” was can’t be made out any more: it was written by an older version.`,
    );
  }
  return { kind, id: last.id, value };
}

/**
 * A document as a change left it.
 * @param version of that change
 * @returns `null` where it removed it; `undefined` where no such change is kept, or what it left can't be made out
 */
export async function afterChange(
  db: Queries,
  { kind, id }: { readonly kind: DocumentKind; readonly id: string },
  version: number,
): Promise<DocumentOf<DocumentKind> | null | undefined> {
  const rows = await documentRows.from(db, version);
  const own = rows.at(-1);
  if (own?.version !== version || own.kind !== kind || own.id !== id) return undefined;
  // While a change is kept, all later ones of its document are: they are forgotten from the oldest on.
  return formerOf(kind, rows.slice(0, -1), own.document);
}

const NOTHING = {};

/** A document with changes taken back from it, the newest first; `undefined` where they don't fit it, or it no schema. */
function formerOf(
  kind: DocumentKind,
  rows: Awaited<ReturnType<typeof documentRows.from>>,
  body = rows[0]?.document ?? null,
): DocumentOf<DocumentKind> | null | undefined {
  let value: object = body ?? NOTHING;
  try {
    for (const { edit } of rows) value = applied(inverted(edit), value);
  } catch (error) {
    if (error instanceof EditClash) return undefined;
    throw error;
  }
  if (Object.keys(value).length === 0) return null;
  // What it was may have been written before this version of the format.
  const read = [value, migrateDocument(kind, value, BUNDLE_VERSION - 1).value]
    .map((each) => documentSchemas[kind].safeParse(each))
    .find(({ success }) => success);
  return read?.data;
}
