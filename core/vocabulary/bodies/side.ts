export type Side = 'left' | 'right';
export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

/** The other one. */
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** How a rung works its sides: both at once, all on one and then all on the other, or by turns. */
export const SIDEDNESS = ['both', 'each', 'alternate'] as const;
export type Sidedness = (typeof SIDEDNESS)[number];
export const SIDEDNESS_WORDS: Readonly<Record<Sidedness, string>> = {
  both: 'both at once',
  each: 'one side, then the other',
  alternate: 'alternating',
};
