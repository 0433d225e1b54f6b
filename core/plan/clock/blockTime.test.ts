import fc from 'fast-check';
import { anyClass } from '../../testing/arbitraries';
import { block, catalogOf, classOf, exercise, must, rung } from '../../testing/studio';
import type { RungBlock } from '../class';
import { applyEdit } from '../edits/edit';
import { doseOf, oneMoreRep } from './blockTime';
import { timeClass } from './timeClass';

const whole = catalogOf();

test('one repetition more is what it adds to the work, in any class', () => {
  fc.assert(
    fc.property(anyClass, (plan) => {
      for (const part of timeClass(whole, plan).blocks) {
        const { id, mode } = part.block;
        const { reps } = doseOf(part.entry, part.block);
        if (mode === 'show' || reps >= 199) continue;
        const more = applyEdit(whole, plan, { kind: 'dose', id, dose: { reps: reps + 1, repsTo: null } });
        const after = must(timeClass(whole, more).blocks.find((each) => each.block.id === id));
        expect(after.work - part.work).toBeCloseTo(oneMoreRep(part) * (reps + 1 - part.reps), 6);
      }
    }),
  );
});

test('a second side that does otherwise, and rests between sets, are not in it', () => {
  // Two repetitions of 4 counts at one second, three sets of them.
  const dose = { sets: 3, reps: 6 };
  const catalog = catalogOf([exercise('float', { sides: 'each', rungs: [rung('low', { dose })] })]);
  const more = (change: Partial<RungBlock>) =>
    oneMoreRep(must(timeClass(catalog, classOf([{ ...block('float'), ...change }])).blocks[0]));
  const rep = must(timeClass(catalog, classOf([block('float')])).blocks[0]).rep;
  expect(rep).toBeGreaterThan(0);
  expect(more({})).toBeCloseTo(6 * rep);
  expect(more({ secondDose: { reps: 4 } })).toBeCloseTo(3 * rep);
  expect(more({ side: 'left' })).toBeCloseTo(3 * rep);
  expect(more({ mode: 'show' })).toBeCloseTo(rep);
});
