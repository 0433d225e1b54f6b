/** What a rung may want to have happened earlier in the same class. */
export const PREPARATIONS = {
  'breath-found': 'the breath found',
  'spine-articulated': 'the spine moved bone by bone',
  'hamstrings-lengthened': 'the hamstrings lengthened',
  'shoulders-placed': 'the shoulders placed',
  'hips-opened': 'the front of the hips opened',
  'wrists-warmed': 'the wrists taken into their stretch',
} as const;
export type Preparation = keyof typeof PREPARATIONS;
export const PREPARATION_IDS = Object.keys(PREPARATIONS) as [Preparation, ...Preparation[]];
