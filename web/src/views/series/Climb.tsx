import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { clock } from '@warm-ladder/core/review';
import type { ClimbLine, ClimbStep, ToldSeries } from '@warm-ladder/core/series';
import { type KeyboardEvent, memo, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { same } from '../../app/store/studioState';
import { dayText } from './dayText';

interface ClimbProps {
  readonly told: Pick<ToldSeries, 'climb' | 'episodes'>;
  /** The day of each episode, by its place. */
  readonly dates: ReadonlyArray<string | null>;
  /** The episode the series is at, by its place. */
  readonly at: number | null;
  /** `null` where it is only looked at. */
  readonly onMove: ((step: ClimbStep, to: number) => void) | null;
}

// One object for good: with another, every mark would be drawn again at every edit.
const BEGUN_BY = { activationConstraint: { distance: 6 } };

/** Pixels: a step up within a ladder, the least height of a row, a mark. */
const [STEP, ROW, MARK] = [9, 34, 22];
const COLUMN = 5.2;

/** Ladders down, episodes across: each ladder a line that climbs its rungs. */
export function Climb({ told: { climb, episodes }, dates, at, onMove }: ClimbProps) {
  const heads = useMemo(
    () =>
      episodes.map(
        ({ episode, class: id, name, seconds, heatMinutes }): Head => ({
          episode,
          class: id,
          name,
          seconds,
          heatMinutes,
          day: dates[episode] ?? null,
        }),
      ),
    [episodes, dates],
  );
  return <Chart {...{ lines: climb, heads, at, onMove }} />;
}

/** What stands above a column. */
interface Head {
  readonly episode: number;
  /** The id of its class. */
  readonly class: string;
  readonly name: string;
  readonly seconds: number;
  readonly heatMinutes: number;
  readonly day: string | null;
}

interface ChartProps extends Pick<ClimbProps, 'at' | 'onMove'> {
  readonly lines: readonly ClimbLine[];
  readonly heads: readonly Head[];
}

/** Most edits of a series leave the climb as it is, and then none of its hundreds of marks is drawn again. */
const Chart = memo(
  ClimbChart,
  (a, b) => a.at === b.at && a.onMove === b.onMove && same(a.heads, b.heads) && same(a.lines, b.lines),
);

function ClimbChart({ lines, heads, at, onMove }: ChartProps) {
  const sensors = useSensors(useSensor(PointerSensor, BEGUN_BY));
  const most = Math.max(1, ...heads.map(({ heatMinutes }) => heatMinutes));
  const drop = ({ active, over }: DragEndEvent) => {
    const step = active.data.current as ClimbStep | undefined;
    const to = over?.data.current as { episode: number } | undefined;
    if (step && to && to.episode !== step.episode) onMove?.(step, to.episode);
  };
  const columns = `12rem repeat(${heads.length}, minmax(${COLUMN}rem, 1fr))`;
  return (
    <section aria-label="The climb" className="mt-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="font-name text-xl font-semibold">The climb</h2>
        <Legend moves={onMove !== null} />
      </div>
      <DndContext sensors={sensors} onDragEnd={drop}>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be scrolled by keyboard too. */}
        <section className="relative mt-2 overflow-x-auto" tabIndex={0} aria-label="Ladders by episodes">
          <div className="min-w-fit">
            <div className="grid items-end border-b-2 border-ink" style={{ gridTemplateColumns: columns }}>
              <span className="sticky left-0 z-10 bg-paper pb-1 text-sm text-soft">Ladder, and work by episode</span>
              {heads.map(({ episode, class: id, name, seconds, heatMinutes, day }) => (
                <div
                  key={episode}
                  className={`flex h-24 flex-col justify-end px-1 pb-1 text-center leading-tight ${at === episode ? 'bg-shade' : ''}`}
                >
                  <span
                    className="mx-auto mb-1 w-6 rounded-t bg-heat-3"
                    style={{ height: `${(heatMinutes / most) * 30}px` }}
                    title={`${Math.round(heatMinutes)} heat-minutes: how hard, times minutes of work`}
                  />
                  <Link to={`/class/${id}`} className="font-semibold hover:underline" title={name}>
                    {episode + 1}
                    <span className="sr-only"> {name}</span>
                  </Link>
                  <span className="text-sm text-soft">{clock(seconds)}</span>
                  <span className="text-sm whitespace-nowrap text-soft">
                    {at === episode ? 'next: ' : ''}
                    {day === null ? '' : dayText(day)}
                  </span>
                </div>
              ))}
            </div>
            {lines.map((line) => (
              <Row key={line.exercise} line={line} {...{ heads, columns, at, onMove }} />
            ))}
          </div>
        </section>
      </DndContext>
      {lines.length === 0 && <p className="mt-3 text-soft">No rungs yet: they stand here once an episode has some.</p>}
    </section>
  );
}

