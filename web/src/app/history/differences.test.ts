import { block, classOf } from '@warm-ladder/core/testing';
import { clashesOf, differencesOf } from './differences';

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

test('what two hands changed differently is named where it still is, with what each made of it', () => {
  const was = classOf([block('hold', { dose: { reps: 8 } }), block('curl'), block('arch')], { name: 'Was' });
  const [hold, curl, arch] = was.blocks as [
    (typeof was.blocks)[number],
    (typeof was.blocks)[number],
    (typeof was.blocks)[number],
  ];
  const mine = { ...was, name: 'Mine', blocks: [{ ...hold, dose: { reps: 6 } }, arch, curl] };
  const theirs = { ...was, name: 'Theirs', blocks: [arch, { ...curl, note: 'Slowly.' }] };
  expect(clashesOf(was, mine, theirs)).toEqual([
    { where: 'name', mine: 'Mine', theirs: 'Theirs' },
    { where: 'block “hold, low”', mine: 'changed', theirs: 'removed' },
  ]);
  expect(clashesOf(was, theirs, mine).at(-1)).toEqual({
    where: 'block “hold, low”',
    mine: 'removed',
    theirs: 'changed',
  });
});

test('what has no name of its own is told by what it is', () => {
  const counted = (n: number) => ({ stages: [{ id: 'a', n }] });
  expect(clashesOf(counted(1), counted(2), counted(3))).toEqual([{ where: 'stages, n', mine: '2', theirs: '3' }]);
});

test('nothing on one side is told as nothing', () => {
  expect(differencesOf({ dose: null }, { dose: { reps: 2 } }).told).toEqual([
    { where: 'dose', mine: 'nothing', theirs: expect.any(String) },
  ]);
  expect(differencesOf(undefined, 'here').told).toMatchObject([{ where: 'the whole', mine: 'nothing' }]);
});
