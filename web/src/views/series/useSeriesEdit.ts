import type { ClassPlan } from '@warm-ladder/core/plan';
import {
  type ClimbStep,
  type EditedSeries,
  editedSeries,
  rungMoved,
  type Series,
  type SeriesEdit,
} from '@warm-ladder/core/series';
import { type Parts, withParts } from '@warm-ladder/core/vocabulary';
import { useCallback } from 'react';
import { noticed } from '../../app/store/deskState';
import { selectOneSeries, selectWholeStudio } from '../../app/store/selectors';
import { store, useAppDispatch } from '../../app/store/store';
import { changed } from '../../app/store/studio';

export type SeriesEditing = ReturnType<typeof useSeriesEdit>;

/** Changes a series, with its classes where they follow, as one step of undo. */
export function useSeriesEdit(id: string) {
  const dispatch = useAppDispatch();
  const take = useCallback(
    ({ series, classes }: EditedSeries, label: string, field = '') => {
      const documents = [
        { kind: 'series' as const, id, after: series },
        ...classes.map((plan: ClassPlan) => ({ kind: 'classes' as const, id: plan.id, after: plan })),
      ];
      dispatch(changed({ documents, label, field }));
    },
    [dispatch, id],
  );
  const now = useCallback(() => selectOneSeries(store.getState(), id), [id]);
  const edit = useCallback(
    (edits: readonly SeriesEdit[], label: string) => {
      const series = now();
      if (!series || edits.length === 0) return;
      take(editedSeries(selectWholeStudio(store.getState()), series, edits), label);
      dispatch(noticed({ text: `${label.charAt(0).toUpperCase()}${label.slice(1)}.` }));
    },
    [now, take, dispatch],
  );
  return {
    take,
    edit,
    /** A rung into another episode, and out of its own. */
    move: useCallback(
      ({ key, episode, name }: ClimbStep, to: number) => {
        const series = now();
        if (!series) return;
        const edits = rungMoved(selectWholeStudio(store.getState()), series, key, episode, to);
        edit(edits, `moving ${name} from episode ${episode + 1} to ${to + 1}`);
      },
      [now, edit],
    ),
    /** Keys of the series itself; `undefined` takes one away. */
    put: useCallback(
      (change: Parts<Series>, label: string, field = '') => {
        const series = now();
        if (!series) return;
        take({ series: withParts(series, change), classes: [] }, label, field);
      },
      [now, take],
    ),
  };
}
