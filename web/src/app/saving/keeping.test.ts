import 'fake-indexeddb/auto';
import { bundleOf, classOf } from '@warm-ladder/core/testing';
import { documentOf } from '../store/entities';
import { store } from '../store/store';
import { answered, changed, loadStudio, sending, unanswered, undone } from '../store/studio';
import { NO_HISTORY, noVersions } from '../store/studioState';
import { browserStore } from './browserStore';
import { keptSoFar, startKeeping } from './keeping';

const PLACE = { kind: 'classes', id: 'test-class' } as const;
const KEY = 'classes/test-class';
const here = () => documentOf(store.getState().studio.entities, 'classes', 'test-class');
const renamed = (name: string) =>
  changed({ documents: [{ ...PLACE, after: classOf([], { name }) }], label: name, field: '' });

/** What this browser keeps of the class, and how many steps of undo, once all is written. */
async function kept() {
  await keptSoFar();
  const db = await browserStore();
  const [text] = await db.getAll('unsent');
  const { base, state, message, value, sent } = text === undefined ? {} : JSON.parse(text);
  const record = text === undefined ? null : { base, state, message, name: value?.name, sent: sent?.name };
  return { record, steps: await db.count('steps'), last: (await db.getAll('cursors'))[0]?.last };
}

test('a record says at each moment where its document stands, and what of it may be at the server', async () => {
  startKeeping(store);
  const versions = { ...noVersions(), classes: { 'test-class': 7 } };
  const answer = { only: null, studio: 'clay', revision: 9, setAside: 0, heats: {}, bundle: bundleOf(), versions };
  const left = { records: [], others: [], unreadable: 0, ...NO_HISTORY };
  store.dispatch(loadStudio.fulfilled({ answer, left }, 'request', undefined));
  expect(await kept()).toEqual({ record: null, steps: 0, last: undefined });

  store.dispatch(renamed('A'));
  expect(await kept()).toEqual({ record: { base: 7, state: 'waiting', name: 'A' }, steps: 1, last: 1 });
  const sent = here();
  store.dispatch(sending({ [KEY]: { value: sent } }));
  expect((await kept()).record).toEqual({ base: 7, state: 'sent', name: 'A', sent: 'A' });
  // Typed on while it is on its way: a page that closes now leaves a record that tells its own work from another's.
  store.dispatch(renamed('B'));
  expect((await kept()).record).toEqual({ base: 7, state: 'sent', name: 'B', sent: 'A' });
  store.dispatch(unanswered({ sent: [{ ...PLACE, sent }], trouble: null }));
  expect((await kept()).record).toEqual({ base: 7, state: 'waiting', name: 'B', sent: 'A' });

  const refusal = { code: 'INVALID', message: 'Because.', path: KEY } as const;
  store.dispatch(answered([{ ...PLACE, sent: here(), answer: { outcome: 'refused', refusal } }]));
  expect((await kept()).record).toEqual({ base: 7, state: 'refused', message: 'Because.', name: 'B' });
  store.dispatch(undone());
  expect(await kept()).toEqual({ record: { base: 7, state: 'waiting', name: 'A' }, steps: 2, last: 1 });
  store.dispatch(answered([{ ...PLACE, sent: here(), answer: { outcome: 'stale', current: null } }]));
  expect((await kept()).record).toMatchObject({ state: 'conflict' });
  store.dispatch(answered([{ ...PLACE, sent: here(), answer: { outcome: 'kept', version: 8 } }]));
  expect(await kept()).toEqual({ record: null, steps: 2, last: 1 });
});
