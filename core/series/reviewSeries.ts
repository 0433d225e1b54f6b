import type { ClassPlan, TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassReview, limitsOf, type ReviewContext, reviewClass, SEVERITIES } from '../review';
import { type Earning, type EpisodeEarning, earningOf } from './earning';
import { followedBy, rulesOf } from './learning';
import { SERIES_RULES } from './rules';
import type { SeriesEpisode, SeriesFinding, SeriesFound, SeriesRule, SeriesSubject, WholeStudio } from './seriesRule';
import type { Series } from './seriesSchema';

/** With what a studio does not know: the day, and the teacher whose pace is asked about. */
export type Asked = Pick<ReviewContext, 'today' | 'teacher'>;

/** An episode, and its class as an audience that followed the series meets it. */
export interface EpisodeReview extends SeriesEpisode {
  readonly review: ClassReview;
}

export interface SeriesReview {
  readonly episodes: readonly EpisodeReview[];
  /** Gravest first, then in the order of episodes. */
  readonly findings: readonly SeriesFinding[];
  /** Keys of the rungs earned by the end. */
  readonly earned: readonly string[];
  readonly earning: Earning;
  readonly seconds: number;
}

interface Reviewed {
  readonly context: ReviewContext;
  readonly studio: WholeStudio['catalog'];
  readonly review: ClassReview;
}
/** Classes as they were last reviewed in their place: the next time most of a series is as it was. */
const reviewed = new WeakMap<ClassPlan, Reviewed>();

/**
 * A series reviewed as the audience meets it: what is earned when, its work, its dates; and every class in its place.
 * @throws PlanError when a class does not fit the repertoire
 */
export function reviewSeries(studio: WholeStudio, series: Series, asked: Asked = {}): SeriesReview {
  const earning = earningOf(studio, series);
  const episodes = earning.episodes.map((each): EpisodeReview => {
    const review = inItsPlace(studio, each, asked);
    const connects = (review.subject.craft.get('connection')?.distance ?? 0) === 0;
    return { ...each, ...workOf(each, review), connects, timed: review.timed, review };
  });
  const audience = studio.audienceOf(series.audience ?? episodes[0]?.plan.audience);
  const subject: SeriesSubject = {
    studio,
    series,
    rules: rulesOf(series),
    follows: followedBy(studio, series).length > 0,
    earning,
    episodes,
    audience,
    limits: limitsOf(studio.catalog.method, audience),
  };
  return {
    episodes,
    findings: findingsIn(subject),
    earned: earning.earned,
    earning,
    seconds: episodes.reduce((sum, { timed }) => sum + timed.seconds, 0),
  };
}

function inItsPlace(studio: WholeStudio, { plan, before }: EpisodeEarning, asked: Asked): ClassReview {
  const context: ReviewContext = {
    ...asked,
    audience: studio.audienceOf(plan.audience),
    earlier: new Set(before.keys.filter((key) => before.count(key).taught > 0)),
    place: 'episode',
  };
  const known = reviewed.get(plan);
  if (known && known.studio === studio.catalog && alike(known.context, context)) return known.review;
  const review = reviewClass(studio.catalog, plan, context);
  reviewed.set(plan, { context, studio: studio.catalog, review });
  return review;
}

const alike = (a: ReviewContext, b: ReviewContext): boolean =>
  a.audience === b.audience &&
  a.teacher === b.teacher &&
  a.today === b.today &&
  a.earlier?.size === b.earlier?.size &&
  [...(a.earlier ?? [])].every((key) => b.earlier?.has(key));

/** Heat × minutes of work over a class, whatever the doses. */
export const heatMinutesOf = (catalog: Catalog, { blocks }: Pick<TimedClass, 'blocks'>): number =>
  blocks.reduce((sum, { entry, work }) => sum + (catalog.heat(entry) * work) / 60, 0);

/** Heat-minutes, and the share of the work that is known from before; what is only shown is no work of the recap. */
function workOf({ recapped }: EpisodeEarning, { timed, subject }: ClassReview) {
  let [work, recap] = [0, 0];
  for (const block of timed.blocks) {
    if (block.shown) continue;
    work += block.work;
    if (recapped.has(block.entry.key)) recap += block.work;
  }
  return { heatMinutes: heatMinutesOf(subject.catalog, timed), recapShare: work > 0 ? recap / work : 0 };
}

/** A finding as it is told; its sentence is put together when somebody reads it. */
class ToldFinding implements SeriesFinding {
  readonly code: SeriesFinding['code'];
  readonly severity: SeriesFinding['severity'];
  readonly episode: number;
  readonly blocks: readonly number[];
  readonly ids: readonly string[];
  readonly value: number;
  readonly limit: number;
  readonly unit: SeriesFinding['unit'];
  readonly mend: SeriesFinding['mend'];
  readonly #sentence: () => string;

  constructor(rule: SeriesRule, found: SeriesFound, plan: ClassPlan | undefined) {
    const { episode, blocks = NO_BLOCKS } = found;
    this.code = rule.code;
    this.severity = found.severity ?? rule.severity;
    this.episode = episode;
    this.blocks = blocks;
    this.ids = plan ? blocks.flatMap((index) => plan.blocks[index]?.id ?? []) : [];
    this.value = found.value ?? 1;
    this.limit = found.limit ?? 0;
    this.unit = rule.unit;
    this.mend = found.mend ?? NO_WAY;
    this.#sentence = found.sentence;
  }

  get message(): string {
    return this.#sentence();
  }
}
const NO_BLOCKS: readonly number[] = [];
const NO_WAY = () => [];

function findingsIn(subject: SeriesSubject): SeriesFinding[] {
  const plans = new Map(subject.episodes.map(({ episode, plan }) => [episode, plan]));
  const told: SeriesFinding[] = [];
  for (const rule of SERIES_RULES) {
    for (const found of rule.find(subject)) told.push(new ToldFinding(rule, found, plans.get(found.episode)));
  }
  return told.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || a.episode - b.episode);
}
