import { monthsOn, type Occasion, occasionsOf, reviewSeries, type Series, weeksOf } from '@warm-ladder/core/series';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { selectReview, selectWholeStudio } from '../../app/selectors';
import { store, useAppSelector } from '../../app/store';
import { today } from '../../app/today';

const MONTH = new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric', timeZone: 'UTC' });
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface Dated extends Occasion {
  /** What keeps it from being taught then, in sentences. */
  readonly clashes: readonly string[];
}

/** A month of every series: what is taught when, where, by whom, and what clashes. */
export function Component() {
  const studio = useAppSelector(selectWholeStudio);
  const [address, setAddress] = useSearchParams();
  const day = today();
  const dated = useMemo(() => studio.allSeries.flatMap((series) => occasionsIn(studio, series)), [studio]);
  // Where nothing falls into this month, the first one that has something is more use than an empty page.
  const next = dated
    .map((each) => each.day)
    .sort()
    .find((each) => each >= day);
  const month = address.get('month') ?? (next ?? day).slice(0, 7);
  const weeks = weeksOf(`${month}-01`);
  const turn = (by: number) => setAddress({ month: monthsOn(`${month}-01`, by).slice(0, 7) });
  return (
    <main className="mx-auto w-full max-w-[86rem] px-4 py-5">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="font-name text-3xl font-semibold">{MONTH.format(new Date(`${month}-01T00:00:00Z`))}</h1>
        <button type="button" className="rounded p-1.5 hover:bg-shade" onClick={() => turn(-1)}>
          <ChevronLeft className="size-5" aria-hidden="true" />
          <span className="sr-only">The month before</span>
        </button>
        <button type="button" className="rounded p-1.5 hover:bg-shade" onClick={() => turn(1)}>
          <ChevronRight className="size-5" aria-hidden="true" />
          <span className="sr-only">The month after</span>
        </button>
        <span className="ml-auto flex gap-4">
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
      {dated.length === 0 && (
        <p className="mt-3 text-soft">
          No episode has a day yet. Give a series its first day and its days of the week on its page.
        </p>
      )}
      <div className="relative mt-3 overflow-x-auto">
        <table className="w-full min-w-[44rem] table-fixed border-collapse">
          <thead>
            <tr>
              {DAYS.map((name) => (
                <th key={name} scope="col" className="pb-1 text-left text-sm font-normal text-soft">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {weeks.map((week) => (
              <tr key={week[0]}>
                {week.map((each) => (
                  <td
                    key={each}
                    className={`h-24 border border-line p-1 align-top ${each === day ? 'bg-shade' : each.startsWith(month) ? 'bg-sheet' : ''}`}
                  >
                    <time dateTime={each} className={`text-sm ${each.startsWith(month) ? '' : 'text-soft'}`}>
                      {Number(each.slice(8))}
                    </time>
                    <ul className="flex flex-col gap-1">
                      {dated
                        .filter((occasion) => occasion.day === each)
                        .sort((a, b) => (a.from ?? 0) - (b.from ?? 0))
                        .map((occasion) => (
                          <Entry key={`${occasion.series.id} ${occasion.episode}`} occasion={occasion} />
                        ))}
                    </ul>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </main>
  );
}

/** The dated episodes of a series, as long as they are now, with what clashes. */
function occasionsIn(studio: ReturnType<typeof selectWholeStudio>, series: Series): Dated[] {
  const minutes = (id: string): number => {
    const plan = studio.classOf(id);
    return plan ? Math.ceil(selectReview(store.getState(), plan).timed.seconds / 60) : 0;
  };
  const { findings } = reviewSeries(studio, series);
  return occasionsOf(series, minutes).map((occasion) => ({
    ...occasion,
    clashes: findings
      .filter(({ code, episode }) => code === 'DATE_CLASH' && episode === occasion.episode)
      .map(({ message }) => message),
  }));
}

const timeText = (minutes: number): string => `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;

function Entry({
  occasion: { series, episode, class: id, from, minutes, room, teacher, clashes },
}: {
  occasion: Dated;
}) {
  const studio = useAppSelector(selectWholeStudio);
  const plan = studio.classOf(id);
  return (
    <li
      className={`rounded px-1 leading-tight ${clashes.length > 0 ? 'border-2 border-dashed border-alarm' : 'border-l-4 border-cobalt'}`}
    >
      <Link to={`/series/${series.id}`} className="text-sm font-semibold hover:underline">
        {from === null ? '' : `${timeText(from)} `}
        {series.name} {episode + 1}
      </Link>
      <span className="block text-sm text-soft">
        {[`${minutes} min`, studio.roomOf(room)?.name, studio.teacherOf(teacher)?.name].filter(Boolean).join(', ')}
      </span>
      <Link to={`/class/${id}`} className="block truncate text-sm hover:underline" title={plan?.name}>
        {plan?.name ?? 'a class that is gone'}
      </Link>
      {clashes.map((clash) => (
        <span key={clash} className="block text-sm font-semibold text-alarm">
          {clash}
        </span>
      ))}
    </li>
  );
}
