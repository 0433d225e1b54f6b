import { usesOf } from '../repertoire';
import type { FeltAt, GoodFor } from '../vocabulary/bodies/uses';
import type { TimedClass } from './clock/timeClass';

/** A place or a purpose with its share of a class's work, 0 to 1. */
export interface UseShare<T extends string> {
  readonly use: T;
  readonly share: number;
}

/**
 * Where the work of a class is felt and what it is good for: each rung's work split equally among its places, and among
 * its purposes, as it is among directions; the most first. What says nothing counts for nothing.
 */
export function sharesOfUse({ blocks }: Pick<TimedClass, 'blocks'>): {
  readonly feltAt: ReadonlyArray<UseShare<FeltAt>>;
  readonly goodFor: ReadonlyArray<UseShare<GoodFor>>;
} {
  const sharesOf = <T extends string>(of: (uses: ReturnType<typeof usesOf>) => readonly T[]): UseShare<T>[] => {
    const seconds = new Map<T, number>();
    for (const { entry, work } of blocks) {
      const uses = of(usesOf(entry));
      for (const use of uses) seconds.set(use, (seconds.get(use) ?? 0) + work / uses.length);
    }
    const all = [...seconds.values()].reduce((sum, each) => sum + each, 0);
    return [...seconds]
      .map(([use, own]) => ({ use, share: all > 0 ? own / all : 0 }))
      .sort((a, b) => b.share - a.share);
  };
  return { feltAt: sharesOf(({ feltAt }) => feltAt), goodFor: sharesOf(({ goodFor }) => goodFor) };
}
