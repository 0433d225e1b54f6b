import { z } from 'zod';
import { LANDMARK_IDS, LANDMARKS } from '../../vocabulary/bodies/landmarks';
import { idSchema } from '../../vocabulary/schemas';
import { HANDS, HELD_PARTS, JOINT_RANGES, PAIRED, PRESSED_PARTS, SINGLE_OF } from './joints';

/** An angle within its joint's range, or a sentence naming both. */
const angleOf = (joint: keyof typeof JOINT_RANGES) => {
  const [min, max] = JOINT_RANGES[joint];
  const error = ({ input }: { readonly input?: unknown }) =>
    `The ${joint} goes from ${min}° to ${max}°; found ${typeof input === 'number' ? input : (JSON.stringify(input) ?? 'nothing')}`;
  return z.number({ error }).min(min, { error }).max(max, { error });
};
/** What each joint's angle means, for the published schema. */
const JOINT_WORDS: Readonly<Record<keyof typeof JOINT_RANGES, string>> = {
  hip: 'Hip: 0 in line with the trunk, + is bent',
  knee: 'Knee: 0 straight, + is bent',
  shoulder: 'Shoulder: 0 along the trunk, 90 straight ahead, 180 overhead',
  elbow: 'Elbow: 0 straight, + is bent',
  hipAbduction: 'Hip out to the side; below 0 across the middle',
  hipRotation: 'Hip turned out; below 0 turned in',
  shoulderAbduction: 'Arm out to the side',
  ankle: 'Ankle: 0 a right angle, + is pointed',
  lumbar: 'Low back: + is rounded, − is hollowed',
  thoracic: 'Upper back: + is rounded, − is arched',
  neck: 'Neck: + is nodded, − is tipped back',
  twist: 'Trunk turned, + to the right',
  sideBend: 'Trunk bent to the side, + to the right',
  pitch: 'Tilt of the trunk line: the head end raised; upright, the trunk leant back',
};
const meaning = (joint: keyof typeof JOINT_RANGES) => `${JOINT_WORDS[joint]}, degrees`;

const degrees = (joint: keyof typeof JOINT_RANGES) => angleOf(joint).optional().describe(meaning(joint));
const limb = (joint: keyof typeof JOINT_RANGES) => {
  const angle = angleOf(joint);
  const sides = { left: angle.optional().describe('Left'), right: angle.optional().describe('Right') };
  const error = ({ code }: { readonly code: string }) =>
    code === 'invalid_type' ? 'one such angle for the left and one for the right' : undefined;
  return z
    .union([angle, z.strictObject(sides, { error })])
    .optional()
    .describe(`${meaning(joint)}; one for both sides, or one for each`);
};

export const supportSchema = z
  .enum([
    'head',
    'shoulders',
    'ribs',
    'pelvis',
    ...PAIRED,
    ...PAIRED.flatMap((part) => [`${SINGLE_OF[part]}.left`, `${SINGLE_OF[part]}.right`] as const),
  ])
  .meta({ id: 'Support', description: 'A part of the body that rests on something; a pair, or one side of it' });
export type Support = z.infer<typeof supportSchema>;

const KILOGRAMS = 'A held load is from 0 to 30 kg';
/** Held loads in kg, at most 30 at one place. */
const weightsSchema = z.partialRecord(
  z.enum(['hand.left', 'hand.right', 'foot.left', 'foot.right', 'knee.left', 'knee.right', 'head', 'pelvis']),
  z.number().min(0, { error: KILOGRAMS }).max(30, { error: KILOGRAMS }),
);

const holdsSchema = z
  .partialRecord(z.enum(HANDS), z.union([z.enum(HELD_PARTS), idSchema]))
  .describe(`What each hand holds or presses: ${HELD_PARTS.join(', ')}, or the id of a prop`);

const betweenSchema = z
  .strictObject({
    prop: idSchema.describe('The id of the prop'),
    parts: z
      .tuple([z.enum(PRESSED_PARTS), z.enum(PRESSED_PARTS)])
      .refine(([one, other]) => one !== other, { message: 'expected two different parts' })
      .describe('The two parts it is pressed between'),
  })
  .meta({ id: 'Pressed', description: 'A prop pressed between two parts of the body' });

const landmarkSchema = z
  .strictObject({
    mark: z
      .enum(LANDMARK_IDS)
      .describe(
        `The mark: ${LANDMARK_IDS.map((id) => `${id} (${LANDMARKS[id].words}, ${LANDMARKS[id].unit})`).join(', ')}`,
      ),
    within: z.number().min(0.5).max(45).describe('How far from it still counts, in the mark’s unit: cm or degrees'),
  })
  .meta({ id: 'PoseLandmark', description: 'A mark the pose is held to' });

/**
 * A body as joint angles in degrees, what it rests on, and what it holds.
 * 0 is the straight, upright body; + is flexion, and + is to the right for `twist` and `sideBend`.
 * `pitch` raises the head end of the trunk line (for upright positions it leans the trunk back).
 */
export const poseSchema = z
  .strictObject({
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
    holds: holdsSchema.optional(),
    between: z.array(betweenSchema).min(1).max(4).optional().describe('Props pressed between two parts'),
    landmarks: z.array(landmarkSchema).min(1).max(12).optional().describe('Marks the pose is held to'),
  })
  .meta({ id: 'Pose', description: 'A body as joint angles in degrees, what it rests on and what it holds' });
export type Pose = z.infer<typeof poseSchema>;
