import type { HeldPart, LimbJoint, Support, TrunkJoint, WeightPlace } from '@warm-ladder/core/body';

/** What each joint is called, in the order of the table of angles. */
export const LIMB_WORDS: Readonly<Record<LimbJoint, string>> = {
  hip: 'hip',
  knee: 'knee',
  hipAbduction: 'hip abduction',
  hipRotation: 'hip rotation',
  ankle: 'ankle',
  shoulder: 'shoulder',
  shoulderAbduction: 'shoulder abduction',
  elbow: 'elbow',
};
export const TRUNK_WORDS: Readonly<Record<TrunkJoint, string>> = {
  lumbar: 'lumbar',
  thoracic: 'thoracic',
  neck: 'neck',
  twist: 'twist',
  sideBend: 'side bend',
  pitch: 'body tilt',
};
export const JOINT_WORDS: Readonly<Record<LimbJoint | TrunkJoint | 'back', string>> = {
  ...LIMB_WORDS,
  ...TRUNK_WORDS,
  back: 'back',
};

/** What can rest on something: the trunk's parts, then each limb's, left and right. */
export const TRUNK_SUPPORTS = ['head', 'shoulders', 'ribs', 'pelvis'] as const satisfies readonly Support[];
export const LIMB_SUPPORTS = ['hand', 'forearm', 'elbow', 'thigh', 'knee', 'shin', 'foot', 'heel', 'toe'] as const;
/** Where a load can be held. */
export const WEIGHT_WORDS = {
  'hand.left': 'left hand',
  'hand.right': 'right hand',
  'knee.left': 'left knee',
  'knee.right': 'right knee',
  'foot.left': 'left foot',
  'foot.right': 'right foot',
  head: 'head',
  pelvis: 'pelvis',
} as const satisfies Record<WeightPlace, string>;
export const WEIGHT_PLACES = Object.keys(WEIGHT_WORDS) as WeightPlace[];

/** What a hand can hold or press, beside a prop. */
export const HELD_WORDS: Readonly<Record<HeldPart, string>> = {
  'thigh.left': 'the left thigh',
  'thigh.right': 'the right thigh',
  'shin.left': 'the left shin',
  'shin.right': 'the right shin',
  'foot.left': 'the left foot',
  'foot.right': 'the right foot',
  head: 'the head',
  seat: 'the seat',
  ribs: 'the ribs',
  hips: 'the hips',
  shoulder: 'a shoulder',
  floor: 'the floor, pressed',
  bar: 'a bar',
};
