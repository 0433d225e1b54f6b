import type { Rehearsal } from '@warm-ladder/core/plan';
import { selectClass } from './selectors';
import { store } from './store';
import { changed } from './studio';

/** Rehearsals a class has at most: the oldest goes. */
const MOST = 50;

/** Keeps a rehearsal with its class, as one step of undo. @returns whether the class is there */
export function keepRehearsal(id: string, rehearsal: Rehearsal): boolean {
  const plan = selectClass(store.getState(), id);
  if (!plan) return false;
  const after = { ...plan, rehearsals: [...(plan.rehearsals ?? []), rehearsal].slice(-MOST) };
  store.dispatch(changed({ documents: [{ kind: 'classes', id, after }], label: 'a rehearsal', field: '' }));
  return true;
}
