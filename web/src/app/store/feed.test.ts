import { diff, type Edit } from '@warm-ladder/core/edits';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import type { FeedEvent, StudioAnswer } from '@warm-ladder/core/wire';
import { whileFeedHeld } from '../saving/heldFeed';
import { documentOf } from './entities';
import { startFeed } from './feed';
import { startRest, wholeStudio } from './rest';
import { store } from './store';
import { answered, changed, loadStudio } from './studio';
import { NO_HISTORY, noVersions } from './studioState';

/** A line to the server, as the browser has one. */
class Line {
  static readonly CLOSED = 2;
  static readonly open: Line[] = [];
  readyState = 1;
  onmessage: (event: { data: string }) => void = () => {};
  onerror: () => void = () => {};
  readonly named: string[] = [];
  constructor(readonly url: string) {
    Line.open.push(this);
  }
  addEventListener(name: string): void {
    this.named.push(name);
  }
  tell(event: FeedEvent): void {
    this.onmessage({ data: JSON.stringify(event) });
  }
}
/** The other tabs of this browser. */
class Tabs {
  static readonly posted: FeedEvent[] = [];
  static one: Tabs | undefined;
  onmessage: (event: { data: FeedEvent }) => void = () => {};
  constructor(readonly name: string) {
    Tabs.one = this;
  }
  postMessage(event: FeedEvent): void {
    Tabs.posted.push(event);
  }
}

const versions = { ...noVersions(), classes: { 'test-class': 7 } };
const answerAt = (revision: number, name: string, only: string | null = null): StudioAnswer => ({
  only,
  studio: 'clay',
  revision,
  setAside: 0,
  heats: {},
  bundle: bundleOf({ classes: [classOf([], { name })] }),
  versions: { ...versions, classes: { 'test-class': revision } },
});
/** What the server answers to one question after another; the last one again. */
let answers: Array<StudioAnswer | null> = [];
let asked = 0;
const change = (revision: number, name: string): FeedEvent => ({
  revision,
  changes: [{ kind: 'classes', id: 'test-class', version: revision, value: classOf([], { name }) }],
});
const open = (answer: StudioAnswer) =>
  store.dispatch(
    loadStudio.fulfilled(
      { answer, left: { records: [], others: [], unreadable: 0, ...NO_HISTORY } },
      'request',
      undefined,
    ),
  );
const edit = (revision: number, base: number, made: Edit): FeedEvent => ({
  revision,
  changes: [{ kind: 'classes', id: 'test-class', version: revision, base, edit: made }],
});
const here = () => documentOf(store.getState().studio.entities, 'classes', 'test-class');
const name = () => here()?.name;
const revision = () => store.getState().studio.revision;
async function pass(milliseconds: number) {
  await jest.advanceTimersByTimeAsync(milliseconds);
  for (let turn = 0; turn < 10; turn++) await new Promise((resolve) => setImmediate(resolve));
}

beforeAll(async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  Object.defineProperty(globalThis, 'EventSource', { value: Line, configurable: true });
  Object.defineProperty(globalThis, 'BroadcastChannel', { value: Tabs, configurable: true });
  Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
  Object.defineProperty(globalThis, 'window', { value: {}, configurable: true });
  globalThis.fetch = async () => {
    const answer = answers[Math.min(asked++, answers.length - 1)];
    if (!answer) throw new TypeError('failed to fetch');
    return new Response(JSON.stringify(answer));
  };
  startFeed(store);
  startRest(store);
});
afterAll(() => jest.useRealTimers());
beforeEach(() => {
  answers = [];
  asked = 0;
  open(answerAt(9, 'As opened'));
});
const line = () => Line.open.at(-1) as Line;

test('the server is listened to once the studio is here, from where it is', async () => {
  await pass(1_000);
  expect(Line.open.map(({ url }) => url)).toEqual(['/api/feed?since=9']);
  expect(Tabs.one?.name).toBe('warm-ladder/feed');
});

