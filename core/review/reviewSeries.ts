import type { Audience, ClassPlan } from '../plan';
import type { Catalog } from '../repertoire';
import type { Series } from '../series';
import { metBefore } from './earlier';
import { type ClassReview, reviewClass, type ToldFinding } from './reviewClass';

export interface EpisodeReview extends ClassReview {
  readonly plan: ClassPlan;
}

/** A finding about the order of a series: which episode, and which of its blocks. */
export interface SeriesFinding extends ToldFinding {
  /** Counted from 0. */
  readonly episode: number;
}

export interface SeriesReview {
  readonly episodes: readonly EpisodeReview[];
  /** What only the order of episodes can mend: rungs whose requirements no earlier episode has brought. */
  readonly findings: readonly SeriesFinding[];
  readonly seconds: number;
}

/**
 * Reviews every episode as an audience that followed the series meets it.
 * @throws PlanError when a class does not fit the repertoire
 */
export function reviewSeries(
  catalog: Catalog,
  series: Series,
  classOf: (id: string) => ClassPlan | undefined,
  audienceOf: (id: string | undefined) => Audience | undefined,
): SeriesReview {
  const episodes = series.episodes.flatMap(({ class: id }, episode): EpisodeReview[] => {
    const plan = classOf(id);
    if (!plan) return [];
    const earlier = metBefore(series, episode, classOf);
    return [{ plan, ...reviewClass(catalog, plan, { audience: audienceOf(plan.audience), earlier }) }];
  });
  const findings = episodes.flatMap(({ findings: found }, episode) =>
    found.filter(({ code }) => code === 'REQUIREMENT_UNMET').map((finding) => ({ ...finding, episode })),
  );
  return { episodes, findings, seconds: episodes.reduce((sum, { timed }) => sum + timed.seconds, 0) };
}
