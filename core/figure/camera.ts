import { anglesOf, type BasePosition, type Pose } from '../body';
import { isUpright, liesOnBack, liesOnSide } from '../vocabulary/bodies/position';

/** A point of the room in body heights: `x` along the mat, `y` up, `z` to the right of someone facing along it. */
export interface Spot3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A point of the drawing in body heights: `x` to the right, `y` up. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/**
 * From where a body is seen: its right side, its front, above, or from between them where a turn, a side bend or an
 * opened leg is the point.
 */
export const VIEWS = ['side', 'front', 'top', 'turned', 'over'] as const;
export type View = (typeof VIEWS)[number];

/** Degrees round from the right side towards the front, and up. */
const CAMERAS: Readonly<Record<View, readonly [number, number]>> = {
  side: [0, 0],
  front: [90, 0],
  top: [0, 90],
  turned: [55, 14],
  over: [28, 42],
};

/** Where a room point is on the page, and how near it is to who looks. */
export interface Camera {
  readonly view: View;
  readonly right: Spot3;
  readonly up: Spot3;
  readonly near: Spot3;
}

const RADIANS = Math.PI / 180;

function cameraOf(view: View, turned: boolean): Camera {
  const [own, rise] = CAMERAS[view];
  const round = turned ? 180 - own : own;
  const [c, s] = [Math.cos(round * RADIANS), Math.sin(round * RADIANS)];
  const [ce, se] = [Math.cos(rise * RADIANS), Math.sin(rise * RADIANS)];
  return {
    view,
    right: { x: c, y: 0, z: -s },
    up: { x: -se * s, y: ce, z: -se * c },
    near: { x: ce * s, y: se, z: ce * c },
  };
}
const camerasOf = (turned: boolean): Readonly<Record<View, Camera>> => ({
  side: cameraOf('side', turned),
  front: cameraOf('front', turned),
  top: cameraOf('top', turned),
  turned: cameraOf('turned', turned),
  over: cameraOf('over', turned),
});
const CAMERA = camerasOf(false);
const FROM_OTHER_SIDE = camerasOf(true);

/** The right side is always the near one: who lies on the back is seen with the head to the left. */
export const cameraFor = (view: View, like?: BasePosition): Camera =>
  (liesOnBack(like) ? FROM_OTHER_SIDE : CAMERA)[view];

/** Degrees of turn, of side bend and of opened legs from which the side view no longer tells the pose. */
const TURNED = 14;
const BENT_SIDEWAYS = 12;
const OPENED = 24;
const SPREAD = 40;

/** The views in which a hand can take hold of a joint: what it turns is turned in the page. */
export const PLAIN_VIEWS = ['side', 'top', 'front'] as const satisfies readonly View[];
export type PlainView = (typeof PLAIN_VIEWS)[number];

/** The plain view that comes nearest to the one that tells a rung's poses best. */
export function plainViewOf(poses: readonly Pose[], like: BasePosition): PlainView {
  const view = viewOf(poses, like);
  if (view === 'turned') return 'front';
  return view === 'over' ? 'top' : view;
}

/** The view that tells a rung's poses best. */
export function viewOf(poses: readonly Pose[], like: BasePosition): View {
  let [twist, bend, open, least, arms, fewest] = [0, 0, 0, Number.POSITIVE_INFINITY, 0, Number.POSITIVE_INFINITY];
  for (const pose of poses) {
    const angles = anglesOf(pose);
    const opening = Math.max(angles.hipAbduction.left, angles.hipAbduction.right);
    twist = Math.max(twist, Math.abs(angles.twist));
    bend = Math.max(bend, Math.abs(angles.sideBend));
    open = Math.max(open, opening);
    least = Math.min(least, opening);
    const spread = Math.max(angles.shoulderAbduction.left, angles.shoulderAbduction.right);
    arms = Math.max(arms, spread);
    fewest = Math.min(fewest, spread);
  }
  const upright = isUpright(like);
  if (twist >= TURNED) return upright ? 'turned' : 'over';
  if (liesOnSide(like)) return 'side';
  if (bend >= BENT_SIDEWAYS) return upright ? 'front' : 'top';
  if (upright && arms - fewest >= SPREAD) return 'turned';
  return liesOnBack(like) && open - least >= OPENED ? 'over' : 'side';
}
