import { rungTitle } from '@warm-ladder/core/review';
import { useCallback } from 'react';
import type { NameOf } from '../../app/differences';
import {
  selectAudiences,
  selectCatalog,
  selectClasses,
  selectProps,
  selectRooms,
  selectTeachers,
} from '../../app/selectors';
import { store } from '../../app/store';

/** What the ids in a change are called, as the studio is now. */
export const useNames = (): NameOf =>
  useCallback((value) => {
    const state = store.getState();
    const catalog = selectCatalog(state);
    if (typeof value === 'object') {
      const { exercise, rung, class: plan } = value as Record<string, unknown>;
      if (typeof plan === 'string') return selectClasses(state).find(({ id }) => id === plan)?.name;
      if (typeof exercise !== 'string' || typeof rung !== 'string') return undefined;
      const entry = catalog.rung({ exercise, rung });
      return entry && rungTitle(entry);
    }
    const all = [selectAudiences, selectTeachers, selectRooms, selectProps, selectClasses].flatMap((select) =>
      select(state),
    );
    return [...all, ...catalog.exercises].find(({ id }) => id === value)?.name;
  }, []);
