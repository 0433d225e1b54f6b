import { lateText } from './lateText';

test.each([
  [0, 'almost never runs late'],
  [0.02, '1 class in 50 runs late'],
  [0.2, '1 class in 5 runs late'],
  [0.34, '1 class in 3 runs late'],
  [0.49, '5 classes in 10 run late'],
  [0.7, '7 classes in 10 run late'],
  [0.99, 'almost always runs late'],
])('a chance of %d: %s', (chance, words) => expect(lateText(chance)).toBe(words));
