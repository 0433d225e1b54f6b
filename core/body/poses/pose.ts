import { SIDES, type Side } from '../../vocabulary/bodies/side';
import { type LimbJoint, PAIRED, type Paired, SINGLE_OF, type TrunkJoint } from './joints';
import type { Pose, Support } from './poseSchema';

export {
  HANDS,
  type Hand,
  HELD_PARTS,
  type HeldPart,
  JOINT_RANGES,
  LIMB_JOINTS,
  type LimbJoint,
  type PressedPart,
  SINGLE_OF,
  TRUNK_JOINTS,
  type TrunkJoint,
} from './joints';
export type { Pose, Support } from './poseSchema';
export { SIDES, type Side };

/** A pose with every angle written out: what the figure, the load and the heat read. */
export type Angles = { readonly [J in LimbJoint]: Readonly<Record<Side, number>> } & {
  readonly [J in TrunkJoint]: number;
} & {
  /** Degrees the upper arm is turned about itself: no pose says it; a hand brought to what it holds finds it. */
  readonly armTurn: Readonly<Record<Side, number>>;
};

const bothSides = (angle: Pose[LimbJoint]): Record<Side, number> =>
  typeof angle === 'object'
    ? { left: angle.left ?? 0, right: angle.right ?? 0 }
    : { left: angle ?? 0, right: angle ?? 0 };

/** Fills in the zeros a pose leaves out. Written out joint by joint: it runs for every moment of every rung. */
export const anglesOf = (pose: Pose): Angles => ({
  hip: bothSides(pose.hip),
  knee: bothSides(pose.knee),
  shoulder: bothSides(pose.shoulder),
  elbow: bothSides(pose.elbow),
  hipAbduction: bothSides(pose.hipAbduction),
  hipRotation: bothSides(pose.hipRotation),
  shoulderAbduction: bothSides(pose.shoulderAbduction),
  ankle: bothSides(pose.ankle),
  lumbar: pose.lumbar ?? 0,
  thoracic: pose.thoracic ?? 0,
  neck: pose.neck ?? 0,
  twist: pose.twist ?? 0,
  sideBend: pose.sideBend ?? 0,
  pitch: pose.pitch ?? 0,
  armTurn: UNTURNED,
});
const UNTURNED = { left: 0, right: 0 } as const;

/** What a list of supports comes to; asked many times a pose, so worked out once for as long as the list is kept. */
interface Bearing {
  /** Every support with its pairs written as their two sides (`feet` as `foot.left` and `foot.right`). */
  readonly parts: ReadonlySet<string>;
  readonly leg: Readonly<Record<Side, boolean>>;
  readonly arm: Readonly<Record<Side, boolean>>;
}
const resolved = new WeakMap<readonly Support[], Bearing>();

function bearingOf({ supports }: Pose): Bearing {
  const known = resolved.get(supports);
  if (known) return known;
  const parts = new Set<string>(supports.flatMap(eachOf));
  const any = (paired: readonly Paired[], side: Side) => paired.some((part) => parts.has(KEYS[side][part]));
  const found: Bearing = {
    parts,
    leg: { left: any(LEG_PARTS, 'left'), right: any(LEG_PARTS, 'right') },
    arm: { left: any(ARM_PARTS, 'left'), right: any(ARM_PARTS, 'right') },
  };
  resolved.set(supports, found);
  return found;
}

/** The two sides of a pair (`feet` as `foot.left` and `foot.right`); any other name of a part as it is. */
export const eachOf = (part: string): readonly string[] =>
  part in SINGLE_OF ? SIDES.map((side) => `${SINGLE_OF[part as Paired]}.${side}`) : [part];

/** The supports of a pose with every pair written as its two sides. */
export const supportsOf = (pose: Pose): ReadonlySet<string> => bearingOf(pose).parts;

const keysOf = (side: Side) =>
  Object.fromEntries(PAIRED.map((part) => [part, `${SINGLE_OF[part]}.${side}`])) as Record<Paired, string>;
const KEYS = { left: keysOf('left'), right: keysOf('right') };

/** Whether a paired part bears on that side (`feet` bears on both). */
export const bears = (pose: Pose, part: Paired, side: Side): boolean => supportsOf(pose).has(KEYS[side][part]);

const LEG_PARTS = ['feet', 'heels', 'toes', 'shins', 'knees', 'thighs'] as const;
const ARM_PARTS = ['hands', 'fists', 'forearms', 'elbows'] as const;

export const legBears = (pose: Pose, side: Side): boolean => bearingOf(pose).leg[side];
export const armBears = (pose: Pose, side: Side): boolean => bearingOf(pose).arm[side];
/** Whether the pelvis rests: lying, or seated. */
export const pelvisBears = (pose: Pose): boolean => supportsOf(pose).has('pelvis');
export const headBears = (pose: Pose): boolean => supportsOf(pose).has('head');
/** Whether the upper trunk rests. */
export const ribsBear = (pose: Pose): boolean => {
  const parts = supportsOf(pose);
  return parts.has('ribs') || parts.has('shoulders');
};