test('what others change comes in, and is told to the other tabs; what is older than what is here is not heard', () => {
  line().tell(change(12, 'Theirs'));
  expect([name(), revision()]).toEqual(['Theirs', 12]);
  expect(Tabs.posted.at(-1)?.revision).toBe(12);
  line().tell(change(11, 'Older'));
  expect([name(), revision()]).toEqual(['Theirs', 12]);
  Tabs.one?.onmessage({ data: change(13, 'By another tab') });
  expect([name(), revision()]).toEqual(['By another tab', 13]);
});

test('what was changed is made in what is here, of which the rest stays the very same', () => {
  const [first, second] = [block('hold'), block('curl')];
  const value = classOf([first, second], { name: 'Theirs', targetMinutes: 40 });
  line().tell({ revision: 12, changes: [{ kind: 'classes', id: 'test-class', version: 12, value }] });
  const before = here();
  const rest = { ...before, blocks: before?.blocks.map((each, i) => (i === 1 ? { ...each, notes: 'Slowly' } : each)) };
  line().tell(edit(13, 12, diff(before as object, rest)));
  expect([here(), revision()]).toEqual([rest, 13]);
  expect(here()?.blocks[0]).toBe(before?.blocks[0]);
  // While something is on its way from here, that and what others do after it may be told before the answer.
  const place = { kind: 'classes', id: 'test-class' } as const;
  const mine = { ...here(), name: 'Mine' } as ClassPlan;
  store.dispatch(changed({ documents: [{ ...place, after: mine }], label: 'naming', field: '' }));
  const minutes = (was: number, to: number): Edit => [{ op: 'set', path: ['targetMinutes'], value: to, was }];
  line().tell(edit(14, 13, diff(rest, mine)));
  line().tell(edit(15, 14, minutes(40, 50)));
  line().tell(edit(16, 15, minutes(50, 60)));
  expect([here(), revision(), asked]).toEqual([mine, 16, 0]);
  store.dispatch(answered([{ ...place, sent: mine, answer: { outcome: 'kept', version: 14 } }]));
  expect(here()).toEqual({ ...mine, targetMinutes: 60 });
  line().tell(edit(17, 16, minutes(60, 70)));
  expect(here()).toEqual({ ...mine, targetMinutes: 70 });
});

test('what was changed in another version than what is here is read, once for all that is told meanwhile', async () => {
  answers = [answerAt(23, 'Read anew')];
  for (const at of [21, 22, 23]) line().tell(edit(at, at - 1, [{ op: 'set', path: ['notes'], value: 'Slowly' }]));
  await pass(10);
  expect([here()?.name, revision(), asked]).toEqual(['Read anew', 23, 1]);
  // It says the version that is here, and does not fit it.
  answers = [answerAt(24, 'Once more')];
  asked = 0;
  line().tell(edit(24, 23, [{ op: 'set', path: ['name'], value: 'B', was: 'A' }]));
  await pass(10);
  expect([here()?.name, asked]).toEqual(['Once more', 1]);
});

test('too much to tell, and the studio is read anew', async () => {
  answers = [answerAt(20, 'Read anew')];
  line().tell({ revision: 20, changes: null });
  await pass(10);
  expect([name(), revision(), asked]).toEqual(['Read anew', 20, 1]);
});

test('what was heard of while an older answer was on its way stays as it was heard', async () => {
  answers = [answerAt(20, 'Before the change')];
  line().tell({ revision: 20, changes: null });
  line().tell(change(21, 'With the change'));
  await pass(10);
  expect([name(), revision(), asked]).toEqual(['With the change', 21, 1]);
  // Removed, it is not brought back; and what is read later is as it is read.
  line().tell({ revision: 24, changes: null });
  line().tell({ revision: 25, changes: [{ kind: 'classes', id: 'test-class', version: 0, value: null }] });
  answers = [answerAt(24, 'Not removed yet')];
  await pass(10);
  expect([name(), revision()]).toEqual([undefined, 25]);
  answers = [answerAt(30, 'Made again')];
  line().tell({ revision: 30, changes: null });
  await pass(10);
  expect([name(), revision()]).toEqual(['Made again', 30]);
});

