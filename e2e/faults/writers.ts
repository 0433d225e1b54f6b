import { type Bundle, emptyBundle } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';

/** What a writer was told: the newest version of each document that was answered 200, and how many answers there were. */
export interface Acknowledged {
  readonly versions: Map<string, number>;
  count: number;
}

const classOf = (id: string, name: string): ClassPlan => ({
  id,
  name,
  delivery: 'group',
  targetMinutes: 45,
  openingSeconds: 60,
  closingSeconds: 60,
  notes: 'Clay dries from the rim. '.repeat(60),
  blocks: [],
});

/** A studio of so many classes and nothing else. */
export const bigBundle = (classes: number): Bundle => ({
  ...emptyBundle(),
  classes: Array.from({ length: classes }, (_, i) => classOf(`class-${i}`, `Class ${i}`)),
});

/** Saves one class on a version. @returns the new version, or why there is none */
export async function save(
  address: string,
  id: string,
  version: number,
  name: string,
): Promise<number | Response | null> {
  const response = await fetch(`${address}/api/classes/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ version, value: classOf(id, name) }),
  }).catch(() => null);
  if (!response?.ok) return response;
  const answer = (await response.json().catch(() => null)) as { version: number } | null;
  return answer?.version ?? null;
}

/** Saves classes, each writer its own few, until the server is gone. @throws Error when a save is refused */
export async function writeUntilGone(address: string, writers: number, tag = 'w'): Promise<Acknowledged> {
  const told: Acknowledged = { versions: new Map(), count: 0 };
  await Promise.all(
    Array.from({ length: writers }, async (_, writer) => {
      for (let n = 0; ; n++) {
        const id = `${tag}${writer}-${n % 3}`;
        const version = await save(address, id, told.versions.get(id) ?? 0, `Save ${n}`);
        if (version instanceof Response) throw new Error(`a save was refused: ${await version.text()}`);
        if (version === null) return;
        told.versions.set(id, version);
        told.count += 1;
      }
    }),
  );
  return told;
}

/** How many documents are there in an older version than their writer was told. */
export async function countLost(address: string, { versions }: Acknowledged): Promise<number> {
  const answer = await fetch(`${address}/api/studio`);
  const studio = (await answer.json()) as { versions: { classes: Record<string, number> } };
  return [...versions].filter(([id, version]) => (studio.versions.classes[id] ?? 0) < version).length;
}
