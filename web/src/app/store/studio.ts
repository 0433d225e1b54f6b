import { createAction, createAsyncThunk, type UnknownAction } from '@reduxjs/toolkit';
import { reconciled } from '@warm-ladder/core/edits';
import { classShownAt, type DocumentKind, documentKey } from '@warm-ladder/core/formats';
import { Catalog } from '@warm-ladder/core/repertoire';
import type { FeedEvent, Kept, StudioAnswer } from '@warm-ladder/core/wire';
import { did, recorded, wentBack, wentForward } from '../history/history';
import { formerTab, livingTabs, TAB } from '../saving/tabs';
import type { LeftBehind } from '../saving/unsent';
import { documentOf, withValue } from './entities';
import { server } from './server';
import { caughtUp, withAnswer, withFed } from './studioAnswers';
import { opened, reloaded } from './studioOpening';
import {
  type Change,
  type Conflict,
  initialState,
  type KeptHistory,
  type Place,
  type SentAnswer,
  type StudioState,
  same,
  without,
  withVersion,
} from './studioState';

/**
 * Fetches the studio: when the page opens, what that shows, with what earlier pages left unsent; the whole of it after
 * an import or a restore. What somebody else did (`null`) is no step of undo here.
 */
export const loadStudio = createAsyncThunk(
  'studio/load',
  async (
    _done: string | null | undefined,
    { getState },
  ): Promise<{ answer: StudioAnswer; left: (LeftBehind & KeptHistory) | null }> => {
    const now = () => (getState() as { studio: StudioState }).studio;
    if (now().status === 'ready') {
      for (;;) {
        const answer = measured(await server.studio());
        // An answer that was longer on its way than a later one is of no use.
        if (answer.revision >= now().readAt) return { answer, left: null };
      }
    }
    // What this browser keeps is read by code of its own, fetched meanwhile.
    let [answer, { takeUp }, { takeUpHistory }] = await Promise.all([
      server.studio(classShownAt(location.pathname)),
      import('../saving/unsent'),
      import('../history/historyStore'),
    ]);
    measured(answer);
    const living = await livingTabs();
    const left = await takeUp(answer.studio, TAB, living, async () => {
      if (answer.only !== null) answer = measured(await server.studio());
      return answer.bundle;
    });
    const history = await takeUpHistory(answer.studio, TAB, formerTab(), living);
    return { answer, left: { ...left, ...history } };
  },
);

/** Takes over what the server has measured of the rungs it sends: it holds for as long as nobody changes them. */
function measured(answer: StudioAnswer): StudioAnswer {
  const { exercises = [], method, props, positions } = answer.bundle;
  new Catalog({ exercises, method, props, positions }).knowHeats(answer.heats);
  return answer;
}

/** Gives a document back as the server has it, though it was changed here. */
export const takeServers = createAsyncThunk(
  'studio/takeServers',
  async ({ kind, id }: { kind: DocumentKind; id: string }) => ({ kind, id, current: await server.find(kind, id) }),
);

export const changed = createAction<Change>('studio/changed');
export const undone = createAction('studio/undone');
export const redone = createAction('studio/redone');
/** What was gone back or forward has been told. */
export const goneTold = createAction('studio/goneTold');
/** A page is shown: its path. */
export const pageShown = createAction<string>('studio/pageShown');
export const sending = createAction<StudioState['sending']>('studio/sending');
/** The server's answers, each to what was sent: an edit made meanwhile stays unsaved. */
export const answered = createAction<readonly SentAnswer[]>('studio/answered');
/** No answer came; what was sent may have arrived. */
export const unanswered = createAction<Unanswered>('studio/unanswered');
/** What others have changed. */
export const fed = createAction<FeedEvent>('studio/fed');
/** Whether this browser kept what is not yet sent. */
export const kept = createAction<boolean>('studio/kept');
export const asideCounted = createAction<number>('studio/asideCounted');
/** The director's answer to a conflict. */
export const conflictSettled = createAction<Settlement>('studio/conflictSettled');

interface Unanswered {
  readonly sent: ReadonlyArray<Omit<SentAnswer, 'answer'>>;
  /** The server's words; none where it can't be reached. */
  readonly trouble: string | null;
}

/**
 * `mine` is written over what is there, `theirs` replaces what is here, and `both` leaves theirs in its place and keeps
 * mine beside it as a document of its own.
 */
interface Settlement {
  readonly conflict: Conflict;
  readonly keep: 'mine' | 'theirs' | 'both';
  /** The id of mine beside theirs. */
  readonly copy?: string;
}

/**
 * A plain function of the state, and no draft of it: a studio is large, and wrapping it at each keystroke would be felt.
 * Every reducer makes new objects for what it touches, and no others.
 */
