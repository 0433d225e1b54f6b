import {
  type Angles,
  add,
  anglesOf,
  type BasePosition,
  bears,
  dot,
  groundOf,
  isPropped,
  isUpright,
  type Limb,
  type Point,
  type Pose,
  type Side,
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
  /** Where a hand can take hold of it. */
  readonly joints: Readonly<Record<JointName, Readonly<Record<Side, Spot>>>> & Readonly<Record<TrunkPoint, Spot>>;
  /** Where it rests on something higher than the floor: a wall, a seat, a block. */
  readonly raised: readonly Spot[];
  readonly box: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
}

export type JointName = 'knee' | 'ankle' | 'elbow' | 'wrist';
export type TrunkPoint = 'hip' | 'shoulder' | 'head';

/** Frames are no smaller than this, in body heights, so that figures side by side are drawn to one scale. */
const LEAST_WIDTH = 1.3;
const LEAST_HEIGHT = 0.55;
/** Half the thickness of a limb: how far above the floor its middle line lies. */
const FLESH = 0.045;
/** A support higher than this rests on something. */
const RAISED = 0.22;

/** From where a body is seen: its right side, its front where it bends sideways upright, or above where it turns. */
export type View = 'side' | 'front' | 'top';

/** Degrees of turn, of side bend and of opened legs from which the side view no longer tells the pose. */
const TURNED = 14;
const BENT_SIDEWAYS = 12;
const OPENED = 24;

/** The view that tells a rung's poses best. */
export function viewOf(poses: readonly Pose[], like: BasePosition): View {
  const most = (read: (angles: Angles) => number) =>
    Math.max(0, ...poses.map((pose) => Math.abs(read(anglesOf(pose)))));
  if (most(({ twist }) => twist) >= TURNED) return 'top';
  if (like === 'side-lying') return 'side';
  if (most(({ sideBend }) => sideBend) >= BENT_SIDEWAYS) return isUpright(like) ? 'front' : 'top';
  const opening = (angles: Angles) => Math.max(angles.hipAbduction.left, angles.hipAbduction.right);
  const still = Math.min(...poses.map((pose) => opening(anglesOf(pose))));
  return like === 'supine' && most(opening) - still >= OPENED ? 'top' : 'side';
}

export function drawingOf(pose: Pose, like: BasePosition, view: View = 'side'): Drawing {
  const angles = drawnAngles(pose, like);
  const bones = skeletonOf(angles, 1);
  const { up, along, contacts } = groundOf(pose, like, angles, bones);
  const level = view === 'front' ? { x: 0, y: 0, z: -1 } : along;
  // Seen from above, the body's right lies below the spine, as it does for someone lying with the head to the right.
  const rise = view === 'top' ? crossed(up, along) : up;
  const flat = (point: Point): Spot => ({ x: dot(point, level), y: dot(point, rise) });
  const leg = (side: Side): Limb =>
    flatFooted(bones.leg[side], bears(pose, 'feet', side) && like !== 'side-lying', along);
  const limbs = { left: [leg('left'), bones.arm.left], right: [leg('right'), bones.arm.right] };
  const points = [
    bones.hip,
    bones.shoulder,
    bones.head,
    ...[...limbs.left, ...limbs.right].flatMap(({ root, middle, end, tip }) => [root, middle, end, tip]),
  ].map(flat);
  const lowest = Math.min(...points.map(({ y }) => y));
  // From above there is no floor to stand on: the pelvis keeps its place.
  const floor = view === 'top' ? flat(bones.hip).y : lowest;
  // Each pose stands where it rests, so that two poses drawn together share a foot, a knee or the pelvis.
  const { lower } = like === 'standing' || isPropped(pose, like) ? contacts : { lower: null };
  const anchor = flat(lower ?? bones.hip).x;
  const spot = (point: Point): Spot => {
    const { x, y } = flat(point);
    return { x: x - anchor, y: y - floor + FLESH };
  };
  const resting = isPropped(pose, like) ? contacts : { upper: null, lower: null };
  const spots = points.map(({ x }) => x - anchor);
  const line = (limb: Limb) => path([limb.root, limb.middle, limb.end, limb.tip].map(spot));
  const trunk = [bones.hip, bones.lumbar, bones.waist, bones.ribs, bones.shoulder].map(spot);
  const bars =
    view === 'top' ? [bones.leg, bones.arm].map(({ left, right }) => path([left.root, right.root].map(spot))) : [];
  return {
    near: limbs.right.map(line),
    far: limbs.left.map(line),
    trunk: smooth(trunk) + bars.join(''),
    head: spot(bones.head),
    joints: {
      knee: { left: spot(bones.leg.left.middle), right: spot(bones.leg.right.middle) },
      ankle: { left: spot(bones.leg.left.end), right: spot(bones.leg.right.end) },
      elbow: { left: spot(bones.arm.left.middle), right: spot(bones.arm.right.middle) },
      wrist: { left: spot(bones.arm.left.end), right: spot(bones.arm.right.end) },
      hip: spot(bones.hip),
      shoulder: spot(bones.shoulder),
      head: spot(bones.head),
    },
    raised: (view === 'top' ? [] : [resting.upper, resting.lower]).flatMap((point) => {
      const at = point && spot(point);
      return at && at.y > RAISED ? [at] : [];
    }),
    box: {
      left: Math.min(...spots) - 0.12,
      right: Math.max(...spots) + 0.12,
      top: Math.max(...points.map(({ y }) => y)) - floor + 0.16,
      bottom: view === 'top' ? lowest - floor - 0.12 : 0,
    },
  };
}

/** The window that shows several drawings of one body without cutting any. */
export function frameOf(drawings: readonly Drawing[]): { x: number; width: number; height: number; bottom: number } {
  const left = Math.min(...drawings.map(({ box }) => box.left));
  const right = Math.max(...drawings.map(({ box }) => box.right));
  const top = Math.max(...drawings.map(({ box }) => box.top));
  const spare = Math.max(0, LEAST_WIDTH - (right - left)) / 2;
  const bottom = Math.min(...drawings.map(({ box }) => box.bottom));
  return { x: left - spare, width: right - left + 2 * spare, height: Math.max(top, LEAST_HEIGHT), bottom };
}

/** Ankles left unsaid are drawn as they lie: long where the knee or the shin bears, or in prone. */
function drawnAngles(pose: Pose, like: BasePosition): Angles {
  const angles = anglesOf(pose);
  if (pose.ankle !== undefined) return angles;
  const onKnees = like === 'four-point' || like === 'kneeling' || like === 'prone';
  const long = (side: Side) => (onKnees || bears(pose, 'knees', side) || bears(pose, 'shins', side) ? 80 : 0);
  return { ...angles, ankle: { left: long('left'), right: long('right') } };
}

/** A foot that bears lies on its sole, unless it stands on its toes. */
function flatFooted(limb: Limb, bearing: boolean, along: Point): Limb {
  const sole = add(limb.tip, limb.end, -1);
  const length = Math.hypot(sole.x, sole.y, sole.z);
  const forward = dot(sole, along) / length;
  if (!bearing || Math.abs(forward) < 0.35) return limb;
  return { ...limb, tip: add(limb.end, along, Math.sign(forward) * length) };
}

const crossed = (a: Point, b: Point): Point => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});

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
