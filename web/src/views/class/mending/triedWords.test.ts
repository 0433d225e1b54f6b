import { applyEdits, type PlanEdit, timeClass } from '@warm-ladder/core/plan';
import { block, catalogOf, classOf } from '@warm-ladder/core/testing';
import { triedWords } from './triedWords';

const catalog = catalogOf();
const plan = classOf([block('hold'), block('arch'), block('curl'), block('hold')]);
const { sequence } = timeClass(catalog, plan);
const told = (...edits: PlanEdit[]) =>
  Object.fromEntries(triedWords(sequence, timeClass(catalog, applyEdits(catalog, plan, edits)).sequence));

test('a change that is only looked at is told block by block, and what it leaves alone says nothing', () => {
  expect(told()).toEqual({});
  expect(told({ kind: 'dose', id: 'b1', dose: { reps: 9 } })).toEqual({ b1: '→ 1 × 9' });
  expect(told({ kind: 'remove', id: 'b2' })).toEqual({ b2: 'goes' });
  expect(told({ kind: 'set', id: 'b3', change: { mode: 'teach' } })).toEqual({ b3: '→ teach' });
  expect(told({ kind: 'insert', before: 'b2', block: { ...block('arch'), id: 'new' } })).toEqual({});
});

test('of an order that changes only the fewest blocks are said to move', () => {
  expect(told({ kind: 'move', id: 'b4', before: 'b1' })).toEqual({ b4: 'moves' });
  expect(told({ kind: 'move', id: 'b1', before: null })).toEqual({ b1: 'moves' });
});
