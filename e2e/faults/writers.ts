/** What a writer was told: the newest version of each document that was answered 200, and how many answers there were. */
export interface Acknowledged {
  readonly versions: Map<string, number>;
  count: number;
}

const classOf = (id: string, name: string) => ({
  id,
  name,
  delivery: 'group',
  targetMinutes: 45,
  openingSeconds: 60,
  closingSeconds: 60,
  notes: 'Clay dries from the rim. '.repeat(60),
  blocks: [],
});

/** Saves classes, each writer its own few, until the server is gone. */
export async function writeUntilGone(address: string, writers: number, tag = 'w'): Promise<Acknowledged> {
  const told: Acknowledged = { versions: new Map(), count: 0 };
  await Promise.all(
    Array.from({ length: writers }, async (_, writer) => {
      for (let n = 0; ; n++) {
        const id = `${tag}${writer}-${n % 3}`;
        const sent = { version: told.versions.get(id) ?? 0, value: classOf(id, `Save ${n}`) };
        const response = await fetch(`${address}/api/classes/${id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(sent),
        }).catch(() => null);
        if (!response) return;
        const answer = (await response.json().catch(() => null)) as { version?: number } | null;
        if (answer === null) return;
        if (!response.ok) throw new Error(`a save was refused: ${JSON.stringify(answer)}`);
        told.versions.set(id, answer.version ?? 0);
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
