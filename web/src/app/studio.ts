import { createAsyncThunk, createSlice, type Draft, original, type PayloadAction } from '@reduxjs/toolkit';
import { type DocumentKind, documentKey } from '@warm-ladder/core/formats';
import type { StudioAnswer } from '@warm-ladder/core/wire';
import { did, recorded, wentBack, wentForward } from './history';
import { server } from './server';
import { withAnswer, withFed } from './studioAnswers';
import { opened, reloaded } from './studioOpening';
import {
  type Conflict,
  documentOf,
  initialState,
  type KeptHistory,
  type SentAnswer,
  type StudioState,
  same,
  without,
  withValue,
  withVersion,
} from './studioState';
import { formerTab, livingTabs, TAB } from './tabs';
import type { LeftBehind, UnsentRecord } from './unsent';

/**
 * Fetches the studio: when the page opens, with what earlier pages left unsent, and after an import or a restore.
 * What somebody else did (`null`) is no step of undo here.
 */
export const loadStudio = createAsyncThunk(
  'studio/load',
  async (
    _done: string | null | undefined,
    { getState },
  ): Promise<{ answer: StudioAnswer; left: (LeftBehind & KeptHistory) | null }> => {
    // What this browser keeps is read by code of its own, fetched meanwhile.
    const [answer, { takeUp }, { takeUpHistory }] = await Promise.all([
      server.studio(),
      import('./unsent'),
      import('./historyStore'),
    ]);
    const { studio } = getState() as { studio: StudioState };
    if (studio.status === 'ready') return { answer, left: null };
    const arrived = ({ kind, id, value }: UnsentRecord) => same(documentOf(answer.bundle, kind, id) ?? null, value);
    const living = await livingTabs();
    const left = await takeUp(answer.studio, TAB, living, arrived, answer.bundle);
    const history = await takeUpHistory(answer.studio, TAB, formerTab(), living);
    return { answer, left: { ...left, ...history } };
  },
);

/** Gives a document back as the server has it, though it was changed here. */
export const takeServers = createAsyncThunk(
  'studio/takeServers',
  async ({ kind, id }: { kind: DocumentKind; id: string }) => ({ kind, id, current: await server.find(kind, id) }),
);

/** The state as the toolkit's reducers speak of it. */
const asDraft = (state: StudioState) => state as Draft<StudioState>;

/**
 * The state is large and every edit makes new objects for what it touches, so reducers are plain functions of the
 * state: wrapping a whole studio in drafts at each keystroke would be felt.
 */
const pure =
  <P>(reduce: (state: StudioState, payload: P) => StudioState) =>
  (state: Draft<StudioState>, { payload }: PayloadAction<P>): Draft<StudioState> =>
    asDraft(reduce(original(state) as StudioState, payload));

const slice = createSlice({
  name: 'studio',
  initialState: asDraft(initialState),
  reducers: {
    changed: pure(did),
    undone: pure<void>(wentBack),
    redone: pure<void>(wentForward),
    /** What was gone back or forward has been told. */
    goneTold: pure<void>((state) => ({ ...state, gone: null })),
    sending: pure((state, sending: StudioState['sending']) => ({ ...state, sending })),
    /** The server's answers, each to what was sent: an edit made meanwhile stays unsaved. */
    answered: pure((state, answers: readonly SentAnswer[]) =>
      answers.reduce<StudioState>(withAnswer, { ...state, sending: {}, away: false, trouble: null }),
    ),
    /** What others have changed. */
    fed: pure(withFed),
    /** No answer came; what was sent may have arrived. */
    unanswered: pure(
      (state, { sent, trouble }: { sent: ReadonlyArray<Omit<SentAnswer, 'answer'>>; trouble: string | null }) => ({
        ...state,
        sending: {},
        away: trouble === null,
        trouble,
        unanswered: {
          ...state.unanswered,
          ...Object.fromEntries(sent.map(({ kind, id, sent: value }) => [documentKey(kind, id), { value }])),
        },
      }),
    ),
    /** Whether this browser kept what is not yet sent. */
    kept: pure((state, held: boolean) => (state.held === held ? state : { ...state, held })),
    asideCounted: pure((state, aside: number) => ({ ...state, aside })),
    /**
     * The director's answer: `mine` is written over what is there, `theirs` replaces what is here, and `both` leaves
     * theirs in its place and keeps mine beside it as a document of its own.
     */
    conflictSettled: pure(
      (state, { conflict, keep, copy }: { conflict: Conflict; keep: 'mine' | 'theirs' | 'both'; copy?: string }) => {
        const { kind, id, current, unsent } = conflict;
        const settled: StudioState = {
          ...state,
          conflicts: state.conflicts.filter((each) => each !== conflict),
          versions: withVersion(state.versions, kind, id, current?.version ?? 0),
          unanswered: without(state.unanswered, documentKey(kind, id)),
        };
        if (keep === 'mine') return settled;
        const before = documentOf(state.bundle, kind, id);
        const after = unsent ? (unsent.value ?? undefined) : current?.value;
        const unsaved = unsent
          ? { ...state.unsaved, [documentKey(kind, id)]: true as const }
          : without(state.unsaved, documentKey(kind, id));
        const bundle = withValue(state.bundle, kind, id, after);
        const refused = without(state.refused, documentKey(kind, id));
        const now = { ...settled, bundle, unsaved, refused };
        const taken = recorded(state, now, { documents: [{ kind, id }], label: 'taking theirs', field: '' });
        if (keep === 'theirs' || copy === undefined || typeof before !== 'object') return taken;
        const mine = { ...before, id: copy, name: `${nameOf(before)} (mine)`.slice(0, 120) };
        return did(taken, { documents: [{ kind, id: copy, after: mine }], label: 'keeping both', field: '' });
      },
    ),
  },
  extraReducers: (builder) => {
    builder.addCase(loadStudio.pending, (state) => {
      if (state.status === 'failed') state.status = 'loading';
    });
    builder.addCase(loadStudio.rejected, (state) => {
      if (state.status !== 'ready') state.status = 'failed';
      state.away = true;
    });
    builder.addCase(loadStudio.fulfilled, (state, { payload: { answer, left }, meta }) => {
      const now = original(state) as StudioState;
      return asDraft(
        left ? opened(answer, left) : reloaded(now, answer, meta.arg === undefined ? 'the import' : meta.arg),
      );
    });
    builder.addCase(takeServers.fulfilled, (state, { payload: { kind, id, current } }) => {
      const now = original(state) as StudioState;
      const key = documentKey(kind, id);
      const taken = {
        ...now,
        bundle: withValue(now.bundle, kind, id, current?.value),
        versions: withVersion(now.versions, kind, id, current?.version ?? 0),
        unsaved: without(now.unsaved, key),
        unanswered: without(now.unanswered, key),
        refused: without(now.refused, key),
      };
      return asDraft(
        recorded(now, taken, { documents: [{ kind, id }], label: 'going back to what is saved', field: '' }),
      );
    });
  },
});

const nameOf = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'name' in value ? String(value.name) : '';

export const {
  changed,
  fed,
  undone,
  redone,
  goneTold,
  sending,
  answered,
  unanswered,
  kept,
  asideCounted,
  conflictSettled,
} = slice.actions;
export const studioReducer = slice.reducer;
