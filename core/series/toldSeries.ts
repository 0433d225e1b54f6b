import { type Finding, type Glance, glanceOf } from '../review';
import { type ClimbLine, climbOf } from './climb';
import { type SeriesReview, seriesRemediesFor } from './reviewSeries';
import type { SeriesFinding } from './seriesRule';

/** An episode as it is told: its class as those who follow the series meet it. */
export interface ToldEpisode extends Glance {
  /** Its place in the series, from 0, and the id and the name of its class. */
  readonly episode: number;
  readonly class: string;
  readonly name: string;
  /** Heat × minutes of work. */
  readonly heatMinutes: number;
  readonly findings: readonly Finding[];
}

/** A finding of a series, and whether anything is known that might mend it. */
export interface ToldSeriesFinding extends SeriesFinding {
  readonly mends: boolean;
}

/** A series as it is told: data, so it can be worked out elsewhere than where it is shown. */
export interface ToldSeries {
  readonly seconds: number;
  /** How many rungs are earned by the end. */
  readonly earned: number;
  /** Gravest first, then in the order of episodes. */
  readonly findings: readonly ToldSeriesFinding[];
  readonly episodes: readonly ToldEpisode[];
  readonly climb: readonly ClimbLine[];
}

export const toldSeries = (review: SeriesReview): ToldSeries => ({
  seconds: review.seconds,
  earned: review.earned.length,
  findings: review.findings.map((finding) => ({ ...finding, mends: seriesRemediesFor(review, finding).length > 0 })),
  episodes: review.episodes.map(({ episode, plan, heatMinutes, review: own }) => ({
    ...glanceOf(own),
    episode,
    class: plan.id,
    name: plan.name,
    heatMinutes,
    findings: own.findings,
  })),
  climb: climbOf(review.subject.studio.catalog, review.episodes),
});
