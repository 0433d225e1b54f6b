import 'fake-indexeddb/auto';
import { bundleOf, classOf } from '@warm-ladder/core/testing';
import type { ChangeAnswer, SentChange } from '@warm-ladder/core/wire';
import { store } from '../store/store';
import { changed, loadStudio, takeServers } from '../store/studio';
import { NO_HISTORY, noVersions } from '../store/studioState';
import { startAutosave } from './autosave';

/** What came to the server, and what it does with the next request. */
const requests: SentChange[][] = [];
let answer: (changes: readonly SentChange[]) => Promise<Response> | Response;
const kept = (changes: readonly SentChange[]): ChangeAnswer[] =>
  changes.map(({ version }) => ({ outcome: 'kept', version: version + 1 }));
const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
const refusal = { code: 'INVALID', message: 'Because.', path: 'classes/test-class' } as const;
const asked: { confirm?: (event: { preventDefault: () => void }) => void; online?: () => void } = {};

beforeAll(() => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  globalThis.fetch = async (_url, init) => {
    const { changes } = JSON.parse(String(init?.body));
    requests.push(changes);
    return answer(changes);
  };
  const addEventListener = (type: string, hear: () => void) => {
    if (type === 'beforeunload') asked.confirm = hear;
    if (type === 'online') asked.online = hear;
  };
  Object.defineProperty(globalThis, 'window', { value: { addEventListener }, configurable: true });
  startAutosave(store);
});
afterAll(() => jest.useRealTimers());

beforeEach(() => {
  answer = (changes) => json({ answers: kept(changes) });
  const versions = { ...noVersions(), classes: { 'test-class': 7 } };
  const left = { records: [], others: [], unreadable: 0, ...NO_HISTORY };
  const answered = { only: null, studio: 'clay', revision: 9, setAside: 0, heats: {}, bundle: bundleOf(), versions };
  store.dispatch(loadStudio.fulfilled({ answer: answered, left }, 'request', undefined));
  // What was opened anew waits for nothing.
  store.dispatch(
    takeServers.fulfilled({ kind: 'classes', id: 'test-class', current: { version: 7, value: classOf([]) } }, 'r', {
      kind: 'classes',
      id: 'test-class',
    }),
  );
  requests.length = 0;
});

/** Writes the name of a class, letter by letter; with no field, at once. */
const write = (id: string, name: string, field = 'name') =>
  store.dispatch(
    changed({ documents: [{ kind: 'classes', id, after: classOf([], { id, name }) }], label: name, field }),
  );
/** Lets so many milliseconds pass, and all that was waiting for them be done. */
async function pass(milliseconds: number) {
  await jest.advanceTimersByTimeAsync(milliseconds);
  for (let turn = 0; turn < 20; turn++) await new Promise((resolve) => setImmediate(resolve));
  await jest.advanceTimersByTimeAsync(0);
}
/** The names that were sent: of whole documents, and of those that were sent as what was changed in them. */
const nameIn = ({ edit, value }: SentChange) =>
  edit ? edit.find(({ path }) => path[0] === 'name') : (value as { readonly name: string }).name;
const names = () => requests.map((changes) => changes.map(nameIn));
const renamed = (was: string, value: string) => ({ op: 'set', path: ['name'], value, was });
const state = () => store.getState().studio;

test('what is changed while the hand goes on is sent once it rests, together, each with the version it was made from', async () => {
  write('test-class', 'A');
  await pass(200);
  write('new-one', 'N');
  await pass(200);
  write('test-class', 'B');
  expect(requests).toEqual([]);
  await pass(400);
  expect(names()).toEqual([[renamed('Test class', 'B'), 'N']]);
  expect(requests[0]?.map(({ id, version }) => [id, version])).toEqual([
    ['test-class', 7],
    ['new-one', 0],
  ]);
  expect(state()).toMatchObject({ unsaved: {}, sending: {}, versions: { classes: { 'test-class': 8, 'new-one': 1 } } });
  await pass(60_000);
  expect(requests).toHaveLength(1);
});

test('what is done at once is sent as good as at once, with what is done in the same moment', async () => {
  write('test-class', 'A', '');
  write('new-one', 'N', '');
  expect(requests).toEqual([]);
  await pass(50);
  expect(names()).toEqual([[renamed('Test class', 'A'), 'N']]);
  expect(state().unsaved).toEqual({});
});

