import { createAsyncThunk, createSlice, type Draft, original, type PayloadAction } from '@reduxjs/toolkit';
import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import { type Kind, type StudioAnswer, server, type Versions } from './server';
import { forgetUnsaved, rememberedUnsaved } from './unsaved';

/** One document as it was and as it became; `undefined` where it was not there. */
interface Change {
  readonly kind: Kind;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
  /** What was done, in the director's words. */
  readonly label: string;
  /** Edits of one field by one hand are one step of undo. */
  readonly field: string;
}

export interface Conflict {
  readonly kind: Kind;
  readonly id: string;
  readonly current: { readonly version: number; readonly value: unknown } | null;
}

export interface StudioState {
  readonly status: 'loading' | 'ready' | 'failed';
  readonly bundle: Bundle;
  readonly versions: Versions;
  readonly past: readonly Change[];
  readonly future: readonly Change[];
  /** Documents changed here and not yet kept there, as `kind/id`. */
  readonly unsaved: Readonly<Record<string, true>>;
  readonly saving: boolean;
  readonly away: boolean;
  readonly conflicts: readonly Conflict[];
  /** A refusal that no retry will mend, in the server's words. */
  readonly refusal: string | null;
}

const noVersions = (): Versions => ({
  positions: {},
  props: {},
  exercises: {},
  audiences: {},
  classes: {},
  series: {},
  method: {},
});

const initialState: StudioState = {
  status: 'loading',
  bundle: emptyBundle(),
  versions: noVersions(),
  past: [],
  future: [],
  unsaved: {},
  saving: false,
  away: false,
  conflicts: [],
  refusal: null,
};

export const loadStudio = createAsyncThunk('studio/load', () => server.studio());

const documentKey = (kind: Kind, id: string): string => `${kind}/${id}`;
export const splitKey = (key: string): [Kind, string] => {
  const slash = key.indexOf('/');
  return [key.slice(0, slash) as Kind, key.slice(slash + 1)];
};

export function documentOf(bundle: Bundle, kind: Kind, id: string): unknown {
  if (kind === 'method') return bundle.method;
  return bundle[kind]?.find((each) => each.id === id);
}

/** The bundle with one document put in its place, added at the end, or (`undefined`) taken out. */
function withValue(bundle: Bundle, kind: Kind, id: string, value: unknown): Bundle {
  if (kind === 'method') return { ...bundle, method: value as Bundle['method'] };
  const list = (bundle[kind] ?? []) as Array<{ id: string }>;
  const at = list.findIndex((each) => each.id === id);
  const next =
    value === undefined
      ? list.filter((each) => each.id !== id)
      : at < 0
        ? [...list, value as { id: string }]
        : list.with(at, value as { id: string });
  return { ...bundle, [kind]: next };
}

