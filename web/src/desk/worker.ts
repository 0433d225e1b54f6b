import { applied, type Edit } from '@warm-ladder/core/edits';
import { type BundleStudio, type StudioSource, studioOf } from '@warm-ladder/core/formats';
import {
  type Fix,
  fixesFor,
  groundOf,
  type Levelled,
  levelled,
  type Mended,
  mending,
  type ToTime,
  toTime,
} from '@warm-ladder/core/mend';
import { DIRECTIONS, type Direction, type MethodFile } from '@warm-ladder/core/method';
import { type ClassPlan, isInterlude } from '@warm-ladder/core/plan';
import { Catalog, type CatalogSource, type Heats } from '@warm-ladder/core/repertoire';
import {
  askedMeasures,
  type FindingName,
  findingKey,
  type Glance,
  glanceOf,
  keptReviews,
  type Measures,
  measureClass,
  type ReviewContext,
  reviewClass,
} from '@warm-ladder/core/review';
import {
  type Brief,
  type Proposal,
  type Proposed,
  proposing,
  proposingSeries,
  type SeriesBrief,
  type SeriesProposal,
} from '@warm-ladder/core/sequence';
import {
  type Consequence,
  couldTake,
  type Next,
  reviewSeries,
  type Series,
  type SeriesEdit,
  type SeriesFindingName,
  type SeriesFix,
  type SeriesReview,
  seriesFixesFor,
  type ToldSeries,
  toldSeries,
  type WholeStudio,
  whatIf,
  withEdited,
} from '@warm-ladder/core/series';
import { type DraftPlan, draftPlan, readCaptions, readTake, type Take } from '@warm-ladder/core/taught/take';
import { type Effect, effectsOn, type Outline, outlineOf } from '@warm-ladder/core/versions';
import type { Searching } from '@warm-ladder/core/vocabulary';
import { expose } from 'comlink';

/** What is told of a mending: the class itself is made from the steps. */
export type MendedClass = Pick<Mended, 'steps' | 'left' | 'why' | 'plan'>;

/** What is told of levels offered everywhere. */
export type LevelledClass = Pick<Levelled, 'edits' | 'told' | 'why' | 'seconds'>;

/** What is told of a proposal: the review is made anew where it is shown. */
export type ProposedClass = Pick<Proposal, 'plan' | 'standing' | 'why'>;
export interface ProposedClasses extends Pick<Proposed, 'clashes' | 'evaluated'> {
  readonly proposals: readonly ProposedClass[];
}

/** What is told of a series planned. */
export interface PlannedOne extends Pick<SeriesProposal, 'series' | 'classes' | 'counts' | 'why'> {
  readonly told: ToldSeries;
}
export interface PlannedSeries {
  readonly proposals: readonly PlannedOne[];
  readonly clashes: readonly string[];
  /** How many episodes would do, where those asked for are too few. */
  readonly enough?: number | undefined;
}

/** How a class stands to the figures of the house: its measures, and its shares of the work by direction. */
export interface StandingClass {
  readonly id: string;
  readonly measures: Partial<Measures>;
  readonly directions: Readonly<Record<Direction, number>>;
}

/** Classes as a list shows them. */
export interface GlancedClasses {
  readonly glances: ReadonlyArray<Glance & { readonly id: string }>;
  readonly heats: Heats;
}

/** A series as its page shows it. */
export interface SeriesHere {
  readonly told: ToldSeries;
  readonly heats: Heats;
}

/** A way to mend a finding of a series, without what it was measured with. */
export type SeriesFixHere = Omit<SeriesFix, 'measure'>;

/** What an episode could take next, by the key of its rung. */
export interface NextHere extends Omit<Next, 'entry'> {
  readonly key: string;
}

/** How often searches were told to stop: one that began before the last time ends with what it has. */
let stops = 0;
/** Milliseconds a search goes on without listening. */
const LISTENS_EVERY = 50;

/** Searches to its end, or until it is told to stop: between two stretches it hears what the page says meanwhile. */
async function searched<T>(search: Searching<T>, onTold?: (done: number) => void): Promise<T> {
  const begun = stops;
  let heard = performance.now();
  let step = search.next(true);
  while (!step.done) {
    if (performance.now() - heard > LISTENS_EVERY) {
      onTold?.(step.value);
      await new Promise((resolve) => setTimeout(resolve));
      heard = performance.now();
    }
    step = search.next(stops === begun);
  }
  return step.value;
}

