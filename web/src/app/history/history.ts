import { applied, diff, type Edit, EditClash, inverted, merged } from '@warm-ladder/core/edits';
import { documentOf } from '../store/entities';
import {
  type Change,
  type ChangedDocument,
  type DocumentEdit,
  type Gone,
  type HistoryStep,
  type Place,
  type StudioState,
  withDocuments,
} from '../store/studioState';

/** Steps of undo kept; older ones are forgotten. */
const STEPS = 200;

interface Held {
  readonly document?: unknown;
}
/** A house without a method of its own has one that changes nothing. */
function held({ entities }: StudioState, { kind, id }: Place): Held {
  const document = documentOf(entities, kind, id) ?? (kind === 'method' ? {} : undefined);
  return document === undefined ? {} : { document };
}

const changes = ({ edit }: DocumentEdit): boolean => edit.length > 0;

/** What was done, and to which documents. */
interface Done extends Pick<Change, 'label' | 'field'> {
  readonly documents: readonly Place[];
}

/**
 * The state with one more step in its history: nothing that was undone can be redone after it. What changes nothing is
 * no step, and what goes on in one field is one.
 * @param before the state the documents were changed from
 */
export function recorded(before: StudioState, state: StudioState, { documents, label, field }: Done): StudioState {
  const edits = documents
    .map(({ kind, id }): DocumentEdit => {
      const place = { kind, id };
      return { ...place, edit: diff(held(before, place), held(state, place)) };
    })
    .filter(changes);
  if (edits.length === 0) return state;
  const last = state.past.at(-1);
  if (last && field !== '' && field === last.field && ofOneDocument(edits, last.documents)) {
    const joined = last.documents.map((each, i) => ({ ...each, edit: merged(each.edit, edits[i]?.edit ?? []) }));
    const left = joined.filter(changes);
    const past = left.length > 0 ? state.past.with(-1, { ...last, label, documents: left }) : state.past.slice(0, -1);
    return { ...state, past, future: [], gone: null };
  }
  const n = Math.max(last?.n ?? 0, state.future[0]?.n ?? 0) + 1;
  const step: HistoryStep = { n, documents: edits, label, field, at: state.page };
  return { ...state, past: [...state.past, step].slice(-STEPS), future: [], gone: null };
}

/** The state with documents changed here, as one step of undo. */
export const did = (state: StudioState, change: Change): StudioState =>
  recorded(state, withDocuments(state, change.documents), change);

/** Whether both are of one and the same document, and of no other. */
const ofOneDocument = ([a, ...more]: readonly DocumentEdit[], [b, ...others]: readonly DocumentEdit[]): boolean =>
  more.length + others.length === 0 && a !== undefined && a.kind === b?.kind && a.id === b.id;

/** A step back: its edits taken back from the documents as they are. */
export function wentBack(state: StudioState): StudioState {
  const step = state.past.at(-1);
  if (!step) return state;
  const { now, done, gone } = went(state, step, 'back');
  return { ...now, gone, past: state.past.slice(0, -1), future: done ? [...state.future, done] : state.future };
}

/** A step forward again; what is typed after it begins a step of its own. */
export function wentForward(state: StudioState): StudioState {
  const step = state.future.at(-1);
  if (!step) return state;
  const { now, done, gone } = went(state, step, 'forward');
  const past = done ? [...state.past, { ...done, field: '' }] : state.past;
  return { ...now, gone, past, future: state.future.slice(0, -1) };
}

/**
 * A step gone one way in every document where it still can be: where somebody has changed since what it would change,
 * nothing is done, and it is said.
 * @returns `done`: the step as far as it went, to be gone the other way
 */
function went(
  state: StudioState,
  step: HistoryStep,
  way: Gone['way'],
): { readonly now: StudioState; readonly done: HistoryStep | null; readonly gone: Gone } {
  const became: ChangedDocument[] = [];
  const done: DocumentEdit[] = [];
  const clashed: Place[] = [];
  for (const each of step.documents) {
    const { kind, id, edit } = each;
    const after = afterEdit(way === 'back' ? inverted(edit) : edit, held(state, each));
    if (!after) clashed.push({ kind, id });
    else {
      became.push({ kind, id, after: after.document });
      done.push(each);
    }
  }
  const changed = became.map(({ kind, id }) => ({ kind, id }));
  return {
    now: withDocuments(state, became),
    done: done.length > 0 ? { ...step, documents: done } : null,
    gone: {
      way,
      times: state.gone?.way === way ? state.gone.times + 1 : 1,
      n: step.n,
      label: step.label,
      changed,
      clashed,
      items: done.flatMap(itemsOf),
    },
  };
}

/** Ids of what an edit changes inside its document. */
const itemsOf = ({ edit }: DocumentEdit): string[] =>
  edit.flatMap((change) => {
    const inside = change.path.flatMap((step) => (typeof step === 'string' ? [] : [step.id]));
    if (change.op === 'set') return inside;
    return [...inside, change.op === 'move' ? change.id : change.item.id];
  });

function afterEdit(edit: Edit, now: Held): Held | null {
  try {
    return applied(edit, now);
  } catch (error) {
    if (error instanceof EditClash) return null;
    throw error;
  }
}
