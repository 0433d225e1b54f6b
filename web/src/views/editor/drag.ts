import {
  type Angles,
  anglesOf,
  type BasePosition,
  JOINT_RANGES,
  LIMB_JOINTS,
  type LimbJoint,
  type Pose,
  type Side,
  type Support,
  settled,
  skeletonOf,
  supportsOf,
  type TrunkJoint,
} from '@warm-ladder/core/body';
import {
  bodyInRoom,
  cameraFor,
  type Drawing,
  inRoom,
  type JointName,
  jointsOf,
  type PlainView,
  roomPlace,
  type Spot,
  type TrunkPoint,
} from '@warm-ladder/core/figure';
import { JOINT_WORDS } from './joints';

/** Which side of a pair a hand moves. */
export type Moved = Side | 'both';

type LimbPoint = Extract<JointName, 'knee' | 'ankle' | 'elbow' | 'wrist'>;
type SpinePoint = Extract<TrunkPoint, 'hip' | 'shoulder' | 'head'>;
type HandleName = LimbPoint | SpinePoint;

export interface Handle {
  readonly name: HandleName;
  readonly side: Side | null;
  readonly at: Spot;
  readonly words: string;
  /** What it turns: the angle now and the range it may have, in degrees. */
  readonly degrees: number;
  readonly range: readonly [number, number];
}

/** What turning at a handle turns, in each view: a limb's joint, the trunk's, or the whole back shared out. */
const TURNS: Readonly<Record<HandleName, Readonly<Record<PlainView, LimbJoint | TrunkJoint | 'back' | null>>>> = {
  knee: { side: 'hip', front: 'hipAbduction', top: 'hipAbduction' },
  ankle: { side: 'knee', front: 'knee', top: 'knee' },
  elbow: { side: 'shoulder', front: 'shoulderAbduction', top: 'shoulderAbduction' },
  wrist: { side: 'elbow', front: 'elbow', top: 'elbow' },
  head: { side: 'neck', front: null, top: null },
  shoulder: { side: 'back', front: 'sideBend', top: 'twist' },
  hip: { side: 'pitch', front: null, top: null },
};

const LIMB_POINTS: readonly LimbPoint[] = ['knee', 'ankle', 'elbow', 'wrist'];
const TRUNK_POINTS: readonly SpinePoint[] = ['head', 'shoulder', 'hip'];

const LYING: ReadonlySet<BasePosition> = new Set(['supine', 'prone', 'side-lying']);

/** The places of a drawn body that can be taken hold of in a view. */
export function handlesOf(pose: Pose, like: BasePosition, view: PlainView, moved: Moved): Handle[] {
  const joints = jointsOf(bodyInRoom(pose, like), cameraFor(view, like));
  const side = moved === 'both' ? 'right' : moved;
  const whose = moved === 'both' ? '' : `${side} `;
  const spots: Array<Pick<Handle, 'name' | 'side' | 'at'>> = [
    ...LIMB_POINTS.map((name) => ({ name, side, at: joints[name][side] })),
    ...TRUNK_POINTS.map((name) => ({ name, side: null, at: joints[name] })),
  ];
  return spots.flatMap((spot): Handle[] => {
    const joint = TURNS[spot.name][view];
    const turn = turning(pose, spot, view, moved);
    // A lying body has no trunk line to lean: its pitch is for the table, where a wedge is meant.
    if (joint === null || !turn || (joint === 'pitch' && LYING.has(like))) return [];
    const words = spot.side === null ? JOINT_WORDS[joint] : `${whose}${JOINT_WORDS[joint]}`;
    return [{ ...spot, words, degrees: angleNow(pose, spot, view), range: turn.range }];
  });
}

/** A pose with one joint of one or both sides at an angle. */
export function withLimb(pose: Pose, joint: LimbJoint, moved: Moved, degrees: number): Pose {
  if (moved === 'both') return { ...pose, [joint]: degrees };
  const angle = pose[joint];
  const [left, right] = typeof angle === 'object' ? [angle.left ?? 0, angle.right ?? 0] : [angle ?? 0, angle ?? 0];
  const next = { left, right, [moved]: degrees };
  return { ...pose, [joint]: next.left === next.right ? next.left : next };
}

/** How a back bent by some degrees shares them between the waist and the ribs. */
const WAIST_SHARE = 0.45;

/** Turns the joint of a handle by hand: the pose with it at an angle, and the range the angle may have. */
function turning(
  pose: Pose,
  handle: Pick<Handle, 'name' | 'side'>,
  view: PlainView,
  moved: Moved,
): { range: readonly [number, number]; at: (degrees: number) => Pose } | null {
  const joint = TURNS[handle.name][view];
  if (joint === null) return null;
  if (joint === 'back') {
    const [low, high] = [JOINT_RANGES.lumbar, JOINT_RANGES.thoracic];
    return {
      range: [low[0] + high[0], low[1] + high[1]],
      at: (degrees) => ({
        ...pose,
        lumbar: clamp(Math.round(degrees * WAIST_SHARE), low),
        thoracic: clamp(Math.round(degrees * (1 - WAIST_SHARE)), high),
      }),
    };
  }
  const range = JOINT_RANGES[joint];
  if (handle.side === null) return { range, at: (degrees) => ({ ...pose, [joint]: degrees }) };
  return { range, at: (degrees) => withLimb(pose, joint as LimbJoint, moved, degrees) };
}

