import { reviewSeries, type SeriesReview } from '@warm-ladder/core/review';
import type { Series } from '@warm-ladder/core/series';
import { useMemo } from 'react';
import { selectAudiences, selectCatalog, selectClasses } from '../../app/selectors';
import { useAppSelector } from '../../app/store';

/** The series reviewed as an audience that follows it meets it. */
export function useSeriesReview(series: Series): SeriesReview {
  const catalog = useAppSelector(selectCatalog);
  const classes = useAppSelector(selectClasses);
  const audiences = useAppSelector(selectAudiences);
  return useMemo(
    () =>
      reviewSeries(
        catalog,
        series,
        (id) => classes.find((each) => each.id === id),
        (id) => audiences.find((each) => each.id === id),
      ),
    [catalog, series, classes, audiences],
  );
}
