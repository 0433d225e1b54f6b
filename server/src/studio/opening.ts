import { randomInt } from 'node:crypto';
import {
  atOnce,
  BUNDLE_FORMAT,
  BUNDLE_VERSION,
  COLLECTIONS,
  changeInOrder,
  checkChanges,
  DOCUMENT_KINDS,
  type DocumentChange,
  type DocumentKey,
  type DocumentKind,
  type DocumentOf,
  Documents,
  documentKey,
  emptyBundle,
  inKeyOrder,
  METHOD_ID,
  pathText,
} from '@warm-ladder/core/formats';
import { documentSchemas, METHOD_UNTIL_V3, migrateDocument, schemaProblems } from '@warm-ladder/core/schemas';
import type { Database, Queries } from '../database/port';
import type { Copies } from './copies';
import {
  type DocumentName,
  documentRows,
  type Modernized,
  type Newer,
  type StoredDocument,
  type Tally,
} from './documentRows';
import { Snapshot } from './snapshot';
import { namesIn, referencesIn } from './writes';

/** Fewer documents, or older ones, are there than were kept: a part of the database was lost. */
export class StudioIncomplete extends Error {
  override readonly name = 'StudioIncomplete';
}

/**
 * Reads the studio out of the database, sets aside what no longer fits, and begins new revisions; nobody writes
 * meanwhile.
 * @param salvage take what is there, though some is known to be lost
 * @throws StudioIncomplete when documents are missing that were kept
 */
export function openSnapshot(db: Database, salvage: boolean): Promise<Snapshot> {
  return db.transaction(async (tx) => {
    await documentRows.lockWrites(tx);
    if (await isIncomplete(tx, salvage)) await documentRows.recount(tx);
    const rows = await documentRows.all(tx);
    const { documents, misfits } = sortOut(rows);
    if (misfits.length > 0) await documentRows.setAside(tx, misfits);
    if (!(await documentRows.isReferenced(tx))) await documentRows.refer(tx, allReferences(documents));
    return new Snapshot(documents, versionsOf(rows, documents), await beginEpoch(tx));
  });
}

/** The studio as it is now, at a revision that is known to be in it. */
export async function readSnapshot(db: Database, revision: number): Promise<Snapshot> {
  const rows = await documentRows.all(db);
  const newest = rows.reduce((most, { version }) => Math.max(most, version), revision);
  const { documents } = sortOut(rows);
  return new Snapshot(documents, versionsOf(rows, documents), newest);
}

/** The versions of the documents that fit. */
const versionsOf = (rows: readonly StoredDocument[], documents: Documents): Map<DocumentKey, number> =>
  new Map(
    rows
      .filter(isKnown)
      .filter(({ kind, id }) => documents.has(kind, id))
      .map(({ kind, id, version }) => [documentKey(kind, id), version]),
  );

const allReferences = (documents: Documents): Array<DocumentName & { names: DocumentName[] }> =>
  namesIn(documents).map(({ kind, id }) => {
    const value = documents.get(kind as DocumentKind, id);
    return { kind, id, names: value ? [...referencesIn(documents, kind as DocumentKind, value)] : [] };
  });

/**
 * A snapshot with what others have written since.
 * @returns `null` where documents have a new order, or one does not fit: then the studio is read anew
 */
export function caughtUp(
  snapshot: Snapshot,
  newer: readonly Newer[],
): { snapshot: Snapshot; changed: DocumentChange[] } | null {
  const changed: DocumentChange[] = [];
  const versions: number[] = [];
  for (const { kind, id, document } of newer) {
    if (!isKind(kind)) return null;
    const read = document && documentSchemas[kind].safeParse(document.body);
    if (read && !read.success) return null;
    const value = read ? inKeyOrder(kind, read.data as DocumentOf<typeof kind>) : undefined;
    changed.push({ kind, id, value } as DocumentChange);
    versions.push(document?.version ?? 0);
  }
  const revision = newer.at(-1)?.revision ?? snapshot.revision;
  return { snapshot: atOnce(snapshot.with(snapshot.documents.with(changed), changed, versions, revision)), changed };
}

/**
 * Whether documents that were kept are gone.
 * @throws StudioIncomplete unless it is to be taken as it is
 */
async function isIncomplete(db: Queries, salvage: boolean): Promise<boolean> {
  const { counted, found } = await documentRows.tallies(db);
  const lost = lossOf(counted, found);
  if (lost.length > 0 && !salvage) {
    throw new StudioIncomplete(
      `A part of the studio is lost: ${lost.join(', ')}. Nothing was changed. Take in a copy from the data folder’s ` +
        'kept/ or from a backup in another folder, or start with what is left: --salvage.',
    );
  }
  return lost.length > 0;
}

/**
 * Brings documents that were written in an older format up to this one, all of them or none, with a copy of the studio
 * as it was kept first. What can't be brought up is left as it is, and set aside when the studio is read.
 * @returns whether there were any
 * @throws StudioIncomplete when documents are missing that were kept
 */
