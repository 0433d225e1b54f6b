import { z } from 'zod';

/** Range of each joint in degrees; a pose outside it can't be. Wide enough for trained bodies, no wider. */
export const JOINT_RANGES = {
  hip: [-35, 150],
  knee: [0, 165],
  shoulder: [-65, 200],
  elbow: [0, 155],
  hipAbduction: [-35, 85],
  hipRotation: [-60, 75],
  shoulderAbduction: [-35, 185],
  ankle: [-35, 80],
  lumbar: [-45, 75],
  thoracic: [-40, 60],
  neck: [-70, 70],
  twist: [-75, 75],
  sideBend: [-60, 60],
  pitch: [-95, 95],
} as const;

/** An angle within its joint's range, or a sentence naming both. */
const angleOf = (joint: keyof typeof JOINT_RANGES) => {
  const [min, max] = JOINT_RANGES[joint];
  const error = ({ input }: { readonly input?: unknown }) =>
    `The ${joint} goes from ${min}° to ${max}°; found ${typeof input === 'number' ? input : (JSON.stringify(input) ?? 'nothing')}`;
  return z.number({ error }).min(min, { error }).max(max, { error });
};
const degrees = (joint: keyof typeof JOINT_RANGES) => angleOf(joint).optional();
const limb = (joint: keyof typeof JOINT_RANGES) => {
  const angle = angleOf(joint);
  const sides = { left: angle.optional(), right: angle.optional() };
  const error = ({ code }: { readonly code: string }) =>
    code === 'invalid_type' ? 'one such angle for the left and one for the right' : undefined;
  return z.union([angle, z.strictObject(sides, { error })]).optional();
};

const PAIRED = ['feet', 'heels', 'toes', 'shins', 'knees', 'thighs', 'hands', 'forearms', 'elbows'] as const;
const SINGLE_OF = {
  feet: 'foot',
  heels: 'heel',
  toes: 'toe',
  shins: 'shin',
  knees: 'knee',
  thighs: 'thigh',
  hands: 'hand',
  forearms: 'forearm',
  elbows: 'elbow',
} as const satisfies Record<(typeof PAIRED)[number], string>;
type Paired = (typeof PAIRED)[number];

export const supportSchema = z.enum([
  'head',
  'shoulders',
  'ribs',
  'pelvis',
  ...PAIRED,
  ...PAIRED.flatMap((part) => [`${SINGLE_OF[part]}.left`, `${SINGLE_OF[part]}.right`] as const),
]);
export type Support = z.infer<typeof supportSchema>;

const KILOGRAMS = 'A held load is from 0 to 30 kg';
/** Held loads in kg, at most 30 at one place. */
const weightsSchema = z.partialRecord(
  z.enum(['hand.left', 'hand.right', 'foot.left', 'foot.right', 'knee.left', 'knee.right', 'head', 'pelvis']),
  z.number().min(0, { error: KILOGRAMS }).max(30, { error: KILOGRAMS }),
);

/**
 * A body as joint angles in degrees, what it rests on, and what it holds.
 * 0 is the straight, upright body; + is flexion, and + is to the right for `twist` and `sideBend`.
 * `pitch` raises the head end of the trunk line (for upright positions it leans the trunk back).
 */
export const poseSchema = z.strictObject({
  hip: limb('hip'),
  knee: limb('knee'),
  shoulder: limb('shoulder'),
  elbow: limb('elbow'),
  hipAbduction: limb('hipAbduction'),
  hipRotation: limb('hipRotation'),
  shoulderAbduction: limb('shoulderAbduction'),
  ankle: limb('ankle'),
  lumbar: degrees('lumbar'),
  thoracic: degrees('thoracic'),
  neck: degrees('neck'),
  twist: degrees('twist'),
  sideBend: degrees('sideBend'),
  pitch: degrees('pitch'),
  supports: z
    .array(supportSchema)
    .min(1, { error: 'A body rests on something; expected at least one support' })
    .max(24)
    .describe('What rests on something'),
  weights: weightsSchema.optional().describe('Held loads in kg'),
});
export type Pose = z.infer<typeof poseSchema>;

export type Side = 'left' | 'right';
export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

export const LIMB_JOINTS = [
  'hip',
  'knee',
  'shoulder',
  'elbow',
  'hipAbduction',
  'hipRotation',
  'shoulderAbduction',
  'ankle',
] as const;
export const TRUNK_JOINTS = ['lumbar', 'thoracic', 'neck', 'twist', 'sideBend', 'pitch'] as const;
export type LimbJoint = (typeof LIMB_JOINTS)[number];
export type TrunkJoint = (typeof TRUNK_JOINTS)[number];

/** A pose with every angle written out: what the figure, the load and the heat read. */
export type Angles = { readonly [J in LimbJoint]: Readonly<Record<Side, number>> } & {
  readonly [J in TrunkJoint]: number;
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
});

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
  const parts = new Set<string>(
    supports.flatMap((part) =>
      part in SINGLE_OF ? [`${SINGLE_OF[part as Paired]}.left`, `${SINGLE_OF[part as Paired]}.right`] : [part],
    ),
  );
  const any = (paired: readonly Paired[], side: Side) => paired.some((part) => parts.has(KEYS[side][part]));
  const found: Bearing = {
    parts,
    leg: { left: any(LEG_PARTS, 'left'), right: any(LEG_PARTS, 'right') },
    arm: { left: any(ARM_PARTS, 'left'), right: any(ARM_PARTS, 'right') },
  };
  resolved.set(supports, found);
  return found;
}

/** The supports of a pose with every pair written as its two sides. */
export const supportsOf = (pose: Pose): ReadonlySet<string> => bearingOf(pose).parts;

const keysOf = (side: Side) =>
  Object.fromEntries(PAIRED.map((part) => [part, `${SINGLE_OF[part]}.${side}`])) as Record<Paired, string>;
const KEYS = { left: keysOf('left'), right: keysOf('right') };

/** Whether a paired part bears on that side (`feet` bears on both). */
export const bears = (pose: Pose, part: Paired, side: Side): boolean => supportsOf(pose).has(KEYS[side][part]);

const LEG_PARTS = ['feet', 'heels', 'toes', 'shins', 'knees', 'thighs'] as const;
const ARM_PARTS = ['hands', 'forearms', 'elbows'] as const;

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
