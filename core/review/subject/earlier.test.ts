import { block, classOf } from '../../testing/studio';
import { earlierInSeries, metBefore } from './earlier';

const classes = {
  one: classOf([block('hold'), block('curl/high')], { id: 'one' }),
  two: classOf([block('arch')], { id: 'two' }),
  three: classOf([], { id: 'three' }),
};
const classIn = (id: string) => classes[id as keyof typeof classes];
const series = (id: string, ...episodes: string[]) => ({
  id,
  name: id,
  episodes: episodes.map((each) => ({ class: each })),
});

test('an episode has met what every earlier one taught, and nothing of its own or later ones', () => {
  const order = series('s', 'one', 'two', 'three');
  expect([...metBefore(order, 0, classIn)]).toEqual([]);
  expect([...metBefore(order, 1, classIn)]).toEqual(['hold/low', 'curl/high']);
  expect([...metBefore(order, 2, classIn)]).toEqual(['hold/low', 'curl/high', 'arch/low']);
});

test('a class that stands alone has met nothing; one in two series only what both have brought', () => {
  expect(earlierInSeries('three', [], classIn).size).toBe(0);
  const both = [series('a', 'one', 'two', 'three'), series('b', 'two', 'three')];
  expect([...earlierInSeries('three', both, classIn)]).toEqual(['arch/low']);
});

test('a class that is gone taught nothing', () => {
  expect(metBefore(series('s', 'gone', 'two'), 1, classIn).size).toBe(0);
});