test('what is typed while it is on its way is sent right after, made from the version that then is', async () => {
  let arrive = () => {};
  answer = (changes) =>
    new Promise((resolve) => {
      arrive = () => resolve(json({ answers: kept(changes) }));
    });
  write('test-class', 'A');
  await pass(400);
  write('test-class', 'B');
  await pass(400);
  // One at a time: the second would be refused as stale.
  expect(names()).toEqual([[renamed('Test class', 'A')]]);
  answer = (changes) => json({ answers: kept(changes) });
  arrive();
  await pass(400);
  expect(names()).toEqual([[renamed('Test class', 'A')], [renamed('A', 'B')]]);
  expect(requests[1]?.[0]?.version).toBe(8);
  expect(state().unsaved).toEqual({});
});

test('while the server is away it is asked again, less and less often; back, everything is sent', async () => {
  answer = () => {
    throw new TypeError('failed to fetch');
  };
  write('test-class', 'A');
  await pass(400);
  expect(state()).toMatchObject({ away: true, trouble: null });
  const tries = [requests.length];
  for (const milliseconds of [1_000, 2_000, 4_000, 8_000, 15_000, 30_000, 30_000]) {
    await pass(milliseconds);
    tries.push(requests.length);
  }
  expect(tries).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  // Typing meanwhile makes it ask no sooner.
  write('test-class', 'B');
  await pass(2_000);
  expect(requests).toHaveLength(8);
  answer = (changes) => json({ answers: kept(changes) });
  asked.online?.();
  await pass(10);
  expect(names().at(-1)).toEqual([renamed('Test class', 'B')]);
  expect(state()).toMatchObject({ away: false, unsaved: {} });
});

test('a server that fails says so in its words, and is asked again', async () => {
  answer = () => json({ code: 'NO_SPACE', message: 'The disk is full.', path: null }, 507);
  write('test-class', 'A');
  await pass(400);
  expect(state()).toMatchObject({ away: false, trouble: 'The disk is full.' });
  answer = (changes) => json({ answers: kept(changes) });
  await pass(1_000);
  expect(state()).toMatchObject({ trouble: null, unsaved: {} });
});

test('what is refused is not sent again as it is, but with whatever is changed next', async () => {
  answer = (changes) => json({ answers: changes.map(() => ({ outcome: 'refused', refusal })) });
  write('test-class', 'A');
  await pass(400);
  expect(state().refused).toHaveProperty('classes/test-class');
  await pass(60_000);
  expect(requests).toHaveLength(1);
  answer = (changes) => json({ answers: kept(changes) });
  write('new-one', 'N');
  await pass(400);
  const first = renamed('Test class', 'A');
  expect(names()).toEqual([[first], [first, 'N']]);
  expect(state()).toMatchObject({ refused: {}, unsaved: {} });
});

test('what the server can’t make of an edit is sent as a whole, and then as edits again', async () => {
  answer = (changes) =>
    json({ answers: changes.map((each) => (each.edit ? { outcome: 'whole' } : { outcome: 'kept', version: 9 })) });
  write('test-class', 'A');
  await pass(400);
  expect(names()).toEqual([[renamed('Test class', 'A')], ['A']]);
  expect(requests[1]?.[0]?.version).toBe(7);
  expect(state()).toMatchObject({ unsaved: {}, versions: { classes: { 'test-class': 9 } } });
  answer = (changes) => json({ answers: kept(changes) });
  write('test-class', 'B');
  await pass(400);
  expect(names().at(-1)).toEqual([renamed('A', 'B')]);
});

test('what is asked about waits for the answer, and stops no other', async () => {
  answer = (changes) =>
    json({ answers: changes.map(({ id }) => (id === 'test-class' ? { outcome: 'stale', current: null } : kept([]))) });
  write('test-class', 'A');
  await pass(400);
  expect(state().conflicts).toHaveLength(1);
  answer = (changes) => json({ answers: kept(changes) });
  write('new-one', 'N');
  await pass(400);
  expect(names()).toEqual([[renamed('Test class', 'A')], ['N']]);
});

test('a page that closes asks first only where closing would lose something', () => {
  const stopped = () => {
    let held = false;
    asked.confirm?.({ preventDefault: () => (held = true) });
    return held;
  };
  expect(stopped()).toBe(false);
  write('test-class', 'A');
  // This browser keeps it: the next page sends it.
  expect(stopped()).toBe(false);
  store.dispatch({ type: 'studio/kept', payload: false });
  expect(stopped()).toBe(true);
  store.dispatch({ type: 'studio/kept', payload: true });
});