export function studioReducer(state: StudioState = initialState, action: UnknownAction): StudioState {
  if (changed.match(action)) return did(state, action.payload);
  // A step may be of a document that is not here yet.
  if (undone.match(action)) return state.only === null ? wentBack(state) : state;
  if (redone.match(action)) return state.only === null ? wentForward(state) : state;
  if (goneTold.match(action)) return { ...state, gone: null };
  if (pageShown.match(action)) return state.page === action.payload ? state : { ...state, page: action.payload };
  if (sending.match(action)) return { ...state, sending: action.payload };
  if (answered.match(action)) {
    return action.payload.reduce<StudioState>(withAnswer, { ...state, sending: {}, away: false, trouble: null });
  }
  if (unanswered.match(action)) return withoutAnswer(state, action.payload);
  if (fed.match(action)) return withFed(state, action.payload) ?? state;
  if (kept.match(action)) return state.held === action.payload ? state : { ...state, held: action.payload };
  if (asideCounted.match(action)) return { ...state, aside: action.payload };
  if (conflictSettled.match(action)) return settled(state, action.payload);
  if (loadStudio.pending.match(action)) return state.status === 'failed' ? { ...state, status: 'loading' } : state;
  if (loadStudio.rejected.match(action)) {
    return { ...state, away: true, status: state.status === 'ready' ? 'ready' : 'failed' };
  }
  if (loadStudio.fulfilled.match(action)) {
    const { payload, meta } = action;
    const { answer, left } = payload;
    return left
      ? { ...opened(answer, left), page: state.page }
      : reloaded(state, answer, meta.arg === undefined ? 'the import' : meta.arg);
  }
  if (takeServers.fulfilled.match(action)) return asServers(state, action.payload);
  return state;
}

const withoutAnswer = (state: StudioState, { sent, trouble }: Unanswered): StudioState => ({
  ...state,
  sending: {},
  away: trouble === null,
  trouble,
  unanswered: {
    ...state.unanswered,
    ...Object.fromEntries(sent.map(({ kind, id, sent: value }) => [documentKey(kind, id), { value }])),
  },
});

function settled(state: StudioState, { conflict, keep, copy }: Settlement): StudioState {
  const { kind, id, current } = conflict;
  const key = documentKey(kind, id);
  const closed: StudioState = {
    ...state,
    conflicts: state.conflicts.filter((each) => each !== conflict),
    versions: withVersion(state.versions, kind, id, current?.version ?? 0),
    unanswered: without(state.unanswered, key),
  };
  const before = documentOf(state.entities, kind, id);
  const { value: after, rest } = keptOf(conflict, before, keep);
  if (keep === 'mine' && after === before) return closed;
  const now: StudioState = {
    ...closed,
    entities: withValue(state.entities, kind, id, after),
    unsaved: rest ? { ...state.unsaved, [key]: { was: current?.value ?? null } } : without(state.unsaved, key),
    refused: without(state.refused, key),
  };
  // What others did elsewhere in it is no step of undo here.
  if (keep === 'mine') return now;
  const mine = { ...state, entities: withValue(state.entities, kind, id, keptOf(conflict, before, 'mine').value) };
  const taken = recorded(mine, now, { documents: [{ kind, id }], label: 'taking theirs', field: '' });
  if (keep === 'theirs' || copy === undefined || typeof before !== 'object') return caughtUp(taken, { kind, id });
  const copied = { ...before, id: copy, name: `${nameOf(before)} (mine)`.slice(0, 120) };
  return did(taken, { documents: [{ kind, id: copy, after: copied }], label: 'keeping both', field: '' });
}

/**
 * What stands of a document after the answer to a conflict. Where it is known what both were made from, everything that
 * does not clash stands of both; to keep both apart, theirs stands as it is.
 * @returns `rest`: whether the server has less than that
 */
function keptOf({ was, current, unsent }: Conflict, mine: unknown, keep: Settlement['keep']) {
  if (unsent) return keep === 'mine' ? { value: mine, rest: true } : { value: unsent.value ?? undefined, rest: true };
  const theirs = current?.value;
  if (was && theirs && typeof mine === 'object' && mine !== null && keep !== 'both') {
    const { value } = reconciled<object>(was, mine, theirs, keep);
    return { value: same(value, mine) ? mine : value, rest: !same(value, theirs) };
  }
  return keep === 'mine' ? { value: mine, rest: true } : { value: theirs, rest: false };
}

/** A document as the server has it, though it was changed here. */
function asServers(state: StudioState, { kind, id, current }: Place & { readonly current: Kept | null }): StudioState {
  const key = documentKey(kind, id);
  const now = {
    ...state,
    entities: withValue(state.entities, kind, id, current?.value),
    versions: withVersion(state.versions, kind, id, current?.version ?? 0),
    unsaved: without(state.unsaved, key),
    unanswered: without(state.unanswered, key),
    refused: without(state.refused, key),
  };
  return recorded(state, now, { documents: [{ kind, id }], label: 'going back to what is saved', field: '' });
}

const nameOf = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'name' in value ? String(value.name) : '';
