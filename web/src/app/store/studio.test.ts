import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import fc from 'fast-check';
import { freeId, newId } from '../freeId';
import type { LeftBehind, RecordKey, UnsentRecord } from '../saving/unsent';
import { asBundle, documentOf, entitiesOf, listOf } from './entities';
import {
  answered,
  changed,
  conflictSettled,
  fed,
  goneTold,
  loadStudio,
  pageShown,
  redone,
  studioReducer,
  takeServers,
  unanswered,
  undone,
} from './studio';
import { type Change, type KeptHistory, NO_HISTORY, type StudioState } from './studioState';

const versions = {
  positions: {},
  props: {},
  logs: {},
  questions: {},
  exercises: {},
  audiences: {},
  classes: { 'test-class': 7 },
  series: {},
  teachers: {},
  rooms: {},
  method: {},
};
const NOTHING: LeftBehind & KeptHistory = { records: [], others: [], unreadable: 0, ...NO_HISTORY };
const answerOf = (bundle: Bundle, only: string | null = null) => ({
  only,
  studio: 'clay',
  revision: 9,
  setAside: 0,
  heats: {},
  bundle,
  versions,
});
const opened = (bundle: Bundle = bundleOf(), left = NOTHING) =>
  studioReducer(
    undefined,
    loadStudio.fulfilled({ answer: answerOf(bundle), left }, 'request', undefined),
  ) as StudioState;
const CLASS = { kind: 'classes', id: 'test-class' } as const;
const one = (id: string, after: unknown, label = id, field = ''): Change => ({
  documents: [{ kind: 'classes', id, after }],
  label,
  field,
});
const mine = (name: string) => classOf([block('hold')], { name });
const named = (name: string, field = '') => changed(one('test-class', mine(name), name, field));
/** Only the name, and all else as it was. */
const HERE = bundleOf().classes?.[0] ?? classOf([]);
const renamed = (name: string, field = '') => changed(one('test-class', { ...HERE, name }, name, field));
type Reduced = Parameters<typeof studioReducer>;
const run = (state: StudioState, ...actions: Reduced[1][]): StudioState =>
  actions.reduce((now, action) => studioReducer(now as Reduced[0], action) as StudioState, state);
const classes = (state: StudioState) => listOf(state.entities, 'classes');
test('a word that every object answers to names no document', () => {
  for (const id of ['constructor', '__proto__', 'toString']) {
    expect(documentOf(entitiesOf(bundleOf()), 'classes', id)).toBeUndefined();
  }
});

const name = (state: StudioState) => classes(state)[0]?.name;
const KEY = 'classes/test-class';
const theirs = classOf([], { name: 'Theirs' });
const stale = (value: unknown) => ({
  outcome: 'stale' as const,
  current: value === null ? null : { version: 9, value: value as typeof theirs },
});

test('undoing everything gives the studio as it was opened, and redoing all of it the studio as it became', () => {
  const step = fc.oneof(
    fc.record({ put: fc.constantFrom('a', 'b', 'c'), name: fc.string({ minLength: 1, maxLength: 4 }) }),
    fc.record({ drop: fc.constantFrom('a', 'b', 'c') }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 20 }), (steps) => {
      const before = opened();
      const after = steps.reduce((state, each) => {
        const id = 'put' in each ? each.put : each.drop;
        const value = 'put' in each ? classOf([], { id, name: each.name }) : undefined;
        return run(state, changed(one(id, value)));
      }, before);
      const undoneAll = steps.reduce((state) => run(state, undone()), after);
      const sorted = (state: StudioState) => [...classes(state)].sort((a, b) => a.id.localeCompare(b.id));
      expect(sorted(undoneAll)).toEqual(sorted(before));
      expect(sorted(steps.reduce((state) => run(state, redone()), undoneAll))).toEqual(sorted(after));
    }),
  );
});

test('keystrokes in one field are one step; another field, or none, begins a new one', () => {
  const typed = run(opened(), named('T', 'name'), named('Tu', 'name'), named('Tue', 'name'));
  expect(typed.past).toHaveLength(1);
  expect(name(run(typed, undone()))).toBe('Test class');
  expect(run(typed, named('Tue!', 'other')).past).toHaveLength(2);
  expect(run(opened(), named('A'), named('B')).past).toHaveLength(2);
});

