import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import {
  type Bundle,
  changeInOrder,
  checkChangesSteps,
  DEFAULTS_UNTIL_V3,
  type DocumentChange,
  type DocumentKey,
  type DocumentKind,
  Documents,
  documentKey,
  type LengthsChanged,
  lengthsChanged,
  measuredForParts,
  type PartAsked,
  type Problem,
  partOf,
  partOfSeries,
  partOfTerm,
  pathText,
  programmeOf,
  REPERTOIRE,
  splitDocumentKey,
} from '@warm-ladder/core/formats';
import { type Catalog, splitRungKey } from '@warm-ladder/core/repertoire';
import { documentSchemas, migrateDocument, schemaProblems } from '@warm-ladder/core/schemas';
import type {
  CopyReason,
  FeedEvent,
  History,
  HistoryQuery,
  ImportAnswer,
  Kept,
  Programme,
  SetAsideDocument,
} from '@warm-ladder/core/wire';
import type { Database } from '../database/port';
import { Upkeep } from '../database/upkeep';
import { invalid, Refusal } from '../errors';
import { LARGEST_STUDIO } from '../routes/limits';
import type { Copies } from './copies';
import { type DocumentName, documentRows, type Write } from './documentRows';
import { type Changed, Feed, told } from './feed';
import { afterChange, beforeChange, type Former, historyOf } from './history';
import { type ImportMode, planImport } from './importPlan';
import { Line } from './line';
import { meeting, outcomesOf } from './met';
import { caughtUp, modernize, openSnapshot, readSnapshot } from './opening';
import type { Tell } from './progress';
import { type AskedChange, type Resolved, resolveChanges } from './resolve';
import { lengthOf, type Snapshot, textOf } from './snapshot';
import { turn, unhurried } from './unhurried';
import { namesIn, writesOf } from './writes';
import { type Brought, bring, writeAll } from './writing';

/** A bundle as it was read, its documents in order, and what was changed on the way from an older version. */
export interface ReadFile {
  readonly bundle: Bundle;
  readonly notes?: readonly Problem[];
}

export interface ImportWish {
  readonly mode: ImportMode;
  /** Only tell what would happen. */
  readonly rehearse: boolean;
  /** The revision of the studio it was rehearsed on; another one by now is refused. */
  readonly base?: number | undefined;
  /** What the copy kept before it is named for. */
  readonly reason?: CopyReason;
  /** Is told how far it is. */
  readonly tell?: Tell;
}

/** Changes ready to be kept. */
interface Prepared {
  readonly changes: readonly DocumentChange[];
  readonly after: Snapshot['documents'];
  readonly ordered: boolean;
  readonly writes: readonly Write[];
  readonly brought: Brought;
}

/** An import ready to be kept, and the studio it was made ready on. */
interface Import extends Prepared {
  readonly begun: Snapshot;
  readonly told: Pick<ImportAnswer, 'report' | 'rungs'>;
}

const NOTHING_BROUGHT: Brought = { write: '', staged: false };

/** Documents that change at once and are still told of one by one; more, and whoever listens reads the studio anew. */
const TOLD = 200;
/** Changes kept as they were made, the newest: of older ones the last of each document. */
const KEPT_CHANGES = 20_000;

/** Level 4: of a studio, all but as small as the usual one, in less time. */
const gzipped = (text: string): Promise<Buffer> => promisify(gzip)(text, { level: 4 });

/**
 * The studio kept in the database. Nothing is stored that does not fit (`checkChanges`), so that whatever is stored is
 * exported and read again. The database decides: a write carries the versions it was made from and the revision this
 * process has seen; where another process has written since, that is read first and the write decided anew. Reads are
 * answered from the last snapshot, which others' writes reach as soon as the database tells of them.
 */
export class Studio {
  readonly id: string;
  readonly copies: Copies;
  readonly #db: Database;
  readonly #upkeep: Upkeep;
  readonly #feed = new Feed();
  readonly #line = new Line();
  readonly #deaf: () => void;
  #snapshot: Snapshot;
  #generation = 0;
  #setAside: readonly SetAsideDocument[];
  #text: string | undefined;
  #packed: { readonly text: string; readonly bytes: Promise<Buffer> } | undefined;
  #queue: Promise<unknown> = Promise.resolve();
  #lengths: LengthsChanged | null = null;
  #tidying: Promise<void> | null = null;
  #measuring: { readonly catalog: Catalog; readonly done: Promise<void> } | undefined;

