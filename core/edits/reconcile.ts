import same from 'fast-deep-equal';
import { inLine, isFields, isItems } from './diff';
import type { Item, Json, Step } from './edit';

type Fields = { readonly [key: string]: Json };
type Side = 'mine' | 'theirs';

/** A place that two hands changed differently, with what each has there; what is not there is left out. */
export interface Clash {
  /** One value; an item that one took away and the other changed, or both put there; the order of a list, by its ids. */
  readonly what: 'value' | 'item' | 'order';
  readonly path: readonly Step[];
  readonly mine?: Json;
  readonly theirs?: Json;
}

export interface Reconciled<T> {
  readonly value: T;
  /** Empty where everything of both is in the value. */
  readonly clashes: readonly Clash[];
}

/**
 * What two hands made of one document, as one document. Fields go by their keys and items of lists by their ids: what
 * one of both changed stands, what both made alike stands once, and only where they differ do they clash. Without a
 * clash it is the same whichever is called mine.
 * @param was the document both began with
 * @param prefer whose stands where they clash
 * @example reconciled(monday, withFewerRepetitions, withAnotherName).clashes // []
 */
export function reconciled<T extends object>(was: object, mine: T, theirs: T, prefer: Side = 'mine'): Reconciled<T> {
  const merge = new Merge(prefer);
  const value = merge.fields(was as Fields, mine as Fields, theirs as Fields, []);
  return { value: value as T, clashes: merge.clashes };
}

class Merge {
  readonly clashes: Clash[] = [];
  readonly #prefer: Side;

  constructor(prefer: Side) {
    this.#prefer = prefer;
  }

  fields(was: Fields, mine: Fields, theirs: Fields, path: readonly Step[]): Fields {
    const keys = new Set([...Object.keys(was), ...Object.keys(mine), ...Object.keys(theirs)]);
    const all = [...keys].flatMap((key) => {
      const value = this.#value(was[key], mine[key], theirs[key], [...path, key]);
      return value === undefined ? [] : [[key, value] as const];
    });
    return Object.fromEntries(all);
  }

  #value(was: Json | undefined, mine: Json | undefined, theirs: Json | undefined, path: readonly Step[]) {
    if (same(mine, theirs) || same(was, theirs)) return mine;
    if (same(was, mine)) return theirs;
    if (isItems(mine) && isItems(theirs) && (was === undefined || isItems(was))) {
      return this.#items(was ?? [], mine, theirs, path);
    }
    if (isFields(was) && isFields(mine) && isFields(theirs)) return this.fields(was, mine, theirs, path);
    return this.#clash('value', path, mine, theirs);
  }

  #clash<V extends Json>(
    what: Clash['what'],
    path: readonly Step[],
    mine: V | undefined,
    theirs: V | undefined,
  ): V | undefined {
    const told = { ...(mine === undefined ? {} : { mine }), ...(theirs === undefined ? {} : { theirs }) };
    this.clashes.push({ what, path, ...told });
    return this.#prefer === 'mine' ? mine : theirs;
  }

  #items(was: readonly Item[], mine: readonly Item[], theirs: readonly Item[], path: readonly Step[]): readonly Item[] {
    const [before, own, other] = [was, mine, theirs].map((list) => new Map(list.map((item) => [item.id, item])));
    const items = new Map<string, Item>();
    // What clashes has a place, whether or not it stands in the end: else the order would hang on who is preferred.
    const placed = new Set<string>();
    for (const id of new Set([...was, ...mine, ...theirs].map((item) => item.id))) {
      const clashes = this.clashes.length;
      const item = this.#item(before?.get(id), own?.get(id), other?.get(id), [...path, { id }]);
      if (item) items.set(id, item);
      if (item || this.clashes.length > clashes) placed.add(id);
    }
    const idsIn = (list: readonly Item[]) => list.flatMap(({ id }) => (placed.has(id) ? [id] : []));
    const orders = { was: idsIn(was), mine: idsIn(mine), theirs: idsIn(theirs) };
    let order = ordered(orders);
    if (!order) {
      const chosen = this.#clash('order', path, orders.mine, orders.theirs) ?? [];
      order = [...chosen, ...[...items.keys()].filter((id) => !chosen.includes(id))];
    }
    return order.flatMap((id) => items.get(id) ?? []);
  }

  #item(was: Item | undefined, mine: Item | undefined, theirs: Item | undefined, path: readonly Step[]) {
    if (mine && theirs) {
      if (was) return this.fields(was, mine, theirs, path) as Item;
      return same(mine, theirs) ? mine : this.#clash('item', path, mine, theirs);
    }
    const left = mine ?? theirs;
    // New here, or gone here and there as it was.
    if (!was || !left) return left;
    return same(was, left) ? undefined : this.#clash('item', path, mine, theirs);
  }
}

