import { reconciled } from '@warm-ladder/core/edits';
import { changeInOrder, type DocumentKey, type DocumentKind, documentKey } from '@warm-ladder/core/formats';
import { documentSchemas } from '@warm-ladder/core/schemas';
import type { Kept } from '@warm-ladder/core/wire';
import type { Queries } from '../database/port';
import { afterChange } from './history';
import type { AskedChange, Resolved } from './resolve';
import { type Snapshot, textOf } from './snapshot';

type Value = Kept['value'];

/** Changes brought together with others' in one sending: each is a question to the log while everybody who writes waits. */
const MOST = 200;

/** A change that met another one: what both began with, and what stands of both where that can be. */
interface Met {
  readonly was: Value;
  readonly current: Kept;
  readonly stands?: Value;
}

/** Changes made ready to be decided on the studio as it is, and those of them that met others. */
export interface Meeting {
  readonly changes: readonly AskedChange[];
  readonly met: ReadonlyMap<DocumentKey, Met>;
}

/**
 * Brings changes together with what others have kept since the version each was made from: it stays where both can
 * stand. What clashes, comes after the first two hundred, is of a version that is not known any more, or does not fit the schema once it is together is
 * left as it was asked for, and so is stale.
 */
export async function meeting(db: Queries, snapshot: Snapshot, changes: readonly AskedChange[]): Promise<Meeting> {
  const met = new Map<DocumentKey, Met>();
  const all: AskedChange[] = [];
  for (const change of changes) {
    const { kind, id } = change;
    const current = snapshot.kept(kind, id);
    const found = current && met.size < MOST ? await broughtTogether(db, change, current) : null;
    if (found) met.set(documentKey(kind, id), found);
    all.push(
      found?.stands
        ? changeInOrder({ ...change, base: found.current.version, value: found.stands } as AskedChange)
        : change,
    );
  }
  return { changes: all, met };
}

async function broughtTogether(
  db: Queries,
  { kind, id, base, value }: AskedChange,
  current: Kept,
): Promise<Met | null> {
  if (base === 0 || base === current.version || value === undefined) return null;
  if (textOf(value) === textOf(current.value)) return null;
  const was = await afterChange(db, { kind, id }, base);
  if (!was) return null;
  const both = reconciled<Value>(was, value, current.value);
  if (both.clashes.length > 0) return { was, current };
  const read = documentSchemas[kind as DocumentKind].safeParse(both.value);
  return read.success ? { was, current, stands: read.data } : { was, current };
}

/** What became of changes, those that met others among them. */
export function outcomesOf(resolved: ReadonlyMap<DocumentKey, Resolved>, { met }: Meeting): Map<DocumentKey, Resolved> {
  return new Map([...resolved].map(([key, each]) => [key, outcomeOf(each, met.get(key))]));
}

function outcomeOf(resolved: Resolved, met: Met | undefined): Resolved {
  if (!met) return resolved;
  const { was, current, stands } = met;
  if (resolved.outcome === 'stale') return { ...resolved, was };
  // Each could stand by itself, and only both together can't.
  if (resolved.outcome === 'refused') return { outcome: 'stale', current, was };
  return stands ? { ...resolved, value: stands } : resolved;
}
