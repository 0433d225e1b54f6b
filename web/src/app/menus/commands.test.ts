import { answers } from './commands';

test('what begins with the letters comes before what has words that do, and that before what only holds them', () => {
  const rank = (words: string, typed: string, also = '') => answers(words, also, typed.split(' '));
  expect(rank('Leg ring', 'leg r')).toBe(0);
  expect(rank('The middle, ring and leg', 'leg ring')).toBe(1);
  expect(rank('Bearing legs', 'ring leg')).toBe(2);
  expect(rank('Calendar', 'term', 'term weeks')).toBe(2);
  expect(rank('Calendar', 'terms', 'term weeks')).toBeNull();
  expect(rank('Heel press', 'ring', 'hamstring')).toBeNull();
});
