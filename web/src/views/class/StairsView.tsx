import type { Catalog } from '@warm-ladder/core/repertoire';
import type { ClassReview, Severity } from '@warm-ladder/core/review';
import { clock } from '@warm-ladder/core/review';
import { memo, useMemo } from 'react';
import { directionPath } from '../../parts/DirectionMark';
import { heatStep } from '../../parts/heat';
import { severityLook } from '../../parts/SeverityMark';
import { layStairs, type Tread } from '../../parts/stairs';
import { useWidth } from '../../parts/useWidth';
import { useRepsDrag } from './useRepsDrag';

const HEIGHT = 147;
const TREAD = 20;
const TOP = 26;
const LEFT = 84;
const BASE = TOP + HEIGHT + TREAD + 8;

interface StairsViewProps {
  readonly catalog: Catalog;
  readonly review: ClassReview;
  readonly selected: number | null;
  /** Blocks a finding under the pointer concerns. */
  readonly pointed: ReadonlySet<number>;
  readonly onSelect: (block: number) => void;
}

/**
 * The class at a glance, and by hand: time across, the body's height from the floor upwards, each block as long as
 * its seconds and as warm as its heat. A tread is clicked to work on its block, and its right edge dragged for reps.
 */
export const StairsView = memo(function StairsView({ catalog, review, selected, pointed, onSelect }: StairsViewProps) {
  const { timed, findings } = review;
  const [ref, width] = useWidth<HTMLDivElement>();
  const target = timed.plan.targetMinutes * 60;
  const span = Math.max(target, timed.range.p90) * 1.02;
  const stairs = useMemo(
    () => layStairs(catalog, timed, Math.max(0, width - LEFT - 12), HEIGHT, span),
    [catalog, timed, width, span],
  );
  const grave = useMemo(() => {
    const worst = new Map<number, Severity>();
    for (const { blocks, severity } of findings) for (const b of blocks) if (!worst.has(b)) worst.set(b, severity);
    return worst;
  }, [findings]);
  const drag = useRepsDrag(timed, stairs.scale);
  const at = (seconds: number) => LEFT + seconds * stairs.scale;
  return (
    <div ref={ref} className="w-full">
      {width > 0 && (
        <svg width={width} height={BASE + 24} role="img" aria-label={spoken(review)}>
          {stairs.levels.map(({ name, y }) => (
            <g key={name}>
              <line
                x1={LEFT}
                x2={width}
                y1={TOP + y + TREAD}
                y2={TOP + y + TREAD}
                className="stroke-line"
                strokeDasharray="1 5"
              />
              <text x={LEFT - 8} y={TOP + y + 16} textAnchor="end" className="fill-soft text-[13px]">
                {name}
              </text>
            </g>
          ))}
          <Minutes span={span} at={at} />
          <Held x={at(0)} width={timed.parts.opening * stairs.scale} name="opening" />
          <Held x={at(timed.seconds - timed.parts.closing)} width={timed.parts.closing * stairs.scale} name="closing" />
          {stairs.risers.map(({ x, width: gap, from, to }) => (
            <g key={x} className="stroke-soft">
              <line
                x1={LEFT + x}
                x2={LEFT + x + gap}
                y1={TOP + from + TREAD / 2}
                y2={TOP + to + TREAD / 2}
                strokeWidth="1.5"
              />
              <rect x={LEFT + x} y={BASE - 5} width={gap} height={5} className="fill-soft stroke-none" opacity="0.5" />
            </g>
          ))}
          {stairs.treads.map((tread) => (
            <TreadMark
              key={`${tread.block}-${tread.x}`}
              tread={tread}
              severity={grave.get(tread.block)}
              chosen={selected === tread.block}
              pointed={pointed.has(tread.block)}
              onSelect={onSelect}
              onGrab={drag}
            />
          ))}
          <Target x={at(target)} over={timed.seconds > target} text={clock(target)} />
          <Range from={at(timed.range.p10)} middle={at(timed.seconds)} to={at(timed.range.p90)} />
        </svg>
      )}
    </div>
  );
});

function spoken({ timed, findings }: ClassReview): string {
  const ups = timed.blocks.length;
  return `The class as stairs: ${ups} blocks, ${clock(timed.seconds)} of ${timed.plan.targetMinutes} minutes, ${findings.length} findings. The rows below hold the same.`;
}

