import { useDraggable } from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import type { Series } from '@warm-ladder/core/series';
import { timeText } from '@warm-ladder/core/series';
import { type Parts, withParts } from '@warm-ladder/core/vocabulary';
import { Link } from 'react-router';
import { selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { climbing, PeakBody } from '../../parts/classes/PeakBody';
import { Choice } from '../../parts/fields/Choice';
import type { Dated } from './occasions';

interface OccasionCardProps {
  /** The least and the most heat of any class of the term. */
  readonly heats: readonly [number, number];
  readonly occasion: Dated;
  readonly onDay: (day: string) => void;
  readonly onPut: (change: Parts<Series>, label: string) => void;
}

const DAY = new Intl.DateTimeFormat('en', { weekday: 'short', timeZone: 'UTC' });

/** One class on its day: its hardest body, when, what, by whom; and what keeps it from being taught then. */
export function OccasionCard({ occasion, heats, onDay, onPut }: OccasionCardProps) {
  const { series, episode, day, from, minutes, glance, teacher, clashes } = occasion;
  const { setNodeRef, attributes, listeners, transform, isDragging } = useDraggable({ id: `episode ${episode}` });
  const teachers = useAppSelector(selectTeachers);
  const peak = glance?.peak ?? null;
  const own = series.episodes[episode];
  const name = own?.title ?? occasion.name ?? 'a class that is gone';
  const say = (change: Parts<Series['episodes'][number]>, label: string) =>
    onPut({ episodes: series.episodes.map((each, i) => (i === episode ? withParts(each, change) : each)) }, label);
  const skip = () => {
    const skipped = [...(series.schedule?.skip ?? []), day];
    onPut({ schedule: { ...series.schedule, skip: skipped } }, `no ${series.name} on ${day}`);
  };
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), ...climbing(peak, heats) }}
      className={`relative min-w-0 rounded-lg leading-tight md:mt-(--drop) ${isDragging ? 'z-20 bg-sheet shadow-lift' : ''} ${clashes.length > 0 ? 'p-1 outline-2 outline-alarm outline-dashed' : ''}`}
    >
      <button type="button" className="block w-full max-w-40 cursor-grab touch-pan-y" {...attributes} {...listeners}>
        {peak ? <PeakBody peak={peak} /> : <span className="block h-16" />}
        <span className="sr-only">
          Move {series.name} {episode + 1}
        </span>
      </button>
      <p className="mt-1 font-narrow text-sm">
        <label>
          {DAY.format(new Date(`${day}T00:00:00Z`))}{' '}
          <input
            type="date"
            aria-label={`The day of ${series.name} ${episode + 1}`}
            className="field w-full max-w-32 p-0 font-semibold"
            value={day}
            onChange={({ target }) => target.value !== '' && onDay(target.value)}
          />
        </label>
        <span className="block">
          {from !== null && `${timeText(from)} · `}
          {minutes} min
        </span>
      </p>
      <p className="text-sm">
        <Link to={`/class/${occasion.class}`} className="font-semibold hover:underline">
          {episode + 1}. {name}
        </Link>
      </p>
      <p className="flex flex-wrap items-baseline gap-x-1 font-narrow text-sm text-soft">
        <Choice
          label={`Who teaches ${series.name} ${episode + 1}`}
          value={own?.teacher ?? ''}
          choices={[
            ['', teachers.find(({ id }) => id === teacher)?.name ?? 'nobody yet'],
            ...teachers.map((each) => [each.id, each.name] as const),
          ]}
          onChange={(id) => say({ teacher: id || undefined }, `who teaches ${series.name} ${episode + 1}`)}
        />
        {own?.date === undefined ? (
          <button type="button" className="rounded px-1 hover:bg-shade" onClick={skip}>
            not this day
          </button>
        ) : (
          <button
            type="button"
            className="rounded px-1 hover:bg-shade"
            onClick={() => say({ date: undefined }, `the day of ${series.name} ${episode + 1}`)}
          >
            back to its turn
          </button>
        )}
      </p>
      {clashes.map((clash) => (
        <p key={clash} className="text-sm font-semibold text-alarm">
          {clash}
        </p>
      ))}
    </li>
  );
}