test('what was removed before it was here, or by this page itself, does not come with an older answer', async () => {
  const gone = (id: string, revision: number): FeedEvent => ({
    revision,
    changes: [{ kind: 'classes', id, version: 0, value: null }],
  });
  const older = answerAt(20, 'Removed here');
  answers = [{ ...older, bundle: bundleOf({ classes: [classOf([]), classOf([], { id: 'far' })] }) }];
  line().tell({ revision: 20, changes: null });
  line().tell(gone('far', 21));
  const place = { kind: 'classes', id: 'test-class' } as const;
  store.dispatch(changed({ documents: [{ ...place, after: undefined }], label: 'deleting', field: '' }));
  store.dispatch(answered([{ ...place, sent: undefined, answer: { outcome: 'kept', version: 0 } }]));
  line().tell(gone('test-class', 22));
  await pass(10);
  const { entities } = store.getState().studio;
  expect([entities.classes.ids, revision(), asked]).toEqual([[], 22, 1]);
});

test('an answer that comes after a newer one is asked for again', async () => {
  const arrive: Array<() => void> = [];
  const slow = globalThis.fetch;
  globalThis.fetch = async (...question) => {
    await new Promise<void>((resolve) => arrive.push(resolve));
    return slow(...question);
  };
  answers = [answerAt(25, 'Newer'), answerAt(20, 'Older'), answerAt(25, 'Newer')];
  line().tell({ revision: 20, changes: null });
  line().tell({ revision: 25, changes: null });
  arrive[1]?.();
  await pass(10);
  expect(name()).toBe('Newer');
  arrive[0]?.();
  await pass(10);
  globalThis.fetch = slow;
  arrive[2]?.();
  await pass(10);
  expect([name(), revision(), asked]).toEqual(['Newer', 25, 3]);
});

test('what is told while this tab does something of its own is heard after it', async () => {
  let end = () => {};
  const own = whileFeedHeld(
    () =>
      new Promise<void>((resolve) => {
        end = resolve;
      }),
  );
  line().tell(change(30, 'Meanwhile'));
  expect(name()).toBe('As opened');
  end();
  await own;
  expect(name()).toBe('Meanwhile');
});

test('a line that was refused is opened again from where it then is; one that broke is left to the browser', async () => {
  line().tell(change(12, 'Theirs'));
  const before = Line.open.length;
  line().onerror();
  await pass(10_000);
  expect(Line.open).toHaveLength(before);
  line().readyState = Line.CLOSED;
  line().onerror();
  await pass(3_000);
  expect(line().url).toBe('/api/feed?since=12');
  expect(Line.open).toHaveLength(before + 1);
});

describe('a page that was opened for one class', () => {
  test('asks for the rest in a quiet moment, once, and whoever needs it is told when it is here', async () => {
    answers = [answerAt(9, 'As opened')];
    open(answerAt(9, 'As opened', 'test-class'));
    let here = false;
    void wholeStudio().then(() => {
      here = true;
    });
    expect(asked).toBe(0);
    await pass(1_000);
    expect([asked, here, store.getState().studio.only]).toEqual([1, true, null]);
    await pass(60_000);
    expect(asked).toBe(1);
    expect((await wholeStudio()).studio.only).toBeNull();
  });

  test('asks again while the server does not answer', async () => {
    answers = [null, null, answerAt(9, 'As opened')];
    open(answerAt(9, 'As opened', 'test-class'));
    await pass(1_000);
    expect([asked, store.getState().studio.away]).toEqual([1, true]);
    await pass(4_000);
    await pass(4_000);
    expect([asked, store.getState().studio.away, store.getState().studio.only]).toEqual([3, false, null]);
  });
});
