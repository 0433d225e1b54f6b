import { clock } from '@warm-ladder/core/review';
import { useCallback, useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { openPackage, type Shelved } from './openPackage';
import { Player } from './Player';

type State = Shelved | { readonly ok: false; readonly problems: readonly string[] } | 'empty' | 'opening';

/** A stand-in for a service that shows videos: it takes a package, or says why not, and plays it as a learner sees it. */
export function Component() {
  const [address] = useSearchParams();
  const series = address.get('series');
  const [state, setState] = useState<State>(series === null ? 'empty' : 'opening');
  const [playing, setPlaying] = useState<number | null>(null);
  const take = useCallback(async (bytes: Promise<Uint8Array>) => {
    setState('opening');
    setPlaying(null);
    try {
      setState(await openPackage(await bytes));
    } catch {
      setState({ ok: false, problems: ['The package could not be fetched: the studio’s server does not answer.'] });
    }
  }, []);
  useEffect(() => {
    if (series === null) return;
    const asked = fetch(`/api/series/${encodeURIComponent(series)}/package`).then(async (answer) => {
      if (!answer.ok) throw new Error('refused');
      return new Uint8Array(await answer.arrayBuffer());
    });
    void take(asked);
  }, [series, take]);
  const episode = typeof state === 'object' && state.ok && playing !== null ? state.episodes[playing] : undefined;
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">
        {typeof state === 'object' && state.ok ? state.series.name : 'The shelf'}
      </h1>
      <p className="mt-1 text-soft">
        A stand-in for where episodes are shown: it plays a package as a learner would see it.{' '}
        <label className="text-ink underline decoration-dotted underline-offset-4">
          Open another package
          <input
            type="file"
            accept=".zip"
            className="sr-only"
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void take(file.arrayBuffer().then((buffer) => new Uint8Array(buffer)));
            }}
          />
        </label>
      </p>
      {state === 'opening' && <p className="mt-4 text-soft">Opening the package…</p>}
      {state === 'empty' && <p className="mt-4 text-soft">Open a package, or a series from its page.</p>}
      {typeof state === 'object' && !state.ok && (
        <div role="alert" className="mt-4">
          <p className="font-semibold">This package does not hold together, and is not taken.</p>
          <ul className="mt-1 list-disc pl-5">
            {state.problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
      {typeof state === 'object' && state.ok && (
        <>
          {state.series.forWhom && <p className="mt-3">{state.series.forWhom}</p>}
          {state.series.seeFirst && (
            <p className="mt-1">
              <span className="font-semibold">Ask a professional first:</span> {state.series.seeFirst}
            </p>
          )}
          {episode && <Player key={playing} episode={episode} />}
          <ol className="mt-4 flex flex-col divide-y divide-line">
            {state.episodes.map(({ title, seconds, level, equipment, doFirst, description }, i) => (
              <li key={`${title} ${i}`} className="flex flex-wrap items-start gap-x-4 py-3">
                <span className="w-8 font-name text-2xl text-soft">{i + 1}</span>
                <div className="min-w-0 grow basis-64">
                  <h2 className="font-name text-lg font-semibold">{title}</h2>
                  <p>
                    {clock(seconds)}. {level}. Needs {equipment.map(({ name }) => name.toLowerCase()).join(', ')}.
                  </p>
                  <p className="text-soft">{description}</p>
                  {doFirst.length > 0 && <p className="text-sm text-soft">Do first: {doFirst.at(-1)}</p>}
                </div>
                <button type="button" className="action" onClick={() => setPlaying(i)}>
                  Play<span className="sr-only"> {title}</span>
                </button>
              </li>
            ))}
          </ol>
        </>
      )}
      <p className="mt-4">
        <Link to="/series" className="underline decoration-dotted underline-offset-4">
          All series
        </Link>
      </p>
    </main>
  );
}
