import { reviewSeries, type Series, type SeriesReview } from '@warm-ladder/core/series';
import { useMemo } from 'react';
import { selectWholeStudio } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { today } from '../../app/today';

/** The series reviewed as an audience that follows it meets it. */
export function useSeriesReview(series: Series): SeriesReview {
  const studio = useAppSelector(selectWholeStudio);
  const day = today();
  return useMemo(() => reviewSeries(studio, series, { today: day }), [studio, series, day]);
}
