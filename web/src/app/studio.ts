import { createAsyncThunk, createSlice, type Draft, original, type PayloadAction } from '@reduxjs/toolkit';
import {
  type Bundle,
  DOCUMENT_KINDS,
  type DocumentKey,
  type DocumentKind,
  documentKey,
  emptyBundle,
  METHOD_ID,
  splitDocumentKey,
} from '@warm-ladder/core/formats';
import type { ChangeAnswer, Kept, RefusalBody, StudioAnswer, Versions } from '@warm-ladder/core/wire';
import { server } from './server';
import { livingTabs, TAB } from './tabs';
import { type LeftBehind, takeUp } from './unsent';

/** One document as it was and as it became; `undefined` where it was not there. */
interface ChangedDocument {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** One step of undo: most change one document, an import many. */
export interface Change {
  readonly documents: readonly ChangedDocument[];
  /** What was done, in the director's words. */
  readonly label: string;
  /** Edits of one field by one hand are one step of undo. */
  readonly field: string;
}

/** Another version of a document that was changed here: the server's, or what another tab could not send. */
export interface Conflict {
  readonly kind: DocumentKind;
  readonly id: string;
  /** What the server has; `null` where it was deleted there. */
  readonly current: Kept | null;
  /** What another tab kept and never sent, and where it lies in this browser. */
  readonly unsent?: { readonly key: string; readonly value: unknown };
}

/** Why the server does not take a document as it is here. */
type Refusal = Pick<RefusalBody, 'message'> & { readonly value: unknown };

export interface StudioState {
  readonly status: 'loading' | 'ready' | 'failed';
  /** Which studio this is; empty until it is here. */
  readonly id: string;
  readonly bundle: Bundle;
  readonly versions: Versions;
  readonly past: readonly Change[];
  readonly future: readonly Change[];
  /** Documents changed here and not yet kept there. */
  readonly unsaved: Readonly<Record<DocumentKey, true>>;
  /** What was sent of a document without an answer: it may have arrived. */
  readonly unanswered: Readonly<Record<DocumentKey, { readonly value: unknown }>>;
  /** Documents the server does not take as they are; they are sent again with what is changed next. */
  readonly refused: Readonly<Record<DocumentKey, Refusal>>;
  readonly saving: boolean;
  /** The server can't be reached. */
  readonly away: boolean;
  /** The server is there and fails, in its words. */
  readonly trouble: string | null;
  /** Whether this browser keeps what is not yet sent. */
  readonly held: boolean;
  readonly conflicts: readonly Conflict[];
  /** Documents set aside on the server, and records in this browser that can't be read. */
  readonly aside: number;
}

const noVersions = (): Versions =>
  Object.fromEntries(DOCUMENT_KINDS.map((kind): [DocumentKind, object] => [kind, {}])) as Versions;

const initialState: StudioState = {
  status: 'loading',
  id: '',
  bundle: emptyBundle(),
  versions: noVersions(),
  past: [],
  future: [],
  unsaved: {},
  unanswered: {},
  refused: {},
  saving: false,
  away: false,
  trouble: null,
  held: true,
  conflicts: [],
  aside: 0,
};

/** Fetches the studio: when the page opens, with what earlier pages left unsent, and after an import or a restore. */
export const loadStudio = createAsyncThunk(
  'studio/load',
  async (_done: string | undefined, { getState }): Promise<{ answer: StudioAnswer; left: LeftBehind | null }> => {
    const answer = await server.studio();
    const { studio } = getState() as { studio: StudioState };
    if (studio.status === 'ready') return { answer, left: null };
    return { answer, left: takeUp(answer.studio, TAB, await livingTabs()) };
  },
);

/** Gives a document back as the server has it, though it was changed here. */
export const takeServers = createAsyncThunk(
  'studio/takeServers',
  async ({ kind, id }: { kind: DocumentKind; id: string }) => ({ kind, id, current: await server.find(kind, id) }),
);

export function documentOf(bundle: Bundle, kind: DocumentKind, id: string): unknown {
  if (kind === 'method') return bundle.method;
  return bundle[kind]?.find((each) => each.id === id);
}

/** The bundle with one document put in its place, added at the end, or (`undefined`) taken out. */
function withValue(bundle: Bundle, kind: DocumentKind, id: string, value: unknown): Bundle {
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

/** What became of one document that was sent. */
export interface SentAnswer {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly sent: unknown;
  readonly answer: ChangeAnswer;
}

const slice = createSlice({
  name: 'studio',
  initialState: asDraft(initialState),
  reducers: {
    changed: pure((state, change: Change) => {
      const last = state.past.at(-1);
      const joined = last && joinsOnto(change, last) ? { ...change, documents: rejoined(last, change) } : null;
      return {
        ...applied(state, change, 'after'),
        past: joined ? state.past.with(-1, joined) : [...state.past, change].slice(-STEPS),
        future: [],
      };
    }),
    undone: pure<void>((state) => {
      const last = state.past.at(-1);
      if (!last) return state;
      return { ...applied(state, last, 'before'), past: state.past.slice(0, -1), future: [...state.future, last] };
    }),
    redone: pure<void>((state) => {
      const next = state.future.at(-1);
      if (!next) return state;
      const redone = applied(state, next, 'after');
      return { ...redone, past: [...state.past, { ...next, field: '' }], future: state.future.slice(0, -1) };
    }),
    savingStarted: pure<void>((state) => ({ ...state, saving: true })),
    /** The server's answers, each to what was sent: an edit made meanwhile stays unsaved. */
    answered: pure((state, answers: readonly SentAnswer[]) =>
      answers.reduce<StudioState>(withAnswer, { ...state, saving: false, away: false, trouble: null }),
    ),
    /** No answer came; what was sent may have arrived. */
    unanswered: pure(
      (state, { sent, trouble }: { sent: ReadonlyArray<Omit<SentAnswer, 'answer'>>; trouble: string | null }) => ({
        ...state,
        saving: false,
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
        const step = { kind, id, before, after };
        const taken: StudioState = {
          ...settled,
          bundle: withValue(state.bundle, kind, id, after),
          unsaved: unsent ? settled.unsaved : without(state.unsaved, documentKey(kind, id)),
          refused: without(state.refused, documentKey(kind, id)),
          // Steps from before theirs would write over it what nobody has been asked about.
          past: [...forgetSteps(state.past, kind, id), { documents: [step], label: 'taking theirs', field: '' }],
          future: [],
        };
        if (keep === 'theirs' || copy === undefined || typeof before !== 'object') return taken;
        const mine = { ...before, id: copy, name: `${nameOf(before)} (mine)`.slice(0, 120) };
        const made = {
          documents: [{ kind, id: copy, before: undefined, after: mine }],
          label: 'keeping both',
          field: '',
        };
        return { ...applied(taken, made, 'after'), past: [...taken.past, made] };
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
      return asDraft(left ? opened(answer, left) : reloaded(now, answer, meta.arg ?? 'the import'));
    });
    builder.addCase(takeServers.fulfilled, (state, { payload: { kind, id, current } }) => {
      const now = original(state) as StudioState;
      const key = documentKey(kind, id);
      const step = { kind, id, before: documentOf(now.bundle, kind, id), after: current?.value };
      return asDraft({
        ...now,
        bundle: withValue(now.bundle, kind, id, current?.value),
        versions: withVersion(now.versions, kind, id, current?.version ?? 0),
        unsaved: without(now.unsaved, key),
        unanswered: without(now.unanswered, key),
        refused: without(now.refused, key),
        past: [
          ...forgetSteps(now.past, kind, id),
          { documents: [step], label: 'going back to what is saved', field: '' },
        ],
        future: [],
      });
    });
  },
});

const nameOf = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'name' in value ? String(value.name) : '';

/** Whether a change goes on with the same field of the same document. */
function joinsOnto({ field, documents }: Change, last: Change): boolean {
  const [a, b] = [documents[0], last.documents[0]];
  const single = documents.length === 1 && last.documents.length === 1;
  return field !== '' && field === last.field && single && a?.kind === b?.kind && a?.id === b?.id;
}

const rejoined = (last: Change, { documents }: Change): ChangedDocument[] =>
  documents.map((each, i) => ({ ...each, before: last.documents[i]?.before }));

function withAnswer(state: StudioState, { kind, id, sent, answer }: SentAnswer): StudioState {
  const key = documentKey(kind, id);
  const here = documentOf(state.bundle, kind, id);
  const known = state.unanswered[key];
  const settled = { ...state, unanswered: without(state.unanswered, key) };
  if (answer.outcome === 'kept') {
    return {
      ...settled,
      versions: withVersion(state.versions, kind, id, answer.version),
      unsaved: here === sent ? without(state.unsaved, key) : state.unsaved,
      refused: without(state.refused, key),
    };
  }
  if (answer.outcome === 'refused') {
    return { ...settled, refused: { ...state.refused, [key]: { message: answer.refusal.message, value: sent } } };
  }
  const { current } = answer;
  // What stands there is what was sent from here before: the answer was lost, and nobody else has changed it.
  if (known && same(known.value ?? null, current?.value ?? null)) {
    return { ...settled, versions: withVersion(state.versions, kind, id, current?.version ?? 0) };
  }
  const others = state.conflicts.filter((each) => each.kind !== kind || each.id !== id || each.unsent);
  return { ...settled, conflicts: [...others, { kind, id, current }] };
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function without<K extends string, T>(record: Readonly<Record<K, T>>, key: K): Record<K, T> {
  const { [key]: _gone, ...rest } = record;
  return rest as Record<K, T>;
}

/** Version 0 stands for a document that is not there. */
const withVersion = (versions: Versions, kind: DocumentKind, id: string, version: number): Versions => ({
  ...versions,
  [kind]: version === 0 ? without(versions[kind], id) : { ...versions[kind], [id]: version },
});

/** The steps without what they did to one document. */
const forgetSteps = (steps: readonly Change[], kind: DocumentKind, id: string): Change[] =>
  steps.flatMap((step) => {
    const documents = step.documents.filter((each) => each.kind !== kind || each.id !== id);
    return documents.length > 0 ? [{ ...step, documents }] : [];
  });

function applied(state: StudioState, { documents }: Change, which: 'before' | 'after'): StudioState {
  let { bundle, unsaved, refused } = state;
  for (const { kind, id, [which]: value } of documents) {
    const key = documentKey(kind, id);
    // A house that had no method of its own has one that changes nothing: the method is never taken away.
    bundle = withValue(bundle, kind, id, kind === 'method' ? (value ?? {}) : value);
    unsaved = { ...unsaved, [key]: true };
    refused = without(refused, key);
  }
  return { ...state, bundle, unsaved, refused };
}

const facts = ({ studio, bundle, versions, setAside }: StudioAnswer) => ({
  status: 'ready' as const,
  id: studio,
  bundle,
  versions: { ...noVersions(), ...versions },
  aside: setAside,
});

/** The studio as the server has it, with what an earlier visit could not send put on top again. */
function opened(answer: StudioAnswer, { records, others, unreadable }: LeftBehind): StudioState {
  let state: StudioState = { ...initialState, ...facts(answer), aside: answer.setAside + unreadable };
  const conflicts: Conflict[] = [];
  for (const { kind, id, base, value, sent } of records) {
    const version = state.versions[kind][id] ?? 0;
    const theirs = documentOf(state.bundle, kind, id);
    const current = theirs === undefined ? null : ({ version, value: theirs } as Kept);
    if (same(theirs ?? null, value)) continue;
    if (version !== base && !(sent !== undefined && same(sent, theirs ?? null))) conflicts.push({ kind, id, current });
    const step = { kind, id, before: theirs, after: value ?? undefined };
    state = applied(state, { documents: [step], label: '', field: '' }, 'after');
  }
  for (const { kind, id, key, value } of others) {
    const theirs = documentOf(answer.bundle, kind, id);
    const current = theirs === undefined ? null : ({ version: answer.versions[kind][id] ?? 0, value: theirs } as Kept);
    conflicts.push({ kind, id, current, unsent: { key, value } });
  }
  return { ...state, conflicts };
}

/** The studio after an import: what it did is one step of undo. */
function reloaded(state: StudioState, answer: StudioAnswer, label: string): StudioState {
  const documents = DOCUMENT_KINDS.flatMap((kind) => differences(kind, state.bundle, answer.bundle)).filter(
    ({ kind, id }) => !state.unsaved[documentKey(kind, id)],
  );
  const past = documents.length > 0 ? [...state.past, { documents, label, field: '' }].slice(-STEPS) : state.past;
  // What the server has refused, or is asked about, is still only here.
  const bundle = (Object.keys(state.unsaved) as DocumentKey[]).reduce((made, key) => {
    const [kind, id] = splitDocumentKey(key);
    return withValue(made, kind, id, documentOf(state.bundle, kind, id));
  }, answer.bundle);
  return { ...state, ...facts(answer), bundle, past, future: documents.length > 0 ? [] : state.future };
}

function differences(kind: DocumentKind, before: Bundle, after: Bundle): ChangedDocument[] {
  const list = (bundle: Bundle): ReadonlyMap<string, unknown> =>
    kind === 'method'
      ? new Map(bundle.method ? [[METHOD_ID, bundle.method]] : [])
      : new Map((bundle[kind] ?? []).map((each) => [each.id, each]));
  const [was, is] = [list(before), list(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((id) =>
    same(was.get(id), is.get(id)) ? [] : [{ kind, id, before: was.get(id), after: is.get(id) }],
  );
}

export const { changed, undone, redone, savingStarted, answered, unanswered, kept, asideCounted, conflictSettled } =
  slice.actions;
export const studioReducer = slice.reducer;
