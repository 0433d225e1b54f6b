import type { ClassPlan, RungBlock } from '../plan';
import { isInterlude } from '../plan';
import { type Catalog, type RungEntry, rungKey } from '../repertoire';
import type { Series } from './seriesSchema';

/** What a series is looked up in. */
export interface SeriesStudio {
  readonly catalog: Catalog;
  readonly classOf: (id: string) => ClassPlan | undefined;
  readonly seriesOf: (id: string | undefined) => Series | undefined;
}

/** How often a rung is taught and practised before it is earned, and the rest of what a series is held to. */
export type SeriesRules = Required<NonNullable<Series['rules']>>;

/** The house's rules, where a series has none of its own. Source: docs/series.md. */
const HOUSE_RULES: SeriesRules = {
  taught: 1,
  practised: 2,
  recapShare: 0.2,
  newLadders: 3,
  heatRise: 0.15,
  easierEvery: 4,
};

export const rulesOf = ({ rules }: Pick<Series, 'rules'>): SeriesRules => ({ ...HOUSE_RULES, ...rules });

/** What a class does with rungs, each once; blocks by their index in the class. */
export interface Doings {
  readonly taught: ReadonlySet<string>;
  /** Done as the main version, and not only shown. */
  readonly practised: ReadonlySet<string>;
  /** Shown with a dose to practise until the next episode. */
  readonly shown: ReadonlySet<string>;
  /** Blocks of each rung that is a main version. */
  readonly blocks: ReadonlyMap<string, readonly number[]>;
  /** Ids of exercises any rung of which stands in it. */
  readonly ladders: ReadonlySet<string>;
}

const known = new WeakMap<ClassPlan, Doings>();

/** Worked out once a class: a plan is never changed in place. */
export function doingsOf(plan: ClassPlan): Doings {
  const before = known.get(plan);
  if (before) return before;
  const taught = new Set<string>();
  const practised = new Set<string>();
  const shown = new Set<string>();
  const blocks = new Map<string, number[]>();
  const ladders = new Set<string>();
  plan.blocks.forEach((block, index) => {
    if (isInterlude(block)) return;
    const key = rungKey(block);
    if (teaches(block)) taught.add(key);
    if (block.mode === 'show') shown.add(key);
    else practised.add(key);
    const own = blocks.get(key);
    if (own) own.push(index);
    else blocks.set(key, [index]);
    ladders.add(block.exercise);
  });
  const doings = { taught, practised, shown, blocks, ladders };
  known.set(plan, doings);
  return doings;
}

/** Whether a block teaches its rung: explained, whether it is done or shown. */
const teaches = ({ mode }: Pick<RungBlock, 'mode'>): boolean => mode !== 'flow';

interface Count {
  readonly taught: number;
  readonly practised: number;
}
const NO_KEYS: ReadonlySet<string> = new Set();
const NEVER: Count = { taught: 0, practised: 0 };

/** What an audience has learnt by some episode: how often each rung was taught and practised, once an episode at most. */
export class Learnt {
  readonly #rules: SeriesRules;
  readonly #counts = new Map<string, Count>();
  readonly #ladders = new Set<string>();

  constructor(rules: SeriesRules) {
    this.#rules = rules;
  }

