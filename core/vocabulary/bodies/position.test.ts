import { PositionGraph } from '../../body';
import {
  type BasePosition,
  isInPlank,
  isKneeling,
  isLying,
  isOnAllFours,
  isSeated,
  isStanding,
  isTall,
  isUpright,
  liesOnBack,
  liesOnFront,
  liesOnSide,
  POSITIONS,
  positionsWhere,
} from './position';

/** What is told apart of positions: every one of them is exactly one of these. */
const KINDS = [isStanding, isKneeling, isSeated, isOnAllFours, isInPlank, liesOnSide, liesOnFront, liesOnBack];

test.each(POSITIONS)('%s is one thing, and known to be', (position) => {
  expect(KINDS.filter((is) => is(position))).toHaveLength(1);
  expect(isUpright(position)).toBe(isTall(position) || isSeated(position));
});

test('each question has its positions, from the highest to the lowest', () => {
  const where: Array<[(position: BasePosition) => boolean, string]> = [
    [isUpright, 'standing kneeling seated'],
    [isTall, 'standing kneeling'],
    [isLying, 'side-lying prone supine'],
  ];
  for (const [holds, names] of where) expect(positionsWhere(holds).join(' ')).toBe(names);
  expect(KINDS.some((is) => is('constructor') || is(undefined))).toBe(false);
});

test('people get from each position to each other', () => {
  const graph = new PositionGraph();
  for (const from of POSITIONS.flatMap((each) => graph.placesOf(each))) {
    for (const to of POSITIONS.flatMap((each) => graph.placesOf(each))) {
      expect(graph.path(from, to).seconds).toBeLessThan(60);
    }
  }
});
