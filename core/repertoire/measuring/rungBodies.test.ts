import { eachOf, type FleshyPart, inTheRoom, type Point, restingPoint, type Side } from '../../body';
import { demoBundle } from '../../testing/demo';
import { Catalog } from '../catalog';
import { standingUnder } from './propShape';
import { bodiesOf } from './rungBodies';

const catalog = new Catalog({ exercises: [], ...demoBundle() });
const HEIGHT_M = 1.7;
/** Metres by which what is put on a thing that stands may travel on the way: flesh rolls over it. */
const TRAVELS_M = 0.03;
/** A flat foot on a bar that turns about it: its middle goes a little way round. */
const ROLLS_OVER = new Set([
  'foot-press/heels',
  'carriage-bridge/curl',
  'carriage-bridge/roll',
  'carriage-bridge/press',
]);

const onThings = catalog.rungs.flatMap((entry) => {
  const held = Object.keys(entry.rung.on ?? {})
    .flatMap(eachOf)
    .filter((support) => standingUnder(entry.rung, support, entry.props));
  return held.length > 0 && !ROLLS_OVER.has(entry.key) ? [[entry.key, entry, held] as const] : [];
});

test.each(onThings)('%s: what is put on a chair, a wall or a bar stays there, all the way', (_key, entry, held) => {
  const { rung } = entry;
  const bodies = bodiesOf(entry);
  for (const support of held) {
    const [part, side] = support.split('.') as [FleshyPart, Side | undefined];
    const seen: Point[] = [];
    let from = rung.poses[rung.start];
    for (const phase of rung.phases) {
      const to = rung.poses[phase.pose];
      const bears = [from, to].every((pose) => pose?.supports.flatMap(eachOf).includes(support));
      const way = from && bears ? bodies.passage(from, phase) : null;
      for (let i = 0; way && i <= 10; i++) {
        const body = way.at(i / 10);
        const at = restingPoint(body.bones, part, side ?? 'left');
        if (at) seen.push(inTheRoom(body, at));
      }
      from = to;
    }
    const [first] = seen;
    for (const { x, y, z } of first ? seen : []) {
      const travelled = Math.hypot(x - (first?.x ?? 0), y - (first?.y ?? 0), z - (first?.z ?? 0)) * HEIGHT_M;
      expect(travelled).toBeLessThanOrEqual(TRAVELS_M);
    }
  }
});

test('there are enough of them to tell', () => {
  expect(onThings.length).toBeGreaterThan(12);
});