  /** Takes an episode in. */
  add({ taught, practised, ladders }: Pick<Doings, 'taught' | 'practised' | 'ladders'>): void {
    for (const key of new Set([...taught, ...practised])) {
      const before = this.count(key);
      this.#counts.set(key, {
        taught: before.taught + (taught.has(key) ? 1 : 0),
        practised: before.practised + (practised.has(key) ? 1 : 0),
      });
    }
    for (const ladder of ladders) this.#ladders.add(ladder);
  }

  /**
   * Takes the practice between an episode and the next in: what was shown in it, and before it, with a dose for every
   * week, each once. @param homework what was shown before; added to
   */
  practise(homework: Set<string>, { shown }: Pick<Doings, 'shown'>): void {
    for (const key of shown) homework.add(key);
    this.add({ taught: NO_KEYS, practised: homework, ladders: NO_KEYS });
  }

  count(key: string): Count {
    return this.#counts.get(key) ?? NEVER;
  }

  /** Episodes in which a rung must still be taught or practised before it is earned; 0 when it is. */
  lacks(key: string): number {
    const { taught, practised } = this.count(key);
    return Math.max(0, this.#rules.taught - taught, this.#rules.practised - practised);
  }

  earned(key: string): boolean {
    return this.lacks(key) === 0;
  }

  /** Whether every rung it needs is earned. */
  open(catalog: Catalog, entry: RungEntry): boolean {
    return needsOf(catalog, entry).every(({ key }) => this.earned(key));
  }

  /** Whether a ladder has stood in any episode. */
  met(exercise: string): boolean {
    return this.#ladders.has(exercise);
  }

  get keys(): readonly string[] {
    return [...this.#counts.keys()];
  }

  /** The same as it is now, whatever is taken in later. */
  copy(): Learnt {
    const copy = new Learnt(this.#rules);
    for (const [key, count] of this.#counts) copy.#counts.set(key, count);
    for (const ladder of this.#ladders) copy.#ladders.add(ladder);
    return copy;
  }
}

const needs = new WeakMap<Catalog, Map<RungEntry, readonly RungEntry[]>>();

/**
 * The rungs that must be earned before a rung is open: the one before it on its ladder, branches aside, and all that it
 * requires. A branch needs what the rung it stands beside needs of the ladder.
 */
export function needsOf(catalog: Catalog, entry: RungEntry): readonly RungEntry[] {
  const all = needs.get(catalog) ?? new Map<RungEntry, readonly RungEntry[]>();
  needs.set(catalog, all);
  const before = all.get(entry);
  if (before) return before;
  const required = (entry.rung.requires ?? []).flatMap((ref) => catalog.rung(ref) ?? []);
  const found = [...new Set([...below(catalog, entry), ...required])].filter((need) => need !== entry);
  all.set(entry, found);
  return found;
}

/** The rung before one on its ladder: none for the first. */
function below(catalog: Catalog, { exercise, rung }: RungEntry): readonly RungEntry[] {
  const beside = rung.branchOf ?? rung.id;
  const ladder = catalog.ladder(exercise.id);
  const at = ladder.findIndex((each) => each.rung.id === beside);
  const before = ladder.slice(0, Math.max(0, at)).findLast((each) => each.rung.branchOf === undefined);
  return before ? [before] : [];
}

/** The series that come before one, the earliest first. A ring of them, which no file may have, is left where it closes. */
export function followedBy({ seriesOf }: Pick<SeriesStudio, 'seriesOf'>, series: Series): readonly Series[] {
  const chain: Series[] = [];
  const seen = new Set([series.id]);
  let before = seriesOf(series.follows);
  while (before && !seen.has(before.id)) {
    seen.add(before.id);
    chain.unshift(before);
    before = seriesOf(before.follows);
  }
  return chain;
}

/**
 * Takes the classes of a series in, in their order; what is shown with a dose for every week is practised once between
 * one episode and the next, from then on.
 */
function takeIn(learnt: Learnt, { weekly }: Pick<Series, 'weekly'>, plans: Iterable<ClassPlan>): void {
  const homework = new Set<string>();
  const practises = (weekly?.days ?? 0) > 0;
  for (const plan of plans) {
    const doings = doingsOf(plan);
    learnt.add(doings);
    if (practises) learnt.practise(homework, doings);
  }
}

/** What the series that one follows have brought, by its own rules. */
export function broughtBefore(studio: SeriesStudio, series: Series): Learnt {
  const learnt = new Learnt(rulesOf(series));
  for (const before of followedBy(studio, series)) {
    takeIn(
      learnt,
      before,
      before.episodes.flatMap(({ class: id }) => studio.classOf(id) ?? []),
    );
  }
  return learnt;
}
