import { applied, type Edit, EditClash, reconciled } from '@warm-ladder/core/edits';
import { documentKey } from '@warm-ladder/core/formats';
import type { FedDocument, FeedEvent, Kept } from '@warm-ladder/core/wire';
import { documentOf, withValue } from './entities';
import {
  type Conflict,
  isDocument,
  type Place,
  type SentAnswer,
  type StudioState,
  same,
  without,
  withVersion,
} from './studioState';

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
    const kept: StudioState = {
      ...settled,
      entities: now === here ? state.entities : withValue(state.entities, kind, id, now),
      versions: withVersion(state.versions, kind, id, version),
      heard: { ...state.heard, [key]: version },
      unsaved: now === stands ? without(state.unsaved, key) : { ...state.unsaved, [key]: { was: stands } },
      refused: without(state.refused, key),
    };
    return caughtUp(kept, { kind, id });
  }
  if (answer.outcome === 'refused') {
    return { ...settled, refused: { ...state.refused, [key]: { message: answer.refusal.message, value: sent } } };
  }
  // What it was made from is not known there: it goes as a whole the next time.
  if (answer.outcome === 'whole') return { ...state, unsaved: { ...state.unsaved, [key]: {} } };
  const { current, was } = answer;
  // What stands there is what was sent from here before: the answer was lost, and nobody else has changed it.
  if (known && same(known.value ?? null, current?.value ?? null)) {
    return {
      ...settled,
      versions: withVersion(state.versions, kind, id, current?.version ?? 0),
      unsaved: { ...state.unsaved, [key]: { was: current?.value ?? null } },
    };
  }
  const others = state.conflicts.filter((each) => each.kind !== kind || each.id !== id || each.unsent);
  return { ...settled, conflicts: [...others, { kind, id, current, ...clashing(was, here, current?.value) }] };
}

/** A document that stands on the server, with what was typed here since it was sent. */
function typedOn(stands: unknown, { sent, here }: { readonly sent: unknown; readonly here: unknown }): unknown {
  if (here === sent) return stands;
  return isDocument(stands) && isDocument(sent) && isDocument(here) ? reconciled(sent, here, stands).value : here;
}

/**
 * What both were made from, where only some of it clashes. Where nothing does, each can stand by itself and both together
 * can't: then it is one or the other.
 */
const clashing = (was: Kept['value'] | undefined, here: unknown, theirs: unknown): Pick<Conflict, 'was'> =>
  was && isDocument(here) && isDocument(theirs) && reconciled<object>(was, here, theirs).clashes.length > 0
    ? { was }
    : {};

/**
 * The state with what others have changed; `null` where what was changed is of another version than what is here. What
 * was changed here too, and is not kept yet, is asked about as it is sent.
 */
export function withFed(state: StudioState, { revision, changes }: FeedEvent): StudioState | null {
  let now: StudioState | null = { ...state, revision };
  for (const each of changes ?? []) now = now && withOthers(now, each, revision);
  return now;
}

function withOthers(state: StudioState, fed: FedDocument, revision: number): StudioState | null {
  const { kind, id, version } = fed;
  const here = state.versions[kind][id] ?? 0;
  const key = documentKey(kind, id);
  // A document that is gone has no version of its own; of one that never was here it is remembered, too.
  const at = Math.max(state.heard[key] ?? 0, version === 0 ? revision : version);
  const heard = { ...state.heard, [key]: at };
  // Its own write comes back too, before or after the answer to it.
  if (version === here || (version !== 0 && version < here)) return { ...state, heard };
  const value = 'edit' in fed ? edited(fed.edit, knownAt(state, fed, fed.base)) : fed.value;
  if (value === undefined) return null;
  // What comes after what is on its way from here may be heard of before the answer to that.
  if (state.unsaved[key]) return { ...state, heard, ahead: { ...state.ahead, [key]: { at, version, value } } };
  return {
    ...state,
    heard,
    entities: withValue(state.entities, kind, id, value ?? (kind === 'method' ? {} : undefined)),
    versions: withVersion(state.versions, kind, id, version),
  };
}

/** A document as the server has it at a version, where this page knows that. */
function knownAt({ ahead, versions, unsaved, entities }: StudioState, { kind, id }: Place, version: number): unknown {
  const key = documentKey(kind, id);
  if (ahead[key]?.version === version) return ahead[key].value;
  if (versions[kind][id] !== version) return undefined;
  return unsaved[key] ? unsaved[key].was : documentOf(entities, kind, id);
}

function edited(edit: Edit, was: unknown): unknown {
  if (!isDocument(was)) return undefined;
  try {
    return applied(edit, was);
  } catch (error) {
    if (error instanceof EditClash) return undefined;
    throw error;
  }
}

/** The state with what was heard of a document while it was on its way from here, once nothing of it waits any more. */
export function caughtUp(state: StudioState, { kind, id }: Place): StudioState {
  const key = documentKey(kind, id);
  const ahead = state.ahead[key];
  if (!ahead || state.unsaved[key]) return state;
  const now = { ...state, ahead: without(state.ahead, key) };
  if (ahead.at <= (state.versions[kind][id] ?? 0)) return now;
  return {
    ...now,
    entities: withValue(state.entities, kind, id, ahead.value ?? (kind === 'method' ? {} : undefined)),
    versions: withVersion(state.versions, kind, id, ahead.version),
  };
}
