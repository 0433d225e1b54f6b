import { logOfRehearsal, type Rehearsed, rehearsalsOf } from '@warm-ladder/core/taught';
import { newId } from './freeId';
import { selectCatalog, selectClass, selectLogs, selectTeacher } from './selectors';
import { store } from './store';
import { changed } from './studio';

/** Rehearsals kept of a class at most: the oldest goes. */
const MOST = 50;

/** Keeps a rehearsal as a log of its class, as one step of undo. @returns whether the class is there */
export function keepRehearsal(id: string, rehearsal: Rehearsed): boolean {
  const state = store.getState();
  const plan = selectClass(state, id);
  if (!plan) return false;
  const catalog = selectCatalog(state);
  const blocks = plan.blocks.map((block) => {
    if ('interlude' in block) return { id: block.id, name: block.name };
    const entry = catalog.rung(block);
    return { id: block.id, ...(entry ? { name: `${entry.exercise.name}, ${entry.rung.name}`.slice(0, 120) } : {}) };
  });
  const teacher = selectTeacher(state, rehearsal.teacher);
  const log = logOfRehearsal(newId('rehearsal'), { ...plan, blocks }, rehearsal, teacher?.name);
  const old = rehearsalsOf(selectLogs(state), id).slice(0, 1 - MOST);
  const documents = [log, ...old].map((each) => ({
    kind: 'logs' as const,
    id: each.id,
    after: each === log ? log : undefined,
  }));
  store.dispatch(changed({ documents, label: 'a rehearsal', field: '' }));
  return true;
}
