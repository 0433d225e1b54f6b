import fc from 'fast-check';
import { anyClass } from '../../testing/arbitraries';
import { block, catalogOf, classOf } from '../../testing/studio';
import { checkClass } from '../checks/checkClass';
import { applyEdits } from './edit';
import { duplicateTogether, moveTogether, removeTogether, sayTogether } from './many';

const catalog = catalogOf();
const classAndChosen = anyClass
  .filter(({ blocks }) => blocks.length > 0)
  .chain((plan) =>
    fc.tuple(
      fc.constant(plan),
      fc.subarray(
        plan.blocks.map(({ id }) => id),
        { minLength: 1 },
      ),
    ),
  );
const idsOf = ({ blocks }: { blocks: ReadonlyArray<{ id: string }> }) => blocks.map(({ id }) => id);

test('blocks moved together stand together in their order, and the others keep theirs', () => {
  fc.assert(
    fc.property(classAndChosen, fc.constantFrom('up' as const, 'down' as const), ([plan, chosen], by) => {
      const ids = new Set(chosen);
      const edits = moveTogether(plan, ids, by);
      const after = idsOf(applyEdits(catalog, plan, edits));
      const own = after.flatMap((id, i) => (ids.has(id) ? [i] : []));
      expect(after.filter((id) => ids.has(id))).toEqual(idsOf(plan).filter((id) => ids.has(id)));
      expect(after.filter((id) => !ids.has(id))).toEqual(idsOf(plan).filter((id) => !ids.has(id)));
      if (edits.length > 0) expect((own.at(-1) ?? 0) - (own[0] ?? 0)).toBe(chosen.length - 1);
    }),
  );
});

test('one block moved alone goes one place', () => {
  const plan = classOf([block('hold'), block('curl'), block('arch')]);
  const moved = (id: string, by: 'up' | 'down') =>
    idsOf(applyEdits(catalog, plan, moveTogether(plan, new Set([id]), by)));
  expect(moved('b2', 'up')).toEqual(['b2', 'b1', 'b3']);
  expect(moved('b2', 'down')).toEqual(['b1', 'b3', 'b2']);
  expect(moved('b1', 'up')).toEqual(['b1', 'b2', 'b3']);
  expect(moved('b3', 'down')).toEqual(['b1', 'b2', 'b3']);
});

test('copies stand after the last of them, and make a class that holds', () => {
  fc.assert(
    fc.property(classAndChosen, ([plan, chosen]) => {
      const after = applyEdits(catalog, plan, duplicateTogether(plan, new Set(chosen)));
      expect(after.blocks).toHaveLength(plan.blocks.length + chosen.length);
      expect(new Set(idsOf(after)).size).toBe(after.blocks.length);
      expect(checkClass(catalog, after)).toEqual([]);
    }),
  );
});

test('words of a copied block have ids of their own, and a copied run is another run', () => {
  const lines = [{ id: 'l1', kind: 'image' as const, text: 'A corkscrew.' }];
  const plan = classOf([block('side-leg', { run: 'a', lines }), block('side-lift', { run: 'a' }), block('hold')]);
  const after = applyEdits(catalog, plan, duplicateTogether(plan, new Set(['b1', 'b2'])));
  expect(after.blocks.map((each) => ('run' in each ? each.run : undefined))).toEqual([
    'a',
    'a',
    'a-2',
    'a-2',
    undefined,
  ]);
  expect(after.blocks[2]?.lines?.[0]?.id).not.toBe('l1');
  expect(checkClass(catalog, after)).toEqual([]);
});

test('what is said of all is said of each kind, and taken back', () => {
  const talk = { id: 't', interlude: 'talk' as const, name: 'A word', seconds: 20 };
  const plan = classOf([block('hold'), talk, block('curl')]);
  const ids = new Set(['b1', 't']);
  const locked = applyEdits(catalog, plan, sayTogether(plan, ids, { locked: true, notes: 'Slowly.' }));
  expect(locked.blocks.map((each) => [each.locked, each.notes])).toEqual([
    [true, 'Slowly.'],
    [true, 'Slowly.'],
    [undefined, undefined],
  ]);
  expect(applyEdits(catalog, locked, sayTogether(locked, ids, { locked: null, notes: null }))).toEqual(plan);
  expect(idsOf(applyEdits(catalog, plan, removeTogether(plan, ids)))).toEqual(['b3']);
});
