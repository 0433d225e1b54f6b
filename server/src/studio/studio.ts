import {
  type Bundle,
  type DocumentChange,
  type DocumentKey,
  type DocumentKind,
  documentKey,
  type ParsedBundle,
  parseBundleSteps,
  pathText,
} from '@warm-ladder/core/formats';
import { documentSchemas, migrateDocument, schemaProblems } from '@warm-ladder/core/schemas';
import type { CopyReason, ImportAnswer, Kept, SetAsideDocument } from '@warm-ladder/core/wire';
import type { Engine, Queries } from '../database/engine';
import { Upkeep } from '../database/upkeep';
import { invalid, Refusal } from '../errors';
import type { Copies } from './copies';
import { type DocumentName, documentRows, type WrittenDocument } from './documentRows';
import { type ImportMode, planImport } from './importPlan';
import { modernize, openSnapshot } from './opening';
import { type AskedChange, type Resolved, resolveChanges } from './resolve';
import { type Snapshot, textOf } from './snapshot';
import { turn, unhurried } from './unhurried';

export interface ImportWish {
  readonly mode: ImportMode;
  /** Only tell what would happen. */
  readonly rehearse: boolean;
  /** The revision of the studio it was rehearsed on; another one by now is refused. */
  readonly base?: number | undefined;
  /** What the copy kept before it is named for. */
  readonly reason?: CopyReason;
}

/** Documents written by one statement of an import: few enough that nobody waits for it. */
const BATCH = 40;

/**
 * The studio kept in the database. Nothing is stored that does not fit (`checkChanges`), so that whatever is stored is
 * exported and read again. Writes go one at a time; reads are answered from the last snapshot, which is always what the
 * database holds, since the folder is this process's.
 */
export class Studio {
  readonly id: string;
  readonly copies: Copies;
  readonly #db: Engine;
  readonly #upkeep: Upkeep;
  #snapshot: Snapshot;
  #generation = 0;
  #setAside: readonly SetAsideDocument[];
  #text: string | undefined;
  #queue: Promise<unknown> = Promise.resolve();

  private constructor(
    db: Engine,
    id: string,
    copies: Copies,
    snapshot: Snapshot,
    setAside: readonly SetAsideDocument[],
  ) {
    this.#db = db;
    this.id = id;
    this.copies = copies;
    this.#upkeep = new Upkeep(db);
    this.#snapshot = snapshot;
    this.#setAside = setAside;
  }

  /**
   * @param salvage open it though documents that were kept are known to be lost
   * @throws StudioIncomplete
   */
  static async open(db: Engine, copies: Copies, salvage = false): Promise<Studio> {
    await modernize(db, copies, salvage);
    const snapshot = await openSnapshot(db, salvage);
    const studio = new Studio(
      db,
      await documentRows.studioId(db),
      copies,
      snapshot,
      await documentRows.listSetAside(db),
    );
    await studio.#upkeep.tidy();
    return studio;
  }

  get bundle(): Bundle {
    return this.#snapshot.documents.bundle;
  }

  get bundleText(): string {
    return this.#snapshot.bundleText;
  }

  get revision(): number {
    return this.#snapshot.revision;
  }

  get setAside(): readonly SetAsideDocument[] {
    return this.#setAside;
  }

  get isEmpty(): boolean {
    return this.#snapshot.documents.size === 0;
  }

