import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Chance that repeats: the same seed gives the same draws. */
export interface Chance {
  /** From 0 to 1, without 1. */
  readonly share: () => number;
  /** A whole number from 0 to one less than `count`. */
  readonly below: (count: number) => number;
  /** One of a list. @throws RangeError when the list is empty */
  readonly one: <T>(list: readonly T[]) => T;
}

export function chanceOf(seed: number): Chance {
  const source = xoroshiro128plus(seed);
  const below = (count: number) => uniformInt(source, 0, count - 1);
  return {
    share: () => uniformFloat64(source),
    below,
    one: (list) => {
      if (list.length === 0) throw new RangeError('nothing to choose from');
      return list[below(list.length)] as (typeof list)[number];
    },
  };
}

/** A list in an order of chance. */
export function shuffled<T>(list: readonly T[], chance: Chance): T[] {
  const left = [...list];
  for (let i = left.length - 1; i > 0; i--) {
    const j = chance.below(i + 1);
    [left[i], left[j]] = [left[j] as T, left[i] as T];
  }
  return left;
}