interface RowProps extends Pick<ClimbProps, 'at' | 'onMove'> {
  readonly line: ClimbLine;
  readonly heads: readonly Head[];
  readonly columns: string;
}

/** Drawn again only when something of its ladder is otherwise: a long series has hundreds of marks. */
const Row = memo(LadderRow, (a, b) => {
  const steady = a.at === b.at && a.columns === b.columns && a.onMove === b.onMove;
  return (
    steady &&
    same(a.line, b.line) &&
    a.heads.length === b.heads.length &&
    a.heads.every((head, i) => head.class === b.heads[i]?.class)
  );
});

function LadderRow({ line, heads, columns, at, onMove }: RowProps) {
  const lowest = Math.min(...line.steps.map(({ step }) => step));
  const highest = Math.max(...line.steps.map(({ step }) => step));
  const height = ROW + (highest - lowest) * STEP;
  const heightOf = ({ step }: ClimbStep) => 6 + (step - lowest) * STEP;
  const tops = heads.flatMap(({ episode }, i) => {
    const top = line.steps.findLast((step) => step.episode === episode);
    return top ? [{ x: ((i + 0.5) / heads.length) * 100, y: height - heightOf(top) - MARK / 2, early: top.early }] : [];
  });
  return (
    <div className="grid border-b border-line" style={{ gridTemplateColumns: columns }}>
      <Link
        to={`/repertoire/${line.exercise}`}
        className="sticky left-0 z-10 self-stretch bg-paper py-1.5 pr-2 leading-tight hover:underline"
      >
        {line.name}
      </Link>
      <div
        className="relative col-[2/-1] grid"
        style={{ height, gridTemplateColumns: `repeat(${heads.length}, minmax(0, 1fr))` }}
      >
        <svg
          className="pointer-events-none absolute inset-0 z-[1] size-full"
          aria-hidden="true"
          preserveAspectRatio="none"
          viewBox={`0 0 100 ${height}`}
        >
          {tops.slice(1).map((top, i) => {
            const from = tops[i] as (typeof tops)[number];
            return (
              <line
                key={top.x}
                x1={from.x}
                y1={from.y}
                x2={top.x}
                y2={top.y}
                vectorEffect="non-scaling-stroke"
                className={top.early ? 'stroke-alarm' : 'stroke-soft'}
                strokeWidth={2}
                strokeDasharray={top.early ? '3 5' : undefined}
              />
            );
          })}
        </svg>
        {heads.map(({ episode, class: id }) => (
          <Cell key={episode} line={line} episode={episode} here={at === episode}>
            {line.steps
              .filter((step) => step.episode === episode)
              .map((step, i, own) => (
                <Mark
                  key={step.key}
                  step={step}
                  line={line}
                  to={`/class/${id}?block=${step.block}`}
                  bottom={heightOf(step)}
                  beside={(i - (own.length - 1)) * (MARK - 4)}
                  last={heads.length - 1}
                  onMove={onMove}
                />
              ))}
          </Cell>
        ))}
      </div>
    </div>
  );
}

interface CellProps {
  readonly line: ClimbLine;
  readonly episode: number;
  readonly here: boolean;
  readonly children: React.ReactNode;
}

