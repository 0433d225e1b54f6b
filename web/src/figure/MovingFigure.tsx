import {
  type Drawing,
  type Frame,
  frameOf,
  isOnFloor,
  phasesOf,
  rungScene,
  viewOfRung,
} from '@warm-ladder/core/figure';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { memo, useCallback, useEffect, useMemo, useRef } from 'react';
import { useNear } from '../parts/useNear';
import { eased, type Motion, motionOf, onEveryFrame } from './motion';
import { painterOf } from './paint';
import { RungFigure } from './RungFigure';
import { useStill } from './useStill';

/** A moment of a repetition: the phase by its id, and how much of its time has passed, from 0 to 1. */
export interface PhasePlace {
  readonly phase: string;
  readonly share: number;
}

interface MovingFigureProps {
  readonly entry: RungEntry;
  /** The method's, for a rung that names no tempo of its own. */
  readonly secondsPerCount: number;
  /** Rungs drawn beside it, itself among them: all get one window and so one scale. */
  readonly beside?: readonly RungEntry[];
  readonly className?: string;
  readonly label?: string;
  /**
   * Where it is just now, for a figure that keeps somebody else’s time; null: where a repetition begins. By a clock of
   * its own when unsaid.
   */
  readonly placeNow?: (() => PhasePlace | null) | undefined;
}

/** A rung as it moves, on its own breath and counts; it stands still for those who ask their machine for less motion. */
export const MovingFigure = memo(function MovingFigure({
  entry,
  secondsPerCount,
  beside,
  className,
  label,
  placeNow,
}: MovingFigureProps) {
  const still = useStill();
  const view = viewOfRung(entry);
  const pace = entry.rung.dose.secondsPerCount ?? secondsPerCount;
  const motion = useMemo(() => motionOf(phasesOf(entry, view), pace), [entry, view, pace]);
  const frame = useMemo(
    () => frameOf((beside ?? [entry]).flatMap(onTheWay), view, isOnFloor(entry)),
    [beside, entry, view],
  );
  if (still || !motion) {
    return <RungFigure entry={entry} {...(className ? { className } : {})} {...(label ? { label } : {})} />;
  }
  return <Moving {...{ entry, motion, frame, className, label, placeNow }} />;
});

/** Shares of a phase at which the frame is measured, so that nothing leaves it on the way. */
const PROBES = [0, 0.5];
interface MovingProps {
  readonly entry: RungEntry;
  readonly motion: Motion;
  readonly frame: Frame;
  readonly className: string | undefined;
  readonly label: string | undefined;
  readonly placeNow: MovingFigureProps['placeNow'];
}

/** A rung as it is drawn all along its way: what its window must hold. */
const onTheWay = (entry: RungEntry): Drawing[] =>
  phasesOf(entry, viewOfRung(entry)).flatMap(({ along }) => PROBES.map((share) => along(share)));

function Moving({ entry, motion, frame, className, label, placeNow }: MovingProps) {
  const canvasRef = useRef<HTMLCanvasElement>(null);
  const [watch, near] = useNear<HTMLCanvasElement>(false);
  const attach = useCallback(
    (node: HTMLCanvasElement | null) => {
      canvasRef.current = node;
      return watch(node);
    },
    [watch],
  );
  const mat = rungScene(entry)?.mat ?? null;
  useEffect(() => {
    // Out of sight it stands still: a page of figures costs what is seen of it.
    const canvas = canvasRef.current;
    if (!canvas || !near) return;
    let paint = painterOf(canvas, frame, mat);
    const again = () => {
      paint = painterOf(canvas, frame, mat);
    };
    const resized = new ResizeObserver(again);
    resized.observe(canvas);
    // Night falls while it moves: a canvas keeps the colours it was given.
    const night = matchMedia('(prefers-color-scheme: dark)');
    night.addEventListener('change', again);
    const stop = onEveryFrame((seconds) => {
      const { stretch, share, way } = placeNow ? standingAt(motion, placeNow()) : motion.at(seconds);
      paint?.(stretch.along(way), airAt(stretch.phase.breath, share));
    });
    return () => {
      resized.disconnect();
      night.removeEventListener('change', again);
      stop();
    };
  }, [near, motion, frame, mat, placeNow]);
  return <canvas ref={attach} role="img" aria-label={label} aria-hidden={label === undefined} className={className} />;
}

/** Where a repetition is when somebody else says it; before it begins where that is not said. */
function standingAt(motion: Motion, place: PhasePlace | null): ReturnType<Motion['at']> {
  const stretch = motion.stretches.find(({ phase }) => phase.id === place?.phase);
  return place && stretch ? { stretch, share: place.share, way: eased(place.share) } : motion.at(0);
}

/** How full of air a body is, 0 to 1, a share of the way through a phase. */
function airAt(breath: 'in' | 'out' | 'hold' | 'free', share: number): number {
  if (breath === 'in') return share;
  return breath === 'out' ? 1 - share : 0.5;
}
