import { rungTitle } from '@warm-ladder/core/review';
import { useMemo } from 'react';
import type { NameOf } from './history/differences';
import {
  selectAudiences,
  selectCatalog,
  selectClasses,
  selectProps,
  selectRooms,
  selectTeachers,
} from './store/selectors';
import { useAppSelector } from './store/store';

/** What the ids in a change are called, as the studio is now. */
export function useNames(): NameOf {
  const catalog = useAppSelector(selectCatalog);
  const audiences = useAppSelector(selectAudiences);
  const teachers = useAppSelector(selectTeachers);
  const rooms = useAppSelector(selectRooms);
  const props = useAppSelector(selectProps);
  const classes = useAppSelector(selectClasses);
  return useMemo(() => {
    const all = [...audiences, ...teachers, ...rooms, ...props, ...classes, ...catalog.exercises];
    const names = new Map(all.map(({ id, name }) => [id, name]));
    return (value) => {
      if (typeof value === 'string') return names.get(value);
      const { exercise, rung, class: plan } = value as Record<string, unknown>;
      if (typeof plan === 'string') return names.get(plan);
      if (typeof exercise !== 'string' || typeof rung !== 'string') return undefined;
      const entry = catalog.rung({ exercise, rung });
      return entry && rungTitle(entry);
    };
  }, [catalog, audiences, teachers, rooms, props, classes]);
}