function Cell({ line, episode, here, children }: CellProps) {
  const { setNodeRef, isOver } = useDroppable({ id: `${line.exercise} ${episode}`, data: { episode } });
  return (
    <div
      ref={setNodeRef}
      className={`relative border-l border-line/50 ${isOver ? 'bg-shade' : here ? 'bg-shade/60' : ''}`}
    >
      {children}
    </div>
  );
}

interface MarkProps {
  readonly step: ClimbStep;
  readonly line: ClimbLine;
  readonly to: string;
  readonly bottom: number;
  /** Pixels from the middle: the highest rung of an episode stands in it, on the line, and lower ones before it. */
  readonly beside: number;
  readonly last: number;
  readonly onMove: ClimbProps['onMove'];
}

const AS_WORDS = { taught: 'taught', practised: 'practised', recapped: 'done again' } as const;

/** A rung in an episode: pressed, its class opens at that block; dragged, or by Alt and an arrow, it goes to another. */
function Mark({ step, line, to, bottom, beside, last, onMove }: MarkProps) {
  const navigate = useNavigate();
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: `${step.key} ${step.episode}`,
    data: step,
    disabled: onMove === null,
  });
  const [focused, setFocused] = useState(false);
  const words = [
    `${line.name}, ${step.name}`,
    `episode ${step.episode + 1}`,
    AS_WORDS[step.as],
    ...(step.earned ? ['earned with it'] : []),
    ...(step.early ? ['too early'] : []),
  ].join(', ');
  const press = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    if (event.altKey) {
      event.preventDefault();
      const goal = step.episode + by;
      if (goal >= 0 && goal <= last) onMove?.(step, goal);
      return;
    }
    const marks = [...document.querySelectorAll<HTMLElement>(`[data-climb="${line.exercise}"]`)];
    marks[marks.indexOf(event.currentTarget as HTMLElement) + by]?.focus();
  };
  return (
    <button
      ref={setNodeRef}
      {...listeners}
      type="button"
      data-climb={line.exercise}
      aria-label={words}
      title={words}
      className={`absolute left-1/2 z-[2] touch-none rounded-full text-sm leading-none font-semibold ${LOOKS[step.as]} ${
        step.earned ? 'outline-2 outline-offset-2 outline-ink' : ''
      } ${step.early ? 'border-2 border-dashed border-alarm !bg-sheet !text-alarm' : ''} ${isDragging || focused ? 'z-20' : ''}`}
      style={{
        bottom,
        width: MARK,
        height: MARK,
        marginLeft: beside - MARK / 2,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      onKeyDown={press}
      onClick={() => onMove !== null && void navigate(to)}
    >
      {step.early ? '!' : step.step + 1}
    </button>
  );
}

/** Told apart by fill and shape, and not by colour alone. */
const LOOKS: Readonly<Record<ClimbStep['as'], string>> = {
  taught: 'bg-ink text-sheet',
  practised: 'border-2 border-ink bg-sheet text-ink',
  recapped: 'border border-soft bg-sheet text-soft',
};

const Legend = ({ moves }: { readonly moves: boolean }) => (
  <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-soft">
    <span>The number is the rung.</span>
    <Sample look={LOOKS.taught}>taught</Sample>
    <Sample look={LOOKS.practised}>practised</Sample>
    <Sample look={LOOKS.recapped}>done again</Sample>
    <Sample look={`${LOOKS.recapped} outline-2 outline-offset-2 outline-ink`}>earned with it</Sample>
    <Sample look="border-2 border-dashed border-alarm bg-sheet">too early</Sample>
    {moves && <span>Drag a rung, or Alt ← →, to another episode.</span>}
  </p>
);

const Sample = ({ look, children }: { readonly look: string; readonly children: string }) => (
  <span className="inline-flex items-center gap-1.5">
    <span aria-hidden="true" className={`inline-block size-3.5 rounded-full ${look}`} />
    {children}
  </span>
);
