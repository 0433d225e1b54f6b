import { type SpokenClass, spokenClass } from '@warm-ladder/core/handouts';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { earlierInSeries } from '@warm-ladder/core/review';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { selectAudiences, selectCatalog, selectClasses, selectSeries, selectTeachers } from '../../app/selectors';
import { useAppSelector } from '../../app/store';

/** A class as it is spoken to its audience, with what its series has brought, by the teacher the address names. */
export function useSpoken(plan: ClassPlan): SpokenClass {
  const [address] = useSearchParams();
  const catalog = useAppSelector(selectCatalog);
  const named = address.get('teacher');
  const teacher = useAppSelector((state) => selectTeachers(state).find(({ id }) => id === named));
  const audience = useAppSelector((state) => selectAudiences(state).find(({ id }) => id === plan.audience));
  const series = useAppSelector(selectSeries);
  const classes = useAppSelector(selectClasses);
  return useMemo(() => {
    const earlier = earlierInSeries(plan.id, series, (id) => classes.find((each) => each.id === id));
    return spokenClass(catalog, plan, { audience, teacher, earlier });
  }, [catalog, plan, audience, teacher, series, classes]);
}
