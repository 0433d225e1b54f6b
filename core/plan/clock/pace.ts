/** What of a class a teacher is faster or slower at: each kind has a factor of its own. Source: docs/taught.md. */
export const PACE_KINDS = ['work', 'setup', 'carry', 'change', 'opening'] as const;
export type PaceKind = (typeof PACE_KINDS)[number];

/** How many times as long a teacher takes as planned, kind by kind; a kind nobody has logged has none. */
export type PaceFactors = Readonly<Partial<Record<PaceKind, number>>>;

/** A teacher's own pace, as their logs tell it. */
export interface OwnPace {
  readonly factors: PaceFactors;
  /** The spread of a day as a whole, in the place of the method's. */
  readonly day: number;
}

export const sameFactors = (a: PaceFactors, b: PaceFactors): boolean =>
  a === b || PACE_KINDS.every((kind) => a[kind] === b[kind]);
