import type { Catalog } from '@warm-ladder/core/repertoire';
import type { ClassReview, Severity } from '@warm-ladder/core/review';
import { clock } from '@warm-ladder/core/review';
import { memo, useMemo } from 'react';
import { directionPath } from '../../parts/DirectionMark';
import { heatStep } from '../../parts/heat';
import { severityLook } from '../../parts/SeverityMark';
import { layStairs, type Riser, type Tread } from '../../parts/stairs';
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
  // Whole steps of five minutes: the picture keeps its scale while an edit only moves what comes after it.
  const span = Math.ceil((Math.max(target, timed.range.p90) + 20) / 300) * 300;
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
    <div ref={ref} className="w-full will-change-transform contain-content" style={{ height: BASE + 24 }}>
      {width > 0 && (
        <svg width={width} height={BASE + 24} role="img" aria-label={spoken(review)}>
          {stairs.levels.map(({ name, y }) => (
            <g key={name}>
              <line
                x1={LEFT}
                x2={width}
                y1={TOP + y + TREAD}
                y2={TOP + y + TREAD}
                className="stroke-line/60"
                shapeRendering="crispEdges"
              />
              <text x={LEFT - 8} y={TOP + y + 16} textAnchor="end" className="fill-soft text-[13px]">
                {name}
              </text>
            </g>
          ))}
          <Minutes span={span} at={at} />
          <Held x={at(0)} width={timed.parts.opening * stairs.scale} name="opening" />
          <Held x={at(timed.seconds - timed.parts.closing)} width={timed.parts.closing * stairs.scale} name="closing" />
          {stairs.risers.map(({ x, ...riser }, i) => (
            <g key={i} transform={`translate(${LEFT + x} 0)`}>
              <RiserMark {...riser} />
            </g>
          ))}
          {stairs.treads.map((tread) => (
            <TreadMark
              key={`${tread.block}-${tread.pass}`}
              {...tread}
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

interface TreadMarkProps extends Tread {
  readonly severity: Severity | undefined;
  readonly chosen: boolean;
  readonly pointed: boolean;
  readonly onSelect: (block: number) => void;
  readonly onGrab: (event: React.PointerEvent, block: number) => void;
}

/** Moved as a whole: an edit shifts every tread after it, and shifting is all that is then done. */
function TreadMark({ x, pass: _pass, ...body }: TreadMarkProps) {
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the rows beneath do the same by keyboard.
    <g
      transform={`translate(${LEFT + x} ${TOP + body.y})`}
      onClick={() => body.onSelect(body.block)}
      className="cursor-pointer"
    >
      <TreadBody {...body} />
    </g>
  );
}

const TreadBody = memo(function TreadBody(props: Omit<TreadMarkProps, 'x' | 'pass'>) {
  const { block, width, y, heat, directions, name, severity, chosen, pointed, onGrab } = props;
  const [direction] = directions;
  const look = severity && severityLook(severity);
  const { fill } = heatStep(heat);
  return (
    <>
      <title>{`${block + 1}. ${name}`}</title>
      <rect
        width={width}
        height={BASE - TOP - y}
        className={fill}
        fillOpacity={pointed ? 0.4 : 0.14}
        shapeRendering="crispEdges"
      />
      <rect width={Math.max(1.5, width - 1)} height={TREAD} className={fill} shapeRendering="crispEdges" />
      {(chosen || pointed) && (
        <rect
          x={-1.5}
          y={-1.5}
          width={width + 2}
          height={TREAD + 3}
          rx="3"
          fill="none"
          className="stroke-ink"
          strokeWidth="2.5"
        />
      )}
      {direction && width > 16 && (
        <path
          d={directionPath(direction)}
          transform={`translate(${width / 2 - 8} 2) scale(0.8)`}
          fill="none"
          strokeWidth="2.6"
          strokeLinecap="round"
          className={heat >= 35 ? 'stroke-ink' : 'stroke-sheet'}
        />
      )}
      {look && (
        <path
          d={look.shape}
          transform={`translate(${Math.min(width / 2, 12) - 7} -17) scale(0.7)`}
          className={look.className}
        />
      )}
      <rect
        x={width - 6}
        width="8"
        height={TREAD}
        fill="transparent"
        className="cursor-ew-resize"
        onPointerDown={(event) => onGrab(event, block)}
      />
    </>
  );
});

const RiserMark = memo(function RiserMark({ width, from, to }: Omit<Riser, 'x'>) {
  return (
    <>
      <line
        x2={width}
        y1={TOP + from + TREAD / 2}
        y2={TOP + to + TREAD / 2}
        className="stroke-soft"
        strokeWidth="1.5"
      />
      <rect y={BASE - 5} width={width} height={5} className="fill-soft" fillOpacity="0.5" shapeRendering="crispEdges" />
    </>
  );
});

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