interface TreadMarkProps {
  readonly tread: Tread;
  readonly severity: Severity | undefined;
  readonly chosen: boolean;
  readonly pointed: boolean;
  readonly onSelect: (block: number) => void;
  readonly onGrab: (event: React.PointerEvent, block: number) => void;
}

function TreadMark({ tread, severity, chosen, pointed, onSelect, onGrab }: TreadMarkProps) {
  const { block, x, width, y, heat, directions, name } = tread;
  const left = LEFT + x;
  const top = TOP + y;
  const [direction] = directions;
  const look = severity && severityLook(severity);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the rows beneath do the same by keyboard.
    <g onClick={() => onSelect(block)} className="cursor-pointer">
      <title>{`${block + 1}. ${name}`}</title>
      <rect
        x={left}
        y={top}
        width={width}
        height={BASE - top}
        className={heatStep(heat).fill}
        opacity={pointed ? 0.4 : 0.14}
      />
      <rect x={left} y={top} width={Math.max(1.5, width - 1)} height={TREAD} rx="2" className={heatStep(heat).fill} />
      {(chosen || pointed) && (
        <rect
          x={left - 1.5}
          y={top - 1.5}
          width={width + 2}
          height={TREAD + 3}
          rx="3"
          fill="none"
          className="stroke-ink"
          strokeWidth="2.5"
        />
      )}
      {direction && width > 16 && (
        <svg x={left + width / 2 - 9} y={top + 2} width="18" height="18" viewBox="0 0 20 20" aria-hidden="true">
          <path
            d={directionPath(direction)}
            fill="none"
            strokeWidth="2.4"
            strokeLinecap="round"
            className={heat >= 35 ? 'stroke-ink' : 'stroke-sheet'}
          />
        </svg>
      )}
      {look && (
        <svg
          x={left + Math.min(width / 2, 12) - 7}
          y={top - 17}
          width="14"
          height="14"
          viewBox="0 0 20 20"
          aria-hidden="true"
        >
          <path d={look.shape} className={look.className} />
        </svg>
      )}
      <rect
        x={left + width - 6}
        y={top}
        width="8"
        height={TREAD}
        fill="transparent"
        className="cursor-ew-resize"
        onPointerDown={(event) => onGrab(event, block)}
      />
    </g>
  );
}

function Held({ x, width, name }: { x: number; width: number; name: string }) {
  if (width < 1) return null;
  return (
    <g>
      <rect x={x} y={BASE - TREAD} width={width - 1} height={TREAD} rx="2" className="fill-shade stroke-line" />
      {width > 52 && (
        <text x={x + width / 2} y={BASE - 7} textAnchor="middle" className="fill-soft text-[12px]">
          {name}
        </text>
      )}
    </g>
  );
}

function Minutes({ span, at }: { span: number; at: (seconds: number) => number }) {
  const every = span > 4200 ? 600 : span > 900 ? 300 : 60;
  const marks = Array.from({ length: Math.floor(span / every) + 1 }, (_, i) => i * every);
  return (
    <g>
      <line x1={at(0)} x2={at(span)} y1={BASE} y2={BASE} className="stroke-ink" strokeWidth="1.5" />
      {marks.map((seconds) => (
        <text key={seconds} x={at(seconds)} y={BASE + 17} textAnchor="middle" className="fill-soft text-[12px]">
          {seconds / 60}
        </text>
      ))}
    </g>
  );
}

function Target({ x, over, text }: { x: number; over: boolean; text: string }) {
  const colour = over ? 'stroke-brick' : 'stroke-moss';
  return (
    <g>
      <line x1={x} x2={x} y1={14} y2={BASE + 4} className={colour} strokeWidth="2" strokeDasharray="6 4" />
      <text
        x={x - 5}
        y={12}
        textAnchor="end"
        className={`text-[13px] font-semibold ${over ? 'fill-brick' : 'fill-moss'}`}
      >
        {over ? 'ends here' : 'room until'} {text}
      </text>
    </g>
  );
}

/** The expected end, and where four of five classes end. */
function Range({ from, middle, to }: { from: number; middle: number; to: number }) {
  return (
    <g className="stroke-ink" strokeWidth="2">
      <line x1={from} x2={to} y1={BASE + 4} y2={BASE + 4} />
      <line x1={middle} x2={middle} y1={BASE} y2={BASE + 8} strokeWidth="3" />
    </g>
  );
}
