/** Range of each joint in degrees; a pose outside it can't be. Wide enough for trained bodies, no wider. */
export const JOINT_RANGES = {
  hip: [-35, 150],
  knee: [0, 165],
  // Back to where straight arms carry a body that leans on them from behind.
  shoulder: [-85, 200],
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
  // From folded over the legs to rolled over the shoulders.
  pitch: [-110, 150],
} as const;

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

/** Parts a body rests on that come in pairs, and what one of each is called. */
export const PAIRED = [
  'feet',
  'heels',
  'toes',
  'shins',
  'knees',
  'thighs',
  'hands',
  'fists',
  'forearms',
  'elbows',
] as const;
export const SINGLE_OF = {
  feet: 'foot',
  heels: 'heel',
  toes: 'toe',
  shins: 'shin',
  knees: 'knee',
  thighs: 'thigh',
  hands: 'hand',
  fists: 'fist',
  forearms: 'forearm',
  elbows: 'elbow',
} as const satisfies Record<(typeof PAIRED)[number], string>;
export type Paired = (typeof PAIRED)[number];

/** Parts of one's own body, and what is there beside it, that a hand can hold or press. */
export const HELD_PARTS = [
  'thigh.left',
  'thigh.right',
  'shin.left',
  'shin.right',
  'foot.left',
  'foot.right',
  'head',
  'seat',
  'ribs',
  'hips',
  'shoulder',
  'floor',
  'bar',
] as const;
export type HeldPart = (typeof HELD_PARTS)[number];
/** Parts that a prop can be pressed between. */
export const PRESSED_PARTS = [
  'hand.left',
  'hand.right',
  'elbow.left',
  'elbow.right',
  'thigh.left',
  'thigh.right',
  'knee.left',
  'knee.right',
  'shin.left',
  'shin.right',
  'ankle.left',
  'ankle.right',
  'foot.left',
  'foot.right',
  'head',
  'ribs',
  'hips',
] as const;
export type PressedPart = (typeof PRESSED_PARTS)[number];

export const HANDS = ['hand.left', 'hand.right'] as const;
export type Hand = (typeof HANDS)[number];