const clamp = (value: number, [min, max]: readonly [number, number]): number => Math.min(max, Math.max(min, value));

/** Degrees between two tries of the first, coarse search. */
const COARSE = 4;

/**
 * The pose whose handle lies nearest to where a hand has taken it. The joint's own whole range is searched, so no
 * drag can make a pose that can't be. A limb taken off what it rests on rests no more.
 */
export function draggedTo(
  pose: Pose,
  like: BasePosition,
  view: PlainView,
  handle: Handle,
  moved: Moved,
  target: Spot,
): Pose {
  const held = turning(pose, handle, view, moved);
  const limbs = limbsOf(handle, moved);
  const turn = limbs.length > 0 ? turning(freed(pose, limbs), handle, view, moved) : held;
  if (!turn || !held) return pose;
  const joints = seenTurning(turn.at, pose, like, view, limbs.length > 0);
  const distance = (degrees: number): number => {
    const seen = joints(degrees);
    const spot = handle.side === null ? seen[handle.name as SpinePoint] : seen[handle.name as LimbPoint][handle.side];
    return Math.hypot(spot.x - target.x, spot.y - target.y);
  };
  const [min, max] = turn.range;
  const nearestOf = (from: number, to: number, step: number): number => {
    let best = from;
    for (let degrees = from; degrees <= to; degrees += step) if (distance(degrees) < distance(best)) best = degrees;
    return best;
  };
  const rough = nearestOf(min, max, COARSE);
  const degrees = nearestOf(Math.max(min, rough - COARSE), Math.min(max, rough + COARSE), 1);
  return lifts(turn.at(degrees), like, limbs) ? turn.at(degrees) : held.at(degrees);
}

/**
 * Where the joints are as one turns. A limb moves nothing but itself while it is dragged: the body is settled once, and
 * the limb turned on it.
 */
function seenTurning(
  at: (degrees: number) => Pose,
  pose: Pose,
  like: BasePosition,
  view: PlainView,
  free: boolean,
): (degrees: number) => Drawing['joints'] {
  const camera = cameraFor(view, like);
  if (!free) return (degrees) => jointsOf(bodyInRoom(at(degrees), like), camera);
  const still = settled(pose, like, anglesOf(pose), 1);
  return (degrees) => {
    const turned = at(degrees);
    const angles = { ...still.angles, ...limbAngles(anglesOf(turned), anglesOf(pose), still.angles) };
    return jointsOf(inRoom(pose, like, { ...still, angles, bones: skeletonOf(angles, 1) }), camera);
  };
}

/** The limbs' angles of a settled body, with what a drag has turned since. */
function limbAngles(now: Angles, first: Angles, settledAngles: Angles): Partial<Angles> {
  const turned = (joint: LimbJoint, side: Side) => settledAngles[joint][side] + now[joint][side] - first[joint][side];
  return Object.fromEntries(
    LIMB_JOINTS.map((joint) => [joint, { left: turned(joint, 'left'), right: turned(joint, 'right') }]),
  );
}

type LimbName = `${'leg' | 'arm'}.${Side}`;
const PARTS = { leg: ['foot', 'heel', 'toe', 'shin', 'knee'], arm: ['hand', 'fist', 'forearm', 'elbow'] } as const;

/** The limbs a handle moves. */
function limbsOf({ name, side }: Handle, moved: Moved): LimbName[] {
  if (side === null) return [];
  const limb = name === 'knee' || name === 'ankle' ? 'leg' : 'arm';
  return moved === 'both' ? [`${limb}.left`, `${limb}.right`] : [`${limb}.${side}`];
}

const partsOf = (limb: LimbName): string[] => {
  const [kind, side] = limb.split('.') as ['leg' | 'arm', Side];
  return PARTS[kind].map((part) => `${part}.${side}`);
};

/** The pose with limbs that rest on nothing, as long as something still bears. */
function freed(pose: Pose, limbs: readonly LimbName[]): Pose {
  const loose = new Set(limbs.flatMap(partsOf));
  const supports = [...supportsOf(pose)].filter((part) => !loose.has(part)) as Support[];
  return supports.length > 0 ? { ...pose, supports } : pose;
}

/** Body heights above the floor from which a limb no longer rests. */
const LIFTED = 0.05;

function lifts(pose: Pose, like: BasePosition, limbs: readonly LimbName[]): boolean {
  const body = bodyInRoom(pose, like);
  return (
    limbs.length > 0 &&
    limbs.every((limb) => {
      const [kind, side] = limb.split('.');
      const place = roomPlace(body, kind === 'leg' ? `heel.${side}` : `hand.${side}`);
      return place !== null && place.at.y - place.flesh > LIFTED;
    })
  );
}

/** The pose with a handle's joint turned by some degrees: what the arrow keys do. */
export function nudged(pose: Pose, view: PlainView, handle: Handle, moved: Moved, by: number): Pose {
  const turn = turning(pose, handle, view, moved);
  if (!turn) return pose;
  return turn.at(clamp(angleNow(pose, handle, view) + by, turn.range));
}

function angleNow(pose: Pose, handle: Pick<Handle, 'name' | 'side'>, view: PlainView): number {
  const joint = TURNS[handle.name][view];
  if (joint === null) return 0;
  if (joint === 'back') return (pose.lumbar ?? 0) + (pose.thoracic ?? 0);
  const angle = pose[joint];
  if (typeof angle === 'object') return (handle.side && angle[handle.side]) ?? 0;
  return angle ?? 0;
}
