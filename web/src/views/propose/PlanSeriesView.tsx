import type { SeriesBrief } from '@warm-ladder/core/sequence';
import { datesOf } from '@warm-ladder/core/series';
import { countText, type Parts, withParts } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { newId } from '../../app/freeId';
import { selectAudiences, selectSeries } from '../../app/store/selectors';
import { useAppDispatch, useAppSelector } from '../../app/store/store';
import { changed } from '../../app/store/studio';
import { plannedSeries } from '../../desk/useDesk';
import type { PlannedSeries } from '../../desk/worker';
import { climbing, heatsOf, PeakBody } from '../../parts/classes/PeakBody';
import { Choice } from '../../parts/fields/Choice';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { Climb } from '../series/Climb';
import { Goals } from '../series/Goals';
import { SearchState } from './SearchState';
import { useSearch } from './useSearch';

type Planned = PlannedSeries['proposals'][number];

/** From a goal and who it is for to whole series, every rung earned: a brief as one sentence, and what answers it. */
export function Component() {
  const audiences = useAppSelector(selectAudiences);
  const all = useAppSelector(selectSeries);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [brief, setBrief] = useState<SeriesBrief>({
    goals: [],
    episodes: 8,
    minutes: 45,
    days: 1,
    ...(audiences[0] && { audience: audiences[0].id }),
  });
  const set = (more: Parts<SeriesBrief>) => setBrief((now) => withParts(now, more));
  const { answer, share, ask, state } = useSearch(plannedSeries);
  const [kept, setKept] = useState<Kept>(NOTHING);
  const again = (more: Parts<SeriesBrief> = {}) => {
    const next = withParts({ ...brief, seed: answer === null ? 1 : (brief.seed ?? 1) + 1 }, more);
    setBrief(next);
    const stays = [...kept.episodes].flatMap((episode) => {
      const own = kept.planned?.classes[episode - 1];
      return own ? [{ episode, class: own }] : [];
    });
    setKept(NOTHING);
    void ask(stays.length > 0 ? { ...next, kept: stays } : next);
  };
  const keep = (planned: Planned, episode: number) => {
    const episodes = new Set(kept.planned === planned ? kept.episodes : []);
    if (!episodes.delete(episode)) episodes.add(episode);
    setKept({ planned, episodes });
  };
  const take = ({ series, classes }: Planned) => {
    const ids = new Map(classes.map((plan) => [plan.id, newId(plan.name)]));
    const id = newId(series.name);
    const episodes = series.episodes.map((episode) => ({ ...episode, class: ids.get(episode.class) ?? episode.class }));
    dispatch(
      changed({
        documents: [
          ...classes.map((plan) => {
            const own = ids.get(plan.id) ?? plan.id;
            return { kind: 'classes' as const, id: own, after: { ...plan, id: own } };
          }),
          { kind: 'series', id, after: { ...series, id, episodes } },
        ],
        label: `making ${series.name}`,
        field: '',
      }),
    );
    void navigate(`/series/${id}`);
  };
  return (
    <main className="mx-auto w-full max-w-[86rem] px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">A series to begin with</h1>
      <form
        className="mt-4 max-w-4xl text-lg leading-loose"
        aria-label="What the series should be"
        onSubmit={(event) => {
          event.preventDefault();
          again();
        }}
      >
        <NumberField
          label="Episodes"
          value={brief.episodes}
          limits={LIMITS.SeriesBrief.episodes}
          className="w-10"
          onChange={(episodes) => set({ episodes })}
        />{' '}
        classes of{' '}
        <NumberField
          label="Minutes each"
          value={brief.minutes}
          limits={LIMITS.SeriesBrief.minutes}
          className="w-12"
          onChange={(minutes) => set({ minutes })}
        />{' '}
        minutes for{' '}
        <Choice
          label="Audience of the series"
          value={brief.audience ?? ''}
          choices={[['', 'anyone'], ...audiences.map(({ id, name }) => [id, name] as const)]}
          onChange={(audience) => set({ audience: audience || undefined })}
        />
        ,{' '}
        <Choice
          label="Days a week"
          value={String(brief.days)}
          choices={[1, 2, 3, 4, 5, 6, 7].map(
            (days) => [String(days), days === 1 ? 'once a week' : `${days} days a week`] as const,
          )}
          onChange={(days) => set({ days: Number(days) })}
        />{' '}
        from{' '}
        <input
          type="date"
          aria-label="The first day"
          className="field"
          value={brief.start ?? ''}
          onChange={({ target }) => set({ start: target.value || undefined })}
        />
        {all.length > 0 && (
          <>
            , after{' '}
            <Choice
              label="The series it follows"
              value={brief.follows ?? ''}
              choices={[['', 'no other series'], ...all.map(({ id, name }) => [id, name] as const)]}
              onChange={(follows) => set({ follows: follows || undefined })}
            />
          </>
        )}
        . <Goals goals={brief.goals} onChange={(goals) => set({ goals })} />
        <div className="mt-3 flex flex-wrap items-center gap-4 text-base">
          <button type="submit" className="action action-main" disabled={share !== null || brief.goals.length === 0}>
            {kept.episodes.size > 0
              ? `Plan again, keeping ${kept.episodes.size}`
              : answer === null
                ? 'Plan two series'
                : 'Plan others'}
          </button>
          {brief.goals.length === 0 && <span className="text-soft">Choose what it leads to first.</span>}
          <Link to="/series" className="underline decoration-dotted underline-offset-4">
            All series
          </Link>
        </div>
      </form>
      <SearchState {...state} />
      {answer !== null && typeof answer !== 'string' && (
        <section aria-label="Proposals" aria-live="polite" className="mt-6">
          {answer.clashes.length > 0 && (
            <ul role="alert" className="mb-4 list-disc pl-5">
              {answer.clashes.map((clash) => (
                <li key={clash}>{clash}</li>
              ))}
            </ul>
          )}
          {answer.enough !== undefined && (
            <button type="button" className="action action-main" onClick={() => again({ episodes: answer.enough })}>
              Plan {answer.enough} episodes
            </button>
          )}
          <ol className="flex flex-col gap-10">
            {answer.proposals.map((planned, i) => (
              <Card
                key={planned.series.id + i}
                number={i + 1}
                planned={planned}
                kept={kept.planned === planned ? kept.episodes : NOTHING.episodes}
                onKeep={(episode) => keep(planned, episode)}
                onTake={() => take(planned)}
              />
            ))}
          </ol>
        </section>
      )}
    </main>
  );
}

