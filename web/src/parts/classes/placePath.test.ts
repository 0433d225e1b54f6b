import { DIRECTIONS } from '@warm-ladder/core/method';
import { directionPath } from '../rungs/directions';
import { placePath } from './placePath';

test('absolute points move and grow, relative ones only grow', () => {
  expect(placePath('M10 2v16', 100, 50, 0.5)).toBe('M105 51v8');
  expect(placePath('M4 4h12v12H4z', 10, 0, 2)).toBe('M18 8h24v24H18z');
  expect(placePath('M0 0l3-1.6', 1, 1, 1)).toBe('M1 1l3 -1.6');
});

test('an arc keeps its angle and flags', () => {
  expect(placePath('M10 3a7 7 0 1 1 0 14', 0, 0, 2)).toBe('M20 6a14 14 0 1 1 0 28');
});

test.each(DIRECTIONS)('the mark of %s keeps its shape when it is placed where it was', (direction) => {
  const numbers = (d: string) => (d.match(/-?\d*\.?\d+/g) ?? []).map(Number);
  expect(numbers(placePath(directionPath(direction), 0, 0, 1))).toEqual(numbers(directionPath(direction)));
});
