import type { BasePosition, Pose } from '@warm-ladder/core/body';
import { memo, type ReactNode } from 'react';
import { type Drawing, drawingOf, frameOf, type View } from './drawing';
import { FAR_OPACITY, FLOOR, HEAD_RADIUS, MAT, WIDTHS } from './look';

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
      viewBox={`${x} ${-height} ${width} ${depth + FLOOR.under}`}
      className={className}
      preserveAspectRatio="xMidYMax meet"
      role={interactive ? 'group' : 'img'}
      aria-label={label}
      aria-hidden={label === undefined}
    >
      {view === 'top' ? (
        <rect
          x={x + MAT.margin}
          y={MAT.top - height}
          width={width - 2 * MAT.margin}
          height={depth - MAT.margin}
          rx={MAT.round}
          className="fill-shade stroke-line"
          strokeWidth={MAT.line}
        />
      ) : (
        <line
          x1={x + FLOOR.margin}
          x2={x + width - FLOOR.margin}
          y1={FLOOR.y}
          y2={FLOOR.y}
          className="stroke-line"
          strokeWidth={FLOOR.width}
        />
      )}
      {children}
    </svg>
  );
}

const LIMB = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round', stroke: 'currentColor' } as const;

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
        <path key={i} d={d} {...LIMB} strokeWidth={WIDTHS.far} opacity={ghost ? 1 : FAR_OPACITY} />
      ))}
      <path d={trunk} {...LIMB} strokeWidth={WIDTHS.trunk} />
      <circle cx={head.x} cy={-head.y} r={HEAD_RADIUS} fill="currentColor" />
      {near.map((d, i) => (
        <path key={i} d={d} {...LIMB} strokeWidth={WIDTHS.near} />
      ))}
    </g>
  );
}
