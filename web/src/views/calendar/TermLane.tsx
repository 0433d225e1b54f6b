import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { inWeek, type Series } from '@warm-ladder/core/series';
import { withParts } from '@warm-ladder/core/vocabulary';
import { useId } from 'react';
import { Link } from 'react-router';
import { selectRooms, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { dayText } from '../series/dayText';
import { useSeriesEdit } from '../series/useSeriesEdit';
import { OccasionCard } from './OccasionCard';
import type { Dated } from './occasions';

interface TermLaneProps {
  readonly series: Series;
  readonly dated: readonly Dated[];
  /** Mondays. */
  readonly weeks: readonly string[];
  /** Today. */
  readonly day: string;
  /** The first day after the last week. */
  readonly end: string;
  /** The least and the most heat of any class of the term. */
  readonly heats: readonly [number, number];
}

const DRAG = { activationConstraint: { distance: 4 } };

/** A series through the weeks: where and by whom it is taught, and its classes, dragged from week to week. */
export function TermLane({ series, dated, weeks, day, end, heats }: TermLaneProps) {
  const { put } = useSeriesEdit(series.id);
  const rooms = useAppSelector(selectRooms);
  const teachers = useAppSelector(selectTeachers);
  const sensors = useSensors(useSensor(PointerSensor, DRAG), useSensor(KeyboardSensor));
  const heading = useId();
  const { schedule } = series;
  const say = (change: Partial<Record<'room' | 'teacher', string | undefined>>, label: string) =>
    put({ schedule: withParts(schedule ?? {}, change) }, label);
  const moveTo = (episode: number, to: string) =>
    put(
      { episodes: series.episodes.map((each, i) => (i === episode ? { ...each, date: to } : each)) },
      `episode ${episode + 1} of ${series.name} on ${dayText(to)}`,
    );
  const drop = ({ active, over }: DragEndEvent) => {
    const held = dated.find(({ episode }) => `episode ${episode}` === active.id);
    if (!held || !over) return;
    const to = inWeek(held.day, String(over.id));
    if (to !== held.day) moveTo(held.episode, to);
  };
  const elsewhere = dated.filter((each) => each.day < (weeks[0] ?? '') || each.day >= end).length;
  return (
    <section aria-labelledby={heading} className="mt-5 border-t-2 border-ink pt-2">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id={heading} className="font-name text-xl font-semibold">
          <Link to={`/series/${series.id}`} className="hover:underline">
            {series.name}
          </Link>
        </h2>
        <p className="font-narrow">
          {schedule?.time ?? 'no time yet'}, in{' '}
          <Choice
            label={`Room of ${series.name}`}
            value={schedule?.room ?? ''}
            choices={[['', 'no room yet'], ...rooms.map(({ id, name }) => [id, name] as const)]}
            onChange={(room) => say({ room: room || undefined }, `the room of ${series.name}`)}
          />{' '}
          by{' '}
          <Choice
            label={`Teacher of ${series.name}`}
            value={schedule?.teacher ?? ''}
            choices={[['', 'nobody yet'], ...teachers.map(({ id, name }) => [id, name] as const)]}
            onChange={(teacher) => say({ teacher: teacher || undefined }, `who teaches ${series.name}`)}
          />
        </p>
        <a
          className="ml-auto text-sm underline decoration-dotted underline-offset-4"
          href={`/api/series/${encodeURIComponent(series.id)}/calendar`}
          download
        >
          Its dates as a calendar file
        </a>
      </div>
      {elsewhere < dated.length && (
        <DndContext sensors={sensors} onDragEnd={drop}>
          <ol
            className="mt-1 grid gap-x-2 md:grid-cols-[repeat(var(--weeks),minmax(0,1fr))]"
            style={weeksAcross(weeks)}
          >
            {weeks.map((monday, i) => (
              <Week key={monday} monday={monday} now={day >= monday && day < (weeks[i + 1] ?? end)}>
                {dated
                  .filter((each) => each.day >= monday && each.day < (weeks[i + 1] ?? end))
                  .map((each) => (
                    <OccasionCard
                      key={each.episode}
                      occasion={each}
                      heats={heats}
                      onDay={(to) => moveTo(each.episode, to)}
                      onPut={put}
                    />
                  ))}
              </Week>
            ))}
          </ol>
        </DndContext>
      )}
      {elsewhere > 0 && <p className="mt-1 text-sm text-soft">{elsewhere} more in other weeks.</p>}
    </section>
  );
}

const weeksAcross = (weeks: readonly string[]) => ({ '--weeks': weeks.length }) as React.CSSProperties;

/** A week of a lane: what is taught in it stands on its line, and what is dragged over it may be put down. */
function Week({
  monday,
  now,
  children,
}: {
  readonly monday: string;
  readonly now: boolean;
  readonly children: readonly React.ReactNode[];
}) {
  const { setNodeRef, isOver } = useDroppable({ id: monday });
  return (
    <li
      ref={setNodeRef}
      className={`flex min-w-0 gap-2 rounded-lg p-1 max-md:border-b max-md:border-line md:min-h-52 md:flex-col ${isOver ? 'bg-sheet outline-2 outline-cobalt' : now ? 'bg-shade' : ''} ${children.length === 0 ? 'max-md:hidden' : ''}`}
    >
      <p className={`font-narrow text-sm max-md:w-16 ${now ? 'font-semibold' : 'text-soft'}`}>
        {now ? 'this week' : dayText(monday)}
      </p>
      <ul className="flex min-w-0 grow flex-col gap-2">{children}</ul>
    </li>
  );
}
