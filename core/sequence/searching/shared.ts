/** What two classes share of the rungs that either has, 0 to 1. */
export function shareOf(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  let both = 0;
  for (const key of a) if (b.has(key)) both += 1;
  const either = a.size + b.size - both;
  return either === 0 ? 0 : both / either;
}
