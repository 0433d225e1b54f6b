import { rungTitle } from '@warm-ladder/core/review';
import { type Consequence, rungTaken, type Series, type SeriesEdit } from '@warm-ladder/core/series';
import { type Parts, withParts } from '@warm-ladder/core/vocabulary';
import { createContext, useContext, useMemo, useState } from 'react';
import { selectTeachers, selectWholeStudio } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { useNext, useWhatIf } from '../../desk/useDesk';
import { SeverityMark } from '../../parts/classes/SeverityMark';
import { Choice } from '../../parts/fields/Choice';
import type { SeriesEditing } from './useSeriesEdit';

/** The series whose episodes stand on the page: what a row asks of it only when it is opened. */
export const SeriesContext = createContext<Series | null>(null);

function useSeries() {
  const series = useContext(SeriesContext);
  if (!series) throw new Error('an episode stands outside of a series');
  return series;
}

interface EpisodeMoreProps {
  /** Its place in the series, from 0. */
  readonly at: number;
  /** The day it falls on; `null` where the series has no dates. */
  readonly day: string | null;
  readonly onPut: SeriesEditing['put'];
  readonly onEdit: SeriesEditing['edit'];
}

/** What is less often asked of an episode: its own day and teacher, what breaks when it goes, what it could take. */
export const EpisodeMore = (props: EpisodeMoreProps) => (
  <div className="flex max-w-4xl flex-col gap-2 py-2">
    <When {...props} />
    <WhatIf {...props} />
    <WhatNext {...props} />
  </div>
);

type Episode = Series['episodes'][number];

function When({ at, day, onPut }: EpisodeMoreProps) {
  const series = useSeries();
  const teachers = useAppSelector(selectTeachers);
  const own = series.episodes[at] as Episode;
  const put = (change: Parts<Episode>, label: string) =>
    onPut({ episodes: series.episodes.with(at, withParts(own, change)) }, label);
  return (
    <p>
      Taught on{' '}
      <input
        type="date"
        aria-label={`The day of episode ${at + 1}`}
        className="field"
        value={own.date ?? day ?? ''}
        onChange={({ target }) => put({ date: target.value || undefined }, `the day of episode ${at + 1}`)}
      />{' '}
      {own.date === undefined ? (
        <span className="text-soft">the day it falls on; choose another, and the others move.</span>
      ) : (
        <button
          type="button"
          className="action text-sm"
          onClick={() => put({ date: undefined }, `the day of episode ${at + 1}`)}
        >
          Back to the day it falls on
        </button>
      )}{' '}
      By{' '}
      <Choice
        label={`Teacher of episode ${at + 1}`}
        value={own.teacher ?? ''}
        choices={[['', 'who teaches the series'], ...teachers.map(({ id, name }) => [id, name] as const)]}
        onChange={(teacher) => put({ teacher: teacher || undefined }, `who teaches episode ${at + 1}`)}
      />
    </p>
  );
}

/** A change that can be asked about, by the words it is chosen by. */
function changesOf({ episodes }: Series, at: number): ReadonlyMap<string, SeriesEdit> {
  const others = episodes.flatMap((_, i) => (i === at ? [] : i));
  return new Map<string, SeriesEdit>([
    ['left out', { kind: 'remove', episode: at }],
    ...others.map((to) => [`moved to place ${to + 1}`, { kind: 'move', episode: at, to }] as const),
    ...others.map((other) => [`swapped with episode ${other + 1}`, { kind: 'swap', one: at, other }] as const),
  ]);
}

function WhatIf({ at, onEdit }: EpisodeMoreProps) {
  const series = useSeries();
  const changes = useMemo(() => changesOf(series, at), [series, at]);
  const [asked, setAsked] = useState('');
  const edit = changes.get(asked);
  const outcome = useWhatIf(series.id, edit);
  const number = at + 1;
  return (
    <div>
      <p>
        What if it were{' '}
        <Choice
          label={`What if episode ${number} were`}
          value={asked}
          choices={[['', 'left out, moved or swapped'], ...[...changes.keys()].map((words) => [words, words] as const)]}
          onChange={setAsked}
        />
        ?{' '}
        {edit && outcome && (
          <>
            <span className="font-semibold">{effectOf(outcome)}</span>{' '}
            <button
              type="button"
              className="action text-sm"
              onClick={() => {
                setAsked('');
                onEdit([edit], `episode ${number} ${asked}`);
              }}
            >
              Do it
            </button>
          </>
        )}
      </p>
      {outcome && outcome.broken.length > 0 && (
        <ul aria-label="What would break" className="mt-1 text-sm">
          {outcome.broken.slice(0, MOST_SHOWN).map(({ severity, message }) => (
            <li key={message}>
              <SeverityMark severity={severity} /> {message}
            </li>
          ))}
          {outcome.broken.length > MOST_SHOWN && <li>and {outcome.broken.length - MOST_SHOWN} more</li>}
        </ul>
      )}
    </div>
  );
}

/** Sentences, and rungs, shown at once. */
const MOST_SHOWN = 6;

/** What would come of it, in words. @example 2 things break, 1 is mended */
function effectOf({ broken, mended }: Consequence): string {
  const breaks =
    broken.length === 0 ? 'Nothing breaks' : broken.length === 1 ? '1 thing breaks' : `${broken.length} things break`;
  return mended.length === 0
    ? `${breaks}.`
    : `${breaks}, ${mended.length} ${mended.length === 1 ? 'is' : 'are'} mended.`;
}

function WhatNext({ at, onEdit }: EpisodeMoreProps) {
  const series = useSeries();
  const studio = useAppSelector(selectWholeStudio);
  const next = useNext(series.id, at);
  if (next === null) return <p className="text-soft">Looking for what it could take next …</p>;
  const steps = next.flatMap(({ key, as, lacks }) => {
    const entry = studio.catalog.rungByKey(key);
    return entry ? [{ entry, as, lacks }] : [];
  });
  if (steps.length === 0) return <p className="text-soft">No ladder that is known has a step it could take next.</p>;
  return (
    <div>
      <p>It could take next:</p>
      <ul aria-label="What it could take next" className="mt-1 flex flex-wrap gap-2">
        {steps.slice(0, MOST_SHOWN).map(({ entry, as, lacks }) => (
          <li key={entry.key}>
            <button
              type="button"
              className="action text-sm"
              onClick={() =>
                onEdit(
                  rungTaken(studio, series, entry, at, as === 'practice' ? 'flow' : 'teach'),
                  `${rungTitle(entry)} in episode ${at + 1}`,
                )
              }
            >
              {rungTitle(entry)}{' '}
              <span className="text-soft">
                {as === 'step' ? 'a step higher' : lacks === 1 ? 'earned with it' : `practised, ${lacks} times to go`}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
