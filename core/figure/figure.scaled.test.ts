import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type BasePosition, mirrored, POSITIONS, type Pose } from '../body';
import { studioOf } from '../formats';
import { bodiesOf, Catalog, plainPose } from '../repertoire';
import { demoBundle, must } from '../testing';
import { sampled } from '../testing/runs';
import { VIEWS, type View, viewOf } from './camera';
import { type Drawing, drawingOf, frameOf } from './drawing';
import { phasesOf, rungScene, sceneOf } from './scene';
import { seenFrom, viewOfRung } from './viewOfRung';
import { wrongFormsOf } from './wrongForms';

const catalog = new Catalog(JSON.parse(readFileSync(join(__dirname, '../testing/taught-ladders.json'), 'utf8')));
const POSES: ReadonlyArray<readonly [Pose, BasePosition]> = catalog.rungs.flatMap(({ rung, like }) =>
  Object.values(rung.poses).map((pose) => [pose, like] as const),
);

/** Every number a drawing is written with. */
const numbers = ({ layers }: Drawing) => layers.flatMap(({ path }) => path.match(/-?[\d.]+|NaN/g) ?? []).map(Number);

test('every body of every ladder is drawn in numbers, its joints inside its window and above its floor', () => {
  expect(POSES.length).toBeGreaterThan(200);
  const faults: unknown[] = [];
  for (const [pose, like] of POSES) {
    for (const view of VIEWS) {
      const drawing = drawingOf(pose, like, view);
      const { x, width, top, bottom } = frameOf([drawing], view);
      const { joints } = drawing;
      const spots = [
        joints.hip,
        joints.head,
        joints.shoulder,
        ...Object.values(joints.ankle),
        ...Object.values(joints.wrist),
      ];
      // A point that is no number is outside, too: no comparison with it holds.
      const inside = (spot: { x: number; y: number }) =>
        spot.x >= x && spot.x <= x + width && spot.y <= top && spot.y >= bottom;
      const outside = spots.filter((spot) => !inside(spot));
      if (outside.length > 0 || numbers(drawing).some(Number.isNaN)) faults.push({ pose, like, view, outside });
    }
  }
  expect(faults).toEqual([]);
});

test('a standing body stands on its feet, its head on top; a lying one lies flat, its face up', () => {
  const { joints } = drawingOf(plainPose('standing'), 'standing');
  expect(joints.head.y).toBeGreaterThan(joints.shoulder.y);
  expect(joints.shoulder.y).toBeGreaterThan(joints.hip.y);
  expect(joints.hip.y).toBeGreaterThan(joints.knee.left.y);
  expect(joints.ankle.left.y).toBeLessThan(0.1);
  const lying = drawingOf(plainPose('supine'), 'supine').joints;
  expect(Math.abs(lying.head.y - lying.hip.y)).toBeLessThan(0.05);
});

/** The limbs drawn behind the trunk. */
const far = ({ layers }: Drawing) => layers.find(({ tone }) => tone === 'far')?.path;

test('the right side is the near one, lying on the back or the front, and standing', () => {
  for (const like of ['supine', 'standing'] as const) {
    const pose: Pose = { ...plainPose(like), shoulder: { left: 30, right: 60 } };
    expect(far(drawingOf(pose, like))).not.toBe(far(drawingOf(mirrored(pose), like)));
    // Only the right arm differs: what is far stays as it is.
    const other: Pose = { ...pose, shoulder: { left: 30, right: 120 } };
    expect(far(drawingOf(other, like))).toBe(far(drawingOf(pose, like)));
  }
});

test('several drawings share one window, no smaller than the least', () => {
  const drawings = POSITIONS.map((like) => drawingOf(plainPose(like), like));
  const all = frameOf(drawings);
  for (const drawing of drawings) {
    const one = frameOf([drawing]);
    expect(one.width).toBeGreaterThanOrEqual(1.3 - 1e-9);
    expect(all.x).toBeLessThanOrEqual(drawing.box.left + 1e-9);
    expect(all.x + all.width).toBeGreaterThanOrEqual(drawing.box.right - 1e-9);
    expect(all.top).toBeGreaterThanOrEqual(one.top);
  }
});

test.each<[string, BasePosition, Partial<Pose>, View]>([
  ['a turn', 'seated', { twist: 30 }, 'turned'],
  ['a turn lying on the back', 'supine', { twist: 30 }, 'over'],
  ['a side bend sitting', 'seated', { sideBend: 25 }, 'front'],
  ['a side bend lying on the back', 'supine', { sideBend: 25 }, 'top'],
  ['legs opened lying on the back', 'supine', { hipAbduction: 40 }, 'over'],
  ['arms opened standing', 'standing', { shoulderAbduction: 80 }, 'turned'],
  ['a bend forward', 'seated', { lumbar: 40 }, 'side'],
  ['lying on a side, whatever bends', 'side-lying', { sideBend: 25 }, 'side'],
])('%s (%s) is seen best from: %s', (_name, like, change, view) => {
  const home = plainPose(like);
  expect(viewOf([home, { ...home, ...change }], like)).toBe(view);
});

