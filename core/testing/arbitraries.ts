import fc from 'fast-check';
import type { ClassPlan, RungBlock } from '../plan';
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
