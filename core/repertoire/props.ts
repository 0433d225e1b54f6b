import {
  armBears,
  type BasePosition,
  type Pose,
  type PositionGraph,
  pelvisBears,
  restsAbove,
  ribsBear,
  SIDES,
} from '../body';
import { isSeated, isUpright } from '../vocabulary/bodies/position';
import type { RungEntry } from './catalog';

/** Degrees of lean from which a body is taken to lean on something. */
const LEANING = 10;

/**
 * Whether something beside the body shows every sway: the rung says so, or a large firm prop (a wall) stands there and
 * nothing of the body rests on it in any pose. Sitting, and on an apparatus, a large prop is what one sits or lies on.
 */
export function isGuided(
  { position, like, rung, props }: Pick<RungEntry, 'position' | 'like' | 'rung' | 'props'>,
  graph: PositionGraph,
  heightM: number,
): boolean {
  if (rung.guided !== undefined) return rung.guided;
  if (!graph.isBase(position) || isSeated(like)) return false;
  if (!props.some(({ large, unstable }) => large && !unstable)) return false;
  return Object.values(rung.poses).every((pose) => !restsOnMore(pose, like, heightM));
}

/** Whether a pose rests on more than the floor: it leans, holds on, or has a support that the floor does not reach. */
const restsOnMore = (pose: Pose, like: BasePosition, heightM: number): boolean =>
  Math.abs(pose.pitch ?? 0) >= LEANING ||
  (isUpright(like) && (ribsBear(pose) || pelvisBears(pose) || SIDES.some((side) => armBears(pose, side)))) ||
  restsAbove(pose, like, heightM);
