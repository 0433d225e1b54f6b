import { Catalog } from '../../repertoire';
import type { StudioIndex } from '../studioIndex';
import {
  type Bundle,
  COLLECTIONS,
  DOCUMENT_KINDS,
  type DocumentKind,
  type DocumentOf,
  emptyBundle,
  METHOD_ID,
} from './bundle';

/** A document put in its place, or (no value) taken away. */
export type DocumentChange = {
  readonly [K in DocumentKind]: { readonly kind: K; readonly id: string; readonly value?: DocumentOf<K> | undefined };
}[DocumentKind];

/** Documents of one kind in the studio's order, by id. */
type Shelf<K extends DocumentKind = DocumentKind> = ReadonlyMap<string, DocumentOf<K>>;

/** Kinds the catalogue is made from: while none of them changes, the catalogue stays. */
export const REPERTOIRE: ReadonlySet<DocumentKind> = new Set<DocumentKind>([
  'method',
  'positions',
  'props',
  'exercises',
]);

/**
 * Every document of a studio by kind and id, in order. Never changed in place: `with` gives the next one and shares
 * whatever stays the same.
 * @example Documents.of(bundle).with([{ kind: 'classes', id: 'monday', value: plan }]).get('classes', 'monday')
 */
export class Documents implements StudioIndex {
  readonly #shelves: ReadonlyMap<DocumentKind, Shelf>;
  #catalog: Catalog | undefined;
  #bundle: Bundle | undefined;

  private constructor(shelves: ReadonlyMap<DocumentKind, Shelf>, catalog?: Catalog) {
    this.#shelves = shelves;
    this.#catalog = catalog;
  }

  /** Of two with one id in a list the later one stays; `checkBundle` refuses such a file. */
  static of(bundle: Bundle): Documents {
    const shelves = new Map<DocumentKind, Shelf>(
      COLLECTIONS.map((each) => [each, new Map((bundle[each] ?? []).map((value) => [value.id, value]))]),
    );
    shelves.set('method', new Map(bundle.method ? [[METHOD_ID, bundle.method]] : []));
    return new Documents(shelves);
  }

  /** @param alike documents that have the same repertoire when these changes are made: their catalogue is this one's */
  with(changes: Iterable<DocumentChange>, alike: Documents = this): Documents {
    const shelves = new Map(this.#shelves);
    const fresh = new Map<DocumentKind, Map<string, DocumentOf<DocumentKind>>>();
    for (const { kind, id, value } of changes) {
      const shelf = fresh.get(kind) ?? new Map(shelves.get(kind));
      fresh.set(kind, shelf);
      shelves.set(kind, shelf);
      if (value === undefined) shelf.delete(id);
      else shelf.set(id, value);
    }
    const same = [...fresh.keys()].every((kind) => !REPERTOIRE.has(kind));
    return new Documents(shelves, same || alike !== this ? alike.#catalog : undefined);
  }

  get<K extends DocumentKind>(kind: K, id: string): DocumentOf<K> | undefined {
    return this.shelf(kind).get(id);
  }

  has(kind: DocumentKind, id: string): boolean {
    return this.shelf(kind).has(id);
  }

  shelf<K extends DocumentKind>(kind: K): Shelf<K> {
    return (this.#shelves.get(kind) ?? new Map()) as Shelf<K>;
  }

  list<K extends DocumentKind>(kind: K): Array<DocumentOf<K>> {
    return [...this.shelf(kind).values()];
  }

  get size(): number {
    return DOCUMENT_KINDS.reduce((sum, kind) => sum + this.shelf(kind).size, 0);
  }

  get props() {
    return this.bundle.props ?? [];
  }

  get catalog(): Catalog {
    const { method, positions, exercises = [] } = this.bundle;
    this.#catalog ??= new Catalog({ method, positions, props: this.props, exercises });
    return this.#catalog;
  }

  /** The same documents as the portable file has them. */
  get bundle(): Bundle {
    const method = this.get('method', METHOD_ID);
    this.#bundle ??= {
      ...emptyBundle(),
      ...(method ? { method } : {}),
      positions: this.list('positions'),
      props: this.list('props'),
      exercises: this.list('exercises'),
      audiences: this.list('audiences'),
      teachers: this.list('teachers'),
      rooms: this.list('rooms'),
      classes: this.list('classes'),
      series: this.list('series'),
      logs: this.list('logs'),
      questions: this.list('questions'),
    };
    return this.#bundle;
  }
}
