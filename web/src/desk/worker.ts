import { applied, type Edit } from '@warm-ladder/core/edits';
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
import type { Audience, ClassPlan } from '@warm-ladder/core/plan';
import { Catalog, type CatalogSource } from '@warm-ladder/core/repertoire';
import {
  askedMeasures,
  type FindingName,
  findingKey,
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
import type { Series, WholeStudio } from '@warm-ladder/core/series';
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

/** What is told of series planned: their reviews are made anew where they are shown. */
export interface PlannedSeries {
  readonly proposals: ReadonlyArray<Pick<SeriesProposal, 'series' | 'classes' | 'counts' | 'why'>>;
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

/** What a brief's ids name, beside the repertoire. */
export interface Around {
  readonly audiences: readonly Audience[];
  readonly classes: readonly ClassPlan[];
  readonly series: readonly Series[];
  readonly today: string;
}

/** How often searches were told to stop: one that began before the last time ends with what it has. */
let stops = 0;
/** Milliseconds a search goes on without listening. */
const UNHEARD = 50;

/** Searches to its end, or until it is told to stop: between two stretches it hears what the page says meanwhile. */
async function searched<T>(search: Searching<T>, onTold?: (done: number) => void): Promise<T> {
  const begun = stops;
  let heard = performance.now();
  let step = search.next(true);
  while (!step.done) {
    if (performance.now() - heard > UNHEARD) {
      onTold?.(step.value);
      await new Promise((resolve) => setTimeout(resolve));
      heard = performance.now();
    }
    step = search.next(stops === begun);
  }
  return step.value;
}

let source: CatalogSource | null = null;
let catalog: Catalog | null = null;

function known(): Catalog {
  if (!catalog) throw new Error('The repertoire has not been handed over yet.');
  return catalog;
}

function used(): CatalogSource {
  if (!source) throw new Error('The repertoire has not been handed over yet.');
  return source;
}

const named =
  <T extends { readonly id: string }>(list: readonly T[]) =>
  (id: string | undefined) =>
    list.find((each) => each.id === id);

/** A studio as a search needs it: who teaches, and where, is the calendar's. */
const studioAround = ({ audiences, classes, series }: Around): WholeStudio => ({
  catalog: known(),
  audienceOf: named(audiences),
  classOf: named(classes),
  seriesOf: named(series),
  allSeries: series,
  teacherOf: () => undefined,
  roomOf: () => undefined,
});

/** The heavy work at a class, away from the page. */
const work = {
  /** Takes the repertoire and the method that all that follows is worked out with. */
  use(handed: CatalogSource): void {
    source = handed;
    catalog = new Catalog(handed);
  },
  /** Changes them: what the edit does not touch stays the very same, and with it what was worked out of it. */
  change(edit: Edit): void {
    source = applied(edit, used());
    catalog = new Catalog(source);
  },
  /** What mends a finding of the class as it is now; nothing where the finding is gone. */
  fixes(plan: ClassPlan, context: ReviewContext, name: FindingName): Fix[] {
    const review = reviewClass(known(), plan, context);
    const finding = review.findings.find((each) => findingKey(each) === findingKey(name));
    return finding ? fixesFor(known(), review, finding, context) : [];
  },
  /** The class brought to its length, with what may go when it runs late. */
  fit(plan: ClassPlan, context: ReviewContext): ToTime {
    return toTime(groundOf(known(), measureClass(known(), plan, context), context));
  },
  /** Ends the searches under way, each with what it has. */
  stop(): void {
    stops += 1;
  },
  async propose(brief: Brief, around: Around, onShare: (share: number) => void): Promise<ProposedClasses> {
    const search = proposing(studioAround(around), brief, around.today);
    const { proposals, clashes, evaluated } = await searched(search, onShare);
    return { proposals: proposals.map(({ plan, standing, why }) => ({ plan, standing, why })), clashes, evaluated };
  },
  /** Whole series, their classes among them. */
  async proposeSeries(brief: SeriesBrief, around: Around, onShare: (share: number) => void): Promise<PlannedSeries> {
    const search = proposingSeries(studioAround(around), brief, around.today);
    const { proposals, clashes, enough } = await searched(search, onShare);
    return {
      proposals: proposals.map(({ series, classes, counts, why }) => ({ series, classes, counts, why })),
      clashes,
      enough,
    };
  },
  /** A lower and a higher rung beside every block. */
  levels(plan: ClassPlan, context: ReviewContext): LevelledClass {
    const { edits, told, why, seconds } = levelled(known(), measureClass(known(), plan, context), context);
    return { edits, told, why, seconds };
  },
  /** How every class stands to the figures of the house. */
  standings(asked: ReadonlyArray<{ readonly plan: ClassPlan; readonly context: ReviewContext }>): StandingClass[] {
    return asked.map(({ plan, context }) => {
      const review = reviewClass(known(), plan, context);
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
  effects(plan: ClassPlan, context: ReviewContext): Effect[] {
    return effectsOn(used(), plan, context);
  },
  /** A class under another method, as one version of it. */
  outline(plan: ClassPlan, context: ReviewContext, method: MethodFile | undefined): Outline {
    return outlineOf(new Catalog({ ...used(), method }), plan, context);
  },
  /** @param looks what is only worth a look too */
  async mendAll(plan: ClassPlan, context: ReviewContext, looks: boolean): Promise<MendedClass> {
    const { plan: after, steps, left, why } = await searched(mending(known(), plan, context, { looks }));
    return { plan: after, steps, left, why };
  },
  /** Captions of a class, read back. @throws UnreadableCaptions with the line */
  take(plan: ClassPlan, context: ReviewContext, captions: string, day: string): ReadTake {
    const { matched, wordsPerMinute, silenceShare, differences, log } = readTake(
      known(),
      plan,
      context,
      readCaptions(captions),
      day,
    );
    return { matched, wordsPerMinute, silenceShare, differences, log };
  },
  /** A class read out of captions that have no plan. */
  draft: (captions: string, id: string): DraftPlan => draftPlan(known(), readCaptions(captions), id),
};

/** What is told of a take. */
export type ReadTake = Pick<Take, 'matched' | 'wordsPerMinute' | 'silenceShare' | 'differences' | 'log'>;

export type DeskWork = typeof work;

expose(work);