/** Ids of the items that stay, as they stood and as each hand has them. */
interface Orders {
  readonly was: readonly string[];
  readonly mine: readonly string[];
  readonly theirs: readonly string[];
}

type Places = ReadonlyMap<string, number>;
const placesOf = (ids: readonly string[]): Places => new Map(ids.map((id, i) => [id, i]));

/**
 * The items in one order. Of two that both knew, who turned them round is followed; what is new stands after what it was
 * put after, unless the other hand moved that away; what both put at one place stands there in two runs.
 * @returns `null` where the turns of both go round in a circle
 */
function ordered({ was, mine, theirs }: Orders): readonly string[] | null {
  const [before, own, other] = [placesOf(was), placesOf(mine), placesOf(theirs)];
  const known = [...new Set([...was, ...mine])].filter((id) => before.has(id) || other.has(id));
  const line = inOneLine(known, before, own, other);
  if (!line) return null;
  const runs = [runsIn(mine, new Set(line), movedIn(was, theirs)), runsIn(theirs, new Set(line), movedIn(was, mine))];
  return [null, ...line].flatMap((id) => {
    const here = runs.map((of) => of.get(id) ?? []).filter(({ length }) => length > 0);
    return [...(id === null ? [] : [id]), ...here.toSorted(byFirst).flat()];
  });
}

/** What is new in a list, in runs by what each stands after; `null` at the front. */
function runsIn(list: readonly string[], line: ReadonlySet<string>, moved: ReadonlySet<string>) {
  const runs = new Map<string | null, string[]>();
  let after: string | null = null;
  for (const id of list) {
    if (!line.has(id)) runs.set(after, [...(runs.get(after) ?? []), id]);
    else if (!moved.has(id)) after = id;
  }
  return runs;
}

/** Runs by the first of their ids in the alphabet, so that both hands come to one order. */
function byFirst(one: readonly string[], other: readonly string[]): number {
  const [a = '', b = ''] = [one.toSorted()[0], other.toSorted()[0]];
  return a < b ? -1 : 1;
}

/** What a hand has moved out of its line. */
function movedIn(was: readonly string[], now: readonly string[]): ReadonlySet<string> {
  const there = new Set(now);
  const stayed = was.filter((id) => there.has(id));
  const line = inLine(stayed, now);
  return new Set(stayed.filter((id) => !line.has(id)));
}

/** What both knew in one order, in which every two stand as whoever turned them round has them; `null` in a circle. */
function inOneLine(known: readonly string[], was: Places, mine: Places, theirs: Places): readonly string[] | null {
  const lists = [mine, theirs].map((places) => known.filter((id) => places.has(id)).toSorted(by(places)));
  const [own = [], other = []] = lists;
  const before = known.filter((id) => was.has(id));
  // Mostly one hand alone has changed the order.
  if ([before, own, other].every(({ length }) => length === known.length)) {
    if (same(own, before) || same(own, other)) return other;
    if (same(other, before)) return own;
  }
  const standsFirst = (a: string, b: string): boolean => {
    const [first, second, third] = [was, mine, theirs].map((places) => isBefore(places, a, b));
    if (second === undefined || third === undefined) return second ?? third ?? first ?? a < b;
    if (second === third) return second;
    return first === undefined ? a < b : !first;
  };
  const ahead = new Map(known.map((id) => [id, known.filter((each) => each !== id && standsFirst(id, each)).length]));
  if (new Set(ahead.values()).size < known.length) return null;
  return known.toSorted((a, b) => (ahead.get(b) ?? 0) - (ahead.get(a) ?? 0));
}

const by = (places: Places) => (a: string, b: string) => (places.get(a) ?? 0) - (places.get(b) ?? 0);

/** Whether one stands before another; `undefined` where not both are there. */
function isBefore(places: Places, a: string, b: string): boolean | undefined {
  const [one, other] = [places.get(a), places.get(b)];
  return one === undefined || other === undefined ? undefined : one < other;
}
