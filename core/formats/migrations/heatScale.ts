/**
 * Heats of a wide repertoire on the scale of version 1 and on that of version 2, place by place from the coolest: what a person typed
 * on the one is carried onto the other along this line. Source: docs/heat.md, "The earlier scale".
 */
const SCALE: ReadonlyArray<readonly [earlier: number, now: number]> = [
  [0, 0],
  [9, 11],
  [14, 16],
  [22, 22],
  [29, 30],
  [36, 46],
  [43, 63],
  [52, 82],
  [60, 91],
  [100, 100],
];

/** A heat of the earlier scale on this one, to whole degrees; 0 to 100 both. */
export function carriedHeat(earlier: number): number {
  const above = SCALE.findIndex(([from]) => earlier <= from);
  const [x1, y1] = SCALE[Math.max(0, above)] ?? [100, 100];
  const [x0, y0] = SCALE[Math.max(0, above - 1)] ?? [0, 0];
  const share = x1 === x0 ? 1 : (earlier - x0) / (x1 - x0);
  return Math.round(y0 + share * (y1 - y0));
}
