/** How bodies and things look, in body heights; the same drawn standing and painted moving. */

/** Around an arm before the trunk, so that it is seen apart. */
export const HALO = 0.018;
/** A band, a strap, a post. */
export const LINE = 0.018;
/** The floor a body is on: how thick, and how much air it leaves at both ends and under it. */
export const FLOOR_LINE = { width: 0.02, margin: 0.05, under: 0.035 } as const;
