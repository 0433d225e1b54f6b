import type { EpisodeReview } from '@warm-ladder/core/review';
import { clock, SEVERITIES } from '@warm-ladder/core/review';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import type { Series } from '@warm-ladder/core/series';
import { ArrowDown, ArrowUp, Plus, Trash2, X } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { useChange } from '../../app/edits';
import { selectCatalog, selectClasses, selectSeries } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { LinesField } from '../../parts/LinesField';
import { MiniStairs } from '../../parts/MiniStairs';
import { SeverityMark } from '../../parts/SeverityMark';
import { TextField } from '../../parts/TextField';
import { useCreateSeries } from './useCreateSeries';
import { useSeriesReview } from './useSeriesReview';

/** One series: its episodes in order, each with its length, its stairs and what the review says of it. */
export function SeriesDesk({ series }: { series: Series }) {
  const review = useSeriesReview(series);
  const classes = useAppSelector(selectClasses);
  const all = useAppSelector(selectSeries);
  const change = useChange();
  const create = useCreateSeries();
  const navigate = useNavigate();
  const put = (after: Partial<Series>, label: string, field = '') =>
    change('series', series.id, { ...series, ...after }, label, field);
  const reorder = (from: number, to: number) => {
    const moved = series.episodes[from];
    if (moved) put({ episodes: series.episodes.toSpliced(from, 1).toSpliced(to, 0, moved) }, 'the order of episodes');
  };
  const longest = Math.max(
    1,
    ...review.episodes.map(({ timed }) => Math.max(timed.seconds, timed.plan.targetMinutes * 60)),
  );
  const free = classes.filter(({ id }) => !series.episodes.some((episode) => episode.class === id));
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-5">
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
        <button type="button" className="action mt-1" onClick={create}>
          <Plus className="size-4" aria-hidden="true" /> New series
        </button>
        <button
          type="button"
          className="action mt-1"
          onClick={() => change('series', series.id, undefined, `deleting ${series.name}`)}
        >
          <Trash2 className="size-4" aria-hidden="true" /> Delete
        </button>
      </div>
      <SeriesLine
        label="Who this is for"
        value={series.forWhom}
        onChange={(forWhom) => put({ forWhom }, 'who the series is for', 'for whom')}
      />
      <SeriesLine
        label="Check with a professional first"
        value={series.seeFirst}
        onChange={(seeFirst) => put({ seeFirst }, 'who should see someone first', 'see first')}
      />
      <p className="mt-2">
        {review.episodes.length} episodes, <span className="font-semibold">{clock(review.seconds)}</span> in all.{' '}
        {review.findings.length === 0 ? (
          <span className="text-moss">Every rung’s requirements are met by the time it comes.</span>
        ) : (
          <span className="font-semibold text-brick">
            {review.findings.length} rungs come before what they require.
          </span>
        )}
      </p>
      <ol className="mt-3 flex flex-col divide-y divide-line">
        {review.episodes.map((episode, i) => (
          <EpisodeRow
            key={episode.plan.id}
            episode={episode}
            number={i + 1}
            span={longest * 1.04}
            last={i === review.episodes.length - 1}
            onMove={(by) => reorder(i, i + by)}
            onRemove={() => put({ episodes: series.episodes.toSpliced(i, 1) }, `removing ${episode.plan.name}`)}
          />
        ))}
      </ol>
      {review.episodes.length === 0 && <p className="mt-4 text-soft">No episode yet. Add the first class below.</p>}
      <label className="mt-4 flex items-center gap-2">
        Add an episode
        <select
          className="field"
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
      <p className="mt-6 text-sm text-soft">{GENERAL_ADVICE}</p>
    </main>
  );
}

interface SeriesLineProps {
  readonly label: string;
  readonly value: string | undefined;
  readonly onChange: (line: string | undefined) => void;
}

/** A line that goes out with the whole series. */
function SeriesLine({ label, value, onChange }: SeriesLineProps) {
  return (
    <div className="mt-1 grid max-w-4xl gap-x-3 sm:grid-cols-[9.5rem_1fr]">
      <span className="text-soft">{label}</span>
      <LinesField
        label={label}
        hidden
        value={value ? [value] : []}
        onChange={(lines) => onChange(lines.join(' ') || undefined)}
      />
    </div>
  );
}

interface EpisodeRowProps {
  readonly episode: EpisodeReview;
  readonly number: number;
  readonly span: number;
  readonly last: boolean;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

function EpisodeRow({ episode: { plan, timed, findings }, number, span, last, onMove, onRemove }: EpisodeRowProps) {
  const catalog = useAppSelector(selectCatalog);
  const over = timed.seconds > plan.targetMinutes * 60;
  const look = 'rounded p-1.5 hover:bg-shade disabled:opacity-25';
  return (
    <li className="grid items-start gap-x-5 gap-y-1 py-3 sm:grid-cols-[2rem_minmax(0,15rem)_1fr_auto_auto]">
      <span className="font-name text-2xl text-soft">{number}</span>
      <div className="leading-snug">
        <Link to={`/class/${plan.id}`} className="font-name text-lg font-semibold hover:underline">
          {plan.name}
        </Link>
        <p>
          <span className={`text-lg font-semibold ${over ? 'text-brick' : ''}`}>{clock(timed.seconds)}</span>
          <span className="text-soft"> of {plan.targetMinutes}</span>
        </p>
      </div>
      <MiniStairs catalog={catalog} timed={timed} span={span} />
      <ul className="text-sm sm:w-56">
        {findings.length === 0 && <li className="text-moss">nothing to mend</li>}
        {findings.slice(0, 3).map(({ severity, message }) => (
          <li key={message} className="mb-0.5 line-clamp-2" title={message}>
            <SeverityMark severity={severity} word={false} /> {message}
          </li>
        ))}
        {findings.length > 3 && (
          <li className="text-soft">
            and {findings.length - 3} more (
            {SEVERITIES.filter((s) => findings.some((f) => f.severity === s)).join(', ')})
          </li>
        )}
      </ul>
      <span className="flex">
        <button type="button" className={look} disabled={number === 1} onClick={() => onMove(-1)}>
          <ArrowUp className="size-4" aria-hidden="true" />
          <span className="sr-only">Move {plan.name} earlier</span>
        </button>
        <button type="button" className={look} disabled={last} onClick={() => onMove(1)}>
          <ArrowDown className="size-4" aria-hidden="true" />
          <span className="sr-only">Move {plan.name} later</span>
        </button>
        <button type="button" className={look} onClick={onRemove}>
          <X className="size-4" aria-hidden="true" />
          <span className="sr-only">Take {plan.name} out of the series</span>
        </button>
      </span>
    </li>
  );
}
