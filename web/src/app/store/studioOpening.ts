import {
  COLLECTIONS,
  DOCUMENT_KINDS,
  type DocumentKey,
  type DocumentKind,
  type DocumentOf,
  documentKey,
  METHOD_ID,
  splitDocumentKey,
} from '@warm-ladder/core/formats';
import type { Kept, StudioAnswer } from '@warm-ladder/core/wire';
import { recorded } from '../history/history';
import type { LeftBehind } from '../saving/unsent';
import { documentOf, type Entities, entitiesOf, withValue } from './entities';
import {
  type Conflict,
  initialState,
  type KeptHistory,
  noVersions,
  type Place,
  type StudioState,
  same,
  withDocuments,
  withVersion,
} from './studioState';

const factsOf = ({ only, studio, bundle, versions, revision, setAside }: StudioAnswer) => ({
  status: 'ready' as const,
  away: false,
  id: studio,
  only,
  entities: entitiesOf(bundle),
  versions: { ...noVersions(), ...versions },
  revision,
  readAt: revision,
  aside: setAside,
});

/** The studio as the server has it, with what an earlier visit could not send put on top again. */
export function opened(
  answer: StudioAnswer,
  { records, others, unreadable, past, future }: LeftBehind & KeptHistory,
): StudioState {
  const facts = factsOf(answer);
  let state: StudioState = { ...initialState, ...facts, past, future, aside: answer.setAside + unreadable };
  const conflicts: Conflict[] = [];
  for (const { kind, id, base, value, sent, state: stood, message } of records) {
    const version = state.versions[kind][id] ?? 0;
    const theirs = documentOf(state.entities, kind, id);
    const arrived = sent !== undefined && same(sent, theirs ?? null);
    state = withDocuments(state, [{ kind, id, after: value ?? undefined }]);
    // Made from an earlier version, it is sent as that: the server brings it together with what others did, or asks.
    if (version !== base && !arrived) {
      const unsaved = { ...state.unsaved, [documentKey(kind, id)]: {} };
      state = { ...state, unsaved, versions: withVersion(state.versions, kind, id, base) };
    }
    // It is named from the start, and sent again with whatever is changed next.
    if (stood === 'refused' && message !== undefined) {
      const refusal = { message, value: documentOf(state.entities, kind, id) };
      state = { ...state, refused: { ...state.refused, [documentKey(kind, id)]: refusal } };
    }
  }
  for (const { kind, id, key, value } of others) {
    const theirs = documentOf(facts.entities, kind, id);
    const current = theirs === undefined ? null : ({ version: answer.versions[kind][id] ?? 0, value: theirs } as Kept);
    conflicts.push({ kind, id, current, unsent: { key, value } });
  }
  return { ...state, conflicts };
}

/**
 * The studio read anew. What an import did is one step of undo; what others did (no label) is none. What was heard of
 * after it was read stays, and so does what is still only here: made from the version it was made from, so that the
 * server asks where somebody else has changed it.
 */
export function reloaded(state: StudioState, answer: StudioAnswer, label: string | null): StudioState {
  const facts = factsOf(withKnown(state, answer));
  const later = (Object.entries(state.heard) as Array<[DocumentKey, number]>).filter(([, at]) => at > answer.revision);
  let { entities, versions } = facts;
  for (const key of [...later.map(([each]) => each), ...(Object.keys(state.unsaved) as DocumentKey[])]) {
    const [kind, id] = splitDocumentKey(key);
    entities = withValue(entities, kind, id, documentOf(state.entities, kind, id));
    versions = withVersion(versions, kind, id, state.versions[kind][id] ?? 0);
  }
  const revision = Math.max(state.revision, answer.revision);
  const now: StudioState = { ...state, ...facts, entities, versions, revision, heard: Object.fromEntries(later) };
  if (label === null) return now;
  const documents = DOCUMENT_KINDS.flatMap((kind) => differences(kind, state.entities, entities)).filter(
    ({ kind, id }) => !state.unsaved[documentKey(kind, id)],
  );
  return recorded(state, now, { documents, label, field: '' });
}

/** The same answer with what is here already in its own place: whatever was made out of that stays. */
function withKnown({ entities, versions }: StudioState, answer: StudioAnswer): StudioAnswer {
  const known = <K extends DocumentKind>(kind: K, id: string, value: DocumentOf<K>): DocumentOf<K> =>
    (versions[kind][id] === answer.versions[kind]?.[id] && documentOf(entities, kind, id)) || value;
  const { bundle } = answer;
  const { method } = bundle;
  const lists = COLLECTIONS.map((name) => [name, bundle[name]?.map((each) => known(name, each.id, each))] as const);
  return {
    ...answer,
    bundle: {
      ...bundle,
      ...(method ? { method: known('method', METHOD_ID, method) } : {}),
      ...Object.fromEntries(lists.filter(([, list]) => list !== undefined)),
    },
  };
}

function differences(kind: DocumentKind, before: Entities, after: Entities): Place[] {
  const ids = ({ method, ...kept }: Entities) => (kind === 'method' ? (method ? [METHOD_ID] : []) : kept[kind].ids);
  return [...new Set([...ids(before), ...ids(after)])].flatMap((id) =>
    same(documentOf(before, kind, id), documentOf(after, kind, id)) ? [] : [{ kind, id }],
  );
}
