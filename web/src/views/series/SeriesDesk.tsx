import { clock } from '@warm-ladder/core/review';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { datesOf, followedBy, type Series, stepHigher, type ToldSeries } from '@warm-ladder/core/series';
import { countText } from '@warm-ladder/core/vocabulary';
import { Plus } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange } from '../../app/store/edits';
import { selectClasses, selectSeries, selectWholeStudio } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { useToldSeries } from '../../desk/useDesk';
import { BinButton } from '../../parts/BinButton';
import { TextField } from '../../parts/fields/TextField';
import { Climb } from './Climb';
import { dayText } from './dayText';
import { SeriesContext } from './EpisodeMore';
import { EpisodeRow } from './EpisodeRow';
import { GoesOut } from './GoesOut';
import { SeriesFindings } from './SeriesFindings';
import { SeriesPlan } from './SeriesPlan';
import { useCreateSeries } from './useCreateSeries';
import { useSeriesEdit } from './useSeriesEdit';

/** One series: where it stands, what is not earned, its climb, its dates and its episodes. */
export function SeriesDesk({ series }: { series: Series }) {
  const told = useToldSeries(series.id);
  const studio = useAppSelector(selectWholeStudio);
  const classes = useAppSelector(selectClasses);
  const all = useAppSelector(selectSeries);
  const change = useChange();
  const create = useCreateSeries();
  const navigate = useNavigate();
  const { take, put, edit, move } = useSeriesEdit(series.id);
  const dates = datesOf(series);
  const day = today();
  const ahead = dates.findIndex((date) => date !== null && date >= day);
  const at = ahead < 0 ? null : ahead;
  const plans = series.episodes.map(({ class: id }) => studio.classOf(id));
  const longest = Math.max(
    1,
    ...(told?.episodes ?? []).map(({ seconds }) => seconds),
    ...plans.map((plan) => (plan?.targetMinutes ?? 0) * 60),
  );
  const free = classes.filter(({ id }) => !series.episodes.some((episode) => episode.class === id));
  const higher = () => {
    const name = `${series.name} ${series.episodes.length + 1}`;
    const plan = stepHigher(studio, series, newId(name), name);
    if (!plan) return;
    const episodes = [...series.episodes, { class: plan.id }];
    take({ series: { ...series, episodes }, classes: [plan] }, 'the next episode, a step higher');
  };
  return (
    <main className="mx-auto w-full max-w-[86rem] px-4 py-5">
      <div className="flex flex-wrap items-start gap-3">
        <h1 className="sr-only">{series.name}</h1>
        <TextField
          label="Name of the series"
          value={series.name}
          className="-ml-1.5 grow font-name text-3xl font-semibold"
          onChange={(name) => put({ name }, 'the name of the series', 'name')}
        />
        {all.length > 1 && (
          <select
            aria-label="Series"
            className="field mt-2"
            value={series.id}
            onChange={({ target }) => void navigate(`/series/${target.value}`)}
          >
            {all.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        <Link to="/calendar" className="action mt-1">
          Calendar
        </Link>
        <Link to="/series/plan" className="action mt-1">
          Plan a series
        </Link>
        <button type="button" className="action mt-1" onClick={create}>
          <Plus className="size-4" aria-hidden="true" /> New series
        </button>
        <BinButton
          word="Delete"
          className="mt-1"
          onPress={() => change('series', series.id, undefined, `deleting ${series.name}`)}
        />
      </div>
      <Standing series={series} told={told} at={at} date={at === null ? null : (dates[at] ?? null)} />
      {series.episodes.length > 0 && <GoesOut id={series.id} />}
      <details className="mt-2" open={series.episodes.length === 0 || undefined}>
        <summary className="font-name text-xl font-semibold">Who it is for, goals, dates and places</summary>
        <SeriesPlan series={series} onPut={put} />
      </details>
      {told ? (
        <>
          <SeriesFindings
            series={series}
            findings={told.findings}
            onMend={({ after, label }) => take(after, `${label.charAt(0).toLowerCase()}${label.slice(1)}`)}
          />
          {told.episodes.length > 0 && <Climb told={told} dates={dates} at={at} onMove={move} />}
        </>
      ) : (
        <p className="mt-3 text-soft">Reading its classes …</p>
      )}
      <h2 className="mt-5 font-name text-xl font-semibold">Episodes</h2>
      <SeriesContext value={series}>
        <ol className="mt-1 flex max-w-5xl flex-col divide-y divide-line">
          {plans.map(
            (plan, episode) =>
              plan && (
                <EpisodeRow
                  key={episode}
                  at={episode}
                  plan={plan}
                  told={told?.episodes.find((each) => each.episode === episode && each.class === plan.id)}
                  span={longest * 1.04}
                  last={episode === series.episodes.length - 1}
                  day={dates[episode] ?? null}
                  onPut={put}
                  onEdit={edit}
                />
              ),
          )}
        </ol>
      </SeriesContext>
      {series.episodes.length === 0 && <p className="mt-4 text-soft">No episode yet. Add the first class below.</p>}
      <p className="mt-4 flex flex-wrap items-center gap-3">
        <label className="flex min-w-0 items-center gap-2">
          Add an episode
          <select
            className="field min-w-0"
            value=""
            onChange={({ target }) =>
              target.value && put({ episodes: [...series.episodes, { class: target.value }] }, 'adding an episode')
            }
          >
            <option value="">choose a class…</option>
            {free.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        {series.episodes.length > 0 && (
          <button type="button" className="action" onClick={higher}>
            <Plus className="size-4" aria-hidden="true" /> The last one, a step higher
          </button>
        )}
      </p>
      <p className="mt-6 text-sm text-soft">{GENERAL_ADVICE}</p>
    </main>
  );
}

interface StandingProps {
  readonly series: Series;
  readonly told: ToldSeries | null;
  readonly at: number | null;
  readonly date: string | null;
}

/** What matters first: what it follows, where it is, and whether each step is earned. */
function Standing({ series, told, at, date }: StandingProps) {
  const studio = useAppSelector(selectWholeStudio);
  const before = followedBy(studio, series).at(-1);
  const count = series.episodes.length;
  const early = told?.findings.filter(({ code }) => code === 'RUNG_UNEARNED').length ?? 0;
  return (
    <p className="mt-1 text-[17px]">
      {before && (
        <>
          Follows{' '}
          <Link to={`/series/${before.id}`} className="underline">
            {before.name}
          </Link>
          : what that one earned counts here.{' '}
        </>
      )}
      {countText(count, 'episode')}
      {told && (
        <>
          , <span className="font-semibold">{clock(told.seconds)}</span> in all
        </>
      )}
      .{' '}
      {at !== null && date !== null && (
        <>
          Next:{' '}
          <span className="font-semibold">
            episode {at + 1}, {dayText(date)}
          </span>
          .{' '}
        </>
      )}
      {early > 0 ? (
        <span className="font-semibold text-alarm">
          {early} {early === 1 ? 'rung comes' : 'rungs come'} before what {early === 1 ? 'it needs' : 'they need'} is
          earned.
        </span>
      ) : (
        told &&
        count > 0 && (
          <span className="text-moss">
            Every rung is open when it comes; {told.earned} {told.earned === 1 ? 'is' : 'are'} earned by the end.
          </span>
        )
      )}
    </p>
  );
}
