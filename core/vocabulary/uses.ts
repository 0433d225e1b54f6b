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
