import { repsCounted } from './counted';
import { heardIn } from './words';

/** Words at their seconds, each a caption of its own. */
const said = (...all: ReadonlyArray<readonly [number, string]>) =>
  heardIn(all.map(([from, text], line) => ({ from, to: from + 0.4, text, line })));

/** Eight repetitions of five seconds, from second 100 on. */
const counted = (words: ReturnType<typeof said>, planned = 8) => repsCounted(words, 100, 140, 5, planned);

test('numbers that count up in time are repetitions, to the last one', () => {
  const words = said(
    [100, 'one'],
    [105, 'two'],
    [110, 'three'],
    [115, 'four'],
    [120, 'five'],
    [125, 'six'],
    [130, 'last one'],
  );
  expect(counted(words)).toBe(7);
});

test('what nobody heard is filled in by the time between the others', () => {
  expect(counted(said([110, 'three'], [120, 'five'], [135, 'eight']))).toBe(8);
  // The last two were not heard: there was time for them, and they were planned.
  expect(counted(said([110, 'three'], [115, 'four'], [120, 'five'], [125, 'six']))).toBe(8);
});

test('counting down counts too', () => {
  expect(counted(said([100, '8'], [105, '7'], [110, '6'], [115, '5'], [120, '4'], [125, '3'], [130, '2']))).toBe(8);
});

test('numbers of another kind are no repetitions, and nothing is made up', () => {
  expect(counted(said([101, 'two sets of eight'], [104, 'six times']))).toBeNull();
  expect(counted(said([110, 'one'], [111, 'two']))).toBeNull();
  expect(counted(said([103, 'lift one knee'], [130, 'both feet down']))).toBeNull();
  expect(counted([])).toBeNull();
});