/** As much of the studio as anything is worked out from, and the day it is. */
export interface Handed extends CatalogSource, Omit<StudioSource, keyof CatalogSource | 'logs'> {
  readonly day: string;
}

/** The copy of the studio kept here, and what is made ready of it. */
interface Replica {
  readonly handed: Handed;
  readonly studio: BundleStudio;
}
let replica: Replica | null = null;

function made(handed: Handed): Replica {
  const { exercises, method, props, positions } = handed;
  const before = replica?.handed;
  const same =
    before?.exercises === exercises &&
    before.method === method &&
    before.props === props &&
    before.positions === positions;
  const catalog = same && replica ? replica.studio.catalog : new Catalog({ exercises, method, props, positions });
  return { handed, studio: studioOf(handed, { today: handed.day }, catalog) };
}

function here(): Replica {
  if (!replica) throw new Error('The studio has not been handed over yet.');
  return replica;
}

const known = (): Catalog => here().studio.catalog;
const contextOf = (plan: ClassPlan) => here().studio.contextOf(plan);

/** A class and what it is held against. @throws where it is gone */
function classIn(id: string): readonly [Catalog, ClassPlan, ReviewContext] {
  const plan = here().studio.classOf(id);
  if (!plan) throw new Error('This class is gone.');
  return [known(), plan, contextOf(plan)];
}

/** A series, and its review as an audience that follows it meets it. @throws where it is gone */
function seriesIn(id: string): readonly [BundleStudio, Series, SeriesReview] {
  const { studio, handed } = here();
  const series = studio.seriesOf(id);
  if (!series) throw new Error('This series is gone.');
  return [studio, series, reviewSeries(studio, series, { today: handed.day })];
}

/** The studio as a search needs it: who teaches, and where, is the calendar's. */
const unplaced = (): WholeStudio => ({ ...here().studio, teacherOf: () => undefined, roomOf: () => undefined });

/** Classes as they were last reviewed, each by itself. */
const reviewed = keptReviews();

/** The heats of all that is done in some classes: whoever draws them need not measure them. */
function heatsIn(plans: readonly ClassPlan[]): Heats {
  const entries = plans.flatMap(({ blocks }) =>
    blocks.flatMap((block) => (isInterlude(block) ? [] : (known().rung(block) ?? []))),
  );
  return known().heatsOf([...new Set(entries)]);
}

