import { studioOf } from '../../formats';
import type { Order } from '../../method';
import { demoBundle } from '../../testing/demo';
import { chanceOf, shuffled } from '../../vocabulary/chance';
import type { Composition } from '../searching/composition';
import { anneal } from '../searching/search';
import { searchFor } from '../searching/searchFor';
import { costOf, type Search, triedUnder, tryOut } from './aims';

const studio = studioOf(demoBundle(), {});
const TODAY = '2026-11-28';
const searched = (order: Order, mustHave: readonly { exercise: string }[] = []): Search =>
  searchFor(studio, { minutes: 20, audience: 'choir', order, mustHave: [...mustHave] }, TODAY, []);

/** Some classes of any rungs, from sound ones to none that anybody would teach. */
function classesOf(search: Search, seed: number): Composition[] {
  const chance = chanceOf(seed);
  const { groups } = anneal(search, chance, 60).composition;
  return Array.from({ length: 30 }, (_, i) => {
    const kept = i % 3 === 0 ? [...groups] : shuffled(groups, chance);
    return { groups: kept.slice(0, 1 + chance.below(kept.length)), scale: 1 };
  });
}

test.each<Order>(['positions', 'customary', 'layered', 'directions'])(
  '%s: a class is left off only where it costs too much, and else costs what it costs',
  (order) => {
    const search = searched(order, [{ exercise: 'side-leg' }]);
    const left = { off: 0, not: 0 };
    for (const made of classesOf(search, 3)) {
      const whole = tryOut(search, made);
      // What a director would rather have is asked of a composition alone, and comes on top.
      expect(costOf(search, whole.measure)).toBeLessThanOrEqual(whole.cost + 1e-9);
      for (const most of [whole.cost - 30, whole.cost - 1e-6, whole.cost + 1e-6, whole.cost + 30]) {
        const tried = triedUnder(search, made, most);
        if (tried) expect(tried.cost).toBeCloseTo(whole.cost, 9);
        expect(tried !== null).toBe(whole.cost <= most);
        left[tried ? 'not' : 'off'] += 1;
      }
    }
    expect(left).toEqual({ off: 60, not: 60 });
  },
);

test('a search that goes on from a class never ends with a worse one', () => {
  const search = searched('positions');
  for (const seed of [1, 2, 3]) {
    const first = anneal(search, chanceOf(seed), 300);
    const on = anneal(search, chanceOf(seed + 50), 20, first.composition);
    expect(on.cost).toBeLessThanOrEqual(first.cost + 1e-9);
  }
});

test('what a brief asks for and is missing costs more than any finding', () => {
  const search = searched('positions');
  const made: Composition = { groups: [{ entries: search.fit.slice(0, 1) }], scale: 1 };
  const without = tryOut(search, made);
  const asked = { ...search, mustHave: [{ exercise: 'side-leg' }] };
  expect(tryOut(asked, made).cost - without.cost).toBeGreaterThanOrEqual(500);
});
