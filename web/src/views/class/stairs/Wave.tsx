import type { Method, Order } from '@warm-ladder/core/method';
import type { TimedClass } from '@warm-ladder/core/plan';
import { idealHeat, spanOf, stagesOf } from '@warm-ladder/core/review';
import { memo } from 'react';
import type { Tread } from '../../../parts/classes/stairs';
import { BASE, LEFT, TOP } from './measure';

/** Where a heat from 0 to 100 stands: the floor is 0. */
const heightOf = (heat: number): number => BASE - (heat / 100) * (BASE - TOP);

interface WaveProps {
  readonly timed: TimedClass;
  readonly treads: readonly Tread[];
  readonly method: Method;
  readonly order: Order;
  /** Pixels of a second. */
  readonly scale: number;
}

/**
 * The effort over time as one wave from step to step, the shape the house likes best pale behind it, and the stretches
 * of a class named along the floor.
 */
export const Wave = memo(function Wave({ timed, treads, method, order, scale }: WaveProps) {
  if (treads.length < 3) return null;
  const hottest = Math.max(...treads.map(({ heat }) => heat));
  const [begin, end] = spanOf(timed.blocks);
  const x = (share: number) => LEFT + (begin + share * (end - begin)) * scale;
  const ideal = Array.from({ length: POINTS + 1 }, (_, i) => {
    const share = i / POINTS;
    return [x(share), heightOf(hottest * idealHeat(share, method.score.peakAt, order))] as const;
  });
  const points = treads.map(({ x: left, width, heat }) => [LEFT + left + width / 2, heightOf(heat)] as const);
  return (
    <>
      <path d={`${lineOf(ideal)}V${BASE}H${x(0).toFixed(1)}z`} className="fill-shade" fillOpacity="0.8" />
      <path
        d={waveOf(points)}
        fill="none"
        className="stroke-heat-3"
        strokeOpacity="0.55"
        strokeWidth="3"
        strokeLinecap="round"
      />
      {stagesOf(method.limits).map(({ name, from, to }) => (
        <g key={name}>
          <path
            d={`M${(x(from) + 2).toFixed(1)} ${BASE + 26}H${(x(to) - 2).toFixed(1)}`}
            className="stroke-line"
            strokeWidth="2"
          />
          <text x={x((from + to) / 2)} y={BASE + 38} textAnchor="middle" className="fill-soft text-[12px]">
            {name}
          </text>
        </g>
      ))}
    </>
  );
});

/** Points along the shape that is liked best. */
const POINTS = 24;

type Point = readonly [number, number];
const spot = ([x, y]: Point): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
const lineOf = ([first, ...rest]: readonly Point[]): string =>
  first ? `M${spot(first)}${rest.map((each) => `L${spot(each)}`).join('')}` : '';

/** Level where it passes each point, so that no step looks harder than it is. */
function waveOf(points: readonly Point[]): string {
  return points
    .map((point, i) => {
      const before = points[i - 1];
      if (!before) return `M${spot(point)}`;
      const middle = (before[0] + point[0]) / 2;
      return `C${spot([middle, before[1]])} ${spot([middle, point[1]])} ${spot(point)}`;
    })
    .join('');
}
