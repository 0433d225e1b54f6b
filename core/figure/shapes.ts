import type { Camera, Spot, Spot3 } from './camera';

/** Outlines are written in whole thousandths of a body height, y down the page: a fraction takes five times as long. */
export const OUTLINE = 0.001;

const at = (x: number, y: number): string => `${round(x)} ${round(-y)}`;
const round = (value: number): number => Math.round(value / OUTLINE);

export const flat = ({ right, up }: Camera, p: Spot3): Spot => ({
  x: p.x * right.x + p.y * right.y + p.z * right.z,
  y: p.x * up.x + p.y * up.y + p.z * up.z,
});
export const depthOf = ({ near }: Camera, p: Spot3): number => p.x * near.x + p.y * near.y + p.z * near.z;

/** The room a drawing takes. */
export interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}
export const emptyBox = (): Box => ({
  left: Number.POSITIVE_INFINITY,
  right: Number.NEGATIVE_INFINITY,
  top: Number.NEGATIVE_INFINITY,
  bottom: Number.POSITIVE_INFINITY,
});

export function widen(box: Box, { x, y }: Spot, by = 0): void {
  if (x - by < box.left) box.left = x - by;
  if (x + by > box.right) box.right = x + by;
  if (y + by > box.top) box.top = y + by;
  if (y - by < box.bottom) box.bottom = y - by;
}

/** A limb: two discs and what is between them. */
export function taper(a: Spot, ra: number, b: Spot, rb: number): string {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = Math.hypot(dx, dy);
  // One disc within the other: seen end on.
  if (length <= Math.abs(ra - rb) + 1e-6) return ra >= rb ? disc(a, ra) : disc(b, rb);
  const [ux, uy] = [dx / length, dy / length];
  const sine = (ra - rb) / length;
  const cosine = Math.sqrt(1 - sine * sine);
  const [nx, ny] = [ux * sine - uy * cosine, uy * sine + ux * cosine];
  const [mx, my] = [ux * sine + uy * cosine, uy * sine - ux * cosine];
  // Whole numbers in one template: pieces put together from pieces are most of what drawing a page of bodies makes.
  const [x, y] = [round(a.x + nx * ra), round(-a.y - ny * ra)];
  const [x2, y2] = [round(b.x + nx * rb), round(-b.y - ny * rb)];
  const [x3, y3] = [round(b.x + mx * rb), round(-b.y - my * rb)];
  const [x4, y4] = [round(a.x + mx * ra), round(-a.y - my * ra)];
  const [near, far] = [round(ra), round(rb)];
  const [wide, narrow] = [sine > 0 ? 1 : 0, sine < 0 ? 1 : 0];
  return `M${x} ${y}L${x2} ${y2}A${far} ${far} 0 ${narrow} 1 ${x3} ${y3}L${x4} ${y4}A${near} ${near} 0 ${wide} 1 ${x} ${y}Z`;
}

export const disc = ({ x, y }: Spot, r: number): string =>
  `M${at(x - r, y)}A${round(r)} ${round(r)} 0 1 1 ${at(x + r, y)}A${round(r)} ${round(r)} 0 1 1 ${at(x - r, y)}Z`;

/** An ellipsoid by its three half axes, as the ellipse it is seen as. */
export function ellipsoid(camera: Camera, centre: Spot, axes: readonly Spot3[]): string {
  let [xx, xy, yy] = [0, 0, 0];
  for (const axis of axes) {
    const { x, y } = flat(camera, axis);
    xx += x * x;
    xy += x * y;
    yy += y * y;
  }
  const mean = (xx + yy) / 2;
  const half = Math.hypot((xx - yy) / 2, xy);
  const [long, short] = [Math.sqrt(mean + half), Math.sqrt(Math.max(1e-9, mean - half))];
  const turn = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [c, s] = [Math.cos(turn) * long, Math.sin(turn) * long];
  const ends = [at(centre.x - c, centre.y - s), at(centre.x + c, centre.y + s)] as const;
  const arc = `A${round(long)} ${round(short)} ${Math.round((-turn * 180) / Math.PI)} 1 1 `;
  return `M${ends[0]}${arc}${ends[1]}${arc}${ends[0]}Z`;
}

/** The hull of some points: how a box or a slab is seen. */
export function hull(points: readonly Spot[]): string {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const turn = (o: Spot, a: Spot, b: Spot) => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);
  const half = (ordered: readonly Spot[]): Spot[] => {
    const kept: Spot[] = [];
    for (const point of ordered) {
      while (kept.length > 1 && turn(kept.at(-2) as Spot, kept.at(-1) as Spot, point) <= 1e-9) kept.pop();
      kept.push(point);
    }
    return kept.slice(0, -1);
  };
  return `${line([...half(sorted), ...half(sorted.reverse())])}Z`;
}

export const line = (points: readonly Spot[]): string => `M${points.map(({ x, y }) => at(x, y)).join('L')}`;
