import type { Teacher } from '@warm-ladder/core/plan';
import { useState } from 'react';
import { Gone } from '../../parts/Gone';

type Stretch = NonNullable<Teacher['away']>[number];

interface AwayProps {
  readonly teacher: Teacher;
  readonly onChange: (away: Teacher['away']) => void;
}

/** Stretches kept at most. */
const MOST = 200;

/** When somebody can't teach: by hand, or read from a calendar of theirs. */
export function Away({ teacher, onChange }: AwayProps) {
  const away = teacher.away ?? [];
  const [from, setFrom] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const put = (next: readonly Stretch[]) => {
    const sorted = [...next].sort((a, b) => a.from.localeCompare(b.from));
    onChange(sorted.length > 0 ? sorted.slice(0, MOST) : undefined);
  };
  const read = async (file: File) => {
    const { busyDays } = await import('./busyTimes');
    const busy = busyDays(await file.text());
    if (typeof busy === 'string') return setFault(`${file.name}: ${busy}`);
    setFault(null);
    const known = new Set(away.map((each) => `${each.from} ${each.to}`));
    put([...away, ...busy.filter((each) => !known.has(`${each.from} ${each.to}`))]);
  };
  return (
    <div className="mt-1">
      <p className="flex flex-wrap items-center gap-x-2 gap-y-1">
        Away{' '}
        {away.map((each) => (
          <Gone
            key={`${each.from} ${each.to}`}
            words={each.from === each.to ? each.from : `${each.from} to ${each.to}`}
            does="there again"
            onPress={() => put(away.filter((other) => other !== each))}
          />
        ))}
        {away.length === 0 && <span className="text-soft">never</span>}
        <label>
          from{' '}
          <input
            type="date"
            className="field"
            aria-label={`The first day ${teacher.name} is away`}
            value={from}
            onChange={({ target }) => setFrom(target.value)}
          />
        </label>
        <label>
          to{' '}
          <input
            type="date"
            className="field"
            aria-label={`The last day ${teacher.name} is away`}
            value=""
            min={from}
            disabled={from === ''}
            onChange={({ target }) => {
              if (target.value < from) return;
              put([...away, { from, to: target.value }]);
              setFrom('');
            }}
          />
        </label>
        <label className="underline decoration-dotted underline-offset-4">
          Busy days from a calendar file
          <input
            type="file"
            accept=".ics,text/calendar"
            className="sr-only"
            aria-label={`Busy days of ${teacher.name} from a calendar file`}
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void read(file);
              target.value = '';
            }}
          />
        </label>
      </p>
      {fault !== null && (
        <p role="alert" className="mt-1 rounded bg-alarm px-2 py-0.5 text-sheet">
          {fault}
        </p>
      )}
    </div>
  );
}
