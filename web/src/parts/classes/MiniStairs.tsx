import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { heatStep } from '../rungs/heat';
import { layStairs } from './stairs';

interface MiniStairsProps {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  /** Seconds across. */
  readonly span: number;
  /** The block worked on, marked. */
  readonly selected?: string | null;
  /** Its height. */
  readonly className?: string;
}

/** The stairs of a class at a glance, to the scale of `span` seconds so that several can be compared. */
export function MiniStairs({ catalog, timed, span, selected = null, className = 'h-16' }: MiniStairsProps) {
  const { treads, risers } = layStairs(catalog, timed, 400, 56, span);
  return (
    <svg viewBox="0 0 400 66" preserveAspectRatio="none" className={`w-full ${className}`} aria-hidden="true">
      {risers.map(({ x, width, from, to }) => (
        <line key={x} x1={x} x2={x + width} y1={from + 4} y2={to + 4} className="stroke-soft" strokeWidth="1" />
      ))}
      {treads.map(({ id, x, width, y, heat }) => (
        <g key={x} className={heatStep(heat).fill}>
          {id === selected && <rect x={x} y={0} width={width} height={66} className="fill-ink" opacity="0.25" />}
          <rect x={x} y={y} width={width} height={66 - y} opacity="0.18" />
          <rect x={x} y={y} width={Math.max(1, width - 0.8)} height={9} />
        </g>
      ))}
    </svg>
  );
}
