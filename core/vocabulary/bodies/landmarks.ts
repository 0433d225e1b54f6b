/**
 * Places of the body that a pose can be held to: each a distance in centimetres or an angle in degrees that is 0 where
 * the mark is met. The list is published with the file's schema; a mark that is not on it is refused.
 */
export const LANDMARKS = {
  'heels-at-hips': { unit: 'cm', words: 'heels at hip height' },
  'feet-hip-wide': { unit: 'cm', words: 'feet as wide as the hips' },
  'heels-together': { unit: 'cm', words: 'heels together' },
  'knees-over-hips': { unit: 'cm', words: 'knees over the hips' },
  'knees-under-hips': { unit: 'cm', words: 'knees under the hips' },
  'knees-over-ankles': { unit: 'cm', words: 'knees over the ankles' },
  'knees-together': { unit: 'cm', words: 'knees together' },
  'hands-under-shoulders': { unit: 'cm', words: 'hands under the shoulders' },
  'elbows-under-shoulders': { unit: 'cm', words: 'elbows under the shoulders' },
  'hands-beside-ribs': { unit: 'cm', words: 'hands beside the ribs' },
  'hands-at-shoulder-height': { unit: 'cm', words: 'hands at shoulder height' },
  'shins-level': { unit: '°', words: 'shins level with the floor' },
  'legs-45': { unit: '°', words: 'legs at 45° to the floor' },
  'legs-60': { unit: '°', words: 'legs at 60° to the floor' },
  'legs-to-ceiling': { unit: '°', words: 'legs straight to the ceiling' },
  'arms-to-ceiling': { unit: '°', words: 'arms straight to the ceiling' },
  'arms-45-aside': { unit: '°', words: 'arms 45° to the side' },
} as const satisfies Record<string, { readonly unit: 'cm' | '°'; readonly words: string }>;
export type Landmark = keyof typeof LANDMARKS;
export const LANDMARK_IDS = Object.keys(LANDMARKS) as [Landmark, ...Landmark[]];
