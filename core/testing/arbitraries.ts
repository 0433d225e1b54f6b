import fc from 'fast-check';
import { type ClassPlan, freeBlockId, type PlanEdit, type RungBlock } from '../plan';
import { block, classOf, EXERCISES, type Unnamed } from './studio';

const oneBlock: fc.Arbitrary<Unnamed<RungBlock>> = fc
  .record({
    exercise: fc.constantFrom(...EXERCISES.map(({ id }) => id)),
    rung: fc.constantFrom('low', 'high'),
    mode: fc.constantFrom('teach' as const, 'flow' as const),
    dose: fc.record(
      { sets: fc.integer({ min: 1, max: 3 }), reps: fc.integer({ min: 1, max: 12 }) },
      { requiredKeys: [] },
    ),
    restAfterSeconds: fc.integer({ min: 0, max: 30 }),
  })
  .map(({ exercise, ...change }) => block(exercise, change));

const run: fc.Arbitrary<Array<Unnamed<RungBlock>>> = fc
  .tuple(
    fc.constantFrom(['side-leg', 'side-lift'], ['reach', 'reach']),
    fc.string({ minLength: 4, maxLength: 8, unit: 'grapheme-ascii' }),
  )
  .map(([names, label]) => names.map((name) => block(name, { run: `run-${label.trim() || 'x'}` })));

/** Any class the small repertoire can make, with runs, both modes, doses and rests. */
export const anyClass: fc.Arbitrary<ClassPlan> = fc
  .tuple(
    fc.uniqueArray(fc.oneof({ weight: 5, arbitrary: oneBlock.map((each) => [each]) }, { weight: 1, arbitrary: run }), {
      maxLength: 14,
      selector: (blocks) => blocks[0]?.run ?? blocks[0],
    }),
    fc.integer({ min: 0, max: 300 }),
    fc.option(fc.constantFrom('standing', 'seated', 'side-lying'), { nil: undefined }),
  )
  .map(([groups, openingSeconds, openingPosition]) =>
    classOf(groups.flat(), { openingSeconds, ...(openingPosition ? { openingPosition } : {}) }),
  );

/** Any edit of a class, whatever it hits. */
export function anyEdit(plan: ClassPlan): fc.Arbitrary<PlanEdit> {
  const id = fc.constantFrom(...plan.blocks.map((each) => each.id));
  const before = fc.option(id, { nil: null });
  const fresh = { id: freeBlockId(plan), ...block('side-leg', { run: 'b' }) } as RungBlock;
  const kind = <K extends PlanEdit['kind']>(name: K) => fc.constant(name);
  return fc.oneof(
    fc.record({ kind: kind('move'), id, before }),
    fc.record({ kind: kind('remove'), id }),
    fc.record({ kind: kind('insert'), before, block: fc.constant(fresh) }),
    fc.record({
      kind: kind('insert'),
      before,
      block: fc.constant({ id: freeBlockId(plan), interlude: 'talk' as const, name: 'A word', seconds: 9 }),
    }),
    fc.record({
      kind: kind('dose'),
      id,
      dose: fc.constantFrom({ reps: 3 }, { reps: 4, repsTo: 6 }, { reps: undefined }),
    }),
    fc.record({
      kind: kind('set'),
      id,
      change: fc.constantFrom<object>(
        { rung: 'high', run: 'run-x' },
        { run: undefined },
        { side: 'left' },
        { carry: true },
        { firstSide: 'right' },
        { options: ['high'] },
        { mode: 'show' },
        { restAfterSeconds: 12 },
      ),
    }),
    fc.record({
      kind: kind('swap'),
      id,
      to: fc.constantFrom({ exercise: 'curl', rung: 'low' }, { exercise: 'reach', rung: 'high' }),
    }),
    fc.record({
      kind: kind('class'),
      change: fc.constantFrom<object>({ firstSide: 'right' }, { openingPosition: 'standing' }),
    }),
  );
}
