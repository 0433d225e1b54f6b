import type { PGlite, Transaction } from '@electric-sql/pglite';
import {
  type Bundle,
  COLLECTIONS,
  type CollectionName,
  checkBundle,
  emptyBundle,
  locate,
  METHOD_ID,
  type Problem,
  shortened,
} from '@warm-ladder/core/formats';
import type { MethodFile } from '@warm-ladder/core/method';
import { documents, type Kind } from './documents';
import { invalid, Refusal } from './errors';

interface Kept {
  readonly version: number;
  readonly value: unknown;
}
type Shelf = ReadonlyMap<string, Kept>;
type Snapshot = ReadonlyMap<Kind, Shelf>;

export type Versions = Record<Kind, Record<string, number>>;
export type ImportMode = 'merge' | 'replace';
/** What an import does to each collection, by id. */
export type ImportReport = Record<Kind, { added: string[]; changed: string[]; unchanged: string[]; removed: string[] }>;

const KINDS: readonly Kind[] = [...COLLECTIONS, 'method'];

const bundleOf = (snapshot: Snapshot): Bundle => {
  const method = snapshot.get('method')?.get(METHOD_ID)?.value as MethodFile | undefined;
  const lists = COLLECTIONS.map((collection) => [collection, [...values(snapshot, collection)]]);
  return { ...emptyBundle(), ...(method ? { method } : {}), ...(Object.fromEntries(lists) as Partial<Bundle>) };
};
const values = (snapshot: Snapshot, kind: Kind) => [...(snapshot.get(kind)?.values() ?? [])].map(({ value }) => value);

/**
 * The studio kept in the database. Every write is held against the whole studio (`checkBundle`) before it is made,
 * so nothing can be stored that would not be exported and read again. Writes go one at a time; this process owns
 * the folder, so the last snapshot is always what the database holds.
 */
export class Studio {
  readonly #db: PGlite;
  #snapshot: Snapshot;
  #queue: Promise<unknown> = Promise.resolve();

  private constructor(db: PGlite, snapshot: Snapshot) {
    this.#db = db;
    this.#snapshot = snapshot;
  }

  static async open(db: PGlite): Promise<Studio> {
    const shelves = new Map<Kind, Map<string, Kept>>(KINDS.map((kind) => [kind, new Map()]));
    for (const { kind, id, version, body } of await documents.all(db))
      shelves.get(kind)?.set(id, { version, value: body });
    return new Studio(db, shelves);
  }

