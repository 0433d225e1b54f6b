import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { clock, titleOf } from '@warm-ladder/core/review';
import type { Log, PassAt } from '@warm-ladder/core/taught';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { layStairs } from '../../parts/classes/stairs';
import { heatStep } from '../../parts/rungs/heat';
import { useWidth } from '../../parts/useWidth';

interface TwoTimelinesProps {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly log: Log;
  /** Seconds the pictures are wide: two logs beside each other share them. */
  readonly span: number;
  /** Where what was taught can be corrected by hand: the side that is held, and what is done to it. */
  readonly correcting?: Correcting | undefined;
}

/** A hand on the picture of what was taught. */
interface Correcting {
  readonly chosen: PassAt | null;
  readonly onChoose: (at: PassAt) => void;
  readonly onBorder: (at: PassAt, edge: 'start' | 'end', seconds: number) => void;
}

/** Seconds that hold a plan and its logs. */
export const spanOf = ({ seconds }: TimedClass, ...logs: ReadonlyArray<Log | undefined>): number =>
  Math.max(seconds, 60, ...logs.map((log) => log?.endedSeconds ?? 0)) * 1.02;

/** Pixels: a column of words at the left, each of the two pictures, and the strip of ties between them. */
const [LEFT, HEIGHT, TIES, SLAB] = [76, 78, 54, 10];

/** The class as it was planned, over the class as it was taught, each block tied to itself. */
export function TwoTimelines({ catalog, timed, log, span, correcting }: TwoTimelinesProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const wide = Math.max(0, width - LEFT - 8);
  const { treads, quiet, scale } = layStairs(catalog, timed, wide, HEIGHT - SLAB, span);
  const below = HEIGHT + TIES;
  const taught = (log.blocks ?? []).flatMap(({ id, passes = [] }) =>
    passes.flatMap(({ startSeconds, endSeconds }, pass) => {
      if (startSeconds === undefined) return [];
      const planned = treads.find((tread) => tread.id === id && tread.pass === pass);
      const x = startSeconds * scale;
      const wideness = Math.max(2, ((endSeconds ?? startSeconds + 1) - startSeconds) * scale);
      const rest = quiet.find((step) => step.id === id);
      const look = planned ? heatStep(planned.heat).fill : rest ? QUIET : 'fill-none stroke-ink';
      const y = planned?.y ?? rest?.y ?? HEIGHT - SLAB;
      const name = planned?.name ?? rest?.name ?? 'Not in the plan';
      return [
        {
          key: `${id}-${pass}`,
          pass: { block: id, pass },
          until: endSeconds ?? startSeconds + 1,
          planned: planned ?? rest,
          look,
          y,
          name,
          x,
          width: wideness,
          at: startSeconds,
        },
      ];
    }),
  );
  const done = new Set(taught.map(({ key }) => key));
  const skipped = new Set((log.blocks ?? []).filter(({ did }) => did === 'skipped').map(({ id }) => id));
  // A log by hand may know nothing but what was left out.
  const wasLeft = (id: string, pass: number) => skipped.has(id) || (done.size > 0 && !done.has(`${id}-${pass}`));
  const every = span > 4200 ? 600 : span > 900 ? 300 : 60;
  const minutes = Array.from({ length: Math.floor(span / every) + 1 }, (_, i) => i * every);
  return (
    <div ref={ref} className="w-full">
      <svg
        width={width}
        height={below + HEIGHT + 24}
        role="img"
        aria-label={`As planned ${clock(timed.seconds)}, as taught ${clock(log.endedSeconds ?? 0)}. What differs is listed below.`}
      >
        <g className="fill-soft text-[13px]">
          <text x={0} y={14}>
            planned
          </text>
          <text x={0} y={below + 14}>
            taught
          </text>
        </g>
        <g transform={`translate(${LEFT} 0)`}>
          {treads.map(({ id, pass, x, y, width: own, heat, name }) => {
            const left = wasLeft(id, pass);
            return (
              <g key={`${id}-${pass}`} className={left ? 'fill-none stroke-ink' : heatStep(heat).fill}>
                <title>{left ? `${name}: left out` : name}</title>
                <rect
                  x={x}
                  y={y}
                  width={Math.max(1.5, own - 1)}
                  height={SLAB}
                  strokeDasharray={left ? '3 2' : undefined}
                />
              </g>
            );
          })}
          {quiet.map(({ id, x, y, width: own, name }) => (
            <rect key={id} x={x} y={y} width={Math.max(1.5, own - 1)} height={SLAB} className={QUIET}>
              <title>{name}</title>
            </rect>
          ))}
          <path
            d={taught
              .flatMap(({ planned, x }) =>
                planned ? `M${(planned.x + 1).toFixed(1)} ${HEIGHT + 4}L${(x + 1).toFixed(1)} ${below - 4}` : [],
              )
              .join('')}
            className="stroke-soft"
            strokeWidth="1"
          />
          {taught.map(({ key, look, y, name, x, width: own, at, until, pass }) => {
            const slab = { x, y: below + y, width: Math.max(1.5, own - 1) };
            const words = `${name}, ${clock(at)} to ${clock(until)}`;
            if (!correcting) {
              return (
                <g key={key} className={look}>
                  <title>{`${name}, ${clock(at)}`}</title>
                  <rect {...slab} height={SLAB} />
                </g>
              );
            }
            const { chosen, onChoose, onBorder } = correcting;
            const held = chosen?.block === pass.block && chosen.pass === pass.pass;
            return (
              <g key={key}>
                {/* biome-ignore lint/a11y/useSemanticElements: a button can't stand in a picture. */}
                <rect
                  {...slab}
                  height={SLAB}
                  role="button"
                  tabIndex={0}
                  aria-pressed={held}
                  aria-label={words}
                  className={`${look} cursor-pointer ${held ? 'stroke-ink' : ''}`}
                  strokeWidth={held ? 2 : undefined}
                  onClick={() => onChoose(pass)}
                  onKeyDown={(event) => {
                    if (event.key !== 'Enter' && event.key !== ' ') return;
                    event.preventDefault();
                    onChoose(pass);
                  }}
                >
                  <title>{words}</title>
                </rect>
                {held &&
                  (['start', 'end'] as const).map((edge) => (
                    <Border
                      key={edge}
                      name={`${edge === 'start' ? 'Beginning' : 'End'} of ${name}`}
                      seconds={edge === 'start' ? at : until}
                      most={span}
                      x={edge === 'start' ? slab.x : slab.x + slab.width}
                      y={slab.y}
                      scale={scale}
                      onMove={(seconds) => onBorder(pass, edge, seconds)}
                    />
                  ))}
              </g>
            );
          })}
          <line x1={0} x2={wide} y1={below + HEIGHT + 4} y2={below + HEIGHT + 4} className="stroke-ink" />
          {minutes.map((seconds) => (
            <text
              key={seconds}
              x={seconds * scale}
              y={below + HEIGHT + 19}
              textAnchor="middle"
              className="fill-soft text-[12px]"
            >
              {seconds / 60}
            </text>
          ))}
        </g>
      </svg>
    </div>
  );
}

