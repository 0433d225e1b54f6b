import fc from 'fast-check';
import { block, classOf } from '../testing';
import { document } from '../testing/documentsByChance';
import { applied, diff, type Edit, EditClash, inverted, merged } from '.';
import { editSchema } from './editSchema';

const PLAN = classOf([block('hold'), block('curl'), block('arch')]);

test('an edit leads from any document to any other, is JSON, and is taken back to the very one', () => {
  fc.assert(
    fc.property(document, document, (before, after) => {
      const edit = editSchema.parse(JSON.parse(JSON.stringify(diff(before, after))));
      expect(applied(edit, before)).toEqual(after);
      expect(applied(inverted(edit), after)).toEqual(before);
      expect(inverted(inverted(edit))).toEqual(edit);
      expect(diff(before, JSON.parse(JSON.stringify(before)))).toEqual([]);
    }),
  );
});

test('what an edit does not touch is the very same afterwards, though the edit came from elsewhere', () => {
  fc.assert(
    fc.property(document, document, (before, after) => {
      const edit = JSON.parse(JSON.stringify(diff(before, after)));
      const touched = new Set((edit as Edit).map(({ path }) => path[0]));
      const now = applied(edit, before);
      for (const [key, value] of Object.entries(before)) {
        if (!touched.has(key)) expect((now as Record<string, unknown>)[key]).toBe(value);
      }
    }),
  );
  const renamed = applied([{ op: 'set', path: ['blocks', { id: 'b2' }, 'rung'], value: 'high', was: 'low' }], PLAN);
  expect(renamed.blocks.map((each, i) => each === PLAN.blocks[i])).toEqual([true, false, true]);
});

test('two edits as one do what both do, one after the other', () => {
  fc.assert(
    fc.property(document, document, document, (one, two, three) => {
      const both = merged(diff(one, two), diff(two, three));
      expect(applied(both, one)).toEqual(three);
      expect(applied(inverted(both), three)).toEqual(one);
    }),
  );
});

const renamed = { ...PLAN, name: 'Evening' };

test('moving one of many is one change, and typing on is one too', () => {
  const { blocks } = PLAN;
  const [first, ...others] = blocks;
  const last = { ...PLAN, blocks: first ? [...others, first] : blocks };
  expect(diff(PLAN, last)).toEqual([{ op: 'move', path: ['blocks'], id: 'b1', before: null, was: 'b2' }]);
  const typed = merged(diff(PLAN, renamed), diff(renamed, { ...PLAN, name: 'Evening class' }));
  expect(typed).toEqual([{ op: 'set', path: ['name'], value: 'Evening class', was: 'Test class' }]);
  expect(merged(typed, inverted(typed))).toEqual([]);
});

test('an edit made by one hand fits a document that another has changed elsewhere, and clashes where it did so here', () => {
  const mine = diff(PLAN, renamed);
  const theirs = { ...PLAN, targetMinutes: 50, blocks: PLAN.blocks.slice(1) };
  expect(applied(mine, theirs)).toEqual({ ...theirs, name: 'Evening' });
  const clash = (edit: Edit, on: object) => {
    try {
      return applied(edit, on);
    } catch (error) {
      return error instanceof EditClash ? error.message : error;
    }
  };
  expect(clash(mine, { ...PLAN, name: 'Morning' })).toBe('“name” was changed since.');
  const dosed = diff(PLAN, { ...PLAN, blocks: PLAN.blocks.map((each) => ({ ...each, restSeconds: 20 })) });
  expect(clash(dosed, theirs)).toBe('“blocks.b1.restSeconds” is not there any more.');
  const removal = diff(PLAN, theirs);
  expect(clash(removal, { ...PLAN, blocks: PLAN.blocks.map((each) => ({ ...each, note: 'Slow.' })) })).toBe(
    '“blocks.b1” was changed since.',
  );
  expect(clash(inverted(removal), PLAN)).toBe('“blocks” has “b1” again already.');
});

test('of items in another order as few are moved as can be', () => {
  const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
  const of = (order: readonly string[]) => ({ list: order.map((each) => ({ id: each })) });
  /** The longest run that rises, by trying every choice. */
  const inLine = (order: readonly string[]): number =>
    Math.max(
      ...Array.from({ length: 2 ** order.length }, (_, chosen) => {
        const run = order.filter((_id, i) => chosen & (1 << i));
        return run.every((each, i) => i === 0 || (run[i - 1] as string) < each) ? run.length : 0;
      }),
    );
  fc.assert(
    fc.property(fc.shuffledSubarray(ids, { minLength: 2 }), (order) => {
      const edit = diff(of(order), of(order.toSorted()));
      expect(edit.map(({ op }) => op)).toEqual(Array(order.length - inLine(order)).fill('move'));
    }),
  );
});

test.each([
  ['an id twice', [{ id: 'a' }, { id: 'a' }]],
  ['an id that is no word', [{ id: 1 }, { id: 2 }]],
  ['no id', [{ name: 'a' }, { name: 'b' }]],
  ['no items at all', [1, 2]],
])('a list with %s is one value, set whole and taken back whole', (_name, list) => {
  const [before, after] = [{ list }, { list: [...list].reverse().slice(0, 1) }];
  const edit = diff(before, after);
  expect(edit).toEqual([{ op: 'set', path: ['list'], value: after.list, was: list }]);
  expect(applied(inverted(edit), after)).toEqual(before);
});

test.each<[string, object]>([
  ['a list stands', { inner: [{ id: 'a' }] }],
  ['a word stands', { inner: 'words' }],
  ['nothing stands', { inner: null }],
  ['nothing is known', {}],
])('an edit inside what is no longer there clashes where %s by now', (_name, now) => {
  const edit = diff({ inner: { name: 'A' } }, { inner: { name: 'B' } });
  expect(() => applied(edit, now)).toThrow(new EditClash(['inner', 'name'], '“inner.name” is not there any more.'));
});
