import { CONDITION_IDS, CONDITIONS, type Condition } from '../caution';
import { doseOf, optionOf, type TimedBlock, type TimedClass } from '../plan';
import { type Catalog, type Lane, laneOf, type RungEntry, signFor } from '../repertoire';
import { conditionsAgainst, type ReviewContext } from '../review';
import { type DescribedBlock, describeBlock, doseText, isSided } from './described';

/** A level of a block as the teacher reads it at a glance. */
export interface CardStep {
  readonly entry: RungEntry;
  /** How often, and what is paused or held. */
  readonly dose: string;
  /** The sign that tells who should take it; `null` for the main version, and where nothing is known. */
  readonly sign: string | null;
}

export interface CardRow {
  readonly id: string;
  readonly startSeconds: number;
  readonly home: CardStep;
  readonly lower: CardStep | null;
  readonly upper: CardStep | null;
  /** What is offered beside it, neither lower nor higher. */
  readonly beside: readonly CardStep[];
  /** All that papers say of the block. */
  readonly told: DescribedBlock;
  /** Conditions with which something else is taken, by name; never people. */
  readonly mustNot: readonly string[];
}

/** The levels of a class on one sheet. */
export interface RoomCard {
  readonly title: string;
  /** The heats it works at, from the coolest level offered to the hottest. */
  readonly from: number;
  readonly to: number;
  readonly rows: readonly CardRow[];
  /** In so small a group everybody would know who is meant: the card says “ask before” in the place of conditions. */
  readonly askBefore: boolean;
}

/** People from which a condition on a card points at nobody. */
const SMALL_GROUP = 5;

/**
 * The room card of a class.
 * @param context who is in the room: whom a block is not for is said of them alone
 * @param group how many people come, where it is known
 */
export function roomCard(catalog: Catalog, timed: TimedClass, context: ReviewContext, group?: number): RoomCard {
  const { plan, blocks } = timed;
  const against = conditionsAgainst(catalog, timed, context);
  const rows = blocks.map((block) => rowOf(catalog, timed, block, against.get(block.index) ?? []));
  const heats = rows.flatMap(({ home, lower, upper, beside }) =>
    [home, lower, upper, ...beside].flatMap((step) => (step ? catalog.heat(step.entry) : [])),
  );
  return {
    title: plan.name,
    from: Math.round(Math.min(...heats, 100)),
    to: Math.round(Math.max(...heats, 0)),
    rows,
    askBefore: group !== undefined && group < SMALL_GROUP,
  };
}

function rowOf(catalog: Catalog, timed: TimedClass, part: TimedBlock, against: readonly Condition[]): CardRow {
  const { entry, block, startSeconds } = part;
  const told = describeBlock(timed, part);
  const steps = (block.options ?? []).flatMap((each) => {
    const option = optionOf(each);
    const offered = catalog.rung({ exercise: block.exercise, rung: option.rung });
    if (!offered) return [];
    const lane = laneOf(entry, offered);
    const sign = option.sign ?? signFor(entry.rung, lane) ?? null;
    const extra = [
      option.holdSeconds ? `hold ${option.holdSeconds} s` : '',
      option.pauseSeconds ? `pause ${option.pauseSeconds} s` : '',
    ].filter(Boolean);
    const dose = [doseText(doseOf(offered, option), isSided(offered, block.side)), ...extra].join(', ');
    return [{ lane, step: { entry: offered, dose, sign } }];
  });
  const stepsIn = (lane: Lane) => steps.filter((each) => each.lane === lane).map(({ step }) => step);
  const [lower] = stepsIn('lower').slice(-1);
  const [upper] = stepsIn('upper');
  return {
    id: block.id,
    startSeconds,
    home: {
      entry,
      dose: told.dose,
      sign: null,
    },
    told,
    lower: lower ?? null,
    upper: upper ?? null,
    beside: stepsIn('sideways'),
    mustNot: shortNames(CONDITION_IDS.filter((condition) => against.includes(condition))),
  };
}

const TRIMESTERS: Partial<Record<Condition, string>> = {
  'pregnancy-first': '1st',
  'pregnancy-second': '2nd',
  'pregnancy-third': '3rd',
};

/** Conditions as a card has room for them: the trimesters of a pregnancy in one. */
function shortNames(conditions: readonly Condition[]): string[] {
  const trimesters = conditions.flatMap((condition) => TRIMESTERS[condition] ?? []);
  const others = conditions
    .filter((condition) => !(condition in TRIMESTERS))
    .map((condition) => CONDITIONS[condition].name.replace(/ (after pregnancy|symptoms)$/, ''));
  return trimesters.length > 0 ? [...others, `Pregnancy (${trimesters.join(', ')} trimester)`] : others;
}
