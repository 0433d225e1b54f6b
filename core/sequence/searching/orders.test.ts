import { ORDERS, type Order } from '../../method';
import { timeClass } from '../../plan';
import { block, catalogOf, classOf, EXERCISES, exercise, rung } from '../../testing/studio';
import { strayFrom } from './orders';

const HOT = exercise('hot', { rungs: [rung('low', { heatOverride: { heat: 60, reason: 'For the test.' } })] });
const catalog = catalogOf([...EXERCISES, HOT]);
const stray = (order: Order, names: readonly string[], lastEnd: readonly string[] = []) =>
  strayFrom[order](timeClass(catalog, classOf(names.map((name) => block(name)))), { lastEnd }, (entry) =>
    catalog.heat(entry),
  );

test.each<[Order, string[], number]>([
  ['positions', ['stand', 'reach', 'side-leg', 'arch', 'hold'], 0],
  ['positions', ['hold', 'arch', 'side-leg', 'reach', 'stand'], 0],
  // Back to the side after the front: a turn, and a return.
  ['positions', ['stand', 'side-leg', 'arch', 'side-leg'], 2],
  ['customary', ['hold', 'curl', 'arch', 'side-leg', 'reach', 'stand'], 0],
  ['customary', ['stand', 'hold', 'arch'], 1],
  // Two of five blocks are of one pattern that grows: enough. Where it falls, it is one alone.
  ['layered', ['hold', 'hot', 'reach', 'arch', 'stand'], 0],
  ['layered', ['hot', 'hold', 'reach', 'arch', 'stand'], 1],
  ['layered', ['reach', 'hold', 'arch', 'hot', 'stand'], 1],
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
    layered: ['stand', 'hold', 'hot', 'reach'],
    directions: ['stand', 'arch', 'curl', 'hold', 'side-leg', 'side-lift', 'reach', 'march'],
  };
  for (const order of ORDERS) {
    if (order === 'recap') continue;
    expect([order, stray(order, own[order])]).toEqual([order, 0]);
  }
  expect(stray('customary', own.positions)).toBeGreaterThan(0);
  expect(stray('positions', own.layered)).toBeGreaterThan(0);
  expect(stray('layered', ['hot', 'hold', 'arch', 'reach', 'stand'])).toBeGreaterThan(0);
  expect(stray('positions', own.directions)).toBeGreaterThan(0);
});