test('a step knows its page, and steps gone one way in a row are counted', () => {
  const shown = run(opened(), pageShown('/class/a'), named('A'), pageShown('/class/b'), named('B'));
  expect(shown.past.map(({ at }) => at)).toEqual(['/class/a', '/class/b']);
  expect(run(shown, undone()).gone).toMatchObject({ way: 'back', times: 1 });
  const twice = run(shown, undone(), undone());
  expect(twice.gone).toMatchObject({ way: 'back', times: 2 });
  expect(run(twice, redone()).gone).toMatchObject({ way: 'forward', times: 1 });
  expect(run(twice, goneTold(), redone(), undone()).gone).toMatchObject({ times: 1 });
  expect(run(twice, named('C')).gone).toBeNull();
});

test('a change after an undo takes the place of what was undone', () => {
  const state = run(opened(), named('A'), undone(), named('B'));
  expect(state.future).toEqual([]);
  expect(name(run(state, redone()))).toBe('B');
});

test('what was edited while it was being sent stays unsaved; what was not is kept', () => {
  const first = run(opened(), named('A'));
  const sent = documentOf(first.entities, 'classes', 'test-class');
  const answer = answered([{ ...CLASS, sent, answer: { outcome: 'kept', version: 8 } }]);
  expect(run(first, answer)).toMatchObject({ unsaved: {}, versions: { classes: { 'test-class': 8 } } });
  expect(run(first, named('B'), answer).unsaved).toEqual({ [KEY]: expect.anything() });
});

test('a refusal names its document, stays until that is changed, and can be given up for what is saved', () => {
  const edited = run(opened(), named('A'));
  const sent = documentOf(edited.entities, 'classes', 'test-class');
  const refusal = { code: 'INVALID', message: 'Because.', path: KEY } as const;
  const refused = run(edited, answered([{ ...CLASS, sent, answer: { outcome: 'refused', refusal } }]));
  expect(refused).toMatchObject({ refused: { [KEY]: { message: 'Because.' } }, unsaved: { [KEY]: expect.anything() } });
  expect(run(refused, undone()).refused).toEqual({});
  const current = { version: 12, value: theirs };
  const back = run(refused, takeServers.fulfilled({ ...CLASS, current }, 'request', CLASS));
  expect(back).toMatchObject({ refused: {}, unsaved: {}, versions: { classes: { 'test-class': 12 } } });
  expect([name(back), name(run(back, undone()))]).toEqual(['Theirs', 'A']);
});

test('an answer that was lost is no conflict, though the hand went on meanwhile; another’s change is one', () => {
  const edited = run(opened(), named('A'));
  const sent = documentOf(edited.entities, 'classes', 'test-class');
  const lost = run(edited, unanswered({ sent: [{ ...CLASS, sent }], trouble: null }), named('B'));
  expect(lost).toMatchObject({ away: true, sending: {} });
  const again = { ...CLASS, sent: mine('B') };
  expect(run(lost, answered([{ ...again, answer: stale(mine('A')) }]))).toMatchObject({
    conflicts: [],
    unsaved: { [KEY]: expect.anything() },
    versions: { classes: { 'test-class': 9 } },
  });
  expect(run(lost, answered([{ ...again, answer: stale(theirs) }])).conflicts).toHaveLength(1);
});

test('what others did meanwhile stands with what was sent, and what was typed since stands on top of both', () => {
  const first = run(opened(), renamed('Mine'));
  const stands = { ...HERE, name: 'Mine', targetMinutes: 50 };
  const sent = documentOf(first.entities, 'classes', 'test-class');
  const met = run(first, answered([{ ...CLASS, sent, answer: { outcome: 'kept', version: 12, value: stands } }]));
  expect(met).toMatchObject({ unsaved: {}, versions: { classes: { 'test-class': 12 } } });
  expect(classes(met)[0]).toEqual(stands);
  const on = run(first, renamed('Mine, longer'));
  const later = run(on, answered([{ ...CLASS, sent, answer: { outcome: 'kept', version: 12, value: stands } }]));
  expect(later).toMatchObject({ unsaved: { [KEY]: expect.anything() }, versions: { classes: { 'test-class': 12 } } });
  expect(classes(later)[0]).toEqual({ ...stands, name: 'Mine, longer' });
  // Undo takes back what was done here, and that alone.
  expect(classes(run(met, undone()))[0]).toEqual({ ...stands, name: 'Test class' });
});

