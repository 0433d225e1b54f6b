import {
  anglesOf,
  type BasePosition,
  contactsOf,
  dot,
  groundOf,
  isPropped,
  type Limb,
  type Point,
  type Pose,
  skeletonOf,
} from '@warm-ladder/core/body';

/** A point of the drawing in body heights: `x` level, `y` up from the floor. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** A body seen from the side: paths in body heights, the limbs of the near and the far side apart. */
export interface Drawing {
  readonly near: readonly string[];
  readonly far: readonly string[];
  readonly trunk: string;
  readonly head: Spot;
  /** Where it rests on something higher than the floor: a wall, a seat, a block. */
  readonly raised: readonly Spot[];
  readonly box: { readonly left: number; readonly right: number; readonly top: number };
}

/** Half the thickness of a limb: how far above the floor its middle line lies. */
const FLESH = 0.05;
/** A support higher than this rests on something. */
const RAISED = 0.22;

export function drawingOf(pose: Pose, like: BasePosition): Drawing {
  const angles = anglesOf(pose);
  const bones = skeletonOf(angles, 1);
  const { up, along, contacts } = groundOf(pose, like, angles, bones);
  const flat = (point: Point): Spot => ({ x: dot(point, along), y: dot(point, up) });
  const limbs = { left: [bones.leg.left, bones.arm.left], right: [bones.leg.right, bones.arm.right] };
  const points = [
    bones.hip,
    bones.shoulder,
    bones.head,
    ...[...limbs.left, ...limbs.right].flatMap(({ root, middle, end, tip }) => [root, middle, end, tip]),
  ].map(flat);
  const floor = Math.min(...points.map(({ y }) => y));
  // Each pose stands where it rests, so that two poses drawn together share a foot, a knee or the pelvis.
  const { lower } = like === 'standing' || isPropped(pose, like) ? contacts : { lower: null };
  const anchor = flat(lower ?? bones.hip).x;
  const spot = (point: Point): Spot => {
    const { x, y } = flat(point);
    return { x: x - anchor, y: y - floor + FLESH };
  };
  const resting = isPropped(pose, like) ? contactsOf(pose, bones) : { upper: null, lower: null };
  const spots = points.map(({ x }) => x - anchor);
  const line = (limb: Limb) => path([limb.root, limb.middle, limb.end, limb.tip].map(spot));
  const trunk = [bones.hip, bones.lumbar, bones.waist, bones.ribs, bones.shoulder].map(spot);
  return {
    near: limbs.right.map(line),
    far: limbs.left.map(line),
    trunk: smooth(trunk),
    head: spot(bones.head),
    raised: [resting.upper, resting.lower].flatMap((point) => {
      const at = point && spot(point);
      return at && at.y > RAISED ? [at] : [];
    }),
    box: {
      left: Math.min(...spots) - 0.12,
      right: Math.max(...spots) + 0.12,
      top: Math.max(...points.map(({ y }) => y)) - floor + 0.16,
    },
  };
}

/** The window that shows several drawings of one body without cutting any. */
export function frameOf(drawings: readonly Drawing[]): { x: number; width: number; height: number } {
  const left = Math.min(...drawings.map(({ box }) => box.left));
  const right = Math.max(...drawings.map(({ box }) => box.right));
  const top = Math.max(...drawings.map(({ box }) => box.top));
  return { x: left, width: right - left, height: top };
}

const at = ({ x, y }: Spot): string => `${x.toFixed(3)} ${(-y).toFixed(3)}`;
const path = (spots: readonly Spot[]): string => `M${spots.map(at).join('L')}`;

/** A curve through the spine's joints: corners cut at the middles of the bones. */
function smooth(spots: readonly Spot[]): string {
  const [first, ...rest] = spots;
  const last = rest.at(-1);
  if (!first || !last) return '';
  const curves = rest.slice(0, -1).map((spot, i) => {
    const next = rest[i + 1] ?? last;
    const end = i === rest.length - 2 ? next : { x: (spot.x + next.x) / 2, y: (spot.y + next.y) / 2 };
    return `Q${at(spot)} ${at(end)}`;
  });
  return `M${at(first)}${curves.join('')}`;
}
