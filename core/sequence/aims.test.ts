import { studioOf } from '../formats';
import type { Order } from '../method';
import type { RungBlock } from '../plan';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';
import { costOf, type Search, triedUnder, tryOut } from './aims';
import { chanceOf, shuffled } from './random';
import { anneal } from './search';
import { searchFor } from './searchFor';

const studio = studioOf(demoBundle(), {});
const TODAY = '2026-11-28';
const searched = (order: Order, mustHave: readonly { exercise: string }[] = []): Search =>
  searchFor(studio, { minutes: 20, audience: 'choir', order, mustHave: [...mustHave] }, TODAY, []);

/** Some classes of any rungs, from sound ones to none that anybody would teach. */
function classesOf(search: Search, seed: number): RungBlock[][] {
  const chance = chanceOf(seed);
  const { blocks } = anneal(search, chance, 60);
  return Array.from({ length: 30 }, (_, i) => {
    const kept = i % 3 === 0 ? [...blocks] : shuffled(blocks, chance);
    return kept.slice(0, 1 + chance.below(kept.length));
  });
}

test.each<Order>(['positions', 'customary', 'layered', 'directions'])(
  '%s: a class is left off only where it costs too much, and else costs what it costs',
  (order) => {
    const search = searched(order, [{ exercise: 'side-leg' }]);
    const left = { off: 0, not: 0 };
    for (const blocks of classesOf(search, 3)) {
      const whole = tryOut(search, blocks);
      expect(costOf(search, whole.measure)).toBeCloseTo(whole.cost, 9);
      for (const most of [whole.cost - 30, whole.cost - 1e-6, whole.cost + 1e-6, whole.cost + 30]) {
        const tried = triedUnder(search, blocks, most);
        if (tried) expect(tried.cost).toBeCloseTo(whole.cost, 9);
        if (whole.cost <= most) expect(tried).not.toBeNull();
        left[tried ? 'not' : 'off'] += 1;
      }
    }
    expect(left.off).toBeGreaterThan(0);
    expect(left.not).toBeGreaterThan(60);
  },
);

test('a search that goes on from a class never ends with a worse one', () => {
  const search = searched('positions');
  for (const seed of [1, 2, 3]) {
    const first = anneal(search, chanceOf(seed), 300);
    const on = anneal(search, chanceOf(seed + 50), 20, undefined, first.blocks);
    expect(on.cost).toBeLessThanOrEqual(first.cost + 1e-9);
  }
});

test('what a brief asks for and is missing costs more than any finding', () => {
  const search = searched('positions');
  const [first] = search.fit;
  const block = (entry: (typeof search.fit)[number]): RungBlock => ({
    id: 'b1',
    exercise: entry.exercise.id,
    rung: entry.rung.id,
    mode: 'teach',
  });
  const without = tryOut(search, [block(must(first))]);
  const asked = { ...search, mustHave: [{ exercise: 'side-leg' }] };
  expect(tryOut(asked, [block(must(first))]).cost - without.cost).toBeGreaterThanOrEqual(500);
});
