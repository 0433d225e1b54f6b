import type { RungEntry } from '@warm-ladder/core/repertoire';
import { memo, useEffect, useMemo, useRef } from 'react';
import { type Drawing, drawingOf, frameOf, viewOf } from './drawing';
import { Body, FigureFrame } from './Figure';
import { motionOf, onEveryFrame } from './motion';
import { RungFigure } from './RungFigure';
import { useStill } from './useStill';

interface MovingFigureProps {
  readonly entry: RungEntry;
  /** The method's, for a rung that names no tempo of its own. */
  readonly secondsPerCount: number;
  /** Rungs drawn beside it, itself among them: all get one window and so one scale. */
  readonly beside?: readonly RungEntry[];
  readonly className?: string;
  readonly label?: string;
}

/** A rung as it moves, on its own breath and counts; it stands still for those who ask their machine for less motion. */
export const MovingFigure = memo(function MovingFigure({
  entry,
  secondsPerCount,
  beside,
  className,
  label,
}: MovingFigureProps) {
  const still = useStill();
  const motion = useMemo(() => motionOf(entry.rung, secondsPerCount), [entry.rung, secondsPerCount]);
  const frame = useMemo(
    () => frameOf((beside ?? [entry]).flatMap((each) => onTheWay(each, secondsPerCount))),
    [beside, entry, secondsPerCount],
  );
  if (still || !motion) {
    return <RungFigure entry={entry} {...(className ? { className } : {})} {...(label ? { label } : {})} />;
  }
  return <Moving entry={entry} motion={motion} frame={frame} className={className} label={label} />;
});

/** Shares of a phase at which the frame is measured, so that nothing leaves it on the way. */
const PROBES = [0, 0.25, 0.5, 0.75];
/** The ring of breath: how small it is when empty, and how much it swells. */
const RING = { x: 0.1, empty: 0.025, full: 0.055 };

interface MovingProps {
  readonly entry: RungEntry;
  readonly motion: NonNullable<ReturnType<typeof motionOf>>;
  readonly frame: ReturnType<typeof frameOf>;
  readonly className: string | undefined;
  readonly label: string | undefined;
}

/** A rung as it is drawn all along its way: what its window must hold. */
function onTheWay({ rung, like }: RungEntry, secondsPerCount: number): Drawing[] {
  const view = viewOf(Object.values(rung.poses), like);
  const stretches = motionOf(rung, secondsPerCount)?.stretches ?? [];
  return stretches.flatMap(({ at }) => PROBES.map((share) => drawingOf(at(share), like, view)));
}

function Moving({ entry, motion, frame, className, label }: MovingProps) {
  const { rung, like } = entry;
  const body = useRef<SVGGElement>(null);
  const ring = useRef<SVGCircleElement>(null);
  const { view, first } = useMemo(() => {
    const seen = viewOf(Object.values(rung.poses), like);
    return { view: seen, first: drawingOf(motion.poseAt(0).pose, like, seen) };
  }, [rung, like, motion]);

  useEffect(() => {
    const group = body.current;
    if (!group) return;
    const { far, trunk, head, near } = partsOf(group);
    return onEveryFrame((seconds) => {
      const { pose, stretch, share } = motion.poseAt(seconds);
      const drawing = drawingOf(pose, like, view);
      for (const [i, path] of far.entries()) path.setAttribute('d', drawing.far[i] ?? '');
      for (const [i, path] of near.entries()) path.setAttribute('d', drawing.near[i] ?? '');
      trunk?.setAttribute('d', drawing.trunk);
      head?.setAttribute('cx', String(drawing.head.x));
      head?.setAttribute('cy', String(-drawing.head.y));
      ring.current?.setAttribute('r', String(RING.empty + RING.full * airAt(stretch.phase.breath, share)));
    });
  }, [motion, like, view]);

  return (
    <FigureFrame frame={frame} view={view} label={label} className={className}>
      <g ref={body}>
        <Body drawing={first} ghost={false} />
      </g>
      <circle
        ref={ring}
        cx={frame.x + RING.x}
        cy={-frame.height + 0.14}
        r={RING.empty}
        className="fill-none stroke-moss"
        strokeWidth={0.016}
      />
    </FigureFrame>
  );
}

/** How full of air a body is, 0 to 1, a share of the way through a phase. */
function airAt(breath: 'in' | 'out' | 'hold' | 'free', share: number): number {
  if (breath === 'in') return share;
  return breath === 'out' ? 1 - share : 0.5;
}

/** The lines of a drawn body, in the order `Body` draws them: far limbs, trunk, head, near limbs. */
function partsOf(group: SVGGElement) {
  const paths = [...group.querySelectorAll('path')];
  const far = paths.slice(0, 2);
  return { far, trunk: paths[2], head: group.querySelector('circle'), near: paths.slice(3) };
}
