import type { BasePosition, Pose } from '../body';
import { exercise, must, rung } from '../testing/studio';
import { Catalog } from './catalog';
import type { Prop, Rung } from './exercise';
import { surfacesOf } from './measuring/propShape';

const PROPS: Prop[] = [
  { id: 'wall', name: 'Wall', large: true },
  { id: 'roller', name: 'Roller', large: true, unstable: true },
  { id: 'block', name: 'Block' },
];
const SIDE: Pose = { hip: 20, knee: 20, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const STANDING: Pose = { supports: ['foot.left'], hip: { left: 0, right: 60 } };

/** What a prop adds to the support factor of a still body. */
function added(position: BasePosition, pose: Pose, prop: string, change: Partial<Rung> = {}): number {
  const still = { poses: { home: pose, away: pose }, ...change };
  const made = exercise('one', {
    position,
    rungs: [rung('bare', { poses: still.poses }), rung('with', { ...still, props: [prop] })],
  });
  const catalog = new Catalog({ props: PROPS, exercises: [made] });
  const factor = (id: string) => catalog.measures(must(catalog.rung({ exercise: 'one', rung: id }))).factors.support;
  return factor('with') - factor('bare');
}

test('a wall beside the body, on which nothing rests, forbids the sway and adds heat', () => {
  expect(added('side-lying', SIDE, 'wall')).toBeGreaterThan(0);
  expect(added('standing', STANDING, 'wall')).toBeGreaterThan(0);
  expect(added('side-lying', SIDE, 'wall', { guided: false })).toBe(0);
});

test('a wall that is leaned on or held, and a small prop, do not; what the rung says of itself counts', () => {
  expect(added('plank', { pitch: 60, shoulder: 90, supports: ['hands', 'feet'] }, 'wall')).toBe(0);
  expect(added('standing', { ...STANDING, supports: ['foot.left', 'hand.right'] }, 'wall')).toBe(0);
  expect(added('standing', { hip: 60, knee: 60, supports: ['feet', 'ribs', 'pelvis'] }, 'wall')).toBe(0);
  expect(added('side-lying', SIDE, 'block')).toBe(0);
  expect(added('side-lying', SIDE, 'block', { guided: true })).toBeGreaterThan(0);
});

test('a rolling prop unsteadies more than a guide', () => {
  expect(added('side-lying', SIDE, 'roller')).toBeGreaterThan(added('side-lying', SIDE, 'wall'));
});

test('on an apparatus of the studio’s own, who kneels rests on it; who lies presses with feet wherever they press', () => {
  const surface = (pose: Pose, support: string, on: Rung['on'] = {}) =>
    surfacesOf({
      position: 'on-the-cart',
      rung: rung('one', { poses: { home: pose }, on }),
      props: PROPS,
    })(support);
  const kneeling: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees'] };
  expect(surface(kneeling, 'knee.left')).toBe(0);
  expect(surface(kneeling, 'hand.left')).toBeNull();
  expect(surface(SIDE, 'foot.left')).toBeNull();
  expect(surface(SIDE, 'pelvis')).toBe(0);
});