  /** All that a browser opens with, as JSON; made once a revision. */
  get text(): string {
    if (this.#text !== undefined) return this.#text;
    const { revision, versions } = this.#snapshot;
    const head = { studio: this.id, revision, versions, setAside: this.#setAside.length };
    this.#text = `${JSON.stringify(head).slice(0, -1)},"bundle":${this.bundleText}}`;
    return this.#text;
  }

  list(kind: DocumentKind): Array<{ id: string } & Kept> {
    return [...this.#snapshot.documents.shelf(kind).keys()].map((id) => ({ id, ...this.find(kind, id) }));
  }

  find(kind: DocumentKind, id: string): Kept {
    const kept = this.#snapshot.kept(kind, id);
    if (!kept) throw new Refusal('NOT_FOUND', `There is no “${id}” among the ${kind}.`, { path: `${kind}/${id}` });
    return kept;
  }

  /**
   * Keeps and removes documents that may need one another: all that can stand, in one transaction.
   * @returns what became of each, by its key; a version where it was kept
   */
  change(changes: readonly AskedChange[]): Promise<Map<DocumentKey, Resolved>> {
    return this.#inTurn(async () => {
      const { after, kept, resolved } = resolveChanges(this.#snapshot, changes);
      const outcome = new Map<DocumentKey, Resolved>(resolved);
      if (kept.length === 0) return outcome;
      const next = await this.#store(kept, after);
      for (const { kind, id } of kept) {
        outcome.set(documentKey(kind, id), { outcome: 'keep', version: next.version(kind, id) });
      }
      return outcome;
    });
  }

  /**
   * Takes in a bundle: all of it or nothing, with a copy of the studio kept before it.
   * @throws Refusal INVALID with every problem, STALE when the studio has changed since `base`, NO_COPY
   */
  async import(source: string | Bundle, wish: ImportWish): Promise<ImportAnswer> {
    const read: ParsedBundle =
      typeof source === 'string' ? await unhurried(parseBundleSteps(source)) : { ok: true, bundle: source, notes: [] };
    if (!read.ok) throw invalid(read.problems);
    const notes = read.notes.map(({ path, message }) => ({ path: pathText(path), message }));
    return this.#inTurn(async () => {
      const { revision } = this.#snapshot;
      if (wish.base !== undefined && wish.base !== revision) {
        throw new Refusal(
          'STALE',
          'The studio was changed since this file was looked at; nothing was taken in. Look at it again.',
          { path: 'revision' },
        );
      }
      const plan = planImport(this.#snapshot, read.bundle, wish.mode);
      const { report, rungs, changes, after } = await unhurried(plan);
      if (wish.rehearse) return { report, rungs, revision, notes };
      if (!this.isEmpty)
        await this.copies.keep(this.bundleText, wish.reason ?? (wish.mode === 'merge' ? 'import' : 'replace'));
      const next = await this.#store(changes, after, wish.mode === 'replace');
      return { report, rungs, revision: next.revision, notes };
    });
  }

  /** Puts a document that was set aside back, if it fits by now. @throws Refusal INVALID, STALE */
  async putBack({ kind, id, at }: DocumentName & { at: string }): Promise<void> {
    const row = this.#setAside.find((each) => each.kind === kind && each.id === id && each.at === at);
    const known = row && kind in documentSchemas ? (kind as DocumentKind) : undefined;
    if (!row || !known) throw new Refusal('NOT_FOUND', `“${id}” is not set aside.`, { path: `${kind}/${id}` });
    const { value } = migrateDocument(known, row.body, row.format, this.bundle);
    const parsed = documentSchemas[known].safeParse(value);
    if (!parsed.success) throw invalid(schemaProblems(parsed.error, value));
    const asked = { kind: known, id, value: parsed.data, base: 0 } as AskedChange;
    const outcome = (await this.change([asked])).get(documentKey(known, id));
    if (outcome?.outcome === 'refused') throw invalid(outcome.problems);
    if (outcome?.outcome === 'stale') {
      throw new Refusal('STALE', `“${id}” is there again already; nothing was overwritten.`, { path: `${kind}/${id}` });
    }
    await this.letGo(row);
  }

  /** Forgets a document that was set aside. */
  letGo(name: DocumentName & { at: string }): Promise<void> {
    return this.#inTurn(async () => {
      await documentRows.dropSetAside(this.#db, name);
      this.#setAside = await documentRows.listSetAside(this.#db);
      this.#text = undefined;
    });
  }

  /** Waits until all that was asked for is on the disk. */
  async settled(): Promise<void> {
    await this.#queue;
  }

  /** Reads the studio anew after the engine had to be opened again: its last write may have been kept, or not. */
  async #refresh(): Promise<void> {
    const generation = await this.#db.ready();
    if (generation === this.#generation) return;
    this.#snapshot = await openSnapshot(this.#db, false);
    this.#text = undefined;
    this.#generation = generation;
  }

  /**
   * Writes changes and moves on to the studio they make: one statement where one will do, which is a transaction by
   * itself; else one transaction, a batch at a time, so that readers are answered in between.
   * @param ordered give every document the place it has in the studio as it is to be
   */
  async #store(changes: readonly DocumentChange[], after: Snapshot['documents'], ordered = false): Promise<Snapshot> {
    const puts = writesOf(changes);
    const gone = changes.filter(({ value }) => value === undefined);
    const work = async (db: Queries) => {
      const versions: number[] = [];
      // A removal and a new order are revisions too, though no document has their number.
      let revision = gone.length > 0 || ordered ? await documentRows.remove(db, gone) : this.#snapshot.revision;
      for (let from = 0; from < puts.length; from += BATCH) {
        versions.push(...(await documentRows.write(db, puts.slice(from, from + BATCH))));
        revision = versions.at(-1) ?? revision;
        if (from + BATCH < puts.length) await turn();
      }
      if (ordered) await this.#order(db, after);
      return { versions, revision };
    };
    const single = gone.length === 0 && !ordered && puts.length <= BATCH;
    const { versions, revision } = await (single ? work(this.#db) : this.#db.transaction(work));
    const written = new Map(puts.map(({ kind, id }, i) => [documentKey(kind, id), versions[i] ?? 0]));
    this.#snapshot = this.#snapshot.with(after, changes, written, revision);
    this.#text = undefined;
    const bytes = puts.reduce((sum, { text }) => sum + text.length, 0);
    // The write is kept whether or not there is room to tidy; the next one will say what is wrong.
    if (this.#upkeep.wrote(bytes)) await this.#upkeep.tidy().catch(() => undefined);
    return this.#snapshot;
  }

  async #order(tx: Queries, after: Snapshot['documents']): Promise<void> {
    const names = (Object.keys(documentSchemas) as DocumentKind[]).flatMap((kind) =>
      [...after.shelf(kind).keys()].map((id) => ({ kind, id })),
    );
    for (let from = 0; from < names.length; from += BATCH * 10) {
      await documentRows.order(tx, from, names.slice(from, from + BATCH * 10));
      await turn();
    }
  }

  /** One write after another; the snapshot moves on only once it is committed. */
  #inTurn<T>(work: () => Promise<T>): Promise<T> {
    const result = this.#queue.then(async () => {
      await this.#refresh();
      return work();
    });
    this.#queue = result.catch(() => undefined);
    return result;
  }
}

const writesOf = (changes: readonly DocumentChange[]): WrittenDocument[] =>
  changes.flatMap(({ kind, id, value }) => (value === undefined ? [] : [{ kind, id, text: textOf(value) }]));