/** Steps of undo kept; older ones are forgotten. */
const STEPS = 200;

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
    changed: pure((state, change: Change) => {
      const last = state.past.at(-1);
      const same =
        change.field !== '' && last?.kind === change.kind && last.id === change.id && last.field === change.field;
      return {
        ...applied(state, change.kind, change.id, change.after),
        past: same ? state.past.with(-1, { ...change, before: last.before }) : [...state.past, change].slice(-STEPS),
        future: [],
      };
    }),
    undone: pure<void>((state) => {
      const last = state.past.at(-1);
      if (!last) return state;
      const undone = applied(state, last.kind, last.id, last.before);
      return { ...undone, past: state.past.slice(0, -1), future: [...state.future, last] };
    }),
    redone: pure<void>((state) => {
      const next = state.future.at(-1);
      if (!next) return state;
      const redone = applied(state, next.kind, next.id, next.after);
      return { ...redone, past: [...state.past, { ...next, field: '' }], future: state.future.slice(0, -1) };
    }),
    savingStarted: pure<void>((state) => ({ ...state, saving: true })),
    /** Kept there; `sent` is what was kept, so that an edit made meanwhile stays unsaved. */
    saved: pure((state, { kind, id, version, sent }: { kind: Kind; id: string; version: number; sent: unknown }) => ({
      ...state,
      versions: withVersion(state.versions, kind, id, version),
      unsaved:
        documentOf(state.bundle, kind, id) === sent ? without(state.unsaved, documentKey(kind, id)) : state.unsaved,
      saving: false,
      away: false,
      refusal: null,
    })),
    savingFailed: pure((state, failure: { away: boolean; refusal: string | null }) => ({
      ...state,
      ...failure,
      saving: false,
    })),
    conflictFound: pure((state, conflict: Conflict) => ({
      ...state,
      saving: false,
      away: false,
      conflicts: [...otherConflicts(state, conflict), conflict],
    })),
    /** The director's answer: `mine` is written over what is there, `theirs` replaces what is here. */
    conflictSettled: pure((state, { conflict, keep }: { conflict: Conflict; keep: 'mine' | 'theirs' }) => {
      const { kind, id, current } = conflict;
      const settled = {
        ...state,
        conflicts: otherConflicts(state, conflict),
        versions: withVersion(state.versions, kind, id, current?.version ?? 0),
      };
      if (keep === 'mine') return settled;
      const before = documentOf(state.bundle, kind, id);
      return {
        ...settled,
        bundle: withValue(state.bundle, kind, id, current?.value),
        unsaved: without(state.unsaved, documentKey(kind, id)),
        past: [...state.past, { kind, id, before, after: current?.value, label: 'taking theirs', field: '' }],
      };
    }),
  },
  extraReducers: (builder) => {
    builder.addCase(loadStudio.pending, (state) => {
      if (state.status === 'failed') state.status = 'loading';
    });
    builder.addCase(loadStudio.rejected, (state) => {
      if (state.status !== 'ready') state.status = 'failed';
      state.away = true;
    });
    builder.addCase(loadStudio.fulfilled, (_state, { payload }) => asDraft(takeUp(payload)));
  },
});

const otherConflicts = ({ conflicts }: StudioState, { kind, id }: Conflict): Conflict[] =>
  conflicts.filter((each) => each.kind !== kind || each.id !== id);

function without<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  const { [key]: _gone, ...rest } = record;
  return rest;
}

/** Version 0 stands for a document that is not there. */
const withVersion = (versions: Versions, kind: Kind, id: string, version: number): Versions => ({
  ...versions,
  [kind]: version === 0 ? without(versions[kind], id) : { ...versions[kind], [id]: version },
});

const applied = (state: StudioState, kind: Kind, id: string, value: unknown): StudioState => ({
  ...state,
  bundle: withValue(state.bundle, kind, id, value),
  unsaved: { ...state.unsaved, [documentKey(kind, id)]: true },
  refusal: null,
});

/** The studio as the server has it, with what an earlier visit could not save put on top again. */
function takeUp({ bundle, versions }: StudioAnswer): StudioState {
  const left = rememberedUnsaved();
  let state: StudioState = { ...initialState, status: 'ready', bundle, versions: { ...noVersions(), ...versions } };
  for (const [key, { base, value }] of Object.entries(left)) {
    const [kind, id] = splitKey(key);
    const version = state.versions[kind][id] ?? 0;
    const theirs = documentOf(state.bundle, kind, id);
    if (JSON.stringify(theirs) === JSON.stringify(value)) {
      forgetUnsaved(key);
      continue;
    }
    state = {
      ...state,
      bundle: withValue(state.bundle, kind, id, value),
      unsaved: { ...state.unsaved, [key]: true },
      conflicts:
        version === base
          ? state.conflicts
          : [...state.conflicts, { kind, id, current: theirs === undefined ? null : { version, value: theirs } }],
    };
  }
  return state;
}

export const { changed, undone, redone, savingStarted, saved, savingFailed, conflictFound, conflictSettled } =
  slice.actions;
export const studioReducer = slice.reducer;
