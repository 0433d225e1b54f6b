import type { Severity } from '@warm-ladder/core/review';
import type { Log } from '@warm-ladder/core/taught';
import { memo } from 'react';
import { placePath } from '../../../parts/classes/placePath';
import { severityLook } from '../../../parts/classes/SeverityMark';
import type { QuietStep, Riser, Tread } from '../../../parts/classes/stairs';
import { directionPath } from '../../../parts/rungs/directions';
import { heatStep } from '../../../parts/rungs/heat';
import { BASE, box, LEFT, TOP, TREAD } from './measure';

/** Pixels that the tie over two treads of one shape reaches to either side. */
const TIE = 7;

/** Interludes: where people are, and nothing is worked at. */
export function QuietSteps(props: {
  quiet: readonly QuietStep[];
  selected: string | null;
  pointed: ReadonlySet<string>;
}) {
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

export function Treads({ treads, grave }: { treads: readonly Tread[]; grave: ReadonlyMap<string, Severity> }) {
  const looks = new Map<string, { columns: string; slabs: string }>();
  const glyphs = new Map<string, string>();
  const marks = new Map<string, string>();
  let joints = '';
  for (const { id, x, y, width, heat, directions, carries, pass } of treads) {
    const [left, top] = [LEFT + x, TOP + y];
    const { fill, mark } = heatStep(heat);
    const look = looks.get(fill) ?? { columns: '', slabs: '' };
    look.columns += box(left, top + TREAD, width, BASE - top - TREAD);
    look.slabs += box(left, top, Math.max(1.5, width - 1), TREAD);
    looks.set(fill, look);
    // What goes on in one shape is tied to the tread before it.
    if (carries && pass === 0) joints += `M${(left - TIE).toFixed(1)} ${top - 3}h${2 * TIE}`;
    const [direction] = directions;
    if (direction && width > 16) {
      const glyph = placePath(directionPath(direction), left + width / 2 - 8, top + 2, 0.8);
      glyphs.set(mark, (glyphs.get(mark) ?? '') + glyph);
    }
    const severity = grave.get(id);
    if (severity) {
      const { shape, className } = severityLook(severity);
      const sign = placePath(shape, left + Math.min(width / 2, 9) - 7, BASE - 16, 0.7);
      marks.set(className, (marks.get(className) ?? '') + sign);
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
      {[...glyphs].map(([mark, d]) => (
        <path key={mark} d={d} {...glyph} className={mark} />
      ))}
      {[...marks].map(([className, d]) => (
        <path key={className} d={d} className={className} />
      ))}
    </>
  );
}

/** What may go when the class runs late: its column is cut off by a dashed line, with its place in the order. */
export const MayGo = memo(function MayGo({ treads }: { treads: readonly Tread[] }) {
  const given = treads.filter(({ give }) => give !== undefined);
  if (given.length === 0) return null;
  const column = ({ x, y, width }: Tread) =>
    box(LEFT + x + 1, TOP + y + TREAD + 1, Math.max(3, width - 3), BASE - TOP - y - TREAD - 2);
  return (
    <g className="fill-ink text-[11px] font-semibold" textAnchor="middle">
      <path d={given.map(column).join('')} className="fill-paper/70 stroke-ink" strokeDasharray="3 3" />
      {given.map(({ id, pass, give, x, width }) => (
        <text key={`${id}-${pass}`} x={LEFT + x + width / 2} y={BASE - 6}>
          {give}
        </text>
      ))}
    </g>
  );
});

/** What there may be time for: a plus on the floor where it would come. */
export function Spares({ at, names }: { at: readonly number[]; names: string }) {
  if (at.length === 0) return null;
  return (
    <path
      d={at.map((x) => `M${(x - 5).toFixed(1)} ${BASE + 9}h10m-5 -5v10`).join('')}
      className="stroke-moss"
      strokeWidth="2.5"
    >
      <title>{names}</title>
    </path>
  );
}

/** Pixels of a letter under a tread; where they do not fit, the row says it alone. */
const LETTER = 6.5;

/** Which side a tread works, where it is wide enough to say so. */
export const Sides = memo(function Sides({ treads }: { treads: readonly Tread[] }) {
  return (
    <g className="fill-soft font-narrow text-[11px] font-semibold" textAnchor="middle">
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
export function Ghost({ now, after }: { now: readonly Tread[]; after: readonly Tread[] }) {
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
export function Marked({ tread: { x, y, width, block }, pointed }: { tread: Tread; pointed: boolean }) {
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

export function Risers({ risers }: { risers: readonly Riser[] }) {
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

export function Held({ x, width, name }: { x: number; width: number; name: string }) {
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

export function Minutes({ span, at }: { span: number; at: (seconds: number) => number }) {
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

export function Target({ x, over, text }: { x: number; over: boolean; text: string }) {
  const colour = over ? 'stroke-alarm' : 'stroke-moss';
  return (
    <g>
      <line x1={x} x2={x} y1={14} y2={BASE + 4} className={colour} strokeWidth="2" strokeDasharray="6 4" />
      <text
        x={x - 5}
        y={12}
        textAnchor="end"
        className={`text-[13px] font-semibold ${over ? 'fill-alarm' : 'fill-moss'}`}
      >
        {over ? 'ends here' : 'ends at'} {text}
      </text>
    </g>
  );
}

/** The expected end, and where four of five classes end. */
export function Range({ from, middle, to }: { from: number; middle: number; to: number }) {
  return (
    <g className="stroke-ink" strokeWidth="2">
      <line x1={from} x2={to} y1={BASE + 4} y2={BASE + 4} />
      <line x1={middle} x2={middle} y1={BASE} y2={BASE + 8} strokeWidth="3" />
    </g>
  );
}

/** When each block was begun as the class was last rehearsed, over the floor. */
export function Taught({ log, at }: { log: Log | undefined; at: (seconds: number) => number }) {
  if (!log) return null;
  const starts = (log.blocks ?? []).flatMap(({ passes = [] }) =>
    passes.flatMap(({ startSeconds }) => startSeconds ?? []),
  );
  const marks = starts.map((seconds) => `M${at(seconds).toFixed(1)} ${BASE - 7}v14`);
  return (
    <path d={marks.join('')} className="stroke-heat-3" strokeWidth="2">
      <title>Begun at, as last rehearsed</title>
    </path>
  );
}
