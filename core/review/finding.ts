import type { PlanEdit, TimedClass } from '../plan';
import type { RungEntry } from '../repertoire';
import type { Unit } from '../vocabulary/measure';

/** `stop`: unsafe or impossible; `fix`: should not be taught so; `look`: worth a look. */
export const SEVERITIES = ['stop', 'fix', 'look'] as const;
export type Severity = (typeof SEVERITIES)[number];

export const FINDING_CODES = [
  'CAUTION_CLEAR_FIRST',
  'CAUTION_SWAP',
  'CAUTION_ADAPT',
  'RECOVER_UNNAMED',
  'REQUIREMENT_UNMET',
  'NOT_TAUGHT',
  'OPTION_MISSING',
  'OPTION_CAUTION',
  'OPTION_UNMET',
  'OPTION_PROP',
  'OPTION_EXPOSED',
  'OPTION_LONG',
  'TIME_OVER',
  'TIME_UNDER',
  'TIME_AT_RISK',
  'OPENING_LONG',
  'BLOCK_LONG',
  'CARRY_LOST',
  'WORDS_LONG',
  'SIDES_UNEVEN',
  'FIRST_SIDE_SAME',
  'RUN_OF_SIDES',
  'BEGINNING_OTHER',
  'FLOOR_TRIPS',
  'POSITION_RETURN',
  'PROP_SHUFFLE',
  'FLEXION_STRETCH',
  'DIRECTION_HIGH',
  'DIRECTION_LOW',
  'HEAT_JUMP',
  'WARM_UP_HOT',
  'PEAK_EARLY',
  'PEAK_LATE',
  'PEAKS_CLOSE',
  'EASE_MISSING',
  'HOTTEST_LAST',
  'HEAD_LIFTED_LONG',
  'WRISTS_LONG',
  'DOUBLE_LEVER_LONG',
  'KNEELING_LONG',
  'BREATH_HELD',
  'PREPARATION_MISSING',
  'PROP_LACKING',
  'PROP_IN_THE_WAY',
  'PROP_UNASKED',
  'CONNECTION_MISSING',
  'PEAK_LOW',
  'THREAD_MISSING',
  'FOCUS_MISSED',
  'SETUPS_MANY',
  'STAYS_SHORT',
  'CHANGES_MANY',
  'ALIKE_LONG',
  'TURNED_OFTEN',
  'CALM_MISSING',
  'NEW_MANY',
  'PROPS_MANY',
  'LEVEL_DOUBLE',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

/** One concrete way to mend a finding: what the director reads, and the edits it makes. */
export interface Remedy {
  readonly label: string;
  readonly edits: readonly PlanEdit[];
}

/** A finding as it is told: data, which is found again by its code, its `ids` and what it is `about`. */
export interface Finding {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** Indexes of the blocks it concerns, in order, interludes counted; empty when it is about the class as a whole. */
  readonly blocks: readonly number[];
  /** Their ids, which stay the same when blocks move. */
  readonly ids: readonly string[];
  /** Which of several it is that are found in the same blocks (see `Found`). */
  readonly about?: string;
  /** What was measured, and what it is held against, in `unit` (empty for a plain share). */
  readonly value: number;
  readonly limit: number;
  readonly unit: Unit;
  readonly message: string;
  /** The value of each of its blocks, in their order, where each has its own. */
  readonly values?: readonly number[];
}

/** What a rule found: data, of which the rule makes the sentence, and what might mend it, when somebody asks. */
export interface Found {
  /** In place of the rule's own. */
  readonly severity?: Severity | undefined;
  readonly blocks: readonly number[];
  /** Which of several it is that a rule can find in the same blocks: a direction, the key of a rung, the id of a prop. */
  readonly about?: string | undefined;
  readonly value: number;
  readonly limit: number;
  /** In place of the rule's own. */
  readonly unit?: Unit | undefined;
  /** Of each of its blocks, in their order. */
  readonly values?: readonly number[] | undefined;
  /** It is there or it is not, however much there is of it. */
  readonly presence?: boolean | undefined;
}

/** What a rule found in one block alone, wherever it stands. */
export type OwnFound = Omit<Found, 'blocks'>;

/** What a finding is found again by, in whatever copy of the class. */
export type FindingName = Pick<Finding, 'code' | 'ids' | 'about'>;

/** One word for it. */
export const findingKey = ({ code, ids, about = '' }: FindingName): string => [code, about, ...ids].join(' ');

/** Parts of the score, and whether the place of a block has a say in them; `ease`, the soft measures', is beside them. */
export const SCORE_PARTS = {
  time: { placed: false },
  flow: { placed: true },
  directions: { placed: false },
  sides: { placed: true },
  arc: { placed: true },
  exposure: { placed: true },
  ladders: { placed: true },
  options: { placed: false },
  props: { placed: true },
  cautions: { placed: false },
  craft: { placed: true },
} as const;
export type ScorePart = keyof typeof SCORE_PARTS;

/** What a part of a class is called: its rung, or the name of its interlude. */
export const titleOf = (part: TimedClass['sequence'][number]): string =>
  part.kind === 'block' ? rungTitle(part.entry) : part.block.name;

/** How a rung is called in a sentence. */
export const rungTitle = ({ exercise, rung }: RungEntry): string => `${exercise.name}, ${rung.name}`;
