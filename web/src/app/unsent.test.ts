import { classOf } from '@warm-ladder/core/testing';
import { dropRecord, forget, remember, takeUp, type UnsentRecord, unreadable } from './unsent';

/** A browser's store, with room for so many letters. */
function storeOf(room = Number.POSITIVE_INFINITY): Storage {
  const kept = new Map<string, string>();
  return {
    get length() {
      return kept.size;
    },
    key: (i) => [...kept.keys()][i] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    removeItem: (key) => void kept.delete(key),
    clear: () => kept.clear(),
    setItem: (key, value) => {
      const used = [...kept].reduce((sum, [k, v]) => sum + (k === key ? 0 : v.length), 0);
      if (used + value.length > room) throw new Error('the quota has been exceeded');
      kept.set(key, value);
    },
  };
}
const use = (store: Storage | undefined) =>
  Object.defineProperty(globalThis, 'localStorage', { value: store, configurable: true });
beforeEach(() => use(storeOf()));

const record = (id: string, name: string, at = 1): UnsentRecord => ({
  kind: 'classes',
  id,
  base: 4,
  value: classOf([], { id, name }),
  at,
});
const NOBODY: ReadonlySet<string> = new Set();
const NONE = () => false;
const names = (left: Awaited<ReturnType<typeof takeUp>>) =>
  left.records.map(({ value }) => (value as { name: string }).name);

test('two tabs keep their own, and neither removes the other’s', async () => {
  remember('clay', 'tab-a', record('x', 'X of A'));
  remember('clay', 'tab-b', record('y', 'Y of B'));
  forget('clay', 'tab-b', 'classes', 'x');
  expect(names(await takeUp('clay', 'tab-c', NOBODY, NONE, {})).sort()).toEqual(['X of A', 'Y of B']);
  // Taken up, they are this tab's: the next one finds each once.
  expect(names(await takeUp('clay', 'tab-d', NOBODY, NONE, {}))).toHaveLength(2);
});

test('a tab that is open keeps its own, and another studio’s stays where it is', async () => {
  remember('clay', 'tab-a', record('x', 'Living'));
  remember('stone', 'tab-b', record('y', 'Elsewhere'));
  expect((await takeUp('clay', 'tab-c', new Set(['tab-a']), NONE, {})).records).toEqual([]);
  expect(names(await takeUp('clay', 'tab-c', NOBODY, NONE, {}))).toEqual(['Living']);
  expect(names(await takeUp('stone', 'tab-c', NOBODY, NONE, {}))).toEqual(['Elsewhere']);
});

test('what the server has just so is let go: later it would be told as a conflict with somebody else’s change', async () => {
  remember('clay', 'tab-a', record('x', 'Arrived'));
  remember('clay', 'tab-a', record('y', 'Not yet'));
  const arrived = ({ id }: UnsentRecord) => id === 'x';
  expect(names(await takeUp('clay', 'tab-b', NOBODY, arrived, {}))).toEqual(['Not yet']);
  expect(names(await takeUp('clay', 'tab-c', NOBODY, NONE, {}))).toEqual(['Not yet']);
});

test('of one document by two tabs the later is shown and the other waits to be asked about', async () => {
  remember('clay', 'tab-a', record('x', 'Earlier', 1));
  remember('clay', 'tab-b', record('x', 'Later', 2));
  const left = await takeUp('clay', 'tab-c', NOBODY, NONE, {});
  expect(names(left)).toEqual(['Later']);
  expect(left.others.map(({ value }) => (value as { name: string }).name)).toEqual(['Earlier']);
  dropRecord(left.others[0]?.key ?? '');
  expect((await takeUp('clay', 'tab-d', NOBODY, NONE, {})).others).toEqual([]);
});

test.each<[string, string]>([
  ['nothing', 'null'],
  ['half a record', '{"base": 1, "val'],
  ['a document of an older shape', JSON.stringify({ base: 1, at: 1, value: { id: 'x', title: 'Old' } })],
  ['a record without a version', JSON.stringify({ at: 1, value: null })],
])('%s in the store is set aside, and stops nothing', async (_name, text) => {
  localStorage.setItem('warm-ladder/unsent/clay/classes/x/tab-a', text);
  localStorage.setItem('warm-ladder/unsent/clay/shoes/x/tab-a', '{}');
  remember('clay', 'tab-a', record('y', 'Sound'));
  const left = await takeUp('clay', 'tab-b', NOBODY, NONE, {});
  expect(names(left)).toEqual(['Sound']);
  expect(left.unreadable).toBe(2);
  expect(unreadable().map((each) => each.text)).toContain(text);
});

test('a full store says that it keeps nothing, and so does a forbidden one', async () => {
  use(storeOf(50));
  expect(remember('clay', 'tab-a', record('x', 'Small'))).toBe(false);
  use(undefined);
  expect(remember('clay', 'tab-a', record('x', 'Small'))).toBe(false);
  expect((await takeUp('clay', 'tab-a', NOBODY, NONE, {})).records).toEqual([]);
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    get: () => {
      throw new Error('forbidden');
    },
  });
  expect(remember('clay', 'tab-a', record('x', 'Small'))).toBe(false);
});
