import { isUpright, liesOnSide } from '../../vocabulary/bodies/position';
import { type Pose, type Side, supportsOf } from '../poses/pose';
import { dot, type Point } from '../poses/skeleton';
import type { BasePosition } from '../position';
import type { Want } from './bringing';
import type { Placed } from './placed';
import { type Bearing, type FleshyPart, restingPoint, type Surfaces } from './resting';
import type { LimbName } from './turning';

/** What a body moves on, and what of it moves along what carries it. */
export interface Footing {
  readonly like: BasePosition;
  readonly heightM: number;
  readonly surfaces: Surfaces;
  /** Whether a support goes along what carries it: its words say that it slides, or a carriage or a roller takes it along. */
  readonly slides: (support: string) => boolean;
}

/** Metres by which what is planted may stray, as a share of height; farther, it is set down elsewhere. */
export const STRAYS = 0.006;
/** Metres as standard deviations: a planted limb, a trunk that lies, and its height. */
export const PLANTED = 0.0015;
const LIES = { pelvis: 0.006, other: 0.02 } as const;
/** A part that bears at both ends of a movement. */
export interface Plant {
  readonly support: string;
  readonly limb: LimbName | null;
  readonly place: (bones: Bearing) => Point;
  readonly above: boolean;
}

const LEG = /^(foot|heel|toe|shin|knee|thigh)\./;
const ARM = /^(hand|fist|forearm|elbow)\./;

/** The limb a support belongs to; a part of the trunk has none. */
function limbOfSupport(support: string): LimbName | null {
  const side = support.endsWith('right') ? 'right' : 'left';
  if (LEG.test(support)) return `leg.${side}`;
  return ARM.test(support) ? `arm.${side}` : null;
}

/** Metres of the toes over the ankle. */
export const toesOver = ({ bones, ground: { up } }: Placed, side: Side): number =>
  dot(bones.leg[side].tip, up) - dot(bones.leg[side].end, up);
/** Toes lower than the ankle by this share of height carry the foot. */
const TIPTOE = 0.03;

/** What bears at both ends, and where on the body it is held. */
export function plantsOf(from: Pose, to: Pose, a: Placed, b: Placed, { like, heightM, surfaces }: Footing): Plant[] {
  const there = supportsOf(to);
  const plants: Plant[] = [];
  for (const support of supportsOf(from)) {
    const limb = limbOfSupport(support);
    // A hand on a wall or a bar is planted too, however high that is; a trunk lies only on what is known.
    if (!there.has(support) || (limb === null && surfaces(support) === null)) continue;
    // Standing at a wall, the back goes along it.
    if (limb === null && isUpright(like) && support !== 'pelvis') continue;
    const side: Side = support.endsWith('right') ? 'right' : 'left';
    const part = support.split('.')[0] as FleshyPart;
    const put = (place: Plant['place'], above = false) => plants.push({ support, limb, place, above });
    if (part === 'foot') {
      const toes = [a, b].some((body) => toesOver(body, side) < -TIPTOE * heightM);
      put(toes ? ({ leg }) => leg[side].tip : ({ leg }) => leg[side].end);
    } else if (part === 'forearm') {
      put(({ arm }) => arm[side].middle, true);
      put(({ arm }) => arm[side].end);
    } else if (part === 'hand' || part === 'fist') put(({ arm }) => arm[side].end);
    else if (part === 'shin') {
      put(({ leg }) => leg[side].middle, true);
      put(({ leg }) => leg[side].end);
    } else if (limb === null && liesOnSide(like)) {
      if (part === 'pelvis') put(({ leg }) => leg.left.root);
      if (part === 'ribs') put(({ arm }) => arm.left.root);
    } else {
      put(
        (bones) => restingPoint(bones, part, side) ?? bones.hip,
        part === 'knee' || part === 'thigh' || part === 'elbow',
      );
    }
  }
  return plants;
}

export const wantOf = ({ limb, place, above, support }: Plant, to: Point): Want => {
  const across = limb ? PLANTED : support === 'pelvis' ? LIES.pelvis : LIES.other;
  return { limb, place, above, to, across, rise: PLANTED };
};
