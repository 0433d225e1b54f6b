import {
  checkChangesSteps,
  type DocumentChange,
  type DocumentKey,
  type DocumentProblem,
  type Documents,
  documentKey,
  type Problem,
  referencesOf,
  type Steps,
} from '@warm-ladder/core/formats';
import type { Kept } from '@warm-ladder/core/wire';
import { type Snapshot, textOf } from './snapshot';

/** A change as it is asked for: with the version it was made from; 0 for a document that was not there. */
export type AskedChange = DocumentChange & { readonly base: number };

export type Resolved =
  /** With what stands, where that is more than was asked for: what others did meanwhile is in it. */
  | { readonly outcome: 'keep'; readonly version?: number; readonly value?: Kept['value'] }
  /** What is asked for is there already: the answer to an earlier asking was lost. */
  | { readonly outcome: 'there'; readonly version: number; readonly value?: Kept['value'] }
  /** With what it was made from, where that is still known. */
  | {
      readonly outcome: 'stale';
      readonly version?: undefined;
      readonly current: Kept | null;
      readonly was?: Kept['value'];
    }
  | {
      readonly outcome: 'refused';
      readonly version?: undefined;
      readonly inUse: boolean;
      readonly problems: readonly Problem[];
    };

const keyOf = ({ kind, id }: { readonly kind: DocumentChange['kind']; readonly id: string }) => documentKey(kind, id);

/**
 * Decides about changes asked for together: they may need one another. What is stale or can't stand is left out, and
 * the rest is kept as if that had never been asked for; one bad document holds up no other.
 * A change a step.
 * @returns the studio with all that is kept, and what became of each change by its key
 */
export function* resolveChanges(
  snapshot: Snapshot,
  changes: readonly AskedChange[],
): Steps<{ after: Documents; kept: AskedChange[]; resolved: Map<DocumentKey, Resolved> }> {
  const resolved = new Map<DocumentKey, Resolved>();
  let pending: AskedChange[] = [];
  for (const change of changes) {
    const early = staleness(snapshot, change);
    if (early) resolved.set(keyOf(change), early);
    else pending.push(change);
    yield;
  }
  for (;;) {
    const after = snapshot.documents.with(pending);
    const refused = yield* blame(after, pending);
    for (const [key, why] of refused) resolved.set(key, why);
    if (refused.size === 0) {
      for (const change of pending) resolved.set(keyOf(change), { outcome: 'keep' });
      return { after, kept: pending, resolved };
    }
    pending = pending.filter((change) => !refused.has(keyOf(change)));
  }
}

function staleness(snapshot: Snapshot, { kind, id, base, value }: AskedChange): Resolved | null {
  const current = snapshot.kept(kind, id);
  const known = (current?.version ?? 0) === base;
  const same = value === undefined ? current === null : current !== null && textOf(current.value) === textOf(value);
  if (known && !same) return null;
  return same ? { outcome: 'there', version: current?.version ?? 0 } : { outcome: 'stale', current };
}

/** Which changes must go so that no problem is left, each with the problems it is refused for. */
function* blame(
  after: Documents,
  pending: readonly AskedChange[],
): Steps<Map<DocumentKey, Resolved & { outcome: 'refused' }>> {
  const byKey = new Map(pending.map((change) => [keyOf(change), change]));
  const refused = new Map<DocumentKey, Resolved & { outcome: 'refused' }>();
  for (const problem of yield* checkChangesSteps(after, [...byKey.keys()])) {
    for (const key of causesOf(problem, after, byKey)) {
      const inUse = byKey.get(key)?.value === undefined;
      const problems = [...(refused.get(key)?.problems ?? []), described(problem, key)];
      refused.set(key, { outcome: 'refused', inUse, problems });
    }
  }
  return refused;
}

/**
 * Whose doing a problem is: a removal of what the document names; else the change of the document itself; else the
 * changes of what it names; else all of them.
 */
function causesOf(
  problem: DocumentProblem,
  after: Documents,
  pending: ReadonlyMap<DocumentKey, AskedChange>,
): Iterable<DocumentKey> {
  const own = keyOf(problem);
  const value = after.get(problem.kind, problem.id);
  const named = value ? [...referencesOf(problem.kind, value)].filter((key) => pending.has(key)) : [];
  const removed = named.filter((key) => pending.get(key)?.value === undefined);
  if (removed.length > 0) return removed;
  if (pending.has(own)) return [own];
  return named.length > 0 ? named : pending.keys();
}

/** A problem of another document is told with that document's key, since its path alone would mislead. */
function described(problem: DocumentProblem, key: DocumentKey): Problem {
  const own = keyOf(problem);
  return { path: own === key ? problem.path : [own, ...problem.path], message: problem.message };
}
