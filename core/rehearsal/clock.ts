/** Two clocks of a device, in milliseconds: the one people set, and the one that only runs on while a page is open. */
export interface Reading {
  readonly wall: number;
  readonly steady: number;
}

/** Milliseconds by which the clocks may part before the device was asleep, or somebody set the one on the wall. */
const APART = 2_000;

/**
 * Milliseconds between two readings of one page. The steady clock counts; where it stood still while the device slept,
 * the one on the wall does, and when that is set back nothing runs back.
 */
export function between(before: Reading, now: Reading): number {
  const steady = Math.max(0, now.steady - before.steady);
  const wall = now.wall - before.wall;
  return wall - steady > APART ? wall : steady;
}

/** Milliseconds while no page was open, from when it was last seen; none where the clock was set back meanwhile. */
export const away = (lastSeen: number, wall: number): number => Math.max(0, wall - lastSeen);
