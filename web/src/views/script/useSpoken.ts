import { type SpokenClass, spokenClass } from '@warm-ladder/core/handouts';
import { type ClassPlan, shortForm } from '@warm-ladder/core/plan';
import { earlierInSeries, fromSeries } from '@warm-ladder/core/review';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { selectAudience, selectCatalog, selectClasses, selectSeries, selectTeacher } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';

/** A class as it is spoken to its audience, with what its series has brought, by the teacher and in the form the address names. */
export function useSpoken(plan: ClassPlan): SpokenClass {
  const [address] = useSearchParams();
  const catalog = useAppSelector(selectCatalog);
  const named = address.get('teacher');
  const form = address.get('form');
  const teacher = useAppSelector((state) => selectTeacher(state, named ?? undefined));
  const audience = useAppSelector((state) => selectAudience(state, plan.audience));
  const series = useAppSelector(selectSeries);
  const classes = useAppSelector(selectClasses);
  return useMemo(() => {
    const classOf = (id: string) => classes.find((each) => each.id === id);
    const earlier = earlierInSeries(plan.id, series, classOf);
    const taught = form === 'short' ? (shortForm(plan) ?? plan) : plan;
    return spokenClass(catalog, taught, { audience, teacher, earlier, ...fromSeries(plan.id, series, classOf) });
  }, [catalog, plan, form, audience, teacher, series, classes]);
}