export async function modernize(db: Database, copies: Copies, salvage: boolean): Promise<boolean> {
  if (await isIncomplete(db, salvage)) await documentRows.recount(db);
  const rows = (await documentRows.all(db)).filter(isKnown);
  const old = rows.filter(({ format }) => format < BUNDLE_VERSION);
  if (old.length === 0) return false;
  const of = (wanted: DocumentKind) => rows.flatMap(({ kind, body }) => (kind === wanted ? [body] : []));
  const others = { exercises: of('exercises'), teachers: of('teachers') };
  const moved: Modernized[] = [];
  const written = old.map(({ kind, id, body, format }) => {
    const step = migrateDocument(kind, body, format, others);
    moved.push(...step.moved.map((each) => ({ kind: each.kind, id: each.value.id, text: JSON.stringify(each.value) })));
    return { kind, id, text: JSON.stringify(step.value) };
  });
  // A studio that had no method of its own keeps what was the default until then.
  if (of('method').length === 0) {
    moved.push({ kind: 'method', id: METHOD_ID, text: JSON.stringify(METHOD_UNTIL_V3) });
  }
  await copies.keep(asItWas(rows), 'start');
  await db.transaction(async (tx) => {
    await documentRows.modernize(tx, written);
    if (moved.length > 0) await documentRows.movedOut(tx, moved);
  });
  return true;
}

/** The studio as a file of the oldest format that a document in it has. */
function asItWas(rows: ReadonlyArray<StoredDocument & { readonly kind: DocumentKind }>): string {
  const version = Math.min(...rows.map(({ format }) => format));
  const of = (kind: DocumentKind) => rows.flatMap((row) => (row.kind === kind ? [row.body] : []));
  const lists = COLLECTIONS.flatMap((each) => (of(each).length > 0 ? [[each, of(each)] as const] : []));
  const [method] = of('method');
  return JSON.stringify({
    format: BUNDLE_FORMAT,
    version,
    ...(method ? { method } : {}),
    ...Object.fromEntries(lists),
  });
}

/**
 * Begins the versions of this start where no other start has any: at the second it is, moved by chance. A copy of the
 * folder that is opened later, or twice, never gives out a version again that a browser still holds from before.
 * Below 2^53 until the year 2242.
 */
const beginEpoch = (db: Queries): Promise<number> =>
  documentRows.beginRevisions(db, Math.floor(Date.now() / 1000) * 2 ** 20 + randomInt(2 ** 19), randomInt(2 ** 19));

function lossOf(counted: readonly Tally[], found: readonly Tally[]): string[] {
  const kinds = new Set([...counted, ...found].map(({ kind }) => kind));
  return [...kinds].flatMap((kind) => {
    const was = counted.find((each) => each.kind === kind);
    const is = found.find((each) => each.kind === kind);
    const [expected, there] = [Number(was?.documents ?? 0), Number(is?.documents ?? 0)];
    if (expected !== there) return [`${there} of ${expected} ${kind} are there`];
    return BigInt(was?.versions ?? 0) === BigInt(is?.versions ?? 0)
      ? []
      : [`some ${kind} are older than what was kept`];
  });
}

const isKind = (kind: string): kind is DocumentKind => (DOCUMENT_KINDS as readonly string[]).includes(kind);
const isKnown = <R extends StoredDocument>(row: R): row is R & { kind: DocumentKind } => isKind(row.kind);

type Misfit = DocumentName & { readonly reason: string };

/** The documents that fit their schema and one another, and those that do not, with the reason. */
function sortOut(rows: readonly StoredDocument[]): { documents: Documents; misfits: Misfit[] } {
  const misfits: Misfit[] = [];
  const fitting: DocumentChange[] = [];
  for (const row of rows) {
    const read = isKnown(row) ? documentSchemas[row.kind].safeParse(row.body) : null;
    if (read?.success) fitting.push(changeInOrder({ kind: row.kind, id: row.id, value: read.data } as DocumentChange));
    else {
      const [problem] = read ? schemaProblems(read.error, row.body) : [];
      const reason = problem
        ? `${pathText(problem.path)}: ${problem.message}`
        : `“${row.kind}” is no kind of document.`;
      misfits.push({ kind: row.kind, id: row.id, reason });
    }
  }
  let documents = Documents.of(emptyBundle()).with(fitting);
  // One that goes may be named by others, which then no longer fit either.
  const keys = fitting.map(({ kind, id }) => documentKey(kind, id));
  for (;;) {
    const problems = checkChanges(documents, keys);
    if (problems.length === 0) break;
    const faults = new Map(problems.map((problem) => [documentKey(problem.kind, problem.id), problem]));
    for (const { kind, id, path, message } of faults.values()) {
      misfits.push({ kind, id, reason: `${pathText(path)}: ${message}` });
    }
    documents = documents.with([...faults.values()].map(({ kind, id }) => ({ kind, id })));
  }
  return { documents, misfits };
}