  get bundle(): Bundle {
    return bundleOf(this.#snapshot);
  }

  get versions(): Versions {
    const of = (kind: Kind) => [...(this.#snapshot.get(kind) ?? [])].map(([id, { version }]) => [id, version]);
    return Object.fromEntries(KINDS.map((kind) => [kind, Object.fromEntries(of(kind))])) as Versions;
  }

  get isEmpty(): boolean {
    return [...this.#snapshot.values()].every((shelf) => shelf.size === 0);
  }

  list(kind: CollectionName): Array<{ id: string; version: number; value: unknown }> {
    return [...(this.#snapshot.get(kind) ?? [])].map(([id, kept]) => ({ id, ...kept }));
  }

  find(kind: Kind, id: string): Kept {
    const kept = this.#snapshot.get(kind)?.get(id);
    if (!kept) throw new Refusal('NOT_FOUND', `There is no “${id}” among the ${kind}.`, { path: `${kind}/${id}` });
    return kept;
  }

  /**
   * Keeps one document.
   * @param base the version the change was made from; 0 for a new document
   * @throws Refusal STALE with both versions, or INVALID when the studio would no longer hold together
   */
  put(kind: Kind, id: string, base: number, value: unknown): Promise<{ version: number }> {
    return this.#write(async (tx, snapshot) => {
      this.#refuseStale(snapshot, kind, id, base, value);
      const next = withShelf(snapshot, kind, (shelf) => shelf.set(id, { version: base, value }));
      this.#refuseBroken(next, 'INVALID', `${kind}/${id}`);
      const version =
        base === 0 ? await documents.insert(tx, kind, id, value) : await documents.update(tx, kind, id, value);
      return [{ version }, withShelf(next, kind, (shelf) => shelf.set(id, { version, value }))];
    });
  }

  /** @throws Refusal STALE, or IN_USE when something still names it */
  remove(kind: CollectionName, id: string, base: number): Promise<Record<string, never>> {
    return this.#write(async (tx, snapshot) => {
      this.find(kind, id);
      this.#refuseStale(snapshot, kind, id, base, null);
      const next = withShelf(snapshot, kind, (shelf) => shelf.delete(id));
      this.#refuseBroken(next, 'IN_USE', `${kind}/${id}`);
      await documents.remove(tx, kind, id);
      return [{}, next];
    });
  }

  /**
   * Takes in a bundle already read: all of it or nothing.
   * @param mode `merge` keeps what the file does not name; `replace` makes the studio the file
   * @param rehearse only report what would happen
   */
  import(bundle: Bundle, mode: ImportMode, rehearse: boolean): Promise<ImportReport> {
    return this.#write(async (tx, snapshot) => {
      const report = {} as ImportReport;
      let next = snapshot;
      for (const kind of KINDS) {
        const shelf = snapshot.get(kind) ?? new Map<string, Kept>();
        const wanted = wantedOf(bundle, kind);
        const entry = { added: [], changed: [], unchanged: [], removed: [] } as ImportReport[Kind];
        const fresh = new Map(mode === 'merge' ? shelf : []);
        for (const [id, value] of wanted) {
          const kept = shelf.get(id);
          const same = kept !== undefined && JSON.stringify(kept.value) === JSON.stringify(value);
          entry[same ? 'unchanged' : kept ? 'changed' : 'added'].push(id);
          fresh.set(id, same ? kept : { version: 0, value });
        }
        if (mode === 'replace') entry.removed.push(...[...shelf.keys()].filter((id) => !wanted.has(id)));
        report[kind] = entry;
        next = new Map(next).set(kind, fresh);
      }
      const whole = bundleOf(next);
      const problems = checkBundle(whole);
      if (problems.length > 0) throw invalid(shortened(problems.map((problem) => locate(problem, whole, bundle))));
      if (rehearse) return [report, snapshot];
      for (const kind of KINDS) {
        const { added, changed, removed } = report[kind];
        for (const id of removed) await documents.remove(tx, kind, id);
        for (const id of [...added, ...changed]) {
          const value = next.get(kind)?.get(id)?.value;
          const write = added.includes(id) ? documents.insert : documents.update;
          const version = await write(tx, kind, id, value);
          next = withShelf(next, kind, (shelf) => shelf.set(id, { version, value }));
        }
      }
      return [report, next];
    });
  }

  /** One write after another, each in a transaction; the snapshot moves on only once it is committed. */
  #write<T>(work: (tx: Transaction, snapshot: Snapshot) => Promise<[T, Snapshot]>): Promise<T> {
    const turn = this.#queue.then(async () => {
      const [result, snapshot] = await this.#db.transaction((tx) => work(tx, this.#snapshot));
      this.#snapshot = snapshot;
      return result;
    });
    this.#queue = turn.catch(() => undefined);
    return turn;
  }

  #refuseStale(snapshot: Snapshot, kind: Kind, id: string, base: number, value: unknown): void {
    const kept = snapshot.get(kind)?.get(id) ?? null;
    if ((kept?.version ?? 0) === base) return;
    const what = kept === null ? 'was deleted' : base === 0 ? 'already exists' : 'was changed';
    throw new Refusal('STALE', `“${id}” ${what} elsewhere since you opened it; nothing was overwritten.`, {
      path: `${kind}/${id}`,
      current: kept,
      yours: { version: base, value },
    });
  }

  #refuseBroken(next: Snapshot, code: 'INVALID' | 'IN_USE', path: string): void {
    const problems: Problem[] = shortened(checkBundle(bundleOf(next)));
    if (problems.length === 0) return;
    const { body } = invalid(problems, code);
    throw new Refusal(code, body.message, { path, problems: body.problems ?? [] });
  }
}

function wantedOf(bundle: Bundle, kind: Kind): Map<string, unknown> {
  if (kind === 'method') return new Map(bundle.method ? [[METHOD_ID, bundle.method]] : []);
  return new Map((bundle[kind] ?? []).map((value) => [value.id, value]));
}

function withShelf(snapshot: Snapshot, kind: Kind, change: (shelf: Map<string, Kept>) => void): Snapshot {
  const shelf = new Map(snapshot.get(kind));
  change(shelf);
  return new Map(snapshot).set(kind, shelf);
}
