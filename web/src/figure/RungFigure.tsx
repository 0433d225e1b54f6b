import { isUpright } from '@warm-ladder/core/body';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { Figure } from './Figure';

/** Degrees of side bend from which an upright body is drawn from the front. */
const SIDEWAYS = 12;
const bendsSideways = ({ rung, like }: RungEntry): boolean =>
  isUpright(like) && Object.values(rung.poses).some(({ sideBend = 0 }) => Math.abs(sideBend) >= SIDEWAYS);

/** A rung in one picture: the pose its effort arrives at, with the pose it starts from behind. */
export function RungFigure({ entry, className, label }: { entry: RungEntry; className?: string; label?: string }) {
  const { rung, like } = entry;
  const effort =
    rung.phases.find((phase) => phase.effort && phase.pose !== rung.start) ??
    rung.phases.find((phase) => phase.pose !== rung.start);
  const start = rung.poses[rung.start];
  const pose = (effort && rung.poses[effort.pose]) ?? start;
  if (!pose) return null;
  return (
    <Figure
      pose={pose}
      from={pose === start ? undefined : start}
      like={like}
      view={bendsSideways(entry) ? 'front' : 'side'}
      {...(className ? { className } : {})}
      {...(label ? { label } : {})}
    />
  );
}
