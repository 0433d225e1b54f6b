/** A free id made from a name: `Rowers, sixty` becomes `rowers-sixty`, or `rowers-sixty-2`. */
export function freeId(name: string, taken: ReadonlyArray<{ readonly id: string }>): string {
  const base =
    name
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 56) || 'untitled';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.some((each) => each.id === id)) return id;
  }
}
