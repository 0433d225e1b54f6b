import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import type { ClassReview, Severity } from '@warm-ladder/core/review';
import { clock } from '@warm-ladder/core/review';
import { type MouseEvent, memo, type PointerEvent, useMemo, useRef } from 'react';
import { directionPath } from '../../parts/directions';
import { heatStep } from '../../parts/heat';
import { placePath } from '../../parts/placePath';
import { severityLook } from '../../parts/SeverityMark';
import { layStairs, type QuietStep, type Riser, type Tread } from '../../parts/stairs';
import { useWidth } from '../../parts/useWidth';
import { useRepsDrag } from './useRepsDrag';

const HEIGHT = 147;
const TREAD = 20;
const TOP = 26;
const LEFT = 84;
/** Pixels at a tread's right end that take hold of it. */
const END = 7;
/** Pixels that the tie over two treads of one shape reaches to either side. */
const TIE = 7;
const BASE = TOP + HEIGHT + TREAD + 18;

interface StairsViewProps {
  readonly catalog: Catalog;
  readonly review: ClassReview;
  /** The gravest finding of each block. */
  readonly grave: ReadonlyMap<string, Severity>;
  /** Ids of blocks, here as everywhere: they stay the same when blocks move. */
  readonly selected: string | null;
  /** Blocks a finding under the pointer concerns. */
  readonly pointed: ReadonlySet<string>;
  /** The class as a change that is only looked at would leave it. */
  readonly ghost: TimedClass | null;
  readonly onSelect: (id: string) => void;
}

/**
 * The class at a glance, and by hand: time across, the body's height from the floor upwards, each block as long as
 * its seconds and as warm as its heat. A tread is clicked to work on its block, and its right edge dragged for reps.
 */