  private constructor(
    db: Database,
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
    // What cannot be read now is read by the next write, which says what is wrong.
    this.#deaf = db.onWritten(() => void this.#inTurn(() => this.#catchUp()).catch(() => undefined));
  }

  /**
   * @param salvage open it though documents that were kept are known to be lost
   * @throws StudioIncomplete
   */
  static async open(db: Database, copies: Copies, salvage = false): Promise<Studio> {
    const modernized = await modernize(db, copies, salvage);
    const snapshot = await openSnapshot(db, salvage);
    const studio = new Studio(
      db,
      await documentRows.studioId(db),
      copies,
      snapshot,
      await documentRows.listSetAside(db),
    );
    await studio.#tidy();
    if (modernized) studio.#lengths = lengthsChanged(studio.bundle, DEFAULTS_UNTIL_V3);
    return studio;
  }

  get bundle(): Bundle {
    return this.#snapshot.documents.bundle;
  }

  get catalog(): Catalog {
    return this.#snapshot.documents.catalog;
  }

  /** What is taught when, and every class there is. */
  programme(from: string, to: string): Programme {
    return programmeOf(this.#snapshot.documents, from, to);
  }

  /** What pages of a class or a series are made from; `null` where there is no such one. */
  async partFor(kind: 'classes' | 'series', id: string): Promise<Bundle | null> {
    const { documents } = await this.#measured();
    return (kind === 'classes' ? partOf(documents, id) : partOfSeries(documents, id))?.bundle ?? null;
  }

  /** What pages of all series are made from. */
  async partForTerm(): Promise<Bundle> {
    return partOfTerm((await this.#measured()).documents).bundle;
  }

  get bundleText(): string {
    return this.#snapshot.bundleText;
  }

  /** The portable file with a document a line: as long as what is kept, so that it can be taken in again. */
  get fileText(): string {
    return this.#snapshot.fileText;
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

  /** The whole studio as a browser opens with it, as JSON; made once a revision. */
  get text(): string {
    this.#text ??= this.#textOf(this.#snapshot, null, this.#snapshot);
    return this.#text;
  }

  /** What the page of one class opens with, likewise; `null` where there is no such class. */
  async textFor(classId: string, asked: PartAsked = {}): Promise<string | null> {
    const whole = await this.#measured();
    const part = whole.part(classId, asked);
    return part && this.#textOf(part, classId, whole);
  }

  /** Measures the repertoire beside whatever is asked: no page need wait for it, or do it itself. */
  async readied(): Promise<void> {
    await this.#measured();
  }

  /** What is kept, measured as far as parts of it are chosen by that: once for all who ask meanwhile, and in stretches. */
  async #measured(): Promise<Snapshot> {
    const snapshot = this.#snapshot;
    const { catalog } = snapshot.documents;
    if (this.#measuring?.catalog !== catalog) {
      const done = unhurried(measuredForParts(snapshot.documents)).then(() => {
        // Made before, it tells of nothing that was measured.
        if (this.#snapshot === snapshot) this.#text = undefined;
      });
      this.#measuring = { catalog, done };
    }
    await this.#measuring.done;
    return snapshot;
  }

  /** @param measured what it is a part of */
  #textOf({ revision, versions, bundleText, documents }: Snapshot, only: string | null, measured: Snapshot): string {
    const known = Object.entries(measured.documents.catalog.measuredHeats());
    const heats = Object.fromEntries(known.filter(([key]) => documents.has('exercises', splitRungKey(key).exercise)));
    const head = { only, studio: this.id, revision, versions, setAside: this.#setAside.length, heats };
    return `${JSON.stringify(head).slice(0, -1)},"bundle":${bundleText}}`;
  }

  /** The whole studio as it goes over a line, gzipped; once a revision, for packing a large studio takes longer than sending it. */
  get packed(): Promise<Buffer> {
    const { text } = this;
    if (this.#packed?.text !== text) this.#packed = { text, bytes: gzipped(text) };
    return this.#packed.bytes;
  }

  /** What has been changed, the newest first. */
  history(asked: HistoryQuery): Promise<History> {
    return historyOf(this.#db, asked);
  }

  /** A document as it was before a change. @throws Refusal NOT_FOUND */
  beforeChange(version: number): Promise<Former> {
    return beforeChange(this.#db, version);
  }

  /** All documents of a kind, each with its id and version, as JSON. */
  listText(kind: DocumentKind): string {
    return this.#snapshot.listText(kind);
  }

  find<K extends DocumentKind>(kind: K, id: string): Kept<K> {
    const kept = this.#snapshot.kept(kind, id);
    if (!kept) throw new Refusal('NOT_FOUND', `There is no “${id}” among the ${kind}.`, { path: `${kind}/${id}` });
    return kept;
  }

  /** A document as JSON, where a version is the one it has now. */
  textNow({ kind, id }: { readonly kind: DocumentKind; readonly id: string }, version: number): string | null {
    const kept = this.#snapshot.kept(kind, id);
    return kept?.version === version ? textOf(kept.value) : null;
  }

  /** A document as JSON as an earlier version was; `null` where that is not known any more, or nothing is there by now. */
  async textAt(place: { readonly kind: DocumentKind; readonly id: string }, version: number): Promise<string | null> {
    if (version === 0 || !this.#snapshot.kept(place.kind, place.id)) return null;
    const value = await afterChange(this.#db, place, version);
    return value ? textOf(value) : null;
  }

  /** How new defaults changed the lengths of classes, at the first start with them. */
  get lengths(): LengthsChanged | null {
    return this.#lengths;
  }

  /** Documents out of which a character was taken that can't be kept; each is told once. */
  mended(): Promise<DocumentName[]> {
    return documentRows.mended(this.#db);
  }

  /** Tells of every change from now on, whoever makes it. @returns what ends it */
  listen(tell: (event: FeedEvent) => void): () => void {
    return this.#feed.listen(tell);
  }

  /** What has changed since a revision; `null` where nothing has. */
  async since(revision: number): Promise<FeedEvent | null> {
    if (revision >= this.revision) return null;
    const newer = await documentRows.since(this.#db, revision);
    const named = newer.filter(({ kind }) => kind in documentSchemas) as Array<{ kind: DocumentKind; id: string }>;
    if (named.length < newer.length || named.length > TOLD) return { revision: this.revision, changes: null };
    return { revision: this.revision, changes: told(named, this.#snapshot, null) };
  }

  /**
   * Keeps and removes documents, each in order, that may need one another: all that can stand, in one transaction.
   * @returns what became of each, by its key; a version where it was kept
   */
  change(changes: readonly AskedChange[]): Promise<Map<DocumentKey, Resolved>> {
    const keys = changes.map(({ kind, id }) => documentKey(kind, id));
    return this.#line.serve(
      keys,
      () => this.#change(changes),
      (resolved) => [...resolved.values()].some(({ outcome }) => outcome === 'keep'),
    );
  }

  #change(changes: readonly AskedChange[]): Promise<Map<DocumentKey, Resolved>> {
    return this.#decided(async () => {
      const together = await meeting(this.#db, this.#snapshot, changes);
      const { after, kept, resolved } = await unhurried(resolveChanges(this.#snapshot, together.changes));
      if (kept.length === 0) return outcomesOf(resolved, together);
      const next = await this.#store(kept, after);
      if (!next) return null;
      for (const { kind, id } of kept) {
        resolved.set(documentKey(kind, id), { outcome: 'keep', version: next.version(kind, id) });
      }
      return outcomesOf(resolved, together);
    });
  }

  /**
   * Takes in a bundle with its documents in order: all of it or nothing, with a copy of the studio kept before it.
   * @throws Refusal INVALID with every problem, STALE when the studio has changed since `base`, NO_COPY
   */
  async import({ bundle, notes: told = [] }: ReadFile, wish: ImportWish): Promise<ImportAnswer> {
    const notes = told.map(({ path, message }) => ({ path: pathText(path), message }));
    // Looked at, and brought to the database, while others write; decided in turn.
    let early: Import | null = await this.#prepared(bundle, wish, wish.base);
    if (wish.rehearse) return { ...early.told, revision: early.begun.revision, notes };
    return this.#decided(async () => {
      const prepared = (early && (await this.#followed(early))) ?? (await this.#prepared(bundle, wish, undefined));
      // Somebody else's write in between is read, and then it is all looked at anew.
      early = null;
      const next = await this.#keep(prepared);
      return next && { ...prepared.told, revision: next.revision, notes };
    });
  }

  /**
   * An import as it would be kept on the studio as it is now: its plan, a copy of the studio, and its documents brought
   * to the database.
   * @throws Refusal INVALID with every problem, STALE when the studio is not at `base`, NO_COPY
   */
  async #prepared(
    bundle: Bundle,
    { mode, rehearse, reason, tell }: ImportWish,
    base: number | undefined,
  ): Promise<Import> {
    const begun = this.#snapshot;
    if (base !== undefined && base !== begun.revision) {
      throw new Refusal(
        'STALE',
        'The studio was changed since this file was looked at; nothing was taken in. Look at it again.',
        { path: 'revision' },
      );
    }
    const { size } = Documents.of(bundle);
    // Each document is compared, and then checked with all that are there.
    const steps = mode === 'merge' ? 2 * size + begun.documents.size : 2 * size;
    const { report, rungs, changes, after } = await unhurried(planImport(begun, bundle, mode), (done) =>
      tell?.('checking', Math.min(done, steps), steps),
    );
    const told = { report, rungs };
    const ordered = mode === 'replace';
    if (rehearse) return { begun, told, changes, after, ordered, writes: [], brought: NOTHING_BROUGHT };
    this.#refuseTooLarge(changes);
    if (begun.documents.size > 0) {
      await this.copies.keep(begun.bundleText, reason ?? (mode === 'merge' ? 'import' : 'replace'));
    }
    const writes = await unhurried(writesOf(begun, changes, after));
    const brought = await bring(this.#db, writes, (done) => {
      tell?.('bringing', done, writes.length);
      return turn();
    });
    return { begun, told, changes, after, ordered, writes, brought };
  }

  /**
   * What was prepared on an earlier studio as it is kept on this one, where what others kept meanwhile is none of its
   * business; `null` where it is.
   */
  async #followed(early: Import): Promise<Import | null> {
    const { begun, changes, ordered, brought } = early;
    const now = this.#snapshot;
    if (now === begun) return early;
    if (ordered || !brought.staged) return null;
    const own = new Set(changes.map(({ kind, id }) => documentKey(kind, id)));
    const meanwhile = now.changedSince(begun);
    if (meanwhile.some((key) => own.has(key))) return null;
    const alike = meanwhile.every((key) => !REPERTOIRE.has(splitDocumentKey(key)[0]));
    const after = now.documents.with(changes, alike ? early.after : undefined);
    const problems = await unhurried(checkChangesSteps(after, meanwhile));
    return problems.length === 0 ? { ...early, after } : null;
  }

  /** Puts a document that was set aside back, if it fits by now. @throws Refusal INVALID, STALE */
  async putBack({ kind, id, at }: DocumentName & { at: string }): Promise<void> {
    const row = this.#setAside.find((each) => each.kind === kind && each.id === id && each.at === at);
    const known = row && kind in documentSchemas ? (kind as DocumentKind) : undefined;
    if (!row || !known) throw new Refusal('NOT_FOUND', `“${id}” is not set aside.`, { path: `${kind}/${id}` });
    const { value } = migrateDocument(known, row.body, row.format, this.bundle);
    const parsed = documentSchemas[known].safeParse(value);
    if (!parsed.success) throw invalid(schemaProblems(parsed.error, value));
    const asked = { ...changeInOrder({ kind: known, id, value: parsed.data } as DocumentChange), base: 0 };
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

  /** Waits until all that was asked for is on the disk, and asks for no more. */
  async settled(): Promise<void> {
    this.#deaf();
    await this.#queue;
    await this.#tidying;
  }

  /** Reads the studio anew after the engine had to be opened again: its last write may have been kept, or not. */
  async #refresh(): Promise<void> {
    const generation = await this.#db.ready();
    if (generation === this.#generation) return;
    this.#become(await openSnapshot(this.#db, false), null);
    this.#generation = generation;
  }

  /** Reads what others have written since. */
  async #catchUp(): Promise<void> {
    const newer = await documentRows.since(this.#db, this.#snapshot.revision);
    const last = newer.at(-1);
    if (!last) return;
    const next = caughtUp(this.#snapshot, newer);
    if (next) this.#become(next.snapshot, next.changed);
    else this.#become(await readSnapshot(this.#db, last.revision), null);
  }

  /** Moves on to another snapshot and tells of it. @param changed what differs in it; `null` for too much to tell */
  #become(snapshot: Snapshot, changed: readonly Changed[] | null): void {
    const before = this.#snapshot;
    this.#snapshot = snapshot;
    this.#text = undefined;
    const changes = changed === null || changed.length > TOLD ? null : told(changed, snapshot, before);
    this.#feed.tell({ revision: snapshot.revision, changes });
  }

  /**
   * Writes changes and moves on to the studio they make.
   * @returns `null` where somebody else has written meanwhile, and nothing was
   */
  async #store(changes: readonly DocumentChange[], after: Snapshot['documents']): Promise<Snapshot | null> {
    if (changes.length === 0) return this.#snapshot;
    this.#refuseTooLarge(changes);
    const writes = await unhurried(writesOf(this.#snapshot, changes, after));
    return this.#keep({ changes, after, ordered: false, writes, brought: await bring(this.#db, writes, turn) });
  }

  /** The same of what is prepared. @param ordered gives every document the place it has in the studio as it is to be */
  async #keep({ changes, after, ordered, writes, brought }: Prepared): Promise<Snapshot | null> {
    if (changes.length === 0 && !ordered) return this.#snapshot;
    const known = this.#snapshot.revision;
    const versions = await writeAll(this.#db, { writes, known, ordered: ordered ? namesIn(after) : null }, brought);
    if (!versions) return null;
    if (brought.staged) await turn();
    const next = await unhurried(this.#snapshot.with(after, changes, versions, versions.at(-1) ?? known));
    this.#become(next, ordered ? null : writes);
    const bytes = writes.reduce((sum, { text }) => sum + (text?.length ?? 0), 0);
    if (this.#upkeep.wrote(bytes, writes.length)) this.#tidyBeside();
    return this.#snapshot;
  }

  /** Nothing is kept that could not be exported and taken in again. @throws Refusal TOO_LARGE */
  #refuseTooLarge(changes: readonly DocumentChange[]): void {
    const grown = changes.reduce(
      (sum, { kind, id, value }) =>
        sum + lengthOf(value) - lengthOf(this.#snapshot.documents.get<DocumentKind>(kind, id)),
      0,
    );
    const size = this.#snapshot.size + grown;
    if (grown <= 0 || size <= LARGEST_STUDIO) return;
    throw new Refusal(
      'TOO_LARGE',
      `The studio would have ${Math.round(size / 2 ** 20)} million characters; ${LARGEST_STUDIO / 2 ** 20} is the most that one file holds. Nothing was changed.`,
    );
  }

  /**
   * Tidies while others write. What was written is kept whether or not there is room to tidy; the next write will say
   * what is wrong.
   */
  #tidyBeside(): void {
    this.#tidying ??= this.#tidy()
      .catch(() => undefined)
      .finally(() => {
        this.#tidying = null;
      });
  }

  async #tidy(): Promise<void> {
    await documentRows.forgetSuperseded(this.#db, KEPT_CHANGES);
    await documentRows.dropStaged(this.#db, null);
    await this.#upkeep.tidy();
  }

  /** Decides on what the database holds now: where somebody else has written meanwhile, that is read, and decided anew. */
  #decided<T>(work: () => Promise<T | null>): Promise<T> {
    return this.#inTurn(async () => {
      for (;;) {
        const done = await work();
        if (done !== null) return done;
        await this.#catchUp();
      }
    });
  }

  /** One after another; the snapshot moves on only once what it holds is committed. */
  #inTurn<T>(work: () => Promise<T>): Promise<T> {
    const result = this.#queue.then(async () => {
      await this.#refresh();
      return work();
    });
    this.#queue = result.catch(() => undefined);
    return result;
  }
}
