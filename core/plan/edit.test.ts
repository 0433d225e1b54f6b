import fc from 'fast-check';
import { anyClass } from '../testing/arbitraries';
import { block, catalogOf, classOf } from '../testing/studio';
import { checkClass } from './checkClass';
import { applyEdit, type PlanEdit } from './edit';

const catalog = catalogOf();

test('any edit of any teachable class leaves a teachable class, and the given one as it was', () => {
  const edit = (blocks: number): fc.Arbitrary<PlanEdit> => {
    const index = fc.integer({ min: 0, max: blocks - 1 });
    return fc.oneof(
      fc.record({ kind: fc.constant('move' as const), from: index, to: index }),
      fc.record({ kind: fc.constant('remove' as const), block: index }),
      fc.record({
        kind: fc.constant('insert' as const),
        at: index,
        block: fc.constant(block('side-leg', { run: 'b' })),
      }),
      fc.record({ kind: fc.constant('dose' as const), block: index, dose: fc.constant({ reps: 3 }) }),
      fc.record({
        kind: fc.constant('set' as const),
        block: index,
        change: fc.constant({ rung: 'high', run: 'run-x' }),
      }),
    );
  };
  fc.assert(
    fc.property(
      anyClass
        .filter(({ blocks }) => blocks.length > 0)
        .chain((plan) => fc.tuple(fc.constant(plan), edit(plan.blocks.length))),
      ([plan, change]) => {
        const before = JSON.stringify(plan);
        expect(checkClass(catalog, applyEdit(catalog, plan, change))).toEqual([]);
        expect(JSON.stringify(plan)).toBe(before);
      },
    ),
  );
});

test('a dose put back to the rung’s own leaves no trace', () => {
  const changed = applyEdit(catalog, classOf([block('hold')]), { kind: 'dose', block: 0, dose: { reps: 9 } });
  expect(changed.blocks[0]?.dose).toEqual({ reps: 9 });
  const back = applyEdit(catalog, changed, { kind: 'dose', block: 0, dose: { reps: undefined } });
  expect(back.blocks[0]).toEqual(block('hold'));
});

test('a block moved out of the middle of a run leaves the run to its neighbours', () => {
  const run = ['side-leg', 'side-lift', 'side-leg/high'].map((name) => block(name, { run: 'a' }));
  const moved = applyEdit(catalog, classOf([...run, block('hold')]), { kind: 'move', from: 1, to: 3 });
  expect(moved.blocks.map(({ run: label }) => label)).toEqual(['a', 'a', undefined, undefined]);
});

test('the rung taken as home is no longer an option', () => {
  const plan = classOf([block('hold', { options: ['high'] })]);
  expect(applyEdit(catalog, plan, { kind: 'set', block: 0, change: { rung: 'high' } }).blocks[0]).toEqual(
    block('hold/high'),
  );
});

test('a block that is not there is a fault of the caller', () => {
  expect(() => applyEdit(catalog, classOf([]), { kind: 'remove', block: 0 })).toThrow(RangeError);
});
