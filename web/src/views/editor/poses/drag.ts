import {
  type Angles,
  anglesOf,
  armBears,
  type BasePosition,
  JOINT_RANGES,
  LIMB_JOINTS,
  type LimbJoint,
  legBears,
  type Pose,
  SIDES,
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
import { isSeated, liesOnBack, liesOnFront, liesOnSide } from '@warm-ladder/core/vocabulary';
import { JOINT_WORDS } from './joints';

/** Which side of a pair a hand moves. */
export type Moved = Side | 'both';

type LimbPoint = Extract<JointName, 'knee' | 'ankle' | 'elbow' | 'wrist'>;
type SpinePoint = Extract<TrunkPoint, 'hip' | 'ribs' | 'shoulder' | 'head'>;
type HandleName = LimbPoint | SpinePoint;

export interface Handle {
  readonly name: HandleName;
  readonly side: Side | null;
  readonly at: Spot;
  /** What it is called, and what turns when it is taken elsewhere. */
  readonly words: string;
  readonly turns: string;
  /** The angle now and the range it may have, in degrees. */
  readonly degrees: number;
  readonly range: readonly [number, number];
}

/** What people call the places one takes hold of. */
const NAMES: Readonly<Record<HandleName, string>> = {
  knee: 'knee',
  ankle: 'ankle',
  elbow: 'elbow',
  wrist: 'wrist',
  hip: 'pelvis',
  ribs: 'ribs',
  shoulder: 'shoulders',
  head: 'head',
};

type Turn = LimbJoint | TrunkJoint | 'back';

/** What taking a handle elsewhere turns, and what no longer rests, or rests instead, once it has left the floor. */
interface Way {
  readonly joint: Turn;
  readonly frees?: readonly string[];
  readonly instead?: readonly Support[];
}

const LIMB_WAYS: Readonly<Record<LimbPoint, Readonly<Record<PlainView, LimbJoint>>>> = {
  knee: { side: 'hip', front: 'hipAbduction', top: 'hipAbduction' },
  ankle: { side: 'knee', front: 'knee', top: 'knee' },
  elbow: { side: 'shoulder', front: 'shoulderAbduction', top: 'shoulderAbduction' },
  wrist: { side: 'elbow', front: 'elbow', top: 'elbow' },
};

/** A chest that leaves the floor takes the head with it. */
const CHEST = ['head', 'ribs', 'shoulders'] as const;

function wayOf(pose: Pose, name: HandleName, { view, like }: Stage): Way | null {
  if (name in LIMB_WAYS) return { joint: LIMB_WAYS[name as LimbPoint][view] };
  if (view !== 'side') {
    const joint = view === 'front' ? 'sideBend' : 'twist';
    return name === 'ribs' || name === 'shoulder' ? { joint } : null;
  }
  const onSide = liesOnSide(like);
  switch (name as SpinePoint) {
    case 'head':
      return { joint: 'neck', frees: ['head'] };
    case 'ribs':
      return onSide ? { joint: 'sideBend', frees: CHEST } : { joint: 'thoracic', frees: CHEST };
    case 'shoulder':
      return onSide ? { joint: 'sideBend', frees: CHEST } : { joint: 'back', frees: CHEST };
    case 'hip':
      // Lifted from lying, the pelvis hangs between the shoulders and the feet that stay where they are.
      if (liesOnBack(like)) return { joint: 'hip', frees: ['pelvis', 'ribs'], instead: ['shoulders'] };
      // On a side it is lifted between an arm and the feet.
      if (onSide && !SIDES.some((side) => armBears(pose, side))) return null;
      if (onSide) return { joint: 'sideBend', frees: ['pelvis', 'ribs', 'thigh.left', 'shin.left'] };
      return { joint: isSeated(like) || liesOnFront(like) ? 'lumbar' : 'hip' };
  }
}

const LIMB_POINTS: readonly LimbPoint[] = ['knee', 'ankle', 'elbow', 'wrist'];
const SPINE_POINTS: readonly SpinePoint[] = ['head', 'shoulder', 'ribs', 'hip'];

/** How the stage shows a body: from where, in which position, and which support stays where it is. */
export interface Stage {
  readonly like: BasePosition;
  readonly view: PlainView;
  readonly planted: string | null;
}

const jointsOn = ({ like, view, planted }: Stage, pose: Pose): Drawing['joints'] =>
  jointsOf(bodyInRoom(pose, like, undefined, planted), cameraFor(view, like));

/** The places of a drawn body that can be taken hold of in a view. */
export function handlesOf(pose: Pose, stage: Stage, moved: Moved): Handle[] {
  const joints = jointsOn(stage, pose);
  const side = moved === 'both' ? 'right' : moved;
  const whose = moved === 'both' ? '' : `${side} `;
  const spots: Array<Pick<Handle, 'name' | 'side' | 'at'>> = [
    ...LIMB_POINTS.map((name) => ({ name, side, at: joints[name][side] })),
    ...SPINE_POINTS.map((name) => ({ name, side: null, at: joints[name] })),
  ];
  return spots.flatMap((spot): Handle[] => {
    const turn = turning(pose, spot, stage, moved);
    if (!turn) return [];
    const words = spot.side === null ? NAMES[spot.name] : `${whose}${NAMES[spot.name]}`;
    return [{ ...spot, words, turns: turn.words, degrees: turn.degrees, range: turn.range }];
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

/** Turning the joint of a handle: its angle now, the range it may have, and the pose with it at an angle. */
interface Turning {
  readonly words: string;
  readonly degrees: number;
  readonly range: readonly [number, number];
  readonly at: (degrees: number, pose?: Pose) => Pose;
}

function turning(
  pose: Pose,
  { name, side }: Pick<Handle, 'name' | 'side'>,
  stage: Stage,
  moved: Moved,
): Turning | null {
  const way = wayOf(pose, name, stage);
  if (!way) return null;
  const { joint } = way;
  if (joint === 'back') {
    const [low, high] = [JOINT_RANGES.lumbar, JOINT_RANGES.thoracic];
    return {
      words: JOINT_WORDS.back,
      degrees: (pose.lumbar ?? 0) + (pose.thoracic ?? 0),
      range: [low[0] + high[0], low[1] + high[1]],
      at: (degrees, of = pose) => ({
        ...of,
        lumbar: clamp(Math.round(degrees * WAIST_SHARE), low),
        thoracic: clamp(Math.round(degrees * (1 - WAIST_SHARE)), high),
      }),
    };
  }
  const [words, range] = [JOINT_WORDS[joint], JOINT_RANGES[joint]];
  if (!isLimb(joint))
    return { words, range, degrees: pose[joint] ?? 0, at: (degrees, of = pose) => ({ ...of, [joint]: degrees }) };
  // The pelvis is taken by the legs that stand: one leg off the floor stays as it is.
  const standing = SIDES.filter((each) => legBears(pose, each));
  const legs: Moved = side !== null ? moved : standing.length === 1 ? (standing[0] as Side) : 'both';
  const own = anglesOf(pose)[joint];
  const degrees = own[side ?? (legs === 'both' ? 'right' : legs)];
  return { words, range, degrees, at: (to, of = pose) => withLimb(of, joint, legs, to) };
}

const isLimb = (joint: Turn): joint is LimbJoint => (LIMB_JOINTS as readonly string[]).includes(joint);

const clamp = (value: number, [min, max]: readonly [number, number]): number => Math.min(max, Math.max(min, value));

/** Degrees between two tries of the first, coarse search. */
const COARSE = 4;

/**
 * The pose whose handle lies nearest to where a hand has taken it. The joint's own whole range is searched, so no
 * drag can make a pose that can't be. What is taken off what it rests on rests no more; what is planted stays.
 */
export function draggedTo(pose: Pose, stage: Stage, handle: Handle, moved: Moved, target: Spot): Pose {
  const turn = turning(pose, handle, stage, moved);
  const way = wayOf(pose, handle.name, stage);
  if (!turn || !way) return pose;
  const limbs = limbsOf(handle, moved);
  const loose = limbs.length > 0 ? freed(pose, limbs.flatMap(partsOf)) : freed(pose, way.frees ?? [], way.instead);
  const [min, max] = turn.range;
  const nearest = (joints: (degrees: number) => Drawing['joints']): number => {
    const distance = (degrees: number): number => {
      const seen = joints(degrees);
      const spot = handle.side === null ? seen[handle.name as SpinePoint] : seen[handle.name as LimbPoint][handle.side];
      return Math.hypot(spot.x - target.x, spot.y - target.y);
    };
    const among = (from: number, to: number, step: number): number => {
      let [best, least] = [from, Number.POSITIVE_INFINITY];
      for (let degrees = from; degrees <= to; degrees += step) {
        const away = distance(degrees);
        if (away < least) [best, least] = [degrees, away];
      }
      return best;
    };
    const rough = among(min, max, COARSE);
    return among(Math.max(min, rough - COARSE), Math.min(max, rough + COARSE), 1);
  };
  if (limbs.length > 0) {
    const degrees = nearest(turningLimb(turn, pose, stage));
    const off = turn.at(degrees, loose);
    return loose !== pose && hangs(off, stage.like, leaving(handle, limbs)) ? off : turn.at(degrees);
  }
  if (loose !== pose) {
    const off = turn.at(
      nearest((degrees) => jointsOn(stage, turn.at(degrees, loose))),
      loose,
    );
    if (hangs(off, stage.like, leaving(handle, limbs))) return off;
  }
  return turn.at(nearest((degrees) => jointsOn(stage, turn.at(degrees))));
}

/**
 * Where the joints are as one turns. A limb moves nothing but itself while it is dragged: the body is settled once, and
 * the limb turned on it.
 */
function turningLimb(
  { at }: Turning,
  pose: Pose,
  { like, view, planted }: Stage,
): (degrees: number) => Drawing['joints'] {
  const camera = cameraFor(view, like);
  const still = settled(pose, like, anglesOf(pose), 1);
  return (degrees) => {
    const angles = { ...still.angles, ...limbAngles(anglesOf(at(degrees)), anglesOf(pose), still.angles) };
    return jointsOf(inRoom(pose, like, { ...still, angles, bones: skeletonOf(angles, 1) }, planted), camera);
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

/** The pose without some supports, and with others in their place; as it was when nothing would bear any more. */
function freed(pose: Pose, parts: readonly string[], instead: readonly Support[] = []): Pose {
  const loose = new Set(parts);
  const bearing = [...supportsOf(pose)] as Support[];
  if (!bearing.some((part) => loose.has(part))) return pose;
  const supports = [...bearing.filter((part) => !loose.has(part)), ...instead];
  return supports.length > 0 ? { ...pose, supports } : pose;
}

/** Body heights above the floor from which something no longer rests. */
const LIFTED = 0.05;

/** What has to leave the floor for a handle to have lifted it. */
function leaving({ name }: Handle, limbs: readonly LimbName[]): string[] {
  if (name === 'head') return ['head'];
  if (name === 'ribs' || name === 'shoulder') return ['shoulders'];
  if (name === 'hip') return ['pelvis'];
  return limbs.map((limb) => {
    const [kind, side] = limb.split('.');
    return kind === 'leg' ? `heel.${side}` : `hand.${side}`;
  });
}

function hangs(pose: Pose, like: BasePosition, parts: readonly string[]): boolean {
  const body = bodyInRoom(pose, like);
  return parts.every((part) => {
    const place = roomPlace(body, part);
    return place !== null && place.at.y - place.flesh > LIFTED;
  });
}

/** The pose with a handle's joint turned by some degrees: what the arrow keys do. */
export function nudged(pose: Pose, stage: Stage, handle: Handle, moved: Moved, by: number): Pose {
  const turn = turning(pose, handle, stage, moved);
  return turn ? turn.at(clamp(turn.degrees + by, turn.range)) : pose;
}