interface BorderProps {
  readonly name: string;
  readonly seconds: number;
  readonly most: number;
  readonly x: number;
  readonly y: number;
  /** Pixels a second. */
  readonly scale: number;
  readonly onMove: (seconds: number) => void;
}

/** A border that can be drawn along the time, or moved by the arrow keys: a second, with Shift ten. */
function Border({ name, seconds, most, x, y, scale, onMove }: BorderProps) {
  const grip = useRef<{ readonly x: number; readonly seconds: number } | null>(null);
  const drag = (event: PointerEvent) => {
    if (grip.current) onMove(grip.current.seconds + (event.clientX - grip.current.x) / scale);
  };
  const key = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    onMove(seconds + by * (event.shiftKey ? 10 : 1));
  };
  return (
    <rect
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={Math.round(seconds)}
      aria-valuemin={0}
      aria-valuemax={Math.round(most)}
      aria-valuetext={clock(seconds)}
      x={x - 5}
      y={y - 7}
      width={10}
      height={SLAB + 14}
      rx={3}
      className="cursor-ew-resize touch-none fill-ink stroke-paper"
      strokeWidth={2}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        grip.current = { x: event.clientX, seconds };
      }}
      onPointerMove={drag}
      onPointerUp={() => {
        grip.current = null;
      }}
      onKeyDown={key}
    />
  );
}

/** Talks, checks and small rests: nothing is worked at. */
const QUIET = 'fill-sheet stroke-soft';

/** What a planned part is called. */
export const partName = ({ sequence }: TimedClass, id: string): string => {
  const part = sequence.find(({ block }) => block.id === id);
  return part ? titleOf(part) : id;
};
