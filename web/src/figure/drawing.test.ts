import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type BasePosition, POSITIONS, type Pose } from '@warm-ladder/core/body';
import { Catalog, plainPose } from '@warm-ladder/core/repertoire';
import { type Drawing, drawingOf, frameOf, type View, viewOf } from './drawing';

const VIEWS: readonly View[] = ['side', 'front', 'top'];
const taught = JSON.parse(readFileSync(join(__dirname, '../../../core/testing/taught-ladders.json'), 'utf8'));
const POSES: ReadonlyArray<readonly [Pose, BasePosition]> = new Catalog(taught).rungs.flatMap(({ rung, like }) =>
  Object.values(rung.poses).map((pose) => [pose, like] as const),
);

/** Every point a drawing's lines pass through, y up. */
const points = ({ near, far, trunk }: Drawing) =>
  [...near, ...far, trunk].flatMap((path) =>
    [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => ({ x: Number(x), y: -Number(y) })),
  );

test('every body of every ladder is drawn in numbers, on or above its floor, inside its frame', () => {
  expect(POSES.length).toBeGreaterThan(200);
  const faults: unknown[] = [];
  for (const [pose, like] of POSES) {
    for (const view of VIEWS) {
      const drawing = drawingOf(pose, like, view);
      const { x, width, height, bottom } = frameOf([drawing]);
      const lowest = view === 'top' ? bottom : 0;
      // A point that is no number is outside, too: no comparison with it holds.
      const inside = (point: { x: number; y: number }) =>
        point.x >= x && point.x <= x + width && point.y <= height && point.y >= lowest;
      const outside = [...points(drawing), drawing.head].filter((point) => !inside(point));
      if (outside.length > 0) faults.push({ pose, like, view, outside });
    }
  }
  expect(faults).toEqual([]);
});

test('a standing body stands on its feet, its head on top; a lying one lies flat', () => {
  const { joints } = drawingOf(plainPose('standing'), 'standing');
  expect(joints.head.y).toBeGreaterThan(joints.shoulder.y);
  expect(joints.shoulder.y).toBeGreaterThan(joints.hip.y);
  expect(joints.hip.y).toBeGreaterThan(joints.knee.left.y);
  expect(joints.ankle.left.y).toBeLessThan(0.1);
  const lying = drawingOf(plainPose('supine'), 'supine').joints;
  expect(Math.abs(lying.head.y - lying.hip.y)).toBeLessThan(0.05);
  expect(lying.head.x).toBeGreaterThan(lying.hip.x);
});

test('the near and the far side change places in a mirrored pose', () => {
  const pose: Pose = {
    hip: { left: 45, right: 90 },
    knee: { left: 90, right: 30 },
    supports: ['head', 'ribs', 'pelvis'],
  };
  const mirrored: Pose = { ...pose, hip: { left: 90, right: 45 }, knee: { left: 30, right: 90 } };
  const [one, other] = [drawingOf(pose, 'supine'), drawingOf(mirrored, 'supine')];
  expect(one.near[0]).toBe(other.far[0]);
  expect(one.far[0]).toBe(other.near[0]);
});

test('several drawings share one frame, no smaller than the least', () => {
  const drawings = POSITIONS.map((like) => drawingOf(plainPose(like), like));
  const all = frameOf(drawings);
  for (const drawing of drawings) {
    const one = frameOf([drawing]);
    expect(one.width).toBeGreaterThanOrEqual(1.3 - 1e-9);
    expect(all.x).toBeLessThanOrEqual(drawing.box.left + 1e-9);
    expect(all.x + all.width).toBeGreaterThanOrEqual(drawing.box.right - 1e-9);
    expect(all.height).toBeGreaterThanOrEqual(one.height);
  }
});

test.each<[string, BasePosition, Partial<Pose>, View]>([
  ['a turn', 'seated', { twist: 30 }, 'top'],
  ['a side bend sitting', 'seated', { sideBend: 25 }, 'front'],
  ['a side bend lying on the back', 'supine', { sideBend: 25 }, 'top'],
  ['legs opened lying on the back', 'supine', { hipAbduction: 40 }, 'top'],
  ['a bend forward', 'seated', { lumbar: 40 }, 'side'],
  ['lying on a side, whatever bends', 'side-lying', { sideBend: 25 }, 'side'],
])('%s (%s) is seen best from the %s', (_name, like, change, view) => {
  const home = plainPose(like);
  expect(viewOf([home, { ...home, ...change }], like)).toBe(view);
});