test('what is heard before the answer to what it stands on is there once that comes, and goes under what was typed since', () => {
  const first = run(opened(), renamed('Mine'));
  const sent = documentOf(first.entities, 'classes', 'test-class');
  const later = { ...HERE, name: 'Mine', targetMinutes: 50 };
  const told = fed({ revision: 21, changes: [{ ...CLASS, version: 13, value: later }] });
  const answer = answered([{ ...CLASS, sent, answer: { outcome: 'kept', version: 12 } }]);
  const both = run(first, told, answer);
  expect([classes(both)[0], both.versions.classes, both.unsaved]).toEqual([later, { 'test-class': 13 }, {}]);
  const on = run(first, told, renamed('Mine, longer'), answer);
  expect([name(on), on.versions.classes, on.unsaved]).toEqual([
    'Mine, longer',
    { 'test-class': 12 },
    { [KEY]: expect.anything() },
  ]);
  // Its own write, heard of before the answer, is nothing new; a removal is.
  const own = fed({ revision: 20, changes: [{ ...CLASS, version: 12, value: sent as typeof later }] });
  expect(run(first, own, answer)).toMatchObject({ versions: { classes: { 'test-class': 12 } }, ahead: {} });
  const gone = fed({ revision: 22, changes: [{ ...CLASS, version: 0, value: null }] });
  expect(classes(run(first, gone, answer))).toEqual([]);
});

test('where it is known what both were made from, only what clashes is chosen, and undo brings only that back', () => {
  const was = { ...HERE, targetMinutes: 40 };
  const [own, other] = [
    { ...was, name: 'Mine', openingSeconds: 70 },
    { ...was, name: 'Theirs', targetMinutes: 50 },
  ];
  const edited = run(opened(bundleOf({ classes: [was] })), changed(one('test-class', own, 'renaming')));
  const answer = { outcome: 'stale' as const, current: { version: 9, value: other }, was };
  const asked = run(edited, answered([{ ...CLASS, sent: own, answer }]));
  const [conflict] = asked.conflicts;
  if (!conflict) throw new Error('nobody asked');
  const [kept, taken] = (['mine', 'theirs'] as const).map((keep) => run(asked, conflictSettled({ conflict, keep })));
  if (!kept || !taken) throw new Error('nothing chosen');
  expect(classes(kept)[0]).toEqual({ ...own, targetMinutes: 50 });
  expect(classes(taken)[0]).toEqual({ ...other, openingSeconds: 70 });
  for (const state of [kept, taken]) {
    expect(state).toMatchObject({
      conflicts: [],
      unsaved: { [KEY]: expect.anything() },
      versions: { classes: { 'test-class': 9 } },
    });
  }
  expect(classes(run(taken, undone()))[0]).toEqual({ ...own, targetMinutes: 50 });
  // Nothing clashes, and still the server keeps only one of them: it is asked about whole.
  const beside = { outcome: 'stale' as const, current: { version: 9, value: { ...was, targetMinutes: 50 } }, was };
  const whole = run(edited, answered([{ ...CLASS, sent: own, answer: beside }])).conflicts;
  expect(whole).toEqual([{ ...CLASS, current: beside.current }]);
});

