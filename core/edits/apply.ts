import same from 'fast-deep-equal';
import { isItems } from './diff';
import { type Change, type Edit, EditClash, type Item, type Json, type Step, stepsText } from './edit';

type Fields = { readonly [key: string]: Json };

/**
 * A document with an edit made in it; the one given stays as it was, and what the edit does not touch is shared.
 * An item that is to go before one that is not there any more goes to the end.
 * @throws EditClash where the document is not as the edit left it or found it
 */
export function applied<T extends object>(edit: Edit, document: T): T {
  return edit.reduce<Json>((now, change) => within(now, change.path, change, 0), document as Json) as T;
}

/** Makes a change at the end of a path. */
function within(at: Json | undefined, path: readonly Step[], change: Change, depth: number): Json {
  const step = path[depth];
  const last = depth === path.length - 1;
  if (step === undefined) throw new EditClash(path, 'An edit names no place.');
  if (typeof step !== 'string') {
    const list = itemsAt(at, path, depth);
    const index = list.findIndex(({ id }) => id === step.id);
    const item = list[index];
    if (!item) throw gone(path);
    return list.with(index, within(item, path, change, depth + 1) as Item);
  }
  if (typeof at !== 'object' || at === null || Array.isArray(at)) throw gone(path);
  const fields = at as Fields;
  const { [step]: old, ...others } = fields;
  if (!last) return { ...fields, [step]: within(old, path, change, depth + 1) };
  if (change.op !== 'set') return { ...fields, [step]: listed(itemsAt(old ?? [], path, depth), change) };
  if (!same(old, change.was)) throw new EditClash(path, `“${stepsText(path)}” was changed since.`);
  return change.value === undefined ? others : { ...fields, [step]: change.value };
}

function listed(list: readonly Item[], change: Exclude<Change, { op: 'set' }>): readonly Item[] {
  const { op, path } = change;
  const id = op === 'move' ? change.id : change.item.id;
  const index = list.findIndex((each) => each.id === id);
  if (op === 'put') {
    if (index >= 0) throw new EditClash(path, `“${stepsText(path)}” has “${id}” again already.`);
    return placed(list, change.item, change.before);
  }
  const item = list[index];
  if (!item) throw gone([...path, { id }]);
  const others = list.toSpliced(index, 1);
  if (op === 'move') return placed(others, item, change.before);
  if (!same(item, change.item)) throw new EditClash(path, `“${stepsText([...path, { id }])}” was changed since.`);
  return others;
}

function placed(list: readonly Item[], item: Item, before: string | null): readonly Item[] {
  const at = before === null ? -1 : list.findIndex(({ id }) => id === before);
  return list.toSpliced(at < 0 ? list.length : at, 0, item);
}

function itemsAt(value: Json | undefined, path: readonly Step[], depth: number): readonly Item[] {
  if (!isItems(value)) throw gone(path.slice(0, depth + 1));
  return value;
}

const gone = (path: readonly Step[]): EditClash => new EditClash(path, `“${stepsText(path)}” is not there any more.`);

/** The edit that takes another one back. */
export const inverted = (edit: Edit): Edit => edit.map(invertedChange).toReversed();

function invertedChange(change: Change): Change {
  switch (change.op) {
    case 'put':
      return { ...change, op: 'take' };
    case 'take':
      return { ...change, op: 'put' };
    case 'move':
      return { ...change, before: change.was, was: change.before };
    case 'set': {
      const { op, path, value, was } = change;
      return { op, path, ...(was === undefined ? {} : { value: was }), ...(value === undefined ? {} : { was: value }) };
    }
  }
}

/**
 * Two edits of one document, one after the other, as one. What is set twice is set once, and what comes back to where
 * it was is not set at all.
 */
export function merged(first: Edit, second: Edit): Edit {
  const all: Change[] = [...first];
  for (const change of second) {
    const before = all.at(-1);
    const again = before?.op === 'set' && change.op === 'set' && same(before.path, change.path);
    if (!again) {
      all.push(change);
      continue;
    }
    all.pop();
    const { op, path, was } = before;
    const { value } = change;
    if (!same(was, value)) {
      all.push({ op, path, ...(value === undefined ? {} : { value }), ...(was === undefined ? {} : { was }) });
    }
  }
  return all;
}
