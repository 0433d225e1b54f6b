import type { PGlite, Transaction } from '@electric-sql/pglite';
import type { CollectionName } from '@warm-ladder/core/formats';

/** A collection of the bundle, or the one method. */
export type Kind = CollectionName | 'method';

/** A document as it is kept. */
export interface Row {
  readonly kind: Kind;
  readonly id: string;
  readonly version: number;
  readonly body: unknown;
}

type Queries = Pick<PGlite | Transaction, 'query'>;

/** Every query on the documents, by name. */
export const documents = {
  async all(db: Queries): Promise<Row[]> {
    const { rows } = await db.query<Row>('select kind, id, version, body from document order by kind, place');
    return rows.map((row) => ({ ...row, version: Number(row.version) }));
  },

  async insert(db: Queries, kind: Kind, id: string, body: unknown): Promise<number> {
    return version(
      await db.query(
        `insert into document (kind, id, place, body) values ($1, $2, nextval('revision'), $3) returning version`,
        [kind, id, JSON.stringify(body)],
      ),
    );
  },

  async update(db: Queries, kind: Kind, id: string, body: unknown): Promise<number> {
    return version(
      await db.query(
        `update document set body = $3, version = nextval('revision'), saved_at = now()
         where kind = $1 and id = $2 returning version`,
        [kind, id, JSON.stringify(body)],
      ),
    );
  },

  async remove(db: Queries, kind: Kind, id: string): Promise<void> {
    await db.query('delete from document where kind = $1 and id = $2', [kind, id]);
  },
};

function version({ rows }: { rows: unknown[] }): number {
  const [row] = rows as Array<{ version: number | bigint }>;
  if (!row) throw new Error('the document was not written');
  return Number(row.version);
}
