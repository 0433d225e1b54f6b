import {
  COLLECTIONS,
  DOCUMENT_KINDS,
  type DocumentChange,
  type DocumentKey,
  type DocumentKind,
  type Documents,
  documentKey,
  emptyBundle,
  METHOD_ID,
  type PartAsked,
  partOf,
  type Steps,
} from '@warm-ladder/core/formats';
import type { Kept, Versions } from '@warm-ladder/core/wire';

/** A document as JSON, and how many characters that is taken for. */
interface Written {
  readonly text: string;
  readonly length: number;
}

/** What each document is written as, made once: a document is never changed in place. */
const written = new WeakMap<object, Written>();

/**
 * A character that takes more than two bytes in a file counts as half of its bytes, so that a file is never more than
 * twice as many bytes as its studio has characters.
 */
function remember(value: object, text: string): Written {
  const made = { text, length: Math.max(text.length, Math.ceil(Buffer.byteLength(text) / 2)) };
  written.set(value, made);
  return made;
}

const writtenAs = (value: object): Written => written.get(value) ?? remember(value, JSON.stringify(value));

/** The JSON text of a document. */
export const textOf = (value: object): string => writtenAs(value).text;

/** A document from the JSON it is kept as. */
export function documentOfText(text: string): object {
  const value = JSON.parse(text) as object;
  remember(value, text);
  return value;
}

/** Characters of a document as it is kept; 0 of none. */
export const lengthOf = (value: object | undefined): number => (value === undefined ? 0 : writtenAs(value).length);

/** The whole studio at one revision, never changed in place: readers read it while the next one is being written. */
export class Snapshot {
  readonly documents: Documents;
  readonly revision: number;
  readonly #versions: ReadonlyMap<DocumentKey, number>;
  #size: number | undefined;

  constructor(documents: Documents, versions: ReadonlyMap<DocumentKey, number>, revision: number) {
    this.documents = documents;
    this.revision = revision;
    this.#versions = versions;
  }

  /** 0 for a document that is not there. */
  version(kind: DocumentKind, id: string): number {
    return this.#versions.get(documentKey(kind, id)) ?? 0;
  }

  kept<K extends DocumentKind>(kind: K, id: string): Kept<K> | null {
    const value = this.documents.get(kind, id);
    return value === undefined ? null : { version: this.version(kind, id), value };
  }

  /** The next snapshot, a document a step. @param written the new version of each, in the order of the changes */
  *with(
    documents: Documents,
    changes: readonly DocumentChange[],
    written: readonly number[],
    revision: number,
  ): Steps<Snapshot> {
    const versions = new Map(this.#versions);
    let { size } = this;
    for (const [nth, { kind, id, value }] of changes.entries()) {
      const key = documentKey(kind, id);
      size += lengthOf(value) - lengthOf(this.documents.get(kind, id));
      if (value === undefined) versions.delete(key);
      else versions.set(key, written[nth] ?? 0);
      yield;
    }
    const next = new Snapshot(documents, versions, revision);
    next.#size = size;
    return next;
  }

  /** Documents that are others, or gone, since an earlier snapshot. */
  changedSince(before: Snapshot): DocumentKey[] {
    const changed = [...this.#versions].filter(([key, version]) => before.#versions.get(key) !== version);
    const gone = [...before.#versions.keys()].filter((key) => !this.#versions.has(key));
    return [...changed.map(([key]) => key), ...gone];
  }

  /** What the page of one class needs of it; `null` where there is no such class. */
  part(classId: string, asked: PartAsked): Snapshot | null {
    const documents = partOf(this.documents, classId, asked);
    return documents && new Snapshot(documents, this.#versions, this.revision);
  }

  get versions(): Versions {
    const of = (kind: DocumentKind) =>
      [...this.documents.shelf(kind).keys()].map((id) => [id, this.version(kind, id)] as const);
    return Object.fromEntries(DOCUMENT_KINDS.map((kind) => [kind, Object.fromEntries(of(kind))])) as Versions;
  }

  /** The portable file as one line of JSON, put together from what each document was written as. */
  get bundleText(): string {
    return this.#written('');
  }

  /** The same with a document a line, as a version control likes it. */
  get fileText(): string {
    return `${this.#written('\n')}\n`;
  }

  /** All documents of a kind, each with its id and version, as JSON put together in the same way. */
  listText(kind: DocumentKind): string {
    const kept = [...this.documents.shelf(kind)].map(
      ([id, value]) => `{"id":${JSON.stringify(id)},"version":${this.version(kind, id)},"value":${textOf(value)}}`,
    );
    return `[${kept.join(',')}]`;
  }

  /** Characters of all documents together. */
  get size(): number {
    this.#size ??= DOCUMENT_KINDS.reduce(
      (sum, kind) => sum + this.documents.list(kind).reduce((all, value) => all + lengthOf(value), 0),
      0,
    );
    return this.#size;
  }

  /** @param between what stands between two documents */
  #written(between: string): string {
    const { format, version } = emptyBundle();
    const method = this.documents.get('method', METHOD_ID);
    const lists = COLLECTIONS.map(
      (each) => `"${each}":[${between}${this.documents.list(each).map(textOf).join(`,${between}`)}${between}]`,
    );
    const head = [`"format":"${format}"`, `"version":${version}`, ...(method ? [`"method":${textOf(method)}`] : [])];
    return `{${[...head, ...lists].join(`,${between}`)}}`;
  }
}
