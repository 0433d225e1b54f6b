import { block, catalogOf, classOf, must } from '../../testing/studio';
import { checkClass } from '../checks/checkClass';
import { replaceRung } from './replaceRung';

const catalog = catalogOf();

test('a rung is replaced wherever it stands but where it is locked, and classes without it are left alone', () => {
  const plans = [
    classOf([block('hold', { dose: { reps: 9 } }), block('arch'), block('hold', { locked: true })], { id: 'both' }),
    classOf([block('arch')], { id: 'none' }),
    classOf([block('hold', { locked: true })], { id: 'fast' }),
  ];
  const kept = JSON.stringify(plans);
  const found = replaceRung(catalog, plans, { exercise: 'hold', rung: 'low' }, { exercise: 'curl', rung: 'low' });
  expect(found.map(({ before, replaced, locked }) => [before.id, replaced, locked])).toEqual([
    ['both', 1, 1],
    ['fast', 0, 1],
  ]);
  const { after } = must(found[0]);
  expect(after.blocks.map((each) => 'exercise' in each && each.exercise)).toEqual(['curl', 'arch', 'hold']);
  expect(after.blocks[0]).not.toHaveProperty('dose');
  expect(checkClass(catalog, after)).toEqual([]);
  expect(must(found[1]).after).toBe(must(plans[2]));
  expect(JSON.stringify(plans)).toBe(kept);
});
