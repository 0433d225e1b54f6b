import { clock } from '@warm-ladder/core/review';
import type { Series } from '@warm-ladder/core/series';
import { countText } from '@warm-ladder/core/vocabulary';
import { Plus } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { LostPage } from '../../app/shell/LostPage';
import { selectSeries } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { useToldSeries } from '../../desk/useDesk';
import { SeriesDesk } from './SeriesDesk';
import { useCreateSeries } from './useCreateSeries';

export function Component() {
  const { id } = useParams();
  const all = useAppSelector(selectSeries);
  const series = id === undefined && all.length === 1 ? all[0] : all.find((each) => each.id === id);
  if (series) return <SeriesDesk key={series.id} series={series} />;
  return id === undefined ? <SeriesList all={all} /> : <LostPage />;
}

function SeriesList({ all }: { all: readonly Series[] }) {
  const create = useCreateSeries();
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6">
      <div className="flex items-center gap-4">
        <h1 className="grow font-name text-3xl font-semibold">Series</h1>
        <Link to="/series/plan" className="action mt-1">
          Plan a series
        </Link>
        <button type="button" className="action action-main" onClick={create}>
          <Plus className="size-4" aria-hidden="true" /> New series
        </button>
      </div>
      {all.length === 0 && (
        <p className="mt-4 text-soft">No series yet. A series chains classes so that every rung is earned.</p>
      )}
      <ul className="mt-4 flex flex-col divide-y divide-line">
        {all.map((series) => (
          <SeriesRow key={series.id} series={series} />
        ))}
      </ul>
    </main>
  );
}

function SeriesRow({ series }: { series: Series }) {
  const told = useToldSeries(series.id);
  return (
    <li>
      <Link to={`/series/${series.id}`} className="flex gap-3 py-2.5 text-lg hover:underline">
        <span className="grow font-name font-semibold">{series.name}</span>
        <span className="text-soft">
          {countText(series.episodes.length, 'episode')}
          {told && `, ${clock(told.seconds)}`}
        </span>
      </Link>
    </li>
  );
}
