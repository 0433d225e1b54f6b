import type { Edit } from '@warm-ladder/core/edits';
import { BUNDLE_VERSION, type DocumentKind } from '@warm-ladder/core/formats';
import type { SetAsideDocument } from '@warm-ladder/core/wire';
import { LOCK_SPACE, LOCKS, type Queries } from '../database/port';

/** A document as it lies in the database: its body is whatever was written, and yet to be read by its schema. */
export interface StoredDocument {
  readonly kind: string;
  readonly id: string;
  readonly version: number;
  /** The version of the portable format it was written in. */
  readonly format: number;
  readonly body: unknown;
}

/** A document of an older format in this one's. */
export interface Modernized {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly text: string;
}

/** A document to write or, without a text, to remove. */
export interface Write {
  readonly kind: DocumentKind;
  readonly id: string;
  /** The version it was made from; 0 for a new one. */
  readonly base: number;
  /** As JSON; `null` to remove it. */
  readonly text: string | null;
  /** The edit it is, and the same as JSON. */
  readonly edit: Edit;
  readonly patch: string;
  /** What it names. */
  readonly names: readonly DocumentName[];
}

/** What a document has become since a revision. */
export interface Newer {
  readonly kind: string;
  readonly id: string;
  /** The revision of its last change. */
  readonly revision: number;
  /** `null` where it is not there any more. */
  readonly document: StoredDocument | null;
}

/** A change that was kept, with the edit it is. */
interface ChangeRow extends DocumentName {
  readonly version: number;
  readonly at: Date;
  readonly patch: unknown;
}

/** A change with the edit it is, and its document as it is by now; `null` where that is gone. */
interface LaterChange extends DocumentName {
  readonly version: number;
  readonly edit: Edit;
  readonly document: object | null;
}

/** The kind of a row that tells of a new order of documents, and of nothing else. */
const REORDERED = '*';

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

/** Documents as the columns they are written by. */
const columnsOf = (documents: readonly Write[]): unknown[] => [
  ...named(documents),
  documents.map(({ base }) => base),
  documents.map(({ text }) => text),
  documents.map(({ patch }) => patch),
  documents.map(({ names }) => names.map(({ kind, id }) => `${kind}/${id}`).join(' ')),
];

const versionsIn = (rows: ReadonlyArray<{ readonly version: number }>, count: number): number[] | null =>
  rows.length < count ? null : rows.map(({ version }) => Number(version));

