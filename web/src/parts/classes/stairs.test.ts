import { timeClass } from '@warm-ladder/core/plan';
import { block, catalogOf, classOf } from '@warm-ladder/core/testing';
import { layStairs } from './stairs';

const catalog = catalogOf();
const lay = (names: string[], change = {}) => {
  const timed = timeClass(
    catalog,
    classOf(
      names.map((name) => block(name)),
      change,
    ),
  );
  return { timed, ...layStairs(catalog, timed, 1000, 140, timed.seconds) };
};

test('standing is at the top, supine at the bottom, and each tread as long as its seconds', () => {
  const { treads, timed, scale } = lay(['stand', 'hold']);
  expect(treads.map(({ y }) => y)).toEqual([0, 140]);
  expect(scale).toBeCloseTo(1000 / timed.seconds, 9);
  expect(treads.map(({ width }) => width / scale)).toEqual(
    timed.blocks.map(({ seconds }) => expect.closeTo(seconds, 6)),
  );
});

test('treads, risers, opening and closing fill the width without a gap', () => {
  const { treads, risers, timed, scale } = lay(['stand', 'hold', 'side-leg', 'arch', 'arch']);
  const covered = [...treads, ...risers].reduce((sum, { width }) => sum + width, 0);
  expect(covered + (timed.parts.opening + timed.parts.closing) * scale).toBeCloseTo(1000, 6);
});

test('a riser stands where seconds pass between, and nowhere else', () => {
  expect(lay(['hold', 'curl']).risers).toEqual([]);
  expect(lay(['hold', 'arch']).risers).toMatchObject([{ from: 140, to: 120 }]);
  expect(lay(['hold'], { openingPosition: 'standing' }).risers).toHaveLength(1);
});

test('a block done on each side has two treads, told apart by their pass', () => {
  expect(lay(['reach']).treads.map(({ block: index, pass }) => [index, pass])).toEqual([
    [0, 0],
    [0, 1],
  ]);
});

test('a tread says which side works, the class’s first side first', () => {
  expect(lay(['reach', 'hold'], { firstSide: 'right' }).treads.map(({ sides }) => sides)).toEqual(['R', 'L', '']);
});

test('only the levels that are stood on are named', () => {
  expect(lay(['stand', 'hold']).levels.map(({ name }) => name)).toEqual(['standing', 'supine']);
});
