import { type CollectionItem, type CollectionName, METHOD_ID } from '@warm-ladder/core/formats';
import type { MethodFile } from '@warm-ladder/core/method';
import { applyEdits, type ClassPlan, type PlanEdit } from '@warm-ladder/core/plan';
import { useCallback } from 'react';
import { selectCatalog } from './selectors';
import { store, useAppDispatch } from './store';
import { changed } from './studio';
import { documentOf } from './studioState';

/** Puts, changes or (with `undefined`) deletes one document, as one step of undo. */
export function useChange() {
  const dispatch = useAppDispatch();
  return useCallback(
    <C extends CollectionName>(
      kind: C,
      id: string,
      after: CollectionItem<C> | undefined,
      label: string,
      field = '',
    ) => {
      dispatch(changed({ documents: [{ kind, id, after }], label, field }));
    },
    [dispatch],
  );
}

/** Changes the house method, as one step of undo a figure. */
export function useMethodChange() {
  const dispatch = useAppDispatch();
  return useCallback(
    (after: MethodFile, field: string) => {
      dispatch(changed({ documents: [{ kind: 'method', id: METHOD_ID, after }], label: 'the method', field }));
    },
    [dispatch],
  );
}

/** Edits the class as it is now by the core's own edits. `field` joins the keystrokes of one field into one step. */
export function useClassEdit(id: string) {
  const change = useChange();
  return useCallback(
    (edits: PlanEdit | readonly PlanEdit[], label: string, field = '') => {
      const state = store.getState();
      const plan = documentOf(state.studio.bundle, 'classes', id) as ClassPlan | undefined;
      if (!plan) return;
      const catalog = selectCatalog(state);
      const list = Array.isArray(edits) ? (edits as readonly PlanEdit[]) : [edits as PlanEdit];
      change('classes', id, applyEdits(catalog, plan, list), label, field);
    },
    [change, id],
  );
}
