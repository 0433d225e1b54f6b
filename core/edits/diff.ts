import same from 'fast-deep-equal';
import type { Change, Edit, Item, Json, Step } from './edit';

type Fields = { readonly [key: string]: Json };

export const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether a list is of items with an id each, and no id twice. */
export function isItems(value: unknown): value is readonly Item[] {
  if (!Array.isArray(value)) return false;
  const ids = new Set<string>();
  for (const item of value) {
    if (!isFields(item) || typeof item.id !== 'string' || ids.has(item.id)) return false;
    ids.add(item.id);
  }
  return true;
}

/**
 * The edit that leads from one document to another; empty where nothing differs.
 * @param before, after documents as JSON has them
 */
export function diff(before: object, after: object): Edit {
  const changes: Change[] = [];
  fields(before as Fields, after as Fields, [], changes);
  return changes;
}

function fields(before: Fields, after: Fields, path: readonly Step[], changes: Change[]): void {
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    value(before[key], after[key], [...path, key], changes);
  }
}

function value(before: Json | undefined, after: Json | undefined, path: readonly Step[], changes: Change[]): void {
  if (before === after) return;
  // An empty list has no items to tell whether it is one of items: it goes by the other.
  const lists = isItems(before) && isItems(after) && before.length + after.length > 0;
  if (lists) items(before, after, path, changes);
  else if (isFields(before) && isFields(after)) fields(before, after, path, changes);
  else if (!same(before, after)) changes.push(setting(path, before, after));
}

const setting = (path: readonly Step[], was: Json | undefined, to: Json | undefined): Change => ({
  op: 'set',
  path,
  ...(to === undefined ? {} : { value: to }),
  ...(was === undefined ? {} : { was }),
});

/** What goes is taken first, what comes is put from the end on, and only what is out of line is moved. */
function items(before: readonly Item[], after: readonly Item[], path: readonly Step[], changes: Change[]): void {
  const wanted = new Map(after.map((item) => [item.id, item]));
  const order = before.map(({ id }) => id);
  for (const item of before) {
    if (wanted.has(item.id)) continue;
    const at = order.indexOf(item.id);
    order.splice(at, 1);
    changes.push({ op: 'take', path, item, before: order[at] ?? null });
  }
  const stay = inLine(
    order,
    after.map(({ id }) => id),
  );
  let next: string | null = null;
  const was = new Map(before.map((item) => [item.id, item]));
  for (const item of after.toReversed()) {
    const old = was.get(item.id);
    if (!old) {
      changes.push({ op: 'put', path, item, before: next });
      place(order, item.id, next);
    } else {
      if (!stay.has(item.id)) {
        const at = order.indexOf(item.id);
        const moved: Change = { op: 'move', path, id: item.id, before: next, was: order[at + 1] ?? null };
        order.splice(at, 1);
        place(order, item.id, next);
        if (moved.was !== moved.before) changes.push(moved);
      }
      if (old !== item) fields(old, item, [...path, { id: item.id }], changes);
    }
    next = item.id;
  }
}

function place(order: string[], id: string, before: string | null): void {
  const at = before === null ? -1 : order.indexOf(before);
  order.splice(at < 0 ? order.length : at, 0, id);
}

/** The most of the items that stand in the right order already: the longest run that rises. */
export function inLine(order: readonly string[], after: readonly string[]): ReadonlySet<string> {
  const places = new Map(after.map((id, i) => [id, i]));
  /** By length of the run, where the shortest such run ends; and what each comes after. */
  const ends: string[] = [];
  const previous = new Map<string, string | undefined>();
  const placeOf = (id: string | undefined) => (id === undefined ? -1 : (places.get(id) ?? -1));
  for (const id of order) {
    const length = firstAfter(ends, placeOf(id), placeOf);
    previous.set(id, ends[length - 1]);
    ends[length] = id;
  }
  const run = new Set<string>();
  for (let id = ends.at(-1); id !== undefined; id = previous.get(id)) run.add(id);
  return run;
}

/** Where in a rising line the first stands that is not before a place; the length of the line where none does. */
function firstAfter(line: readonly string[], place: number, placeOf: (id: string | undefined) => number): number {
  let [from, to] = [0, line.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (placeOf(line[middle]) < place) from = middle + 1;
    else to = middle;
  }
  return from;
}
