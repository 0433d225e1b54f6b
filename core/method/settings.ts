/**
 * The settings of a house method: every number the timing, the review and the load use, with its default,
 * range and unit in one place. The Zod schema, the method page and the defaults all read these tables.
 * Source of each default: docs/method.md.
 */
export interface Setting {
  /** Value used when the method does not name the key. */
  readonly value: number;
  readonly min: number;
  readonly max: number;
  /** Unit shown beside the value; empty for a plain share or count. */
  readonly unit: string;
  readonly label: string;
}

const setting = (value: number, min: number, max: number, unit: string, label: string): Setting => ({
  value,
  min,
  max,
  unit,
  label,
});

/** Timing and the reference body. */
export const TIMING_SETTINGS = {
  secondsPerCount: setting(1, 0.25, 6, 's', 'One count'),
  restBetweenSetsSeconds: setting(15, 0, 300, 's', 'Rest between sets'),
  flowSetupShare: setting(0.4, 0, 1, '', 'Share of the set-up spoken when already known'),
  carrySeconds: setting(8, 0, 120, 's', 'Set-up when a block carries on in the same shape'),
  shownReps: setting(0, 0, 10, '', 'Repetitions shown before people join in'),
  sideChangeSeconds: setting(12, 0, 120, 's', 'Change of side'),
  lessonTempo: setting(1.2, 0.5, 4, '', 'Counts of a lesson or a workshop are at least this much longer'),
  optionSeconds: setting(8, 0, 120, 's', 'Each option offered'),
  settleSeconds: setting(4, 0, 60, 's', 'Settling after a change of position'),
  propSeconds: setting(6, 0, 120, 's', 'A prop fetched or put away'),
  largePropSeconds: setting(12, 0, 240, 's', 'A large prop fetched or put away'),
  mountSeconds: setting(30, 0, 300, 's', 'Getting onto something large and unstable'),
  dismountSeconds: setting(8, 0, 120, 's', 'Getting off it again'),
  wordsPerMinute: setting(140, 60, 260, '', 'Words a teacher says in a minute'),
  bodyMassKg: setting(70, 30, 200, 'kg', 'Reference body mass'),
  bodyHeightM: setting(1.7, 1.2, 2.2, 'm', 'Reference body height'),
} as const satisfies Record<string, Setting>;

/** How much each kind of time varies from one teaching to the next (coefficient of variation). */
export const UNCERTAINTY_SETTINGS = {
  work: setting(0.15, 0, 1, '', 'Work'),
  setup: setting(0.25, 0, 1, '', 'Set-up and options whose seconds are known'),
  setupUnknown: setting(0.5, 0, 1, '', 'Set-up of which only the guess is known'),
  changes: setting(0.35, 0, 1, '', 'Changes of position and side'),
  rest: setting(0.2, 0, 1, '', 'Rest, interludes, opening and closing'),
  teacher: setting(0.08, 0, 1, '', 'The teacher’s own pace that day, over the whole class'),
} as const satisfies Record<string, Setting>;

/** Where the review begins to speak. */
export const LIMIT_SETTINGS = {
  overChance: setting(0.5, 0.01, 0.99, '', 'Chance of running over'),
  underShare: setting(0.04, 0, 0.9, '', 'Share of the class left empty'),
  blockSeconds: setting(360, 30, 3600, 's', 'Longest block'),
  openingShare: setting(0.15, 0.01, 1, '', 'Share of the class spent opening'),
  positionReturns: setting(0, 0, 50, '', 'Returns to a position already left'),
  floorTrips: setting(1, 0, 50, '', 'Times up from the floor to standing'),
  flexionStretchSeconds: setting(240, 30, 3600, 's', 'Bending forward before a release'),
  propReturns: setting(0, 0, 50, '', 'Props put away and fetched again'),
  silenceShare: setting(0.25, 0, 1, '', 'Least share of the work in which nobody speaks'),
  dontShare: setting(0.25, 0, 1, '', 'Most of what is said that says what not to do, as a share'),
  arcHeat: setting(30, 0, 100, '', 'A class cooler than this throughout has no peak to place'),
  peakFrom: setting(0.6, 0, 1, '', 'Earliest place of the peak, as a share of the class'),
  peakTo: setting(0.8, 0, 1, '', 'Latest place of the peak, as a share of the class'),
  heatJump: setting(25, 1, 100, '', 'Rise in heat between neighbours'),
  homeHeat: setting(60, 1, 100, '', 'Hardest main version when the class names no audience'),
  ladderStep: setting(2, 1, 10, '', 'Largest step of a ladder, in its own median steps'),
  ladderStepHeat: setting(6, 0, 100, '', 'A step of a ladder no larger than this is never too large'),
  fingerWidth: setting(2, 0, 6, 'fingers', 'Largest belly gap we accept (fingers)'),
  checkWeeks: setting(26, 1, 520, 'weeks', 'How long a finger-width check counts'),
  longDoubleLever: setting(40, 5, 200, 'N·m', 'Double-leg lever called long'),
  headStretchSeconds: setting(90, 5, 1800, 's', 'Head lifted at a stretch'),
  headSeconds: setting(240, 5, 7200, 's', 'Head lifted in all'),
  wristStretchSeconds: setting(120, 5, 1800, 's', 'Weight on extended wrists at a stretch'),
  wristSeconds: setting(360, 5, 7200, 's', 'Weight on extended wrists in all'),
  doubleLeverStretchSeconds: setting(60, 5, 1800, 's', 'Long double-leg lever at a stretch'),
  doubleLeverSeconds: setting(180, 5, 7200, 's', 'Long double-leg lever in all'),
  kneelingStretchSeconds: setting(240, 5, 3600, 's', 'Weight on the knees at a stretch'),
  kneelingSeconds: setting(720, 5, 7200, 's', 'Weight on the knees in all'),
} as const satisfies Record<string, Setting>;

