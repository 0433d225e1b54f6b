import {
  type Angles,
  anglesOf,
  LIMB_JOINTS,
  type Pose,
  SIDES,
  type Side,
  type Support,
  supportsOf,
  TRUNK_JOINTS,
} from '../poses/pose';

/** The way from one pose to another: any pose between them. */
export interface Move {
  readonly from: Pose;
  readonly to: Pose;
  /** Whether nothing moves: a hold. */
  readonly still: boolean;
  /** @param share 0 at the start, 1 on arrival */
  readonly at: (share: number) => Pose;
  /** That pose with its angles written out, for those who go on to work it out. */
  readonly writtenAt: (share: number) => { readonly pose: Pose; readonly angles: Angles };
}

/**
 * Joins two poses by moving every joint evenly. On the way the body rests only on what bears at both ends: a foot
 * has left the floor as soon as it moves. Where that leaves a half of the body without rest, the nearer pose's
 * supports hold.
 * @param a the angles of `from`, and `b` of `to`, where they are written out already
 */
export function moveBetween(from: Pose, to: Pose, a: Angles = anglesOf(from), b: Angles = anglesOf(to)): Move {
  const shared = sharedSupports(from, to);
  // What neither end says stays unsaid on the way: ankles that lie as they lie, a body that leans as it must.
  const unsaid = (joint: 'ankle' | 'pitch') => from[joint] === undefined && to[joint] === undefined;
  const [ankle, pitch] = [unsaid('ankle'), unsaid('pitch')];
  const writtenAt = (share: number): { pose: Pose; angles: Angles } => {
    if (share <= 0) return { pose: from, angles: a };
    if (share >= 1) return { pose: to, angles: b };
    const near = share < 0.5 ? from : to;
    const angles = anglesBetween(a, b, share);
    return { pose: poseOf(angles, shared ?? near.supports, near, ankle, pitch), angles };
  };
  return {
    from,
    to,
    still: from === to || sameAngles(a, b),
    at: (share) => writtenAt(share).pose,
    writtenAt,
  };
}

/** Whether no joint differs: going from one to the other, nothing moves. */
export const sameAngles = (a: Angles, b: Angles): boolean =>
  LIMB_JOINTS.every((joint) => SIDES.every((side) => a[joint][side] === b[joint][side])) &&
  TRUNK_JOINTS.every((joint) => a[joint] === b[joint]);

/** Written out for speed, as `anglesBetween` is; without the ankles or the pitch where they are to stay unsaid. */
function poseOf(
  angles: Angles,
  supports: readonly Support[],
  { weights, holds }: Pose,
  noAnkle: boolean,
  noPitch: boolean,
): Pose {
  const pose: Pose = {
    hip: angles.hip,
    knee: angles.knee,
    shoulder: angles.shoulder,
    elbow: angles.elbow,
    hipAbduction: angles.hipAbduction,
    hipRotation: angles.hipRotation,
    shoulderAbduction: angles.shoulderAbduction,
    lumbar: angles.lumbar,
    thoracic: angles.thoracic,
    neck: angles.neck,
    twist: angles.twist,
    sideBend: angles.sideBend,
    supports: supports as Support[],
  };
  if (!noAnkle) pose.ankle = angles.ankle;
  if (!noPitch) pose.pitch = angles.pitch;
  if (weights) pose.weights = weights;
  if (holds) pose.holds = holds;
  return pose;
}

export const part = (a: number, b: number, share: number): number => a + (b - a) * share;
const parts = (a: Readonly<Record<Side, number>>, b: Readonly<Record<Side, number>>, share: number) => ({
  left: part(a.left, b.left, share),
  right: part(a.right, b.right, share),
});

/** Every joint on its way, evenly. Written out joint by joint, as `anglesOf` is: it runs for every moment of every rung. */
export const anglesBetween = (a: Angles, b: Angles, share: number): Angles => ({
  hip: parts(a.hip, b.hip, share),
  knee: parts(a.knee, b.knee, share),
  shoulder: parts(a.shoulder, b.shoulder, share),
  elbow: parts(a.elbow, b.elbow, share),
  hipAbduction: parts(a.hipAbduction, b.hipAbduction, share),
  hipRotation: parts(a.hipRotation, b.hipRotation, share),
  shoulderAbduction: parts(a.shoulderAbduction, b.shoulderAbduction, share),
  ankle: parts(a.ankle, b.ankle, share),
  lumbar: part(a.lumbar, b.lumbar, share),
  thoracic: part(a.thoracic, b.thoracic, share),
  neck: part(a.neck, b.neck, share),
  twist: part(a.twist, b.twist, share),
  sideBend: part(a.sideBend, b.sideBend, share),
  pitch: part(a.pitch, b.pitch, share),
  armTurn: parts(a.armTurn, b.armTurn, share),
});

const LEG = /^(foot|heel|toe|shin|knee|thigh)\./;
const ofTrunk = (part: string): boolean => !LEG.test(part);
const ofLegs = (part: string): boolean => LEG.test(part) || part === 'pelvis';

/** Answers already found, by the two lists of supports: there are few, and they are asked for all the time. */
const known = new Map<string, readonly Support[] | null>();
/** Answers kept at most. */
const MOST_KNOWN = 4000;

/** What bears at both ends; `null` when it would leave the trunk or the legs with nothing they had at both. */
function sharedSupports(from: Pose, to: Pose): readonly Support[] | null {
  const key = `${from.supports}>${to.supports}`;
  const answer = known.get(key);
  if (answer !== undefined) return answer;
  if (known.size >= MOST_KNOWN) known.clear();
  const found = findShared(bearing(from), bearing(to));
  known.set(key, found);
  return found;
}

function findShared(a: ReadonlySet<string>, b: ReadonlySet<string>): readonly Support[] | null {
  const shared = [...a].filter((part) => b.has(part)) as Support[];
  const lost = (half: (part: string) => boolean) => [...a].some(half) && [...b].some(half) && !shared.some(half);
  if (lost(ofTrunk) || lost(ofLegs) || shared.length === 0) return null;
  return shared.includes('ribs') ? shared.filter((part) => part !== 'shoulders') : shared;
}

/** Resting ribs rest the shoulders too. */
const bearing = (pose: Pose): Set<string> => {
  const parts = new Set(supportsOf(pose));
  if (parts.has('ribs')) parts.add('shoulders');
  return parts;
};
