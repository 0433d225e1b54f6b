import fc from 'fast-check';
import { anyClass, anyEdit } from '../../testing/arbitraries';
import { block, catalogOf, classOf, must } from '../../testing/studio';
import { checkCarries } from '../checks/checkCarries';
import { checkClass } from '../checks/checkClass';
import type { ClassPlan } from '../class';
import { applyEdit, editClass } from './edit';

const catalog = catalogOf();
const ids = ({ blocks }: ClassPlan) => blocks.map(({ id }) => id);

test('any edit of any teachable class leaves a teachable class that can be read again, and the given one as it was', () => {
  fc.assert(
    fc.property(
      anyClass.filter(({ blocks }) => blocks.length > 0).chain((plan) => fc.tuple(fc.constant(plan), anyEdit(plan))),
      ([plan, change]) => {
        const before = JSON.stringify(plan);
        const after = applyEdit(catalog, plan, change);
        expect(checkClass(catalog, after)).toEqual([]);
        expect(checkCarries(catalog, after)).toEqual([]);
        expect(JSON.stringify(plan)).toBe(before);
        expect(new Set(ids(after)).size).toBe(after.blocks.length);
      },
    ),
    { numRuns: 300 },
  );
});

test('an edit means the same block after others were moved', () => {
  const plan = classOf([block('hold'), block('arch'), block('curl')]);
  const moved = applyEdit(catalog, plan, { kind: 'move', id: 'b3', before: 'b1' });
  expect(ids(moved)).toEqual(['b3', 'b1', 'b2']);
  expect(ids(applyEdit(catalog, plan, { kind: 'move', id: 'b1', before: null }))).toEqual(['b2', 'b3', 'b1']);
  expect(ids(applyEdit(catalog, plan, { kind: 'move', id: 'b1', before: 'b3' }))).toEqual(['b2', 'b1', 'b3']);
  const dosed = applyEdit(catalog, moved, { kind: 'dose', id: 'b2', dose: { reps: 9 } });
  expect(dosed.blocks[2]).toEqual({ ...must(plan.blocks[1]), dose: { reps: 9 } });
});

test('a dose put back to the rung’s own leaves no trace', () => {
  const plan = classOf([block('hold')]);
  const changed = applyEdit(catalog, plan, { kind: 'dose', id: 'b1', dose: { reps: 9 } });
  expect(changed.blocks[0]).toMatchObject({ dose: { reps: 9 } });
  const back = applyEdit(catalog, changed, { kind: 'dose', id: 'b1', dose: { reps: undefined } });
  expect(back.blocks[0]).toEqual(plan.blocks[0]);
});

test('a block moved out of the middle of a run leaves the run to its neighbours', () => {
  const run = ['side-leg', 'side-lift', 'side-leg/high'].map((name) => block(name, { run: 'a' }));
  const moved = applyEdit(catalog, classOf([...run, block('hold')]), { kind: 'move', id: 'b2', before: null });
  expect(moved.blocks.map((each) => ('run' in each ? each.run : undefined))).toEqual(['a', 'a', undefined, undefined]);
});

test('a block limited to a side, or one that has none, leaves its run', () => {
  const plan = classOf(['side-leg', 'side-lift', 'side-leg/high'].map((name) => block(name, { run: 'a' })));
  const runs = (edited: ClassPlan) => edited.blocks.map((each) => ('run' in each ? each.run : undefined));
  const limited = applyEdit(catalog, plan, { kind: 'set', id: 'b3', change: { side: 'left' } });
  expect(runs(limited)).toEqual(['a', 'a', undefined]);
  const swapped = applyEdit(catalog, plan, { kind: 'swap', id: 'b1', to: { exercise: 'hold', rung: 'low' } });
  expect(runs(swapped)).toEqual([undefined, 'a', 'a']);
});

test('a swap keeps what the new rung can keep, and nothing it can’t', () => {
  const plan = classOf([
    block('reach'),
    block('reach', { side: 'left', carry: true, dose: { reps: 9 }, options: ['high'], restAfterSeconds: 5 }),
  ]);
  const to = (exercise: string) =>
    applyEdit(catalog, plan, { kind: 'swap', id: 'b2', to: { exercise, rung: 'low' } }).blocks[1];
  expect(to('reach')).not.toHaveProperty('carry');
  expect(to('side-leg')).toEqual({
    id: 'b2',
    exercise: 'side-leg',
    rung: 'low',
    mode: 'flow',
    side: 'left',
    restAfterSeconds: 5,
  });
  expect(to('hold')).toEqual({ id: 'b2', exercise: 'hold', rung: 'low', mode: 'flow', restAfterSeconds: 5 });
});

test('the rung taken as home is no longer an option, however it was offered', () => {
  const plan = classOf([block('hold', { options: [{ rung: 'high', dose: { reps: 2 } }] })]);
  const set = applyEdit(catalog, plan, { kind: 'set', id: 'b1', change: { rung: 'high' } });
  expect(set.blocks[0]).toEqual({ id: 'b1', ...block('hold/high') });
});

test('a carry that can hold no longer goes in the same step, and is named', () => {
  const plan = classOf([block('hold'), block('curl', { carry: true }), block('arch')]);
  const { plan: after, carriesDropped } = editClass(catalog, plan, { kind: 'remove', id: 'b1' });
  expect(carriesDropped).toEqual(['b2']);
  expect(after.blocks[0]).not.toHaveProperty('carry');
  expect(editClass(catalog, plan, { kind: 'remove', id: 'b3' }).carriesDropped).toEqual([]);
});

test('an interlude is changed by its own edit, and neither takes the other’s', () => {
  const plan = classOf([{ interlude: 'talk', name: 'A word', seconds: 9 }, block('hold')]);
  const longer = applyEdit(catalog, plan, { kind: 'interlude', id: 'b1', change: { seconds: 30 } });
  expect(longer.blocks[0]).toEqual({ id: 'b1', interlude: 'talk', name: 'A word', seconds: 30 });
  expect(() => applyEdit(catalog, plan, { kind: 'interlude', id: 'b2', change: { seconds: 30 } })).toThrow(RangeError);
  expect(() => applyEdit(catalog, plan, { kind: 'dose', id: 'b1', dose: { reps: 3 } })).toThrow(RangeError);
});

test('a block that is not there is a fault of the caller', () => {
  expect(() => applyEdit(catalog, classOf([]), { kind: 'remove', id: 'b1' })).toThrow(RangeError);
});