/**
 * What a finding costs in the score, by severity, and the places of the soft measures the house likes best
 * (docs/review.md, "The score").
 */
export const SCORE_SETTINGS = {
  stop: setting(1000, 1, 100_000, '', 'Cost of a stop'),
  fix: setting(30, 0, 10_000, '', 'Cost of a fix'),
  look: setting(1, 0, 1000, '', 'Cost of a look'),
  peakAt: setting(0.7, 0, 1, '', 'Best place of the peak, as a share of the class'),
  changingShare: setting(0, 0, 1, '', 'Best share of the class spent changing position and props'),
  propChanges: setting(0, 0, 100, '', 'Best number of props taken or put away'),
} as const satisfies Record<string, Setting>;

/**
 * Craft: what each term of a well-made class weighs in the score when it is missed altogether, and where it begins to
 * be missed (docs/review.md, "Craft"). Sources: classes of 10 to 45 minutes, counted; docs/sequencing.md.
 */
export const CRAFT_SETTINGS = {
  connection: setting(10, 0, 100, '', 'Weight: begins with breath, pelvis or spine'),
  connectionBeginners: setting(30, 0, 100, '', 'Weight of the same for beginners'),
  connectionBy: setting(0.15, 0, 1, '', 'The share of the class by which it has begun so'),
  peakLow: setting(10, 0, 100, '', 'Weight: a peak the room can feel'),
  peakShare: setting(0.75, 0.5, 1, '', 'Least peak, as a share of what the room can take'),
  peakShareAdvanced: setting(0.7, 0.5, 1, '', 'The same for the advanced'),
  carry: setting(10, 0, 100, '', 'Weight: blocks that carry on'),
  carryShare: setting(0.35, 0.05, 1, '', 'Least share of blocks that carry on'),
  carryShareDrill: setting(0.5, 0.05, 1, '', 'The same in a drill'),
  stays: setting(10, 0, 100, '', 'Weight: two blocks or more before a position is left'),
  changes: setting(10, 0, 100, '', 'Weight: few changes of position'),
  changeMinutes: setting(7, 2.1, 120, 'min', 'A change of position no oftener than every'),
  alike: setting(10, 0, 100, '', 'Weight: not too many alike in a row'),
  alikeBlocks: setting(5, 1, 50, '', 'Most blocks of one position and direction in a row'),
  turning: setting(10, 0, 100, '', 'Weight: people turned over once a stay'),
  thread: setting(10, 0, 100, '', 'Weight: one idea that grows'),
  threadShare: setting(0.2, 0.01, 1, '', 'Least share of the work on that idea'),
  threadShareLayered: setting(0.5, 0.01, 1, '', 'The same in a layered class'),
  calm: setting(10, 0, 100, '', 'Weight: a rest or a check among hard work'),
  calmSeconds: setting(600, 30, 3600, 's', 'Longest hard work without one'),
  novelty: setting(10, 0, 100, '', 'Weight: not too much that is new'),
  newLadders: setting(8, 1, 100, '', 'Most new exercises in a class'),
  newLaddersHalfHour: setting(12, 1, 100, '', 'Most new exercises in half an hour, where that is more'),
  density: setting(10, 0, 100, '', 'Weight: blocks neither rushed nor drawn out'),
  densityLeast: setting(0.6, 0.1, 2, '', 'Fewest blocks a minute'),
  densityMost: setting(1.1, 0.5, 4, '', 'Most blocks a minute'),
  props: setting(10, 0, 100, '', 'Weight: few props'),
  propsTaken: setting(2, 1, 50, '', 'Most props taken or put away in a class'),
  propsHalfHour: setting(2, 1, 50, '', 'Most in half an hour, where that is more'),
  levels: setting(10, 0, 100, '', 'Weight: options of their own'),
  focus: setting(30, 0, 100, '', 'Weight: the focus kept'),
  late: setting(10, 0, 100, '', 'Weight: a plan for when it runs late'),
  lateChance: setting(0.15, 0.01, 0.5, '', 'How often it may run late, what may go left out'),
} as const satisfies Record<string, Setting>;

/** The values of a table of figures, by key. */
export type SettingValues<T extends Record<string, Setting>> = { [K in keyof T]: number };

export const defaultsOf = <T extends Record<string, Setting>>(table: T): SettingValues<T> =>
  Object.fromEntries(Object.entries(table).map(([key, { value }]) => [key, value])) as SettingValues<T>;
