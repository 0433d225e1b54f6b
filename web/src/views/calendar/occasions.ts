import type { ClassReview } from '@warm-ladder/core/review';
import { type Occasion, occasionsOf, reviewSeries, type Series } from '@warm-ladder/core/series';
import { selectReview, type selectWholeStudio } from '../../app/selectors';
import { store } from '../../app/store';

type Studio = ReturnType<typeof selectWholeStudio>;

/** A class of a series on its day. */
export interface Dated extends Occasion {
  /** The class as it is now; missing where it is gone. */
  readonly review: ClassReview | undefined;
  /** What keeps it from being taught then, in sentences. */
  readonly clashes: readonly string[];
}

/** The dated episodes of a series, as long as they are now, with what clashes. */
export function datedIn(studio: Studio, series: Series): Dated[] {
  const reviewOf = (id: string) => {
    const plan = studio.classOf(id);
    return plan && selectReview(store.getState(), plan);
  };
  const minutes = (id: string): number => Math.ceil((reviewOf(id)?.timed.seconds ?? 0) / 60);
  const { findings } = reviewSeries(studio, series);
  return occasionsOf(series, minutes).map((occasion) => ({
    ...occasion,
    review: reviewOf(occasion.class),
    clashes: findings
      .filter(({ code, episode }) => code === 'DATE_CLASH' && episode === occasion.episode)
      .map(({ message }) => message),
  }));
}