/** The heavy work at a class, away from the page. */
const work = {
  /** Takes the studio that all that follows is worked out with. */
  use(handed: Handed, heats: Heats): void {
    replica = made(handed);
    known().knowHeats(heats);
  },
  /** Changes it: what the edit does not touch stays the very same, and with it what was worked out of it. */
  change(edit: Edit): void {
    replica = made(applied(edit, here().handed));
  },
  /** The heat of rungs by their keys; those that are gone are left out. */
  heats: (keys: readonly string[]): Heats => known().heatsOf(keys.flatMap((key) => known().rungByKey(key) ?? [])),
  /** Classes as a list shows them, in its order, and the heats they are drawn with. What is gone is left out. */
  glances(ids: readonly string[]): GlancedClasses {
    const plans = ids.flatMap((id) => here().studio.classOf(id) ?? []);
    const glances = plans.map((plan) => ({ ...glanceOf(reviewed(known(), plan, contextOf(plan))), id: plan.id }));
    return { glances, heats: heatsIn(plans) };
  },
  /** A series as its page shows it, and the heats its classes are drawn with. */
  series(id: string): SeriesHere {
    const [, , review] = seriesIn(id);
    return { told: toldSeries(review), heats: heatsIn(review.episodes.map(({ plan }) => plan)) };
  },
  /** What an edit of a series would break, and mend. */
  whatIf(id: string, edits: readonly SeriesEdit[]): Consequence {
    const [studio, series, review] = seriesIn(id);
    return whatIf(studio, series, review, edits, { today: here().handed.day });
  },
  /** What mends a finding of a series as it is now; nothing where the finding is gone. */
  seriesFixes(id: string, name: SeriesFindingName): SeriesFixHere[] {
    const [studio, series, review] = seriesIn(id);
    return seriesFixesFor(studio, series, review, name).map(({ measure: _measure, ...fix }) => fix);
  },
  /** What an episode could take next. @param episode its place from 0 */
  couldTake(id: string, episode: number): NextHere[] {
    const [studio, series] = seriesIn(id);
    return couldTake(studio, series, episode).map(({ entry, ...next }) => ({ ...next, key: entry.key }));
  },
  /** What mends a finding of the class as it is now; nothing where the finding is gone. */
  fixes(id: string, name: FindingName): Fix[] {
    const [catalog, plan, context] = classIn(id);
    const review = reviewClass(catalog, plan, context);
    const finding = review.findings.find((each) => findingKey(each) === findingKey(name));
    return finding ? fixesFor(catalog, review, finding, context) : [];
  },
  /** The class brought to its length, with what may go when it runs late. */
  fit(id: string): ToTime {
    const [catalog, plan, context] = classIn(id);
    return toTime(groundOf(catalog, measureClass(catalog, plan, context), context));
  },
  /** Ends the searches under way, each with what it has. */
  stop(): void {
    stops += 1;
  },
  async propose(brief: Brief, onShare: (share: number) => void): Promise<ProposedClasses> {
    const search = proposing(unplaced(), brief, here().handed.day);
    const { proposals, clashes, evaluated } = await searched(search, onShare);
    return { proposals: proposals.map(({ plan, standing, why }) => ({ plan, standing, why })), clashes, evaluated };
  },
  /** Whole series, their classes among them. */
  async proposeSeries(brief: SeriesBrief, onShare: (share: number) => void): Promise<PlannedSeries> {
    const { day } = here().handed;
    const studio = unplaced();
    const search = proposingSeries(studio, brief, day);
    const { proposals, clashes, enough } = await searched(search, onShare);
    const shown = proposals.map(({ series, classes, counts, why }) => {
      const whole = withEdited(studio, { series, classes });
      return { series, classes, counts, why, told: toldSeries(reviewSeries(whole, series, { today: day })) };
    });
    return { proposals: shown, clashes, enough };
  },
  /** A lower and a higher rung beside every block. */
  levels(id: string): LevelledClass {
    const [catalog, plan, context] = classIn(id);
    const { edits, told, why, seconds } = levelled(catalog, measureClass(catalog, plan, context), context);
    return { edits, told, why, seconds };
  },
  /** How every class stands to the figures of the house. */
  standings(): StandingClass[] {
    return (here().handed.classes ?? []).map((plan) => {
      const review = reviewed(known(), plan, contextOf(plan));
      const { timed } = review;
      const shares = DIRECTIONS.map((each) => [each, (timed.directions[each] ?? 0) / Math.max(1, timed.parts.work)]);
      return {
        id: plan.id,
        measures: askedMeasures(review),
        directions: Object.fromEntries(shares) as StandingClass['directions'],
      };
    });
  },
  /** What each answer of the method would change of a class. */
  effects: (plan: ClassPlan): Effect[] => effectsOn(here().handed, plan, contextOf(plan)),
  /** A class under another method, as one version of it. */
  outline: (plan: ClassPlan, method: MethodFile | undefined): Outline =>
    outlineOf(new Catalog({ ...here().handed, method }), plan, contextOf(plan)),
  /** @param looks what is only worth a look too */
  async mendAll(id: string, looks: boolean): Promise<MendedClass> {
    const [catalog, plan, context] = classIn(id);
    const { plan: after, steps, left, why } = await searched(mending(catalog, plan, context, { looks }));
    return { plan: after, steps, left, why };
  },
  /** Captions of a class, read back. @throws UnreadableCaptions with the line */
  take(id: string, captions: string, day: string): ReadTake {
    const [catalog, plan, context] = classIn(id);
    const read = readTake(catalog, plan, context, readCaptions(captions), day);
    const { matched, wordsPerMinute, silenceShare, differences, log } = read;
    return { matched, wordsPerMinute, silenceShare, differences, log };
  },
  /** A class read out of captions that have no plan. */
  draft: (captions: string, id: string): DraftPlan => draftPlan(known(), readCaptions(captions), id),
};

/** What is told of a take. */
export type ReadTake = Pick<Take, 'matched' | 'wordsPerMinute' | 'silenceShare' | 'differences' | 'log'>;

export type DeskWork = typeof work;

expose(work);
