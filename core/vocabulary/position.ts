/** The eight body positions, from the highest to the lowest. */
export const POSITIONS = [
  'standing',
  'kneeling',
  'seated',
  'four-point',
  'plank',
  'side-lying',
  'prone',
  'supine',
] as const;
export type BasePosition = (typeof POSITIONS)[number];
