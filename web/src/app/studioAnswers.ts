import { reconciled } from '@warm-ladder/core/edits';
import { documentKey } from '@warm-ladder/core/formats';
import type { FedDocument, FeedEvent } from '@warm-ladder/core/wire';
import { documentOf, withValue } from './entities';
import { type SentAnswer, type StudioState, same, without, withVersion } from './studioState';

/** The state after the server's answer to one document: kept, refused, or changed there by another hand. */
export function withAnswer(state: StudioState, { kind, id, sent, answer }: SentAnswer): StudioState {
  const key = documentKey(kind, id);
  const here = documentOf(state.entities, kind, id);
  const known = state.unanswered[key];
  const settled = { ...state, unanswered: without(state.unanswered, key) };
  if (answer.outcome === 'kept') {
    const { version, value: stands = sent } = answer;
    // What others did meanwhile stands with what was sent, and what was typed since goes on top of both.
    const now = stands === sent ? here : typedOn(stands, { sent, here });
    return {
      ...settled,
      entities: now === here ? state.entities : withValue(state.entities, kind, id, now),
      versions: withVersion(state.versions, kind, id, version),
      heard: { ...state.heard, [key]: version },
      unsaved: now === stands ? without(state.unsaved, key) : state.unsaved,
      refused: without(state.refused, key),
    };
  }
  if (answer.outcome === 'refused') {
    return { ...settled, refused: { ...state.refused, [key]: { message: answer.refusal.message, value: sent } } };
  }
  const { current, was } = answer;
  // What stands there is what was sent from here before: the answer was lost, and nobody else has changed it.
  if (known && same(known.value ?? null, current?.value ?? null)) {
    return { ...settled, versions: withVersion(state.versions, kind, id, current?.version ?? 0) };
  }
  const others = state.conflicts.filter((each) => each.kind !== kind || each.id !== id || each.unsent);
  return { ...settled, conflicts: [...others, { kind, id, current, ...(was ? { was } : {}) }] };
}

/** A document that stands on the server, with what was typed here since it was sent. */
function typedOn(stands: unknown, { sent, here }: { readonly sent: unknown; readonly here: unknown }): unknown {
  if (here === sent) return stands;
  return isDocument(stands) && isDocument(sent) && isDocument(here) ? reconciled(sent, here, stands).value : here;
}

const isDocument = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** The state with what others have changed. What was changed here too, and is not kept yet, is asked about as it is sent. */
export function withFed(state: StudioState, { revision, changes }: FeedEvent): StudioState {
  return (changes ?? []).reduce((now, each) => withOthers(now, each, revision), { ...state, revision });
}

function withOthers(state: StudioState, { kind, id, version, value }: FedDocument, revision: number): StudioState {
  const here = state.versions[kind][id] ?? 0;
  const key = documentKey(kind, id);
  const unsaved = state.unsaved[key];
  // A document that is gone has no version of its own; of one that never was here it is remembered, too.
  const heard = { ...state.heard, [key]: Math.max(state.heard[key] ?? 0, version === 0 ? revision : version) };
  // Its own write comes back too, before or after the answer to it.
  if (unsaved || version === here || (version !== 0 && version < here)) return { ...state, heard };
  return {
    ...state,
    heard,
    entities: withValue(state.entities, kind, id, value ?? (kind === 'method' ? {} : undefined)),
    versions: withVersion(state.versions, kind, id, version),
  };
}
