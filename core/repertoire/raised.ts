import type { PositionGraph } from '../body';
import type { Exercise, Prop, Rung } from './exercise';

/** How high a small prop of unsaid height carries, in metres: a block, a ball, a folded mat. */
const SMALL_PROP_M = 0.25;

/** How high a rung's props may carry a support, in metres; a position of the studio's own stands for an apparatus. */
export function raisedBy(exercise: Exercise, rung: Rung, graph: PositionGraph, props: readonly Prop[]): number {
  if (!graph.isBase(exercise.position)) return Number.POSITIVE_INFINITY;
  const used = props.filter(({ id }) => rung.props?.includes(id));
  return Math.max(0, ...used.map(({ heightM, large }) => heightM ?? (large ? Number.POSITIVE_INFINITY : SMALL_PROP_M)));
}
