export type Side = 'left' | 'right';
export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

/** The other one. */
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');
