import { rungScene } from '@warm-ladder/core/figure';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { SceneFigure } from './Figure';

/** A rung in one picture: the pose its effort arrives at, with the pose it starts from behind. */
export function RungFigure({ entry, className, label }: { entry: RungEntry; className?: string; label?: string }) {
  const scene = rungScene(entry);
  return scene && <SceneFigure scene={scene} className={className} label={label} />;
}

/** Draws a figure before anyone sees it. */
export const drawAhead = (entry: RungEntry): void => {
  rungScene(entry);
};
