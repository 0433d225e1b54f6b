import fc from 'fast-check';
import { exercise, rung } from '../../testing/studio';
import { requirementCycles } from './requirements';

/** Exercises 0 to n − 1 of one rung each, requiring as the pairs say. */
const graph = (n: number, edges: ReadonlyArray<readonly [number, number]>) =>
  Array.from({ length: n }, (_, from) => {
    const requires = edges.filter(([a]) => a === from).map(([, to]) => ({ exercise: `e${to}`, rung: 'one' }));
    return exercise(`e${from}`, { rungs: [rung('one', { requires })] });
  });

const pair = (n: number) => fc.tuple(fc.nat(n - 1), fc.nat(n - 1));

test('requirements that only look back have no cycle, however they branch', () => {
  fc.assert(
    fc.property(fc.array(pair(9), { maxLength: 30 }), (pairs) => {
      const back = pairs.filter(([from, to]) => to < from);
      expect(requirementCycles(graph(9, back))).toEqual([]);
    }),
  );
});

test('every cycle named is one: each rung on it requires the next, and it closes', () => {
  fc.assert(
    fc.property(fc.array(pair(6), { minLength: 1, maxLength: 14 }), (pairs) => {
      const edges = new Set(pairs.map(([from, to]) => `e${from}/one>e${to}/one`));
      for (const cycle of requirementCycles(graph(6, pairs))) {
        expect(cycle[0]).toBe(cycle.at(-1));
        for (let i = 1; i < cycle.length; i++) expect(edges.has(`${cycle[i - 1]}>${cycle[i]}`)).toBe(true);
      }
    }),
  );
});

test('a ring of any length is found', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9 }), (n) => {
      const ring = Array.from({ length: n }, (_, i) => [i, (i + 1) % n] as const);
      expect(requirementCycles(graph(n, ring))).toHaveLength(1);
    }),
  );
});

test('a chain of ten thousand does not overflow', () => {
  const chain = Array.from({ length: 9_999 }, (_, i) => [i, i + 1] as const);
  const long = chain.map(([from, to]) =>
    exercise(`e${from}`, { rungs: [rung('one', { requires: [{ exercise: `e${to}`, rung: 'one' }] })] }),
  );
  expect(requirementCycles(long)).toEqual([]);
});
