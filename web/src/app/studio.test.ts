import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import fc from 'fast-check';
import { freeId } from './freeId';
import {
  changed,
  conflictFound,
  conflictSettled,
  documentOf,
  loadStudio,
  redone,
  type StudioState,
  saved,
  savingFailed,
  studioReducer,
  undone,
} from './studio';

const versions = {
  positions: {},
  props: {},
  exercises: {},
  audiences: {},
  classes: { 'test-class': 7 },
  series: {},
  method: {},
};
const opened = (bundle: Bundle = bundleOf()) =>
  studioReducer(undefined, loadStudio.fulfilled({ bundle, versions }, 'request', undefined)) as StudioState;
const named = (name: string, field = '') => {
  const after = classOf([block('hold')], { name });
  return changed({
    kind: 'classes',
    id: 'test-class',
    before: documentOf(bundleOf(), 'classes', 'test-class'),
    after,
    label: name,
    field,
  });
};
type Reduced = Parameters<typeof studioReducer>;
const run = (state: StudioState, ...actions: Reduced[1][]): StudioState =>
  actions.reduce((now, action) => studioReducer(now as Reduced[0], action) as StudioState, state);
const name = (state: StudioState) => state.bundle.classes?.[0]?.name;

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
        const was = documentOf(state.bundle, 'classes', id);
        return run(state, changed({ kind: 'classes', id, before: was, after: value, label: id, field: '' }));
      }, before);
      const undoneAll = steps.reduce((state) => run(state, undone()), after);
      const sorted = ({ bundle }: StudioState) => [...(bundle.classes ?? [])].sort((a, b) => a.id.localeCompare(b.id));
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

test('a change after an undo takes the place of what was undone', () => {
  const state = run(opened(), named('A'), undone(), named('B'));
  expect(state.future).toEqual([]);
  expect(name(run(state, redone()))).toBe('B');
});

test('what was edited while it was being sent stays unsaved; what was not is kept', () => {
  const first = run(opened(), named('A'));
  const sent = documentOf(first.bundle, 'classes', 'test-class');
  const answer = saved({ kind: 'classes', id: 'test-class', version: 8, sent });
  expect(run(first, answer)).toMatchObject({ unsaved: {}, versions: { classes: { 'test-class': 8 } } });
  expect(run(first, named('B'), answer).unsaved).toEqual({ 'classes/test-class': true });
});

test('a refusal is shown until the next edit, and loses nothing', () => {
  const refused = run(opened(), named('A'), savingFailed({ away: false, refusal: 'Because.' }));
  expect(refused).toMatchObject({ refusal: 'Because.', unsaved: { 'classes/test-class': true } });
  expect(run(refused, undone()).refusal).toBeNull();
});

describe('two hands on one document', () => {
  const theirs = classOf([], { name: 'Theirs' });
  const conflict = { kind: 'classes', id: 'test-class', current: { version: 9, value: theirs } } as const;
  const met = run(opened(), named('Mine'), conflictFound(conflict));

  test('mine is sent again over their version', () => {
    const state = run(met, conflictSettled({ conflict, keep: 'mine' }));
    expect(name(state)).toBe('Mine');
    expect(state).toMatchObject({
      conflicts: [],
      unsaved: { 'classes/test-class': true },
      versions: { classes: { 'test-class': 9 } },
    });
  });
  test('theirs is taken, and undo brings mine back', () => {
    const state = run(met, conflictSettled({ conflict, keep: 'theirs' }));
    expect(name(state)).toBe('Theirs');
    expect(state.unsaved).toEqual({});
    expect(name(run(state, undone()))).toBe('Mine');
  });
  test('a document they deleted can be kept, as a new one, or let go', () => {
    const gone = { ...conflict, current: null };
    const asked = run(met, conflictFound(gone));
    expect(run(asked, conflictSettled({ conflict: gone, keep: 'mine' })).versions.classes).toEqual({});
    expect(run(asked, conflictSettled({ conflict: gone, keep: 'theirs' })).bundle.classes).toEqual([]);
  });
});

test('an empty studio opens empty', () => {
  expect(opened(emptyBundle())).toMatchObject({ status: 'ready', past: [], unsaved: {} });
});

test.each([
  ['Rowers, sixty', [], 'rowers-sixty'],
  ['Été à deux', [], 'ete-a-deux'],
  ['!?', [], 'untitled'],
  ['Twice', [{ id: 'twice' }, { id: 'twice-2' }], 'twice-3'],
])('the id of “%s”', (words, taken, id) => expect(freeId(words, taken)).toBe(id));