/** Every query on the documents, by name. */
export const documentRows = {
  async all(db: Queries): Promise<StoredDocument[]> {
    const { rows } = await db.query<StoredDocument>(
      'select kind, id, version, format, body from document order by kind, place',
    );
    return rows.map((row) => ({ ...row, version: Number(row.version) }));
  },

  /**
   * Writes few documents in one statement, each with the version it was made from, unless somebody has written since a
   * revision.
   * @param known the newest revision that was looked at @param write names this write
   * @returns their versions, in that order; `null` where somebody has written since
   */
  async write(db: Queries, known: number, write: string, documents: readonly Write[]): Promise<number[] | null> {
    const { rows } = await db.query<{ version: number }>(
      `select version from write_documents(
         $1::bigint, $2::uuid, $3::smallint, $4::text[], $5::text[], $6::bigint[], $7::text[], $8::text[], $9::text[])
       order by nth`,
      [known, write, BUNDLE_VERSION, ...columnsOf(documents)],
    );
    return versionsIn(rows, documents.length);
  },

  /** Brings some documents to those of a write that is decided later. @param after how many were brought before */
  async stage(db: Queries, write: string, after: number, documents: readonly Write[]): Promise<void> {
    await db.query(
      `select stage_documents($1::uuid, $2::int, $3::text[], $4::text[], $5::bigint[], $6::text[], $7::text[], $8::text[])`,
      [write, after, ...columnsOf(documents)],
    );
  },

  /** Keeps what was brought, as `write` does. @param count how many documents were */
  async keepStaged(db: Queries, known: number, write: string, count: number): Promise<number[] | null> {
    const { rows } = await db.query<{ version: number }>(
      'select version from keep_staged($1::bigint, $2::uuid, $3::smallint) order by nth',
      [known, write, BUNDLE_VERSION],
    );
    return versionsIn(rows, count);
  },

  /** Lets go of what was brought and never decided: by a process that ended meanwhile, or of a write that was refused. */
  async dropStaged(db: Queries, write: string | null): Promise<void> {
    await db.query(`delete from staged where write = $1::uuid or ($1 is null and at < now() - interval '1 day')`, [
      write,
    ]);
  },

  /** What a write has kept, by document; empty where it was not. */
  async writtenBy(db: Queries, write: string): Promise<Array<DocumentName & { version: number }>> {
    const { rows } = await db.query<DocumentName & { version: number }>(
      'select kind, id, version from change where write = $1 order by version',
      [write],
    );
    return rows.map((row) => ({ ...row, version: Number(row.version) }));
  },

  /** The newest revision of any document; 0 before the first change. */
  async newest(db: Queries): Promise<number> {
    const { rows } = await db.query<{ newest: number }>('select coalesce(max(version), 0) as newest from change');
    return Number(rows[0]?.newest);
  },

  /** What has been written after a revision, each document once, in the order of their last changes. */
  async since(db: Queries, revision: number): Promise<Newer[]> {
    const { rows } = await db.query<StoredDocument & { revision: number }>(
      `select c.kind, c.id, c.revision, d.version, d.format, d.body
       from (select kind, id, max(version) as revision from change where version > $1 group by kind, id) c
       left join document d using (kind, id) order by c.revision`,
      [revision],
    );
    return rows.map(({ kind, id, revision: last, version, format, body }) => ({
      kind,
      id,
      revision: Number(last),
      document: version === null ? null : { kind, id, version: Number(version), format, body },
    }));
  },

  /** Changes before a version, of one kind or one document where they are named, the newest first. */
  async history(
    db: Queries,
    { before, kind, id }: { readonly before?: number; readonly kind?: string; readonly id?: string },
    most: number,
  ): Promise<ChangeRow[]> {
    const { rows } = await db.query<ChangeRow>(
      `select version, kind, id, at, patch from change
       where kind <> $1 and ($2::bigint is null or version < $2) and ($3::text is null or kind = $3)
         and ($4::text is null or id = $4)
       order by version desc limit $5`,
      [REORDERED, before ?? null, kind ?? null, id ?? null, most],
    );
    return rows.map((row) => ({ ...row, version: Number(row.version), at: new Date(row.at) }));
  },

  /** A change and all later ones of its document, the newest first, each beside the document as it is. */
  async from(db: Queries, version: number): Promise<LaterChange[]> {
    // As text, to be read here: what a driver makes of JSON need not be made of the same objects as everything else.
    const { rows } = await db.query<DocumentName & { version: number; patch: string; body: string | null }>(
      `select c.version, c.kind, c.id, c.patch::text as patch, d.body::text as body
       from change o join change c using (kind, id) left join document d using (kind, id)
       where o.version = $1 and c.version >= $1 order by c.version desc`,
      [version],
    );
    return rows.map(({ kind, id, version: own, patch, body }) => ({
      kind,
      id,
      version: Number(own),
      edit: JSON.parse(patch) as Edit,
      document: body === null ? null : (JSON.parse(body) as object),
    }));
  },

  /**
   * Lets changes go that a later one of the same document stands over, but the newest of all. The last of each document
   * stays, so that whoever was away for however long still learns what has become of it.
   */
  async forgetSuperseded(db: Queries, newest: number): Promise<void> {
    await db.query(
      `delete from change c
       where c.version < (select version from change order by version desc offset $1 limit 1)
         and exists (select from change n where n.kind = c.kind and n.id = c.id and n.version > c.version)`,
      [newest],
    );
  },

  /** Keeps whoever else would write waiting until the transaction ends. */
  async lockWrites(tx: Queries): Promise<void> {
    await tx.query('select pg_advisory_xact_lock($1, $2)', [LOCK_SPACE, LOCKS.write]);
  },

  /**
   * Puts documents of an older format in this one's place. What they say is the same, so their versions stay: a browser
   * that holds unsent work made from them is not told that somebody else has changed them.
   */
  async modernize(db: Queries, documents: readonly Modernized[]): Promise<void> {
    await db.query(
      `update document d set body = n.body::jsonb, format = $4
       from unnest($1::text[], $2::text[], $3::text[]) as n (kind, id, body)
       where d.kind = n.kind and d.id = n.id`,
      [...named(documents), documents.map(({ text }) => text), BUNDLE_VERSION],
    );
  },

  /** Adds documents that stood inside others until now, in the order given; one that is there already stays. */
  async movedOut(db: Queries, documents: readonly Modernized[]): Promise<void> {
    await db.query(
      `insert into document (kind, id, place, body, format)
       select n.kind, n.id, nextval('revision'), n.body::jsonb, $4
       from unnest($1::text[], $2::text[], $3::text[]) with ordinality as n (kind, id, body, nth) order by n.nth
       on conflict (kind, id) do nothing`,
      [...named(documents), documents.map(({ text }) => text), BUNDLE_VERSION],
    );
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

  /** Tells that documents have a new order. @returns the revision this is */
  async reordered(db: Queries, write: string): Promise<number> {
    const { rows } = await db.query<{ version: number }>(
      `insert into change (version, kind, id, patch, write) values (nextval('revision'), $1, '', '[]', $2)
       returning version`,
      [REORDERED, write],
    );
    return Number(rows[0]?.version);
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

  /** What was counted as it was written, and what is there, both at one moment. */
  async tallies(db: Queries): Promise<{ counted: Tally[]; found: Tally[] }> {
    const { rows } = await db.query<Tally & { counted: boolean }>(
      `select true as counted, kind, documents, versions::text as versions from tally union all
       select false, kind, count(*), sum(version)::text from document group by kind`,
    );
    return { counted: rows.filter(({ counted }) => counted), found: rows.filter(({ counted }) => !counted) };
  },

  /** Takes what is there for all there is. */
  async recount(db: Queries): Promise<void> {
    await db.query('delete from tally');
    await db.query('insert into tally select kind, count(*), sum(version) from document group by kind');
  },

  async setAside(tx: Queries, documents: ReadonlyArray<DocumentName & { readonly reason: string }>): Promise<void> {
    const values = [...named(documents), documents.map(({ reason }) => reason)];
    await tx.query(
      `insert into set_aside (kind, id, body, format, reason)
       select d.kind, d.id, d.body, d.format, a.reason
       from document d join unnest($1::text[], $2::text[], $3::text[]) as a (kind, id, reason) using (kind, id)`,
      values,
    );
    await tx.query(
      `with gone as (
         delete from document d using unnest($1::text[], $2::text[]) as a (kind, id)
         where d.kind = a.kind and d.id = a.id returning d.kind, d.id, d.body
       )
       insert into change (version, kind, id, patch, write)
       select nextval('revision'), kind, id, '[]', gen_random_uuid() from gone`,
      named(documents),
    );
  },

  /** Documents in which a character was taken out that can't be kept; each is told once. */
  async mended(db: Queries): Promise<DocumentName[]> {
    const { rows } = await db.query<DocumentName>('update mended set told = true where not told returning kind, id');
    return rows;
  },

  /** Writes down what documents name, once for all that were kept before that was done. */
  async refer(
    tx: Queries,
    documents: ReadonlyArray<DocumentName & { readonly names: readonly DocumentName[] }>,
  ): Promise<void> {
    await tx.query(
      `update document d set names = coalesce(string_to_array(nullif(n.names, ''), ' '), '{}')
       from unnest($1::text[], $2::text[], $3::text[]) as n (kind, id, names)
       where d.kind = n.kind and d.id = n.id`,
      [...named(documents), documents.map(({ names }) => names.map(({ kind, id }) => `${kind}/${id}`).join(' '))],
    );
    await tx.query('update studio set referenced = true');
  },

  async isReferenced(db: Queries): Promise<boolean> {
    const { rows } = await db.query<{ referenced: boolean }>('select referenced from studio');
    return rows[0]?.referenced === true;
  },

  async listSetAside(db: Queries): Promise<SetAsideDocument[]> {
    const { rows } = await db.query<SetAsideDocument>(
      'select kind, id, body, format, reason, set_aside_at::text as at from set_aside order by set_aside_at, kind, id',
    );
    return rows;
  },

  /** Puts documents that are set aside elsewhere beside those here. */
  async keepAside(db: Queries, documents: readonly SetAsideDocument[]): Promise<void> {
    await db.query(
      `insert into set_aside (kind, id, body, format, reason, set_aside_at)
       select * from unnest($1::text[], $2::text[], $3::jsonb[], $4::smallint[], $5::text[], $6::timestamptz[])`,
      [
        ...named(documents),
        documents.map(({ body }) => JSON.stringify(body)),
        documents.map(({ format }) => format),
        documents.map(({ reason }) => reason),
        documents.map(({ at }) => at),
      ],
    );
  },

  async dropSetAside(db: Queries, { kind, id, at }: DocumentName & { readonly at: string }): Promise<void> {
    await db.query('delete from set_aside where kind = $1 and id = $2 and set_aside_at = $3::timestamptz', [
      kind,
      id,
      at,
    ]);
  },
};