describe('two versions of one document', () => {
  const conflict = { ...CLASS, current: { version: 9, value: theirs } };
  const met = run(
    opened(),
    named('Older'),
    named('Mine'),
    answered([{ ...CLASS, sent: mine('Mine'), answer: stale(theirs) }]),
  );
  const [found] = met.conflicts;
  const settle = (keep: 'mine' | 'theirs' | 'both', copy?: string) =>
    run(met, conflictSettled({ conflict: found ?? conflict, keep, ...(copy ? { copy } : {}) }));

  test('mine is sent again over their version', () => {
    const state = settle('mine');
    expect(name(state)).toBe('Mine');
    expect(state).toMatchObject({
      conflicts: [],
      unsaved: { [KEY]: expect.anything() },
      versions: { classes: { 'test-class': 9 } },
    });
  });
  test('theirs is taken, and undo steps back through it to mine and all that was before', () => {
    const state = settle('theirs');
    expect(name(state)).toBe('Theirs');
    expect(state.unsaved).toEqual({});
    const back = run(state, undone());
    expect([name(back), name(run(back, undone()))]).toEqual(['Mine', 'Older']);
    expect(asBundle(run(back, undone(), undone()).entities)).toEqual(bundleOf());
  });
  test('both are kept: theirs in its place, mine beside it', () => {
    const state = settle('both', 'mine-too');
    expect(classes(state).map((each) => [each.id, each.name])).toEqual([
      ['test-class', 'Theirs'],
      ['mine-too', 'Mine (mine)'],
    ]);
    expect(state.unsaved).toEqual({ 'classes/mine-too': { was: null } });
  });
  test('a document they deleted can be kept, as a new one, or let go', () => {
    const asked = run(met, answered([{ ...CLASS, sent: mine('Mine'), answer: stale(null) }]));
    expect(asked.conflicts).toHaveLength(1);
    const gone = asked.conflicts[0] ?? { ...CLASS, current: null };
    expect(run(asked, conflictSettled({ conflict: gone, keep: 'mine' })).versions.classes).toEqual({});
    expect(classes(run(asked, conflictSettled({ conflict: gone, keep: 'theirs' })))).toEqual([]);
  });
});

describe('what an earlier page left unsent', () => {
  const record = (change: Partial<UnsentRecord> = {}): UnsentRecord => ({
    ...CLASS,
    base: 7,
    value: mine('Left'),
    state: 'waiting',
    at: 1,
    ...change,
  });
  const left = (...records: UnsentRecord[]) => opened(bundleOf(), { ...NOTHING, records });
  const here = documentOf(entitiesOf(bundleOf()), 'classes', 'test-class');

  test('is put on top again and waits to be sent', () => {
    expect(name(left(record()))).toBe('Left');
    expect(left(record())).toMatchObject({ unsaved: { [KEY]: expect.anything() }, conflicts: [] });
    expect(classes(left(record({ value: null })))).toEqual([]);
  });
  test('is named at once where it was refused, and undo steps back through what led to it', () => {
    const { past } = run(opened(), renamed('Left'));
    const value = { ...HERE, name: 'Left' };
    const records = [record({ value, state: 'refused', message: 'Because.' })];
    const state = opened(bundleOf(), { ...NOTHING, records, past });
    expect(state).toMatchObject({ refused: { [KEY]: { message: 'Because.' } }, unsaved: { [KEY]: expect.anything() } });
    expect(run(state, undone())).toMatchObject({ refused: {}, entities: entitiesOf(bundleOf()) });
  });
  test('is sent as made from the version it was made from, unless the server has what was sent from here', () => {
    const versions = (state: StudioState) => state.versions.classes['test-class'];
    expect([left(record({ base: 3 })).conflicts, versions(left(record({ base: 3 })))]).toEqual([[], 3]);
    expect(versions(left(record({ base: 3, sent: here })))).toBe(7);
  });
  test('by two tabs is asked about, and either can be taken', () => {
    const others = [
      { ...record({ value: mine('Other') }), key: ['clay', 'other', 'classes', 'test-class'] as RecordKey },
    ];
    const asked = opened(bundleOf(), { ...NOTHING, records: [record()], others });
    const [conflict] = asked.conflicts;
    if (!conflict) throw new Error('nobody asked');
    expect(name(run(asked, conflictSettled({ conflict, keep: 'mine' })))).toBe('Left');
    // Also where the server has what the first of them sent: the other has still to be sent.
    const alone = opened(bundleOf(), { ...NOTHING, others });
    const late = alone.conflicts[0] ?? conflict;
    expect(run(alone, conflictSettled({ conflict: late, keep: 'theirs' })).unsaved).toEqual({
      [KEY]: expect.anything(),
    });
    const taken = run(asked, conflictSettled({ conflict, keep: 'theirs' }));
    expect([name(taken), taken.unsaved]).toEqual(['Other', { [KEY]: expect.anything() }]);
  });
});

