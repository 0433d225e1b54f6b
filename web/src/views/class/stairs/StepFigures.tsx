import { rungScene } from '@warm-ladder/core/figure';
import type { TimedClass } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { memo } from 'react';
import { SceneFigure } from '../../../figure/Figure';
import type { Tread } from '../../../parts/classes/stairs';
import { LEFT, TOP } from './measure';

/** Pixels of a figure, and of the narrowest tread one can stand on. */
const [TALL, WIDE, LEAST] = [34, 62, 24];

interface StepFiguresProps {
  readonly treads: readonly Tread[];
  readonly sequence: TimedClass['sequence'];
}

/** The people on the steps, where there is room: one figure a block, as it is done on its first side. */
export default memo(function StepFigures({ treads, sequence }: StepFiguresProps) {
  return treads.map(({ id, block, pass, x, y, width }) => {
    const part = sequence[block];
    if (pass > 0 || width < LEAST || part?.kind !== 'block') return null;
    const own = Math.min(WIDE, width);
    return (
      <g key={id} transform={`translate(${(LEFT + x + (width - own) / 2).toFixed(1)} ${TOP + y - TALL})`}>
        <StepFigure entry={part.entry} width={Math.round(own)} />
      </g>
    );
  });
});

/** Drawn anew only for another rung: every edit moves the steps after it. */
const StepFigure = memo(function StepFigure({ entry, width }: { entry: RungEntry; width: number }) {
  const scene = rungScene(entry);
  return scene && <SceneFigure scene={scene} box={{ width, height: TALL }} />;
});
