import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { type ClassReview, clock, type Severity } from '@warm-ladder/core/review';
import { rehearsalsOf } from '@warm-ladder/core/taught';
import { countText } from '@warm-ladder/core/vocabulary';
import {
  type MouseEvent,
  memo,
  type PointerEvent,
  type ReactNode,
  Suspense,
  useCallback,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useSingleKey } from '../../../app/menus/useShortcuts';
import { lazily } from '../../../app/shell/lazily';
import { selectLogs } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import { layStairs } from '../../../parts/classes/stairs';
import { HEAT_STEPS } from '../../../parts/rungs/heat';
import { useWidth } from '../../../parts/useWidth';
import { useRepsDrag } from '../strip/useRepsDrag';
import { BASE, FOOT, HEIGHT, LEFT, TOP, TREAD } from './measure';
import {
  Ghost,
  Held,
  Marked,
  MayGo,
  Minutes,
  QuietSteps,
  Range,
  Risers,
  Sides,
  Spares,
  Target,
  Taught,
  Treads,
} from './parts';
import { Wave } from './Wave';

/** The people on the steps come once what draws them is there. */
const StepFigures = lazily(
  () => import('./StepFigures'),
  () => null,
);

/** Pixels at a tread's right end that take hold of it. */
const END = 7;
/** How much closer one can look: the whole class in the window, or a part of it. */
const ZOOMS = [1, 1.5, 2, 3, 4] as const;

interface StairsViewProps {
  readonly catalog: Catalog;
  readonly review: ClassReview;
  /** The gravest finding of each block. */
  readonly grave: ReadonlyMap<string, Severity>;
  /** Ids of blocks, here as everywhere: they stay the same when blocks move. */
  readonly selected: string | null;
  /** Blocks a finding under the pointer concerns, or that are chosen together. */
  readonly pointed: ReadonlySet<string>;
  /** The class as a change that is only looked at would leave it. */
  readonly ghost: TimedClass | null;
  /** @param more with the others that are chosen, and not in their place */
  readonly onSelect: (id: string, more: boolean) => void;
}

/**
 * The class at a glance, and by hand: time across, the body's height from the floor upwards, each block as long as
 * its seconds and as warm as its heat. A tread is clicked to work on its block, and its right edge dragged for reps.
 */
export const StairsView = memo(function StairsView(props: StairsViewProps) {
  const { catalog, review, grave, selected, pointed, ghost, onSelect } = props;
  const { timed } = review;
  const logs = useAppSelector(selectLogs);
  const log = useMemo(() => rehearsalsOf(logs, timed.plan.id).at(-1), [logs, timed.plan.id]);
  const [ref, width] = useWidth<HTMLDivElement>();
  const target = timed.plan.targetMinutes * 60;
  // Whole steps of five minutes: the picture keeps its scale while an edit only moves what comes after it.
  const span = Math.ceil((Math.max(target, timed.range.p90) + 20) / 300) * 300;
  const [zoom, setZoom] = useState(0);
  const wide = Math.max(0, width - LEFT - 12) * (ZOOMS[zoom] ?? 1);
  const stairs = useMemo(() => layStairs(catalog, timed, wide, HEIGHT, span), [catalog, timed, wide, span]);
  useSingleKey(
    'closer',
    useCallback(() => setZoom(closer), []),
  );
  useSingleKey(
    'farther',
    useCallback(() => setZoom(farther), []),
  );
  const drag = useRepsDrag(timed, stairs.scale);
  const at = (seconds: number) => LEFT + seconds * stairs.scale;
  const held = useRef(false);
  const ghostTreads = useMemo(
    () => (ghost ? layStairs(catalog, ghost, wide, HEIGHT, span).treads : []),
    [catalog, ghost, wide, span],
  );
  const isNew = (id: string) => !timed.sequence.some(({ block }) => block.id === id);
  const order = timed.plan.order ?? catalog.method.order;
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
    const more = event.shiftKey || event.ctrlKey || event.metaKey;
    if (id !== undefined && !held.current) onSelect(id, more);
  };
  return (
    <div ref={ref} className="relative w-full contain-content">
      <div className="overflow-x-auto overflow-y-hidden" style={{ height: BASE + FOOT }}>
        {width > 0 && (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the tiles beneath do the same by keyboard.
          <svg
            width={LEFT + 12 + wide}
            height={BASE + FOOT}
            role="img"
            aria-label={spoken(review)}
            className="touch-pan-y"
            onPointerDown={grab}
            onPointerMove={follow}
            onClick={choose}
          >
            <path
              d={stairs.levels.map(({ y }) => `M${LEFT} ${TOP + y + TREAD}h${wide}`).join('')}
              className="stroke-line/60"
              shapeRendering="crispEdges"
            />
            <Wave {...{ timed, treads: stairs.treads, method: catalog.method, order, scale: stairs.scale }} />
            <Minutes span={span} at={at} />
            <Held x={at(0)} width={timed.parts.opening * stairs.scale} name="opening" />
            <Held
              x={at(timed.seconds - timed.parts.closing)}
              width={timed.parts.closing * stairs.scale}
              name="closing"
            />
            <Risers risers={stairs.risers} />
            <QuietSteps quiet={stairs.quiet} selected={selected} pointed={pointed} />
            <Treads treads={stairs.treads} grave={grave} />
            <MayGo treads={stairs.treads} />
            <Sides treads={stairs.treads} />
            <Suspense fallback={null}>
              <StepFigures treads={stairs.treads} sequence={timed.sequence} />
            </Suspense>
            {ghost && <Ghost now={stairs.treads} after={ghostTreads} />}
            {ghost && (
              <g opacity="0.6">
                <Suspense fallback={null}>
                  <StepFigures treads={ghostTreads.filter(({ id }) => isNew(id))} sequence={ghost.sequence} />
                </Suspense>
              </g>
            )}
            {marked.map((tread) => (
              <Marked key={`${tread.block}-${tread.pass}`} tread={tread} pointed={pointed.has(tread.id)} />
            ))}
            <Taught log={log} at={at} />
            <Spares at={spareEnds(timed).map(at)} names="For when there is time" />
            <Target x={at(target)} over={timed.seconds > target} text={clock(target)} />
            <Range from={at(timed.range.p10)} middle={at(timed.seconds)} to={at(timed.range.p90)} />
          </svg>
        )}
      </div>
      <svg
        width={LEFT - 4}
        height={BASE}
        aria-hidden="true"
        className={`pointer-events-none absolute top-0 left-0 ${zoom > 0 ? 'bg-paper/90' : ''}`}
      >
        {stairs.levels.map(({ name, y }) => (
          <text key={name} x={LEFT - 8} y={TOP + y + 16} textAnchor="end" className="fill-soft text-[13px]">
            {name}
          </text>
        ))}
      </svg>
      <Legend {...legendOf(timed)}>
        <button
          type="button"
          className="rounded px-2 hover:bg-shade disabled:opacity-35"
          disabled={zoom === 0}
          onClick={() => setZoom(farther)}
        >
          <span aria-hidden="true">−</span>
          <span className="sr-only">Zoom out</span>
        </button>
        <button
          type="button"
          className="rounded px-2 hover:bg-shade disabled:opacity-35"
          disabled={zoom === ZOOMS.length - 1}
          onClick={() => setZoom(closer)}
        >
          <span aria-hidden="true">+</span>
          <span className="sr-only">Zoom in</span>
        </button>
      </Legend>
    </div>
  );
});

