import type { Pose } from '../body';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { timeClass } from './clock/timeClass';

const PLANK: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
const shown = (id: string, pose: Pose, change = {}) => rung(id, { poses: { home: pose, away: pose }, ...change });
const catalog = catalogOf([
  exercise('plank', {
    position: 'plank',
    rungs: [shown('wall', { ...PLANK, pitch: 60 }, { position: 'standing' }), shown('floor', PLANK)],
  }),
  exercise('lie', {}),
  exercise('turn', { rungs: [rung('both'), rung('one', { sides: 'each' })] }),
]);

test('a plank at the wall is standing: people are sent up for it, and it is drawn as the plank it is', () => {
  const { positions, blocks } = timeClass(catalog, classOf([block('lie'), block('plank/wall')]));
  expect(Object.keys(positions)).toEqual(['supine', 'standing']);
  // From the back to standing 15, and 4 to settle.
  expect(must(blocks[1]).change.seconds).toBe(19);
  const { like, position } = must(catalog.rung({ exercise: 'plank', rung: 'wall' }));
  expect([like, position]).toEqual(['plank', 'standing']);
  const floor = timeClass(catalog, classOf([block('lie'), block('plank/floor')]));
  expect(Object.keys(floor.positions)).toEqual(['supine', 'plank']);
});

test('one rung of a symmetrical exercise that works one side is done on each', () => {
  const [both, one] = timeClass(catalog, classOf([block('turn/both'), block('turn/one')])).blocks;
  expect([must(both).firstSide, must(one).firstSide]).toEqual([null, 'left']);
  expect(must(one).work).toBe(2 * must(both).work);
  expect(must(one).sideChange).toBe(12);
});
