import { type CollectionItem, type CollectionName, METHOD_ID } from '@warm-ladder/core/formats';
import type { MethodFile } from '@warm-ladder/core/method';
import { applyEdits, type PlanEdit } from '@warm-ladder/core/plan';
import { type Parts, withParts } from '@warm-ladder/core/vocabulary';
import { useCallback } from 'react';
import { type Notice, noticed } from './deskState';
import { selectCatalog, selectClass } from './selectors';
import { store, useAppDispatch } from './store';
import { changed } from './studio';

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
      if (after === undefined) dispatch(noticed(goneNotice(label)));
    },
    [dispatch],
  );
}

/** Sets keys of a document that has a name; `undefined` takes one away. */
export function useSet<C extends 'audiences' | 'rooms' | 'teachers'>(kind: C, document: CollectionItem<C>) {
  const change = useChange();
  return (parts: Parts<CollectionItem<C>>, label: string, field = '') =>
    change(kind, document.id, withParts(document, parts), `${label} of ${document.name}`, field);
}

/** What was deleted or removed, and the way back. @example goneNotice('deleting Monday') // “Deleted Monday.” */
const goneNotice = (label: string): Notice => ({
  text: `${label.replace(/^deleting/, 'Deleted').replace(/^removing/, 'Removed')}.`,
});

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
  const dispatch = useAppDispatch();
  return useCallback(
    (edits: PlanEdit | readonly PlanEdit[], label: string, field = '') => {
      const state = store.getState();
      const plan = selectClass(state, id);
      if (!plan) return;
      const catalog = selectCatalog(state);
      const list = Array.isArray(edits) ? (edits as readonly PlanEdit[]) : [edits as PlanEdit];
      change('classes', id, applyEdits(catalog, plan, list), label, field);
      if (list.some(({ kind }) => kind === 'remove')) dispatch(noticed(goneNotice(label)));
    },
    [change, dispatch, id],
  );
}
