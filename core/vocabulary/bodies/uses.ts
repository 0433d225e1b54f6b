/** Where the work or the stretch of a rung is felt. */
export const FELT_AT = [
  'belly',
  'low-belly',
  'waist',
  'ribs',
  'chest',
  'upper-back',
  'low-back',
  'neck',
  'shoulders',
  'arms',
  'wrists',
  'seat',
  'outer-hip',
  'front-of-hip',
  'inner-thigh',
  'front-of-thigh',
  'back-of-thigh',
  'calf',
  'feet',
] as const;

/** What a rung is good for: a class that looks for something to begin with, to build on or to ease with searches by it. */
export const GOOD_FOR = [
  'breath',
  'pelvis',
  'spine',
  'posture',
  'belly',
  'waist',
  'back',
  'seat',
  'hips',
  'legs',
  'feet',
  'shoulders',
  'arms',
  'balance',
  'coordination',
  'mobility',
  'release',
] as const;

/** A part that a branch spares: what somebody takes it for. */
export const SPARED_PARTS = ['wrists', 'neck', 'shoulders', 'low-back', 'hips', 'knees', 'ankles'] as const;

export type FeltAt = (typeof FELT_AT)[number];
export type GoodFor = (typeof GOOD_FOR)[number];

/** What a place or a purpose is called: its id in plain letters. */
export const wordsOfUse = (use: FeltAt | GoodFor): string => use.replaceAll('-', ' ');

/** What people call a place who do not know the house's word for it. */
export const FELT_EVERYDAY: Readonly<Partial<Record<FeltAt, readonly string[]>>> = {
  belly: ['abs', 'stomach', 'tummy', 'core'],
  'low-belly': ['lower abs', 'deep core'],
  waist: ['obliques', 'side body'],
  'upper-back': ['between the shoulder blades', 'thoracic'],
  'low-back': ['lower back', 'lumbar'],
  seat: ['glutes', 'bottom', 'buttocks'],
  'outer-hip': ['hip abductors', 'side of the hip'],
  'front-of-hip': ['hip flexors', 'psoas'],
  'inner-thigh': ['adductors'],
  'front-of-thigh': ['quads', 'quadriceps'],
  'back-of-thigh': ['hamstrings'],
  calf: ['calves', 'ankles'],
};
