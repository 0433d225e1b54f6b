/**
 * The figures of a house method: every number the timing, the review and the load use, with its default,
 * range and unit in one place. The Zod schema, the method page and the defaults all read these tables.
 * Source of each default: docs/method.md.
 */
export interface Figure {
  /** Value used when the method does not name the key. */
  readonly value: number;
  readonly min: number;
  readonly max: number;
  /** Unit shown beside the value; empty for a plain share or count. */
  readonly unit: string;
  readonly label: string;
}

const figure = (value: number, min: number, max: number, unit: string, label: string): Figure => ({
  value,
  min,
  max,
  unit,
  label,
});

/** Timing and the reference body. */
export const TIMING_FIGURES = {
  secondsPerCount: figure(1, 0.25, 6, 's', 'One count'),
  restBetweenSetsSeconds: figure(15, 0, 300, 's', 'Rest between sets'),
  flowSetupShare: figure(0.4, 0, 1, '', 'Share of the set-up spoken when already known'),
  sideChangeSeconds: figure(5, 0, 120, 's', 'Change of side'),
  optionSeconds: figure(8, 0, 120, 's', 'Each option offered'),
  settleSeconds: figure(4, 0, 60, 's', 'Settling after a change of position'),
  propSeconds: figure(6, 0, 120, 's', 'A prop fetched or put away'),
  largePropSeconds: figure(12, 0, 240, 's', 'A large prop fetched or put away'),
  bodyMassKg: figure(70, 30, 200, 'kg', 'Reference body mass'),
  bodyHeightM: figure(1.7, 1.2, 2.2, 'm', 'Reference body height'),
} as const satisfies Record<string, Figure>;

/** How much each kind of time varies from one teaching to the next (coefficient of variation). */
export const UNCERTAINTY_FIGURES = {
  work: figure(0.08, 0, 1, '', 'Work'),
  setup: figure(0.3, 0, 1, '', 'Set-up and options'),
  changes: figure(0.35, 0, 1, '', 'Changes of position and side'),
  rest: figure(0.2, 0, 1, '', 'Rest, opening and closing'),
} as const satisfies Record<string, Figure>;

/** Where the review begins to speak. */
export const LIMIT_FIGURES = {
  overChance: figure(0.35, 0.01, 0.99, '', 'Chance of running over'),
  underShare: figure(0.1, 0, 0.9, '', 'Share of the class left empty'),
  blockSeconds: figure(360, 30, 3600, 's', 'Longest block'),
  openingShare: figure(0.15, 0.01, 1, '', 'Share of the class spent opening'),
  positionReturns: figure(0, 0, 50, '', 'Returns to a position already left'),
  floorTrips: figure(1, 0, 50, '', 'Times up from the floor to standing'),
  flexionStretchSeconds: figure(240, 30, 3600, 's', 'Bending forward before a release'),
  heatJump: figure(25, 1, 100, '', 'Rise in heat between neighbours'),
  homeHeat: figure(60, 1, 100, '', 'Hardest main version when the class names no audience'),
  ladderStep: figure(2, 1, 10, '', 'Largest step of a ladder, in its own median steps'),
  fingerWidth: figure(2, 0, 6, 'fingers', 'Largest belly gap we accept (fingers)'),
  checkWeeks: figure(26, 1, 520, 'weeks', 'How long a finger-width check counts'),
  longDoubleLever: figure(40, 5, 200, 'N·m', 'Double-leg lever called long'),
  headStretchSeconds: figure(90, 5, 1800, 's', 'Head lifted at a stretch'),
  headSeconds: figure(240, 5, 7200, 's', 'Head lifted in all'),
  wristStretchSeconds: figure(120, 5, 1800, 's', 'Weight on extended wrists at a stretch'),
  wristSeconds: figure(360, 5, 7200, 's', 'Weight on extended wrists in all'),
  doubleLeverStretchSeconds: figure(60, 5, 1800, 's', 'Long double-leg lever at a stretch'),
  doubleLeverSeconds: figure(180, 5, 7200, 's', 'Long double-leg lever in all'),
  kneelingStretchSeconds: figure(240, 5, 3600, 's', 'Weight on the knees at a stretch'),
  kneelingSeconds: figure(720, 5, 7200, 's', 'Weight on the knees in all'),
} as const satisfies Record<string, Figure>;

/** What each factor can add to the heat of a rung, out of 100 (core/repertoire/heat). */
export const HEAT_WEIGHTS = {
  lever: figure(35, 0, 100, '', 'Longer lever'),
  limbs: figure(10, 0, 100, '', 'Limbs unsupported or moving'),
  support: figure(12, 0, 100, '', 'Smaller or less stable support'),
  head: figure(13, 0, 100, '', 'Head and chest lifted'),
  weight: figure(8, 0, 100, '', 'Held weight or squeeze'),
  range: figure(6, 0, 100, '', 'Larger range'),
  angle: figure(4, 0, 100, '', 'Flatter body angle'),
  breath: figure(4, 0, 100, '', 'Effort against the breath'),
  volume: figure(5, 0, 100, '', 'Reps, holds and layers'),
  control: figure(3, 0, 100, '', 'Slow lowering'),
} as const satisfies Record<string, Figure>;

/** The values of a table of figures, by key. */
export type FigureValues<T extends Record<string, Figure>> = { [K in keyof T]: number };

export const defaultsOf = <T extends Record<string, Figure>>(table: T): FigureValues<T> =>
  Object.fromEntries(Object.entries(table).map(([key, { value }]) => [key, value])) as FigureValues<T>;