/** When the blocks end that a spare one would follow. */
const spareEnds = ({ plan, sequence }: TimedClass): number[] =>
  (plan.spare ?? []).flatMap(({ after }) => {
    const part = sequence.find(({ block }) => block.id === after);
    if (!part) return [];
    return part.kind === 'block' ? part.endSeconds : part.startSeconds + part.seconds;
  });

const closer = (zoom: number): number => Math.min(ZOOMS.length - 1, zoom + 1);
const farther = (zoom: number): number => Math.max(0, zoom - 1);

/** What the colours, the wave and the pale shape behind it are. */
const Legend = ({ gives, spares, children }: LegendProps) => (
  <p className="flex flex-wrap items-center gap-x-3 text-sm text-soft">
    <span>Heat, how hard:</span>
    {HEAT_STEPS.map(({ word, fill }) => (
      <span key={word} className="inline-flex items-center gap-1">
        <svg width="12" height="12" aria-hidden="true">
          <rect width="12" height="12" rx="2" className={fill} />
        </svg>
        {word}
      </span>
    ))}
    <span className="inline-flex items-center gap-1">
      <svg width="18" height="12" aria-hidden="true">
        <path d="M1 10C6 10 6 2 10 2S14 8 17 8" fill="none" className="stroke-heat-3" strokeWidth="2.5" />
      </svg>
      effort over time, before the shape the house likes best
    </span>
    {gives && (
      <span className="inline-flex items-center gap-1">
        <svg width="12" height="12" aria-hidden="true">
          <rect x="0.5" y="0.5" width="11" height="11" fill="none" strokeDasharray="3 2" className="stroke-ink" />
        </svg>
        may go when it runs late, 1 first
      </span>
    )}
    {spares && (
      <span className="inline-flex items-center gap-1">
        <svg width="12" height="12" aria-hidden="true">
          <path d="M1 6h10M6 1v10" className="stroke-moss" strokeWidth="2.5" />
        </svg>
        room for more, when there is time
      </span>
    )}
    <span className="ml-auto">{children}</span>
  </p>
);

interface LegendProps {
  readonly gives: boolean;
  readonly spares: boolean;
  readonly children: ReactNode;
}
const legendOf = ({ plan }: TimedClass) => ({
  gives: plan.blocks.some(({ give }) => give !== undefined),
  spares: (plan.spare?.length ?? 0) > 0,
});

function spoken({ timed, findings }: ClassReview): string {
  const ups = timed.blocks.length;
  const firsts = new Set(timed.blocks.flatMap(({ firstSide }) => firstSide ?? []));
  const sides = firsts.size > 0 ? ` What has sides begins on the ${[...firsts].join(' or the ')}.` : '';
  return `The class as stairs: ${countText(ups, 'block')}, ${clock(timed.seconds)} of ${countText(timed.plan.targetMinutes, 'minute')}, ${countText(findings.length, 'finding')}.${sides} The blocks below hold the same.`;
}
