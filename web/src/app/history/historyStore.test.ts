import 'fake-indexeddb/auto';
import { browserStore, written } from '../saving/browserStore';
import { type HistoryStep, type KeptHistory, NO_HISTORY } from '../store/studioState';
import { historyWrite, putHistory, takeUpHistory } from './historyStore';

const step = (n: number): HistoryStep => ({
  n,
  label: `step ${n}`,
  field: '',
  at: '/class/x',
  documents: [
    { kind: 'classes', id: 'x', edit: [{ op: 'set', path: ['document', 'name'], value: `${n}`, was: `${n - 1}` }] },
  ],
});
const NOBODY: ReadonlySet<string> = new Set();
const keep = (studio: string, tab: string, history: KeptHistory, before: readonly HistoryStep[] = []) =>
  written(['steps', 'cursors'], (transaction) =>
    putHistory(transaction, studio, tab, historyWrite(new Map(before.map((each) => [each.n, each])), history)),
  );

test('what was done and what was undone come back in their order, though only what changed was written', async () => {
  const [one, two, three, ten] = [step(1), step(2), step(3), step(10)];
  await keep('clay', 'a', { past: [one, two, three], future: [] });
  const changed = historyWrite(new Map([one, two, three].map((each) => [each.n, each])), {
    past: [one, ten],
    future: [],
  });
  expect(changed).toEqual({ put: [ten], drop: [2, 3], last: 10 });
  await keep('clay', 'a', { past: [one], future: [ten, three] }, [one, two, three]);
  expect(await takeUpHistory('clay', 'b', 'a', NOBODY)).toEqual({ past: [one], future: [ten, three] });
  // It is the next page's now, and nobody else's.
  expect(await takeUpHistory('clay', 'c', 'b', NOBODY)).toEqual({ past: [one], future: [ten, three] });
  expect(await takeUpHistory('clay', 'd', 'a', new Set(['c']))).toEqual(NO_HISTORY);
});

test('a window goes on with its own history, a new one with the last; an open tab keeps its own', async () => {
  await keep('stone', 'mine', { past: [step(1)], future: [] });
  await keep('stone', 'open', { past: [step(2)], future: [] });
  await new Promise((later) => setTimeout(later, 5));
  await keep('stone', 'later', { past: [step(3)], future: [] });
  const living = new Set(['open']);
  expect((await takeUpHistory('stone', 'new', 'mine', living)).past).toEqual([step(1)]);
  expect((await takeUpHistory('stone', 'newer', null, new Set())).past).toEqual([step(1)]);
});

test('the history of an open tab is nobody else’s, though it is the last', async () => {
  await keep('slip', 'closed', { past: [step(1)], future: [] });
  await new Promise((later) => setTimeout(later, 5));
  await keep('slip', 'open', { past: [step(2)], future: [] });
  expect((await takeUpHistory('slip', 'new', null, new Set(['open']))).past).toEqual([step(1)]);
  expect((await takeUpHistory('slip', 'open', 'open', new Set(['new']))).past).toEqual([step(2)]);
});

test('a history with a step that can’t be read is let go', async () => {
  await keep('brick', 'a', { past: [step(1), step(2)], future: [] });
  await (await browserStore()).put('steps', '{"n": 2}', ['brick', 'a', 2]);
  expect(await takeUpHistory('brick', 'b', 'a', NOBODY)).toEqual(NO_HISTORY);
});
