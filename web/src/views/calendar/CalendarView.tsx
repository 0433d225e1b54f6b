import { daysOn, mondayOf, weeksFrom } from '@warm-ladder/core/series';
import { countText } from '@warm-ladder/core/vocabulary';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { selectWholeStudio } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { useGlances } from '../../desk/useDesk';
import { heatsOf } from '../../parts/classes/PeakBody';
import { dayText } from '../series/dayText';
import { datedIn } from './occasions';
import { TermLane } from './TermLane';

/** Weeks in sight at a time. */
const WEEKS = 6;

/** The term as its climb: weeks across, each series a lane, each class the hardest body of it, as high as it is hot. */
export function Component() {
  const studio = useAppSelector(selectWholeStudio);
  const [address, setAddress] = useSearchParams();
  const day = today();
  const ids = useMemo(
    () => [...new Set(studio.allSeries.flatMap(({ episodes }) => episodes.map((each) => each.class)))],
    [studio],
  );
  const glances = useGlances(ids);
  const lanes = useMemo(
    () => studio.allSeries.map((series) => ({ series, dated: datedIn(studio, series, glances) })),
    [studio, glances],
  );
  const days = lanes.flatMap(({ dated }) => dated.map((each) => each.day)).sort();
  // Where nothing falls into these weeks, the first that has something is more use than empty ones.
  const ahead = days.find((each) => each >= mondayOf(day)) ?? days[0];
  const from = mondayOf(address.get('from') ?? ahead ?? day);
  const weeks = weeksFrom(from, WEEKS);
  const end = daysOn(from, 7 * WEEKS);
  const clashing = lanes.flatMap(({ dated }) => dated).filter(({ clashes }) => clashes.length > 0);
  const turn = (by: number) => setAddress({ from: daysOn(from, 7 * by) });
  const shown = lanes.filter(({ dated }) => dated.length > 0);
  const last = days.at(-1);
  const heats = heatsOf(lanes.flatMap(({ dated }) => dated.map(({ glance }) => glance?.peak ?? null)));
  return (
    <main className="mx-auto w-full max-w-[100rem] px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h1 className="font-name text-3xl font-semibold">Calendar</h1>
        <button type="button" className="rounded p-1.5 hover:bg-shade" onClick={() => turn(-WEEKS)}>
          <ChevronLeft className="size-5" aria-hidden="true" />
          <span className="sr-only">The weeks before</span>
        </button>
        <p className="text-lg" aria-live="polite">
          {dayText(from)} to {dayText(daysOn(end, -1))}, {from.slice(0, 4)}
        </p>
        <button type="button" className="rounded p-1.5 hover:bg-shade" onClick={() => turn(WEEKS)}>
          <ChevronRight className="size-5" aria-hidden="true" />
          <span className="sr-only">The weeks after</span>
        </button>
        <span className="ml-auto flex flex-wrap gap-x-4">
          {days.length > 0 && (
            <>
              <a
                href={`/api/term/sheet?${new URLSearchParams({ from, to: daysOn(end, -1) })}`}
                download="term.pdf"
                className="underline decoration-dotted underline-offset-4"
              >
                These weeks on paper
              </a>
              <a
                href="/api/term/calendar"
                download="term.ics"
                className="underline decoration-dotted underline-offset-4"
              >
                All of it as a calendar file
              </a>
            </>
          )}
          <a href="/tonight" className="underline decoration-dotted underline-offset-4">
            Today, for a phone
          </a>
          <Link to="/series" className="underline decoration-dotted underline-offset-4">
            All series
          </Link>
          <Link to="/teachers" className="underline decoration-dotted underline-offset-4">
            Teachers and rooms
          </Link>
        </span>
      </div>
      {days.length === 0 ? (
        <p className="mt-3 text-soft">
          No episode has a day yet. Give a series its first day and its days of the week on its page.
        </p>
      ) : (
        <p className={clashing.length > 0 ? 'font-semibold text-alarm' : 'text-moss'}>
          {clashing.length > 0
            ? `${countText(clashing.length, 'class', 'classes')} of ${days.length} can’t be taught as planned.`
            : `${countText(days.length, 'class', 'classes')} until ${last && dayText(last)}, and nothing clashes.`}
          <span className="font-normal text-soft">
            {' '}
            Each stands as high as it is hot. Drag one to another week; its day and who teaches it are beneath it.
          </span>
        </p>
      )}
      {shown.map(({ series, dated }) => (
        <TermLane key={series.id} {...{ series, weeks, day, end, dated, heats }} />
      ))}
    </main>
  );
}
