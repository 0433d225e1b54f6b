import type { BasePosition, Pose } from '@warm-ladder/core/body';
import { memo } from 'react';
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

/** The drawn body of a pose, from the side, on its floor. */
export const Figure = memo(function Figure({ pose, from, like, view = 'side', label, className }: FigureProps) {
  const drawings = [...(from ? [drawingOf(from, like, view)] : []), drawingOf(pose, like, view)];
  const { x, width, height } = frameOf(drawings);
  return (
    <svg
      viewBox={`${x} ${-height} ${width} ${height + 0.1}`}
      className={className}
      preserveAspectRatio="xMidYMax meet"
      role="img"
      aria-label={label}
      aria-hidden={label === undefined}
    >
      <line x1={x + 0.05} x2={x + width - 0.05} y1={0.06} y2={0.06} className="stroke-line" strokeWidth={0.02} />
      {drawings.map((drawing, i) => (
        <Body key={i} drawing={drawing} ghost={i < drawings.length - 1} />
      ))}
    </svg>
  );
});

function Body({ drawing, ghost }: { drawing: Drawing; ghost: boolean }) {
  const { far, near, trunk, head, raised } = drawing;
  const limb = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round', stroke: 'currentColor' } as const;
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
      {far.map((d) => (
        <path key={d} d={d} {...limb} strokeWidth={0.065} opacity={ghost ? 1 : 0.45} />
      ))}
      <path d={trunk} {...limb} strokeWidth={0.135} />
      <circle cx={head.x} cy={-head.y} r={0.085} fill="currentColor" />
      {near.map((d) => (
        <path key={d} d={d} {...limb} strokeWidth={0.075} />
      ))}
    </g>
  );
}
