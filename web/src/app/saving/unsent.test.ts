import { emptyBundle } from '@warm-ladder/core/formats';
import { classOf } from '@warm-ladder/core/testing';
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { UnsentRecord } from './unsent';

/** A browser that has kept nothing yet, or that keeps nothing at all; with what it is read and written by. */
async function browser({ keeps = true, earlier = {} as Record<string, string> } = {}) {
  const texts = new Map(Object.entries(earlier));
  const localStorage = {
    get length() {
      return texts.size;
    },
    key: (i: number) => [...texts.keys()][i] ?? null,
    getItem: (key: string) => texts.get(key) ?? null,
    removeItem: (key: string) => void texts.delete(key),
  };
  const indexedDB = keeps
    ? new IDBFactory()
    : {
        open: () => {
          throw new Error('forbidden');
        },
      };
  for (const [name, value] of Object.entries({ localStorage, indexedDB })) {
    Object.defineProperty(globalThis, name, { value, configurable: true });
  }
  jest.resetModules();
  const { written } = await import('./browserStore');
  const unsent = await import('./unsent');
  const remember = (studio: string, tab: string, record: UnsentRecord) =>
    written(['unsent'], (transaction) => unsent.putRecord(transaction, studio, tab, record));
  return { ...unsent, remember, texts };
}

const record = (id: string, name: string, at = 1): UnsentRecord => ({
  kind: 'classes',
  id,
  base: 4,
  value: classOf([], { id, name }),
  state: 'waiting',
  at,
});
const NOBODY: ReadonlySet<string> = new Set();
/** A studio in which nothing is as it was kept here. */
const THERE = async () => emptyBundle();
const names = ({ records }: { records: readonly UnsentRecord[] }) =>
  records.map(({ value }) => (value as { name: string }).name);

test('what tabs that are gone have left is taken up, with where it stood; once, and of this studio', async () => {
  const { remember, takeUp } = await browser();
  await remember('clay', 'tab-a', { ...record('x', 'X of A'), state: 'refused', message: 'Because.' });
  await remember('clay', 'tab-b', record('y', 'Y of B'));
  await remember('stone', 'tab-b', record('z', 'Elsewhere'));
  const left = await takeUp('clay', 'tab-c', NOBODY, THERE);
  expect(names(left).sort()).toEqual(['X of A', 'Y of B']);
  expect(left.records.find(({ id }) => id === 'x')).toMatchObject({ state: 'refused', message: 'Because.', base: 4 });
  // Taken up, they are this tab's: the next one finds each once.
  expect(names(await takeUp('clay', 'tab-d', NOBODY, THERE))).toHaveLength(2);
  expect(names(await takeUp('stone', 'tab-d', NOBODY, THERE))).toEqual(['Elsewhere']);
});

test('a tab that is open keeps its own', async () => {
  const { remember, takeUp } = await browser();
  await remember('clay', 'tab-a', record('x', 'Living'));
  expect((await takeUp('clay', 'tab-c', new Set(['tab-a']), THERE)).records).toEqual([]);
  expect(names(await takeUp('clay', 'tab-c', NOBODY, THERE))).toEqual(['Living']);
});

test('what the server has just so is let go: later it would be told as a conflict with somebody else’s change', async () => {
  const { remember, takeUp } = await browser();
  await remember('clay', 'tab-a', record('x', 'Arrived'));
  await remember('clay', 'tab-a', record('y', 'Not yet'));
  const classes = [classOf([], { id: 'x', name: 'Arrived' }), classOf([], { id: 'y', name: 'As it was' })];
  const there = async () => ({ ...emptyBundle(), classes });
  expect(names(await takeUp('clay', 'tab-b', NOBODY, there))).toEqual(['Not yet']);
  expect(names(await takeUp('clay', 'tab-c', NOBODY, THERE))).toEqual(['Not yet']);
});

test('of one document by two tabs the later is shown and the other waits to be asked about', async () => {
  const { remember, takeUp, dropRecord } = await browser();
  await remember('clay', 'tab-a', record('x', 'Earlier', 1));
  await remember('clay', 'tab-b', record('x', 'Later', 2));
  const left = await takeUp('clay', 'tab-c', NOBODY, THERE);
  expect(names(left)).toEqual(['Later']);
  expect(left.others.map(({ value }) => (value as { name: string }).name)).toEqual(['Earlier']);
  for (const { key } of left.others) await dropRecord(key);
  expect((await takeUp('clay', 'tab-d', NOBODY, THERE)).others).toEqual([]);
});

const SOUND = JSON.stringify({ base: 1, at: 1, format: 2, value: classOf([], { id: 'y', name: 'Sound' }) });

test.each<[string, string]>([
  ['nothing', 'null'],
  ['half a record', '{"base": 1, "val'],
  ['a document of an older shape', JSON.stringify({ base: 1, at: 1, value: { id: 'x', title: 'Old' } })],
  ['a record without a version', JSON.stringify({ at: 1, value: null })],
])(
  'what an earlier version kept is taken over once; %s among it is set aside, and stops nothing',
  async (_name, text) => {
    const { takeUp, unreadable, texts } = await browser({
      earlier: {
        'warm-ladder/unsent/clay/classes/x/tab-a': text,
        'warm-ladder/unsent/clay/shoes/x/tab-a': '{}',
        'warm-ladder/unsent/clay/classes/y/tab-a': SOUND,
        'warm-ladder/unsent/clay/classes/z/tab-open': SOUND,
        'warm-ladder/unsent/stone/classes/y/tab-a': SOUND,
        'warm-ladder/unsaved': '{"classes/x":null}',
        'warm-ladder/single-keys-off': 'off',
      },
    });
    const left = await takeUp('clay', 'tab-b', new Set(['tab-open']), THERE);
    expect(names(left)).toEqual(['Sound']);
    expect(left.unreadable).toBe(3);
    expect((await unreadable()).map((each) => each.text)).toContain(text);
    expect([...texts.keys()]).toEqual([
      'warm-ladder/unsent/clay/classes/z/tab-open',
      'warm-ladder/unsent/stone/classes/y/tab-a',
      'warm-ladder/single-keys-off',
    ]);
    expect(names(await takeUp('clay', 'tab-c', NOBODY, THERE))).toEqual(['Sound', 'Sound']);
  },
);

test('the whole studio is asked for only where something was left, and if it can’t be had, all stays where it is', async () => {
  const { remember, takeUp } = await browser();
  const away = async () => {
    throw new Error('away');
  };
  expect(names(await takeUp('clay', 'tab-b', NOBODY, away))).toEqual([]);
  await remember('clay', 'tab-a', record('x', 'Left'));
  await expect(takeUp('clay', 'tab-b', NOBODY, away)).rejects.toThrow('away');
  expect(names(await takeUp('clay', 'tab-b', NOBODY, THERE))).toEqual(['Left']);
});

test('a browser that keeps nothing says so, and has nothing left', async () => {
  const { remember, takeUp, unreadable } = await browser({ keeps: false });
  expect(await remember('clay', 'tab-a', record('x', 'Small'))).toBe(false);
  expect(await takeUp('clay', 'tab-b', NOBODY, THERE)).toEqual({ records: [], others: [], unreadable: 0 });
  expect(await unreadable()).toEqual([]);
});
