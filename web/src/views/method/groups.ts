import {
  CRAFT_SETTINGS,
  LIMIT_SETTINGS,
  SCORE_SETTINGS,
  type Setting,
  TIMING_SETTINGS,
  UNCERTAINTY_SETTINGS,
} from '@warm-ladder/core/method';
import { CRAFT_NAMES } from '@warm-ladder/core/review';

/** Every table of figures of the method, by where its values stand in it: the clock’s stand in the method itself. */
export const TABLES = {
  timing: TIMING_SETTINGS,
  uncertainty: UNCERTAINTY_SETTINGS,
  limits: LIMIT_SETTINGS,
  score: SCORE_SETTINGS,
  craft: CRAFT_SETTINGS,
} as const satisfies Record<string, Readonly<Record<string, Setting>>>;
export type TableName = keyof typeof TABLES;

/** Figures of one table that are decided together. */
interface Share {
  readonly table: TableName;
  readonly keys: readonly string[];
}
export interface Group {
  readonly title: string;
  readonly about: string;
  /** What is drawn over it. */
  readonly picture?: 'minutes' | 'directions';
  readonly shares: readonly Share[];
}

/** Terms of craft that weigh; the others say where one begins to be missed. */
const WEIGHTS = new Set<string>([...CRAFT_NAMES, 'connectionBeginners']);
const craftKeys = (weights: boolean): string[] =>
  Object.keys(CRAFT_SETTINGS).filter((key) => WEIGHTS.has(key) === weights);

/** The figures by the step of the work they are decided for, in its order. */
export const GROUPS: readonly Group[] = [
  {
    title: 'Teaching a block',
    about: 'What a block and the way to it take: every length, start and range is made of these.',
    picture: 'minutes',
    shares: [
      {
        table: 'timing',
        keys: [
          'secondsPerCount',
          'restBetweenSetsSeconds',
          'flowSetupShare',
          'carrySeconds',
          'shownReps',
          'sideChangeSeconds',
          'lessonTempo',
          'optionSeconds',
          'settleSeconds',
          'propSeconds',
          'largePropSeconds',
          'mountSeconds',
          'dismountSeconds',
          'wordsPerMinute',
        ],
      },
      { table: 'uncertainty', keys: Object.keys(UNCERTAINTY_SETTINGS) },
    ],
  },
  {
    title: 'Choosing what the room can take',
    about:
      'How hard, how long at a stretch, and how far apart the rungs of a ladder stand. Loads are reckoned on the body below: they compare options and are no clinical measure.',
    shares: [
      { table: 'timing', keys: ['bodyMassKg', 'bodyHeightM'] },
      {
        table: 'limits',
        keys: [
          'homeHeat',
          'heatJump',
          'ladderStep',
          'ladderStepHeat',
          'fingerWidth',
          'checkWeeks',
          'longDoubleLever',
          'doubleLeverStretchSeconds',
          'doubleLeverSeconds',
          'headStretchSeconds',
          'headSeconds',
          'wristStretchSeconds',
          'wristSeconds',
          'kneelingStretchSeconds',
          'kneelingSeconds',
          'flexionStretchSeconds',
        ],
      },
    ],
  },
  {
    title: 'Putting it in order',
    about: 'The share of the work each direction takes, where the peak stands, and how often people move and fetch.',
    picture: 'directions',
    shares: [
      {
        table: 'limits',
        keys: ['arcHeat', 'peakFrom', 'peakTo', 'positionReturns', 'floorTrips', 'propReturns'],
      },
      { table: 'craft', keys: craftKeys(false) },
    ],
  },
  {
    title: 'Fitting the clock and the words',
    about: 'When a class is too long, too empty, too silent, or too much of a no.',
    shares: [
      {
        table: 'limits',
        keys: ['overChance', 'underShare', 'blockSeconds', 'openingShare', 'silenceShare', 'dontShare'],
      },
    ],
  },
  {
    title: 'Weighing one class against another',
    about:
      'What each finding costs, what is liked best, and what each part of a well-made class weighs when it is missed altogether: 10 is a third of a fix. Lower is better.',
    shares: [
      { table: 'score', keys: Object.keys(SCORE_SETTINGS) },
      { table: 'craft', keys: craftKeys(true) },
    ],
  },
];
