/** Pixels of the picture of a class: from the standing tread to the lying one, of a tread, above and beside them. */
export const HEIGHT = 96;
export const TREAD = 20;
export const TOP = 40;
export const LEFT = 84;
/** Room under the lowest tread for its side and the mark of a finding. */
const UNDER = 26;
/** The line of the floor, on which the minutes stand. */
export const BASE = TOP + HEIGHT + TREAD + UNDER;
/** Under it, the minutes and the stretches of the class. */
export const FOOT = 42;

/** `M x y h w v h z` of a box: many boxes of one look are one path, so that an edit changes a dozen elements. */
export const box = (x: number, y: number, width: number, height: number): string =>
  `M${x.toFixed(1)} ${y}h${width.toFixed(1)}v${height}h${(-width).toFixed(1)}z`;
