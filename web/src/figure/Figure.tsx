import type { BasePosition, Pose } from '@warm-ladder/core/body';
import { memo, type ReactNode } from 'react';
import { type Drawing, drawingOf, frameOf, type View } from './drawing';

interface FigureProps {
  /** The pose drawn in ink. */
  readonly pose: Pose;
  /** Where the movement comes from, drawn faintly behind. */
  readonly from?: Pose | undefined;
  readonly like: BasePosition;
  readonly view?: View;
  /** What it shows, for those who can't see it; none where the words stand beside it. */
  readonly label?: string;
  readonly className?: string;
}

/** The drawn body of a pose on its floor: from the side, the front, or above. */
export const Figure = memo(function Figure({ pose, from, like, view = 'side', label, className }: FigureProps) {
  const drawings = [...(from ? [drawingOf(from, like, view)] : []), drawingOf(pose, like, view)];
  return (
    <FigureFrame frame={frameOf(drawings)} view={view} label={label} className={className}>
      {drawings.map((drawing, i) => (
        <Body key={i} drawing={drawing} ghost={i < drawings.length - 1} />
      ))}
    </FigureFrame>
  );
});

interface FigureFrameProps {
  readonly frame: ReturnType<typeof frameOf>;
  readonly view: View;
  readonly label?: string | undefined;
  readonly className?: string | undefined;
  /** Parts of it can be taken hold of, so it is a group of things and not one picture. */
  readonly interactive?: boolean;
  readonly children: ReactNode;
}

/** The window a body is drawn in, with the floor it is on; seen from above, the mat under it. */
export function FigureFrame({ frame, view, label, className, interactive = false, children }: FigureFrameProps) {
  const { x, width, height, bottom } = frame;
  const depth = height - bottom;
  return (
    <svg
      viewBox={`${x} ${-height} ${width} ${depth + 0.1}`}
      className={className}
      preserveAspectRatio="xMidYMax meet"
      role={interactive ? 'group' : 'img'}
      aria-label={label}
      aria-hidden={label === undefined}
    >
      {view === 'top' ? (
        <rect
          x={x + 0.04}
          y={-height + 0.06}
          width={width - 0.08}
          height={depth - 0.04}
          rx={0.05}
          className="fill-shade/60 stroke-line"
          strokeWidth={0.012}
        />
      ) : (
        <line x1={x + 0.05} x2={x + width - 0.05} y1={0.06} y2={0.06} className="stroke-line" strokeWidth={0.02} />
      )}
      {children}
    </svg>
  );
}

/** How the lines of a body look. */
const LIMB = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round', stroke: 'currentColor' } as const;
const FAR = { strokeWidth: 0.065, opacity: 0.45 } as const;
const NEAR = { strokeWidth: 0.075 } as const;
const TRUNK = { strokeWidth: 0.135 } as const;
const HEAD_RADIUS = 0.085;

export function Body({ drawing, ghost }: { drawing: Drawing; ghost: boolean }) {
  const { far, near, trunk, head, raised } = drawing;
  return (
    <g className={ghost ? 'text-ink/20' : 'text-ink'}>
      {!ghost &&
        raised.map(({ x, y }) => (
          <rect
            key={x}
            x={x - 0.11}
            y={-y + 0.03}
            width={0.22}
            height={y + 0.03}
            rx={0.03}
            className="fill-shade stroke-line"
            strokeWidth={0.015}
          />
        ))}
      {far.map((d, i) => (
        <path key={i} d={d} {...LIMB} {...FAR} opacity={ghost ? 1 : FAR.opacity} />
      ))}
      <path d={trunk} {...LIMB} {...TRUNK} />
      <circle cx={head.x} cy={-head.y} r={HEAD_RADIUS} fill="currentColor" />
      {near.map((d, i) => (
        <path key={i} d={d} {...LIMB} {...NEAR} />
      ))}
    </g>
  );
}
