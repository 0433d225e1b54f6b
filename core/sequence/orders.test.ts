import { ORDERS, type Order } from '../method';
import { timeClass } from '../plan';
import { block, catalogOf, classOf, EXERCISES } from '../testing/studio';
import { strayFrom } from './orders';

const catalog = catalogOf(EXERCISES);
const stray = (order: Order, names: readonly string[], lastEnd: readonly string[] = []) =>
  strayFrom[order](timeClass(catalog, classOf(names.map((name) => block(name)))), { lastEnd });

test.each<[Order, string[], number]>([
  ['positions', ['stand', 'reach', 'side-leg', 'arch', 'hold'], 0],
  ['positions', ['hold', 'arch', 'side-leg', 'reach', 'stand'], 0],
  // Back to the side after the front: a turn, and a return.
  ['positions', ['stand', 'side-leg', 'arch', 'side-leg'], 2],
  ['customary', ['hold', 'curl', 'arch', 'side-leg', 'reach', 'stand'], 0],
  ['customary', ['stand', 'hold', 'arch'], 1],
  ['layered', ['earned', 'earned/high', 'hold', 'reach'], 0],
  ['layered', ['earned/high', 'earned', 'hold', 'reach'], 1],
  ['layered', ['hold', 'earned', 'curl', 'reach'], 2],
  ['directions', ['curl', 'hold', 'arch', 'side-leg'], 0],
  ['directions', ['curl', 'arch', 'curl'], 1],
])('%s: %j strays %i times', (order, names, times) => {
  expect(stray(order, names)).toBe(times);
});

test('a recap begins as the last episode ended, in that order', () => {
  const lastEnd = ['hold/low', 'curl/low', 'arch/low', 'stand/low'];
  expect(stray('recap', ['curl', 'arch', 'stand', 'hold'], lastEnd)).toBe(0);
  expect(stray('recap', ['arch', 'curl', 'stand'], lastEnd)).toBe(2);
  expect(stray('recap', ['hold'])).toBe(0);
});

test('each order is its own: a class that keeps one strays from every other', () => {
  const own: Record<Exclude<Order, 'recap'>, string[]> = {
    positions: ['stand', 'reach', 'side-leg', 'arch', 'curl', 'hold'],
    customary: ['hold', 'curl', 'arch', 'side-leg', 'reach', 'stand'],
    layered: ['stand', 'earned', 'earned/high', 'reach'],
    directions: ['stand', 'arch', 'curl', 'hold', 'side-leg', 'side-lift', 'reach', 'march'],
  };
  for (const order of ORDERS) {
    if (order === 'recap') continue;
    expect([order, stray(order, own[order])]).toEqual([order, 0]);
  }
  expect(stray('customary', own.positions)).toBeGreaterThan(0);
  expect(stray('positions', own.layered)).toBeGreaterThan(0);
  expect(stray('layered', own.customary)).toBeGreaterThan(0);
  expect(stray('positions', own.directions)).toBeGreaterThan(0);
});
