import type { RungEntry } from '@warm-ladder/core/repertoire';
import { viewOf } from './drawing';
import { Figure } from './Figure';

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
      view={viewOf(Object.values(rung.poses), like)}
      {...(className ? { className } : {})}
      {...(label ? { label } : {})}
    />
  );
}