/** Episodes of one proposal that stay when the rest is asked for again, counted from 1. */
interface Kept {
  readonly planned: Planned | null;
  readonly episodes: ReadonlySet<number>;
}
const NOTHING: Kept = { planned: null, episodes: new Set() };

interface CardProps {
  readonly number: number;
  readonly planned: Planned;
  readonly kept: ReadonlySet<number>;
  readonly onKeep: (episode: number) => void;
  readonly onTake: () => void;
}

/** A series as it would be: its climb, and why, week by week. */
function Card({ number, planned: { series, counts, why, told }, kept, onKeep, onTake }: CardProps) {
  const left = counts.stop + counts.fix;
  const peaks = told.episodes.map(({ peak }) => peak);
  const heats = heatsOf(peaks);
  return (
    <li>
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="font-name text-2xl font-semibold">
          {number}. {series.name}
        </h2>
        <span className={left > 0 ? 'font-semibold text-alarm' : 'text-moss'}>
          {left > 0 ? `${left} to mend` : 'nothing to mend'}
          {counts.look > 0 ? `, ${counts.look} worth a look` : ''}
        </span>
        <button type="button" className="action action-main ml-auto" onClick={onTake}>
          Take this series
        </button>
      </div>
      {series.description && <p className="mt-1 max-w-4xl">{series.description}</p>}
      <ol className="mt-3 grid gap-3 md:grid-cols-[repeat(auto-fit,minmax(8rem,1fr))]" aria-label="Its episodes">
        {series.episodes.map(({ class: id, title, idea }, i) => (
          <li key={id} style={climbing(peaks[i] ?? null, heats)} className="min-w-0 leading-tight md:mt-(--drop)">
            {peaks[i] && <PeakBody peak={peaks[i]} />}
            <p className="mt-1 font-semibold">
              {i + 1}. {title}
            </p>
            <p className="font-narrow text-sm text-soft">{idea}</p>
            <label className="mt-1 flex items-center gap-1.5 text-sm">
              <input type="checkbox" checked={kept.has(i + 1)} onChange={() => onKeep(i + 1)} />
              <span>
                keep <span className="sr-only">episode {i + 1} </span>when asking again
              </span>
            </label>
          </li>
        ))}
      </ol>
      <details className="mt-2 max-w-4xl">
        <summary>Why, in {countText(why.length, 'sentence')}</summary>
        <ul className="mt-1 list-disc pl-5">
          {why.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      </details>
      <details className="mt-2">
        <summary>Its climb</summary>
        <Climb told={told} dates={datesOf(series)} at={null} onMove={null} />
      </details>
    </li>
  );
}
