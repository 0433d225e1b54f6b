import { z } from 'zod';

/** Range of each joint in degrees; a pose outside it can't be. Wide enough for trained bodies, no wider. */
const RANGES = {
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

const degrees = (joint: keyof typeof RANGES) => {
  const [min, max] = RANGES[joint];
  return z.number().min(min).max(max).optional();
};
const limb = (joint: keyof typeof RANGES) => {
  const [min, max] = RANGES[joint];
  const angle = z.number().min(min).max(max);
  return z.union([angle, z.strictObject({ left: angle.optional(), right: angle.optional() })]).optional();
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

/** Held loads in kg, at most 30 at one place. */
const weightsSchema = z.partialRecord(
  z.enum(['hand.left', 'hand.right', 'foot.left', 'foot.right', 'knee.left', 'knee.right', 'head', 'pelvis']),
  z.number().min(0).max(30),
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
  supports: z.array(supportSchema).min(1).max(24).describe('What rests on something'),
  weights: weightsSchema.optional().describe('Held loads in kg'),
});
export type Pose = z.infer<typeof poseSchema>;

export type Side = 'left' | 'right';
export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

const LIMB_JOINTS = [
  'hip',
  'knee',
  'shoulder',
  'elbow',
  'hipAbduction',
  'hipRotation',
  'shoulderAbduction',
  'ankle',
] as const;
const TRUNK_JOINTS = ['lumbar', 'thoracic', 'neck', 'twist', 'sideBend', 'pitch'] as const;
export type LimbJoint = (typeof LIMB_JOINTS)[number];
export type TrunkJoint = (typeof TRUNK_JOINTS)[number];

/** A pose with every angle written out: what the figure, the load and the heat read. */
export type Angles = { readonly [J in LimbJoint]: Readonly<Record<Side, number>> } & {
  readonly [J in TrunkJoint]: number;
};

/** Fills in the zeros a pose leaves out. */
export function anglesOf(pose: Pose): Angles {
  const limbs = LIMB_JOINTS.map((joint) => {
    const angle = pose[joint];
    const sides =
      typeof angle === 'object'
        ? { left: angle.left ?? 0, right: angle.right ?? 0 }
        : { left: angle ?? 0, right: angle ?? 0 };
    return [joint, sides];
  });
  const trunk = TRUNK_JOINTS.map((joint) => [joint, pose[joint] ?? 0]);
  return Object.fromEntries([...limbs, ...trunk]) as Angles;
}

/** Degrees each joint moves between two poses, limbs counted side by side. */
export function excursions(from: Angles, to: Angles): number[] {
  return [
    ...LIMB_JOINTS.flatMap((joint) => SIDES.map((side) => Math.abs(to[joint][side] - from[joint][side]))),
    ...TRUNK_JOINTS.map((joint) => Math.abs(to[joint] - from[joint])),
  ];
}

/** Whether a paired part bears on that side (`feet` bears on both). */
export function bears(pose: Pose, part: Paired, side: Side): boolean {
  return pose.supports.includes(part) || pose.supports.includes(`${SINGLE_OF[part]}.${side}` as Support);
}

const LEG_PARTS = ['feet', 'heels', 'toes', 'shins', 'knees', 'thighs'] as const;
const ARM_PARTS = ['hands', 'forearms', 'elbows'] as const;

export const legBears = (pose: Pose, side: Side): boolean => LEG_PARTS.some((part) => bears(pose, part, side));
export const armBears = (pose: Pose, side: Side): boolean => ARM_PARTS.some((part) => bears(pose, part, side));
/** Whether the pelvis rests: lying, or seated. */
export const pelvisBears = (pose: Pose): boolean => pose.supports.includes('pelvis');
/** Whether the upper trunk rests. */
export const ribsBear = (pose: Pose): boolean => pose.supports.includes('ribs') || pose.supports.includes('shoulders');