test('undo takes back what was done here, and leaves what others did in the same document', () => {
  const saved = (state: StudioState, version: number) => {
    const sent = documentOf(state.entities, 'classes', 'test-class');
    return run(state, answered([{ ...CLASS, sent, answer: { outcome: 'kept', version } }]));
  };
  const first = saved(run(opened(), renamed('Mine')), 8);
  const others = { ...HERE, name: 'Mine', targetMinutes: 30, blocks: [block('hold', { id: 'new' }), ...HERE.blocks] };
  const told = fed({ revision: 20, changes: [{ ...CLASS, version: 12, value: others }] });
  const back = run(first, told, undone());
  expect(classes(back)[0]).toEqual({ ...others, name: 'Test class' });
  expect(back.gone).toMatchObject({ changed: [CLASS], clashed: [] });
  expect(classes(run(back, redone()))[0]).toEqual(others);
});

test('what comes back to where it was is no step, and a first method of the house can be undone and done again', () => {
  expect(run(opened(), renamed('A', 'name'), renamed('Test class', 'name')).past).toEqual([]);
  expect(run(opened(), renamed('Test class')).past).toEqual([]);
  const method = changed({
    documents: [{ kind: 'method', id: 'house', after: { secondsPerCount: 2 } }],
    label: 'the method',
    field: '',
  });
  const back = run(opened(emptyBundle()), method, undone());
  expect(back.entities.method).toEqual({});
  expect(run(back, redone()).entities.method).toEqual({ secondsPerCount: 2 });
});

test('what others change comes in at once, unless it was changed here too; no undo writes over it', () => {
  const told = (version: number, value: unknown) =>
    fed({ revision: 20, changes: [{ kind: 'classes', id: 'test-class', version, value: value as typeof theirs }] });
  const edited = run(opened(), named('Mine'));
  const saved = run(
    edited,
    answered([
      { ...CLASS, sent: documentOf(edited.entities, 'classes', 'test-class'), answer: { outcome: 'kept', version: 8 } },
    ]),
  );
  const after = run(saved, told(12, theirs));
  expect([name(after), after.versions.classes['test-class'], after.revision]).toEqual(['Theirs', 12, 20]);
  // What they have written over can't be taken back, and that is said.
  const clashed = run(after, undone());
  expect([name(clashed), clashed.unsaved, clashed.past, clashed.future]).toEqual(['Theirs', {}, [], []]);
  expect(clashed.gone).toMatchObject({ way: 'back', label: 'Mine', changed: [], clashed: [CLASS] });
  // Its own write comes back as it was answered, or older than what is here; a removal takes it away.
  expect(run(saved, told(8, theirs)).entities).toBe(saved.entities);
  expect(run(saved, told(7, theirs)).entities).toBe(saved.entities);
  expect(classes(run(saved, told(0, null)))).toEqual([]);
  // What is not kept yet stays, and the server will say that it is stale.
  expect(run(edited, told(12, theirs)).entities).toBe(edited.entities);
  expect(run(edited, told(12, theirs)).versions).toBe(edited.versions);
});

test('an import is one step of undo, and what was done before it can still be undone', () => {
  const before = run(opened(), named('A'));
  const saved = run(before, answered([{ ...CLASS, sent: mine('A'), answer: { outcome: 'kept', version: 8 } }]));
  const imported = bundleOf({
    classes: [classOf([], { name: 'From the file' }), classOf([], { id: 'new' })],
    series: [],
  });
  const after = run(saved, loadStudio.fulfilled({ answer: answerOf(imported), left: null }, 'request', 'importing'));
  expect(after.past.map(({ label }) => label)).toEqual(['A', 'importing']);
  const back = run(after, undone());
  expect([name(back), classes(back).length, listOf(back.entities, 'series').length]).toEqual(['A', 1, 1]);
  expect(Object.keys(back.unsaved).sort()).toEqual(['classes/new', KEY, 'series/a-series'].sort());
  expect(name(run(back, undone()))).toBe('Test class');
});

