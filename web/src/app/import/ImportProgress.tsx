import type { Progress } from '@warm-ladder/core/wire';
import { useEffect, useState } from 'react';
import { server } from '../store/server';

/** Milliseconds between two questions. */
const ASKING = 700;

const SAID: Readonly<Record<Progress['stage'], string>> = {
  reading: 'Reading',
  checking: 'Checking',
  bringing: 'Writing',
};

const counted = (count: number) => count.toLocaleString('en');

/** How far an import is. @param id what it was named; nothing is asked for without one */
export function ImportProgress({ id, name }: { id: string | null; name: string }) {
  const [progress, setProgress] = useState<Progress | null>(null);
  useEffect(() => {
    setProgress(null);
    if (id === null) return;
    let asked = true;
    const timer = setInterval(async () => {
      // A question that fails is no news: the import itself says what is wrong.
      const answer = await server.progress(id).catch(() => null);
      if (asked && answer?.progress) setProgress(answer.progress);
    }, ASKING);
    return () => {
      asked = false;
      clearInterval(timer);
    };
  }, [id]);
  const { stage, done, of } = progress ?? { stage: 'reading' as const, done: 0, of: null };
  return (
    <div className="mt-4 text-soft" ref={(shown) => shown?.scrollIntoView({ block: 'nearest' })}>
      <div className="flex justify-between">
        <p role="status">
          {SAID[stage]} {name}…
        </p>
        {done > 0 && (
          <p className="tabular-nums">{of === null ? `${counted(done)} read` : `${counted(done)} of ${counted(of)}`}</p>
        )}
      </div>
      <progress
        className="mt-1 block h-1.5 w-full appearance-none overflow-hidden rounded bg-line [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-moss [&::-moz-progress-bar]:bg-moss"
        aria-label={`${SAID[stage]} ${name}`}
        {...(of === null ? {} : { value: done, max: of })}
      />
    </div>
  );
}
