import type { Cue } from '@warm-ladder/core/package';
import { clock } from '@warm-ladder/core/review';
import { useEffect, useRef, useState } from 'react';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { MovingFigure } from '../../figure/MovingFigure';
import type { ShelvedEpisode } from './openPackage';

/** Milliseconds between two looks at the clock. */
const TICK = 200;

/** What is on at a moment. */
const at = (cues: readonly Cue[], seconds: number): Cue | undefined =>
  cues.find(({ from, to }) => seconds >= from && seconds < to) ??
  (seconds > 0 ? cues.findLast(({ from }) => from <= seconds) : cues[0]);

/** An episode played: the figure of what is done, the words as captions, chapters to go to. */
export function Player({ episode }: { readonly episode: ShelvedEpisode }) {
  const catalog = useAppSelector(selectCatalog);
  const [seconds, setSeconds] = useState(0);
  const [running, setRunning] = useState(true);
  const now = useRef(0);
  useEffect(() => {
    if (!running) return;
    let last = performance.now();
    const timer = setInterval(() => {
      const moment = performance.now();
      now.current = Math.min(episode.seconds, now.current + (moment - last) / 1000);
      last = moment;
      setSeconds(now.current);
    }, TICK);
    return () => clearInterval(timer);
  }, [running, episode.seconds]);
  const go = (to: number) => {
    now.current = to;
    setSeconds(to);
  };
  const chapter = at(episode.chapters, seconds);
  const caption = at(episode.captions, seconds);
  const rung = episode.rungs.findLast(({ from }) => from <= seconds)?.rung;
  const entry = rung === undefined ? undefined : catalog.rungByKey(rung);
  return (
    <section
      aria-label={`Playing ${episode.title}`}
      className="mt-4 grid gap-4 rounded-lg bg-ink p-4 text-sheet md:grid-cols-[1fr_16rem]"
    >
      <div className="flex min-w-0 flex-col">
        <div className="flex h-64 items-center justify-center rounded-lg bg-paper text-ink">
          {entry ? (
            <MovingFigure entry={entry} secondsPerCount={catalog.method.secondsPerCount} className="h-60 w-full" />
          ) : (
            <span className="font-name text-2xl">{chapter?.text}</span>
          )}
        </div>
        <p role="status" aria-label="Caption" className="mt-3 min-h-14 text-center text-xl">
          {caption?.text}
        </p>
        <div className="mt-auto flex items-center gap-3">
          <button
            type="button"
            className="rounded-lg bg-cobalt px-4 py-1.5 font-semibold text-paper"
            onClick={() => setRunning((on) => !on)}
          >
            {running ? 'Hold' : 'Go on'}
          </button>
          <input
            type="range"
            aria-label="Where it is"
            className="grow accent-cobalt"
            min={0}
            max={Math.floor(episode.seconds)}
            value={Math.floor(seconds)}
            aria-valuetext={clock(seconds)}
            onChange={({ target }) => go(Number(target.value))}
          />
          <output aria-label="Clock">
            {clock(seconds)} of {clock(episode.seconds)}
          </output>
        </div>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be scrolled by keyboard too. */}
      <nav aria-label="Chapters" tabIndex={0} className="max-h-96 overflow-y-auto">
        <ol>
          {episode.chapters.map((each) => (
            <li key={each.from}>
              <button
                type="button"
                aria-current={each === chapter ? 'true' : undefined}
                className={`flex w-full gap-2 rounded px-2 py-1 text-left ${each === chapter ? 'bg-sheet/20 font-semibold' : 'hover:bg-sheet/10'}`}
                onClick={() => go(each.from)}
              >
                <span className="w-12 shrink-0 text-cobalt">{clock(each.from)}</span>
                {each.text}
              </button>
            </li>
          ))}
        </ol>
      </nav>
    </section>
  );
}
