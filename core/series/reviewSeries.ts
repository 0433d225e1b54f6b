import type { ClassPlan, TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassReview, keptReviews, limitsOf, type ReviewContext, SEVERITIES } from '../review';
import { type Earning, type EpisodeEarning, earningOf } from './earning';
import { followedBy, rulesOf } from './learning';
import { SERIES_RULES, seriesRuleOf } from './rules';
import {
  type SeriesEpisode,
  type SeriesFinding,
  type SeriesFindingName,
  type SeriesFound,
  type SeriesRaised,
  type SeriesRemedy,
  type SeriesRule,
  type SeriesSubject,
  seriesFindingKey,
  type WholeStudio,
} from './seriesRule';
import type { Series } from './seriesSchema';

/** With what a studio does not know: the day, and the teacher whose pace is asked about. */
export type Asked = Pick<ReviewContext, 'today' | 'teacher'>;

/** An episode, and its class as an audience that followed the series meets it. */
export interface EpisodeReview extends SeriesEpisode {
  readonly review: ClassReview;
}

/** A series measured; nobody has asked for the sentences of its own findings yet. */
export interface SeriesMeasure {
  readonly subject: SeriesSubject;
  readonly episodes: readonly EpisodeReview[];
  /** Gravest first, then in the order of episodes. */
  readonly raised: readonly SeriesRaised[];
  /** Keys of the rungs earned by the end. */
  readonly earned: readonly string[];
  readonly earning: Earning;
  readonly seconds: number;
}

export interface SeriesReview extends SeriesMeasure {
  /** What was raised, in sentences. */
  readonly findings: readonly SeriesFinding[];
}

/** Classes as they were last reviewed in their place. */
const inPlace = keptReviews();

/**
 * A series reviewed as the audience meets it: what is earned when, its work, its dates; and every class in its place.
 * @throws PlanError when a class does not fit the repertoire
 */
export function reviewSeries(studio: WholeStudio, series: Series, asked: Asked = {}): SeriesReview {
  const measure = measureSeries(studio, series, asked);
  return { ...measure, findings: measure.raised.map((raised) => told(measure.subject, raised)) };
}

/** The same without the sentences of the series' own findings: what a search for a series holds against another. */
export function measureSeries(studio: WholeStudio, series: Series, asked: Asked = {}): SeriesMeasure {
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
    subject,
    episodes,
    raised: raisedIn(subject),
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
  return inPlace(studio.catalog, plan, context);
}

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

function raisedIn(subject: SeriesSubject): SeriesRaised[] {
  const plans = new Map(subject.episodes.map(({ episode, plan }) => [episode, plan]));
  return SERIES_RULES.flatMap((rule) =>
    rule.find(subject).map((found) => raise(rule, found, plans.get(found.episode))),
  ).sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || a.episode - b.episode);
}

function raise({ code, severity, unit }: SeriesRule, found: SeriesFound, plan: ClassPlan | undefined): SeriesRaised {
  const { blocks = NO_BLOCKS } = found;
  return {
    code,
    severity,
    unit,
    value: 1,
    limit: 0,
    about: '',
    ...found,
    blocks,
    ids: plan ? blocks.flatMap((index) => plan.blocks[index]?.id ?? []) : [],
  };
}
const NO_BLOCKS: readonly number[] = [];

function told(subject: SeriesSubject, raised: SeriesRaised): SeriesFinding {
  const { code, severity, episode, blocks, ids, about, value, limit, unit } = raised;
  const message = seriesRuleOf(code).sentence(raised, subject);
  return { code, severity, episode, blocks, ids, ...(about ? { about } : {}), value, limit, unit, message };
}

/** Ways that might mend a finding, in the series as it was measured; none where the series has no such finding. */
export function seriesRemediesFor(
  { subject, raised }: SeriesMeasure,
  name: SeriesFindingName,
): readonly SeriesRemedy[] {
  const key = seriesFindingKey(name);
  const own = raised.find((each) => seriesFindingKey(each) === key);
  return (own && seriesRuleOf(own.code).mend?.(own, subject)) ?? [];
}
