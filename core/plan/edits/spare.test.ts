import { block, catalogOf, classOf, must } from '../../testing/studio';
import { checkClass } from '../checks/checkClass';
import { timeClass } from '../clock/timeClass';
import { applyEdit, applyEdits } from './edit';
import { keepForTime, takeFromSpare, withoutSpare } from './spare';

const catalog = catalogOf();
const SPARE = { ...block('stand'), id: 's1', mode: 'flow', after: 'b2' } as const;
const plan = classOf([block('hold'), block('curl'), block('march')], { spare: [SPARE] });

test('a block kept for when there is time leaves the class, and comes back to its place as it was', () => {
  const kept = applyEdits(catalog, plan, keepForTime(plan, 'b2'));
  expect(kept.blocks.map(({ id }) => id)).toEqual(['b1', 'b3']);
  // What followed it follows the block before it now.
  expect(must(kept.spare).map(({ id, after }) => [id, after])).toEqual([
    ['s1', 'b1'],
    ['b2', 'b1'],
  ]);
  expect(timeClass(catalog, kept).seconds).toBeLessThan(timeClass(catalog, plan).seconds);
  const back = applyEdits(catalog, kept, takeFromSpare(kept, 'b2'));
  expect(back.blocks).toEqual(plan.blocks);
  expect(checkClass(catalog, back)).toEqual([]);
});

test('nothing is kept that follows nothing', () => {
  expect(keepForTime(plan, 'b1')).toEqual([]);
  expect(keepForTime(plan, 'b9')).toEqual([]);
  expect(takeFromSpare(plan, 's9')).toEqual([]);
  expect(withoutSpare(must(plan.spare), 's1')).toBeNull();
});

test('a spare block is anchored anew when what it follows goes, and goes where nothing stands before it', () => {
  const left = applyEdit(catalog, plan, { kind: 'remove', id: 'b2' });
  expect(must(left.spare)[0]?.after).toBe('b1');
  expect(checkClass(catalog, left)).toEqual([]);
  const first = { ...plan, spare: [{ ...SPARE, after: 'b1' }] };
  expect(applyEdit(catalog, first, { kind: 'remove', id: 'b1' }).spare).toBeUndefined();
});

test('what may go is taken off where it can’t stand: on what is locked, and on a part of a run', () => {
  const runs = classOf([
    block('hold', { give: 1 }),
    block('side-leg', { run: 'a', give: 2 }),
    block('side-lift', { run: 'a', give: 2 }),
    block('curl'),
  ]);
  const locked = applyEdit(catalog, runs, { kind: 'set', id: 'b1', change: { locked: true } });
  expect(locked.blocks[0]?.give).toBeUndefined();
  const parted = applyEdit(catalog, runs, { kind: 'set', id: 'b2', change: { give: null } });
  expect(parted.blocks.map(({ give }) => give)).toEqual([1, undefined, undefined, undefined]);
  expect(checkClass(catalog, parted)).toEqual([]);
});