test('a rung is drawn moving from where it starts to where it comes back to', () => {
  for (const entry of catalog.rungs.slice(0, 40)) {
    const view = viewOf(Object.values(entry.rung.poses), entry.like);
    const phases = phasesOf(entry, view);
    const last = phases.at(-1);
    const first = phases[0];
    if (!first || !last || last.phase.pose !== entry.rung.start) continue;
    const [begin, end] = [first.along(0), last.along(1)];
    expect(Math.hypot(begin.joints.head.x - end.joints.head.x, begin.joints.head.y - end.joints.head.y)).toBeLessThan(
      0.02,
    );
  }
  expect(rungScene(catalog.rungs[0] as (typeof catalog.rungs)[number])?.drawing.layers.length).toBeGreaterThan(1);
});

test('what a rung names is drawn: a seat under who sits, a band from hand to foot, a ball between the knees', () => {
  const home: Pose = { hip: 90, knee: 90, supports: ['pelvis', 'feet'] };
  const shown = (id: string, name: string, pose: Pose, on?: Record<string, string>) => {
    const props = [{ id, name }];
    const rung = {
      ...(catalog.rungs[0] as (typeof catalog.rungs)[number]).rung,
      props: [id],
      poses: { home: pose },
      ...(on ? { on } : {}),
    };
    const entry = { position: 'seat', rung, props } as Parameters<typeof sceneOf>[0]['entry'];
    return sceneOf({ pose, like: 'seated', view: 'side', entry });
  };
  const seat = shown('chair', 'Chair', home, { pelvis: 'chair' });
  expect(seat.drawing.joints.hip.y).toBeGreaterThan(0.25);
  expect(seat.drawing.layers.some(({ tone }) => tone === 'prop')).toBe(true);
  const band = shown(
    'band',
    'Band',
    { ...home, holds: { 'hand.left': 'band', 'hand.right': 'band' } },
    { feet: 'band' },
  );
  const line = band.drawing.layers.find(({ tone }) => tone === 'line')?.path ?? '';
  expect(line.match(/[ML]/g)).toHaveLength(4);
  expect(shown('wall', 'Wall', home).drawing.layers.some(({ tone }) => tone === 'prop')).toBe(true);
});

test('every rung of the house is drawn from where six tenths of its longest way show', () => {
  const { catalog: house } = studioOf(demoBundle(), {});
  const hidden = sampled(house.rungs, 4).flatMap((entry) => {
    const { passage } = bodiesOf(entry);
    const { poses, start, phases } = entry.rung;
    let from = poses[start];
    const bodies = phases.flatMap((phase) => {
      const way = from && passage(from, phase);
      from = poses[phase.pose] ?? from;
      return way ? Array.from({ length: 6 }, (_, i) => way.at(i / 5)) : [];
    });
    if (bodies.length === 0) return [];
    const share = seenFrom(viewOfRung(entry), entry.like, bodies);
    return share < 0.59 ? [`${entry.key}: ${share.toFixed(2)}`] : [];
  });
  expect(hidden).toEqual([]);
});

/** Where every joint is on the page, in one order. */
const spotsOf = (joints: Drawing['joints']) =>
  Object.values(joints).flatMap((spot) => ('x' in spot ? [spot] : [spot.left, spot.right]));

test('a fault that is drawn stands beside the form it spoils, in one window, and its hands and feet where they are', () => {
  const { catalog: house } = studioOf(demoBundle(), {});
  const rungs = sampled(house.rungs, 4);
  const drawn = rungs.flatMap((entry) => wrongFormsOf(entry).map((form) => ({ key: entry.key, ...form })));
  expect(new Set(drawn.map(({ key }) => key))).toEqual(new Set(rungs.map(({ key }) => key)));
  const unlike: string[] = [];
  for (const { key, right, wrong } of drawn) {
    expect(wrong.frame).toEqual(right.frame);
    const [so, notSo] = [spotsOf(right.drawing.joints), spotsOf(wrong.drawing.joints)];
    const moved = Math.max(...so.map((a, i) => Math.hypot(a.x - (notSo[i]?.x ?? 0), a.y - (notSo[i]?.y ?? 0))));
    // It is told from the right one at a glance, 3 cm at least, and is no other exercise.
    if (moved < 0.0175 || moved > 0.75) unlike.push(`${key}: ${moved.toFixed(3)}`);
  }
  expect(unlike).toEqual([]);
  const plank = wrongFormsOf(must(house.rungByKey('plank/full')))[0];
  for (const joint of ['wrist', 'toe'] as const) {
    const [a, b] = [plank?.right, plank?.wrong].map((scene) => scene?.drawing.joints[joint].left);
    expect(b?.x).toBeCloseTo(a?.x ?? Number.NaN, 1);
  }
});
