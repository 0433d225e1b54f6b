import { block, classOf } from '@warm-ladder/core/testing';
import { differencesOf } from './differences';

test('two versions of a class differ in words a director knows', () => {
  const mine = classOf([block('hold', { dose: { reps: 8 } }), block('curl')], { name: 'Mine', openingSeconds: 60 });
  const theirs = classOf([block('hold', { dose: { reps: 6 } })], { name: 'Theirs', openingSeconds: 60 });
  expect(differencesOf(mine, theirs)).toEqual({
    told: [
      { where: 'name', mine: 'Mine', theirs: 'Theirs' },
      { where: 'block 1, dose, reps', mine: '8', theirs: '6' },
      { where: 'block 2', mine: 'curl, low', theirs: 'nothing' },
    ],
    more: 0,
  });
});

test('many differences are counted, the same is none', () => {
  const blocks = Array.from({ length: 20 }, () => block('hold'));
  expect(differencesOf(classOf(blocks), classOf([])).more).toBe(12);
  expect(differencesOf(classOf(blocks), classOf(blocks)).told).toEqual([]);
});
