import type { Series } from '../../series';

/** Series that follow one another round in a ring, each ring once, as ids from the one that closes it. */
export function followRings(all: readonly Series[]): string[][] {
  const follows = new Map(all.map((series) => [series.id, series.follows]));
  const done = new Set<string>();
  return all.flatMap(({ id }) => {
    const path: string[] = [];
    let at: string | undefined = id;
    while (at !== undefined && !done.has(at) && !path.includes(at)) {
      path.push(at);
      at = follows.get(at);
    }
    for (const each of path) done.add(each);
    return at !== undefined && path.includes(at) ? [[...path.slice(path.indexOf(at)), at]] : [];
  });
}

export const ringSentence = (ring: readonly string[]): string =>
  `The series follow one another in a ring: ${ring.join(' → ')}. Something must come first.`;
