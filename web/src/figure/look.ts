/** How a body's lines look, in body heights; the same drawn standing and painted moving. */
export const WIDTHS = { far: 0.065, near: 0.075, trunk: 0.135 } as const;
export const FAR_OPACITY = 0.45;
export const HEAD_RADIUS = 0.085;

/** The floor a body is on: how far under it, how thick, and how much air it leaves at both ends. */
export const FLOOR = { y: 0.06, width: 0.02, margin: 0.05, under: 0.1 } as const;
/** The mat under a body seen from above. */
export const MAT = { margin: 0.04, top: 0.06, round: 0.05, line: 0.012 } as const;
