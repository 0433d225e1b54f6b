import { BUNDLE_VERSION, type DocumentKind } from '@warm-ladder/core/formats';
import type { SetAsideDocument } from '@warm-ladder/core/wire';
import type { Queries } from '../database/engine';

/** A document as it lies in the database: its body is whatever was written, and yet to be read by its schema. */
export interface StoredDocument {
  readonly kind: string;
  readonly id: string;
  readonly version: number;
  /** The version of the portable format it was written in. */
  readonly format: number;
  readonly body: unknown;
}

/** A document to write, as JSON text. */
export interface WrittenDocument {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly text: string;
}

export interface DocumentName {
  readonly kind: string;
  readonly id: string;
}

/** A count of the documents of one kind and the sum of their versions, as text: it passes what a number holds exactly. */
export interface Tally {
  readonly kind: string;
  readonly documents: number;
  readonly versions: string;
}

const named = (list: readonly DocumentName[]) => [list.map(({ kind }) => kind), list.map(({ id }) => id)];

/** Every query on the documents, by name. */
export const documentRows = {
  async all(db: Queries): Promise<StoredDocument[]> {
    const { rows } = await db.query<StoredDocument>(
      'select kind, id, version, format, body from document order by kind, place',
    );
    return rows.map((row) => ({ ...row, version: Number(row.version) }));
  },

  /** Puts documents in their place, new ones at the end in the order given. @returns their versions, in that order */
  async write(db: Queries, documents: readonly WrittenDocument[]): Promise<number[]> {
    const [kinds, ids] = named(documents);
    const { rows } = await db.query<DocumentName & { version: number }>(
      `insert into document (kind, id, place, body, format)
       select kind, id, nextval('revision'), body::json, $4
       from unnest($1::text[], $2::text[], $3::text[]) with ordinality as d (kind, id, body, nth) order by nth
       on conflict (kind, id) do update
         set body = excluded.body, format = excluded.format, version = nextval('revision'), saved_at = now()
       returning kind, id, version`,
      [kinds, ids, documents.map(({ text }) => text), BUNDLE_VERSION],
    );
    const versions = new Map(rows.map(({ kind, id, version }) => [`${kind}/${id}`, Number(version)]));
    return documents.map(({ kind, id }) => {
      const version = versions.get(`${kind}/${id}`);
      if (version === undefined) throw new Error(`the document ${kind}/${id} was not written`);
      return version;
    });
  },

  /**
   * Puts documents of an older format in this one's place. What they say is the same, so their versions stay: a browser
   * that holds unsent work made from them is not told that somebody else has changed them.
   */
  async modernize(db: Queries, documents: readonly WrittenDocument[]): Promise<void> {
    await db.query(
      `update document d set body = n.body::json, format = $4
       from unnest($1::text[], $2::text[], $3::text[]) as n (kind, id, body)
       where d.kind = n.kind and d.id = n.id`,
      [...named(documents), documents.map(({ text }) => text), BUNDLE_VERSION],
    );
  },

  /** Takes documents out. @returns the revision this is */
  async remove(db: Queries, documents: readonly DocumentName[]): Promise<number> {
    await db.query(
      `delete from document d using unnest($1::text[], $2::text[]) as gone (kind, id)
       where d.kind = gone.kind and d.id = gone.id`,
      named(documents),
    );
    return documentRows.nextRevision(db);
  },

  /** Gives the documents named their order, after a number of others. */
  async order(db: Queries, after: number, documents: readonly DocumentName[]): Promise<void> {
    await db.query(
      `update document d set place = $3 + o.nth
       from unnest($1::text[], $2::text[]) with ordinality as o (kind, id, nth)
       where d.kind = o.kind and d.id = o.id and d.place <> $3 + o.nth`,
      [...named(documents), after],
    );
  },

  async nextRevision(db: Queries): Promise<number> {
    const { rows } = await db.query<{ revision: number }>(`select nextval('revision') as revision`);
    return Number(rows[0]?.revision);
  },

  /** Lets revisions go on from a number, or from the next one where that is higher. @returns the revision begun with */
  async beginRevisions(db: Queries, from: number, jump: number): Promise<number> {
    const { rows } = await db.query<{ revision: number }>(
      `select setval('revision', greatest(nextval('revision') + $2::bigint, $1::bigint)) as revision`,
      [from, jump],
    );
    return Number(rows[0]?.revision);
  },

  async studioId(db: Queries): Promise<string> {
    const { rows } = await db.query<{ id: string }>('select id from studio');
    return rows[0]?.id ?? '';
  },

  /** What was counted as it was written, and what is there. */
  async tallies(db: Queries): Promise<{ counted: Tally[]; found: Tally[] }> {
    const counted = await db.query<Tally>('select kind, documents, versions::text as versions from tally');
    const found = await db.query<Tally>(
      'select kind, count(*) as documents, sum(version)::text as versions from document group by kind',
    );
    return { counted: counted.rows, found: found.rows };
  },

  /** Takes what is there for all there is. */
  async recount(db: Queries): Promise<void> {
    await db.query('delete from tally');
    await db.query('insert into tally select kind, count(*), sum(version) from document group by kind');
  },

  async setAside(db: Queries, documents: ReadonlyArray<DocumentName & { readonly reason: string }>): Promise<void> {
    await db.query(
      `insert into set_aside (kind, id, body, format, reason)
       select d.kind, d.id, d.body, d.format, a.reason
       from document d join unnest($1::text[], $2::text[], $3::text[]) as a (kind, id, reason) using (kind, id)`,
      [...named(documents), documents.map(({ reason }) => reason)],
    );
    await documentRows.remove(db, documents);
  },

  async listSetAside(db: Queries): Promise<SetAsideDocument[]> {
    const { rows } = await db.query<SetAsideDocument>(
      'select kind, id, body, format, reason, set_aside_at::text as at from set_aside order by set_aside_at, kind, id',
    );
    return rows;
  },

  async dropSetAside(db: Queries, { kind, id, at }: DocumentName & { readonly at: string }): Promise<void> {
    await db.query('delete from set_aside where kind = $1 and id = $2 and set_aside_at = $3::timestamptz', [
      kind,
      id,
      at,
    ]);
  },
};