test('what a page was opened for is worked on before the rest is here, and stays the same when it comes', () => {
  const whole = bundleOf();
  const part = { ...whole, exercises: whole.exercises?.slice(0, 1) ?? [] };
  const first = studioReducer(
    undefined,
    loadStudio.fulfilled({ answer: answerOf(part, 'test-class'), left: NOTHING }, 'request', undefined),
  ) as StudioState;
  const edited = run(first, named('A'));
  // What is undone may be of a document that is not here.
  expect(run(edited, undone())).toBe(edited);
  const answer = answerOf(structuredClone(whole));
  const rest = run(edited, loadStudio.fulfilled({ answer, left: null }, 'request', null));
  expect(rest).toMatchObject({ only: null, unsaved: { [KEY]: expect.anything() } });
  expect([name(rest), rest.past.length]).toEqual(['A', 1]);
  expect(listOf(rest.entities, 'exercises')).toEqual(whole.exercises);
  // What was made out of it need not be made anew.
  expect(documentOf(rest.entities, 'classes', 'test-class')).toBe(documentOf(edited.entities, 'classes', 'test-class'));
  const known = whole.exercises?.[0]?.id ?? '';
  expect(documentOf(rest.entities, 'exercises', known)).toBe(documentOf(first.entities, 'exercises', known));
  expect(name(run(rest, undone()))).toBe('Test class');
});

test('what is not kept yet stays made from its version when the studio is read anew: the server asks about it', () => {
  const edited = run(opened(), named('A'));
  const theirs = { ...answerOf(bundleOf({ classes: [mine('Theirs')] })), revision: 12 };
  const answer = { ...theirs, versions: { ...versions, classes: { 'test-class': 12 } } };
  const after = run(edited, loadStudio.fulfilled({ answer, left: null }, 'request', null));
  expect([name(after), after.versions.classes['test-class'], after.revision]).toEqual(['A', 7, 12]);
  // Nothing of one's own: theirs it is.
  const plain = run(opened(), loadStudio.fulfilled({ answer, left: null }, 'request', null));
  expect([name(plain), plain.versions.classes['test-class']]).toEqual(['Theirs', 12]);
});

test('what was kept while an older answer was on its way stays as it was kept', () => {
  const sent = run(opened(), named('A'));
  const saved = run(sent, answered([{ ...CLASS, sent: mine('A'), answer: { outcome: 'kept', version: 11 } }]));
  // The very object was sent.
  const own = documentOf(sent.entities, 'classes', 'test-class');
  const kept = run(sent, answered([{ ...CLASS, sent: own, answer: { outcome: 'kept', version: 11 } }]));
  for (const state of [saved, kept]) {
    const after = run(state, loadStudio.fulfilled({ answer: answerOf(bundleOf()), left: null }, 'request', null));
    expect([name(after), after.versions.classes['test-class']]).toEqual(['A', 11]);
  }
});

test('an empty studio opens empty', () => {
  expect(opened(emptyBundle())).toMatchObject({ status: 'ready', past: [], unsaved: {} });
});

test.each([
  ['Rowers, sixty', [], 'rowers-sixty'],
  ['Été à deux', [], 'ete-a-deux'],
  ['!?', [], 'untitled'],
  ['Constructor', [], 'constructor-1'],
  ['Twice', [{ id: 'twice' }, { id: 'twice-2' }], 'twice-3'],
])('the id of “%s”', (words, taken, id) => expect(freeId(words, taken)).toBe(id));

test('new documents made at once in two tabs are two', () => {
  const made = new Set(Array.from({ length: 200 }, () => newId('New class')));
  expect(made.size).toBe(200);
  for (const id of made) expect(id).toMatch(/^new-class-[a-z0-9]{8}$/);
});