export const StairsView = memo(function StairsView(props: StairsViewProps) {
  const { catalog, review, grave, selected, pointed, ghost, onSelect } = props;
  const { timed } = review;
  const [ref, width] = useWidth<HTMLDivElement>();
  const target = timed.plan.targetMinutes * 60;
  // Whole steps of five minutes: the picture keeps its scale while an edit only moves what comes after it.
  const span = Math.ceil((Math.max(target, timed.range.p90) + 20) / 300) * 300;
  const stairs = useMemo(
    () => layStairs(catalog, timed, Math.max(0, width - LEFT - 12), HEIGHT, span),
    [catalog, timed, width, span],
  );
  const drag = useRepsDrag(timed, stairs.scale);
  const at = (seconds: number) => LEFT + seconds * stairs.scale;
  const held = useRef(false);
  const marked = stairs.treads.filter(({ id }) => id === selected || pointed.has(id));
  /** The tread under the pointer, column and all; a little past its right end still counts as the end. */
  const under = ({ clientX, currentTarget }: MouseEvent<SVGElement>) => {
    const x = clientX - currentTarget.getBoundingClientRect().left - LEFT;
    const tread = stairs.treads.findLast((each) => x >= each.x && x <= each.x + each.width + END / 2);
    return tread && { tread, atEnd: x > tread.x + tread.width - END };
  };
  const quietUnder = ({ clientX, currentTarget }: MouseEvent<SVGElement>) => {
    const x = clientX - currentTarget.getBoundingClientRect().left - LEFT;
    return stairs.quiet.findLast((each) => x >= each.x && x <= each.x + each.width);
  };
  const grab = (event: PointerEvent<SVGElement>) => {
    const hit = under(event);
    held.current = hit?.atEnd === true;
    if (hit?.atEnd) drag(event, hit.tread.id);
  };
  const follow = (event: PointerEvent<SVGElement>) => {
    event.currentTarget.style.cursor = under(event)?.atEnd ? 'ew-resize' : 'pointer';
  };
  const choose = (event: MouseEvent<SVGElement>) => {
    const hit = under(event);
    // Letting go of an end is not a choice of whatever lies under the hand by then.
    const id = hit?.tread.id ?? quietUnder(event)?.id;
    if (id !== undefined && !held.current) onSelect(id);
  };
  return (
    <div ref={ref} className="w-full contain-content" style={{ height: BASE + 24 }}>
      {width > 0 && (
        // biome-ignore lint/a11y/useKeyWithClickEvents: the rows beneath do the same by keyboard.
        <svg
          width={width}
          height={BASE + 24}
          role="img"
          aria-label={spoken(review)}
          className="touch-pan-y"
          onPointerDown={grab}
          onPointerMove={follow}
          onClick={choose}
        >
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
          <Risers risers={stairs.risers} />
          <QuietSteps quiet={stairs.quiet} selected={selected} pointed={pointed} />
          <Treads treads={stairs.treads} grave={grave} />
          <Sides treads={stairs.treads} />
          {ghost && (
            <Ghost
              now={stairs.treads}
              after={layStairs(catalog, ghost, Math.max(0, width - LEFT - 12), HEIGHT, span).treads}
            />
          )}
          {marked.map((tread) => (
            <Marked key={`${tread.block}-${tread.pass}`} tread={tread} pointed={pointed.has(tread.id)} />
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
  const firsts = new Set(timed.blocks.flatMap(({ firstSide }) => firstSide ?? []));
  const sides = firsts.size > 0 ? ` What has sides begins on the ${[...firsts].join(' or the ')}.` : '';
  return `The class as stairs: ${ups} blocks, ${clock(timed.seconds)} of ${timed.plan.targetMinutes} minutes, ${findings.length} findings.${sides} The rows below hold the same.`;
}

/** `M x y h w v h z` of a box: many boxes of one look are one path, so that an edit changes a dozen elements. */
const box = (x: number, y: number, width: number, height: number): string =>
  `M${x.toFixed(1)} ${y}h${width.toFixed(1)}v${height}h${(-width).toFixed(1)}z`;

/** Heat from which a mark on a tread is dark on light. */
const LIGHT = 50;

/** Interludes: where people are, and nothing is worked at. */
function QuietSteps(props: { quiet: readonly QuietStep[]; selected: string | null; pointed: ReadonlySet<string> }) {
  const { quiet, selected, pointed } = props;
  if (quiet.length === 0) return null;
  const chosen = quiet.filter(({ id }) => id === selected || pointed.has(id));
  const shape = ({ x, y, width }: QuietStep) => box(LEFT + x + 0.5, TOP + y + 6.5, Math.max(4, width - 2), TREAD - 7);
  return (
    <>
      <path d={quiet.map(shape).join('')} className="fill-sheet stroke-soft" strokeWidth="1" />
      <path d={chosen.map(shape).join('')} fill="none" className="stroke-ink" strokeWidth="2.5" />
    </>
  );
}

function Treads({ treads, grave }: { treads: readonly Tread[]; grave: ReadonlyMap<string, Severity> }) {
  const looks = new Map<string, { columns: string; slabs: string }>();
  const glyphs = { dark: '', light: '' };
  const marks = new Map<string, string>();
  let joints = '';
  for (const { id, x, y, width, heat, directions, carries, pass } of treads) {
    const [left, top] = [LEFT + x, TOP + y];
    const { fill } = heatStep(heat);
    const look = looks.get(fill) ?? { columns: '', slabs: '' };
    look.columns += box(left, top + TREAD, width, BASE - top - TREAD);
    look.slabs += box(left, top, Math.max(1.5, width - 1), TREAD);
    looks.set(fill, look);
    // What goes on in one shape is tied to the tread before it.
    if (carries && pass === 0) joints += `M${(left - TIE).toFixed(1)} ${top - 3}h${2 * TIE}`;
    const [direction] = directions;
    if (direction && width > 16) {
      glyphs[heat >= LIGHT ? 'dark' : 'light'] += placePath(
        directionPath(direction),
        left + width / 2 - 8,
        top + 2,
        0.8,
      );
    }
    const severity = grave.get(id);
    if (severity) {
      const { shape, className } = severityLook(severity);
      const mark = placePath(shape, left + Math.min(width / 2, 12) - 7, top - 17, 0.7);
      marks.set(className, (marks.get(className) ?? '') + mark);
    }
  }
  const glyph = { fill: 'none', strokeWidth: 2, strokeLinecap: 'round' } as const;
  return (
    <>
      {[...looks].map(([fill, { columns, slabs }]) => (
        <g key={fill} className={fill} shapeRendering="crispEdges">
          <path d={columns} fillOpacity="0.14" />
          <path d={slabs} />
        </g>
      ))}
      <path d={joints} fill="none" className="stroke-ink" strokeWidth="2.5" strokeLinecap="round" />
      <path d={glyphs.dark} {...glyph} className="stroke-ink" />
      <path d={glyphs.light} {...glyph} className="stroke-sheet" />
      {[...marks].map(([className, d]) => (
        <path key={className} d={d} className={className} />
      ))}
    </>
  );
}

/** Pixels of a letter under a tread; where they do not fit, the row says it alone. */
const LETTER = 9;

/** Which side a tread works, where it is wide enough to say so. */
const Sides = memo(function Sides({ treads }: { treads: readonly Tread[] }) {
  return (
    <g className="fill-soft text-[11px] font-semibold" textAnchor="middle">
      {treads.map(
        ({ id, pass, sides, x, y, width }) =>
          sides !== '' &&
          width >= sides.length * LETTER && (
            <text key={`${id}-${pass}`} x={LEFT + x + width / 2} y={TOP + y + TREAD + 12}>
              {sides}
            </text>
          ),
      )}
    </g>
  );
});

/** Where a change would leave the treads that it moves, makes or changes: outlines over the class as it is. */
function Ghost({ now, after }: { now: readonly Tread[]; after: readonly Tread[] }) {
  const same = (a: Tread) => (b: Tread) =>
    a.id === b.id && a.pass === b.pass && a.y === b.y && a.heat === b.heat && Math.abs(a.width - b.width) < 0.5;
  const changed = after.filter((tread) => !now.some(same(tread)));
  const moved = after.filter((tread) => !changed.includes(tread));
  const outline = ({ x, y, width }: Tread) => box(LEFT + x + 1, TOP + y - 4, Math.max(3, width - 2), TREAD + 7);
  return (
    <g fill="none" className="stroke-heat-3">
      <path d={moved.map(outline).join('')} strokeWidth="1" strokeDasharray="2 3" />
      <path d={changed.map(outline).join('')} strokeWidth="3" />
    </g>
  );
}

/** A tread that is worked on, or that a finding points at; the one worked on has a grip at its end. */
function Marked({ tread: { x, y, width, block }, pointed }: { tread: Tread; pointed: boolean }) {
  const [left, top] = [LEFT + x, TOP + y];
  return (
    <>
      {pointed && (
        <path d={box(left, top + TREAD, width, BASE - top - TREAD)} className="fill-ink" fillOpacity="0.12" />
      )}
      <rect
        x={left - 1.5}
        y={top - 1.5}
        width={width + 2}
        height={TREAD + 3}
        fill="none"
        className="stroke-ink"
        strokeWidth="2.5"
      />
      <rect
        data-grip={block + 1}
        x={left + width - 2.5}
        y={top - 4}
        width="5"
        height={TREAD + 8}
        rx="2.5"
        className="fill-ink"
      />
    </>
  );
}

function Risers({ risers }: { risers: readonly Riser[] }) {
  const ways = risers.map(({ x, width, from, to }) => {
    const [start, end] = [TOP + from + TREAD / 2, TOP + to + TREAD / 2];
    return `M${(LEFT + x).toFixed(1)} ${start}L${(LEFT + x + width).toFixed(1)} ${end}`;
  });
  const costs = risers.map(({ x, width }) => box(LEFT + x, BASE - 5, width, 5));
  return (
    <>
      <path d={ways.join('')} fill="none" className="stroke-soft" strokeWidth="1.5" />
      <path d={costs.join('')} className="fill-soft" fillOpacity="0.5" shapeRendering="crispEdges" />
    </>
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
        {over ? 'ends here' : 'ends at'} {text}
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
