import { clock } from '@warm-ladder/core/review';
import { type Log, loggedTwice } from '@warm-ladder/core/taught';
import { countText } from '@warm-ladder/core/vocabulary';
import { useMemo } from 'react';
import { useChange } from '../../app/store/edits';
import { selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { RemoveButton } from '../../parts/RemoveButton';

interface LogListProps {
  /** The latest first. */
  readonly logs: readonly Log[];
  /** The one that is shown, and the one beside it, by id. */
  readonly shown: string | null;
  readonly beside: string | null;
  readonly onShow: (id: string | null) => void;
  readonly onBeside: (id: string | null) => void;
}

/** Where a log comes from, as it is said. */
export const SOURCES: Readonly<Record<Log['source'], string>> = {
  hand: 'written by hand',
  live: 'taught with the plan in hand',
  take: 'read from captions',
  rehearsal: 'rehearsed',
};

/** What is said of a log beside another one of the same class. */
export const LOGGED_TWICE = 'Another log tells of the same class: both count for the pace. Remove one of them.';

/** The logs of a class: one to look at, and another teacher's or another day's beside it. */
export function LogList({ logs, shown, beside, onShow, onBeside }: LogListProps) {
  const change = useChange();
  const nameOf = useTeacherName();
  const twice = useMemo(() => loggedTwice(logs), [logs]);
  return (
    <section aria-label="Logs of this class" className="mt-6">
      <h2 className="text-xl font-semibold">Logs</h2>
      {logs.length === 0 && <p className="text-soft">Nobody has logged this class yet.</p>}
      <ul>
        {logs.map((log) => (
          <li
            key={log.id}
            className={`flex flex-wrap items-center gap-x-3 border-b border-line/60 py-1.5 ${log.id === shown ? 'bg-shade' : ''}`}
          >
            <button
              type="button"
              className="min-h-8 underline decoration-dotted underline-offset-4"
              aria-pressed={log.id === shown}
              onClick={() => onShow(log.id === shown ? null : log.id)}
            >
              {log.date}
              {log.begun ? `, ${log.begun}` : ''}
            </button>
            <span>{SOURCES[log.source]}</span>
            <span className="text-soft">
              {[
                nameOf(log),
                log.endedSeconds !== undefined && clock(log.endedSeconds),
                log.present !== undefined && countText(log.present, 'person', 'people'),
                countText((log.blocks ?? []).filter(({ did }) => did !== 'skipped').length, 'block'),
              ]
                .filter(Boolean)
                .join(', ')}
            </span>
            <span className="ml-auto flex items-center gap-2">
              {shown !== null && log.id !== shown && (
                <button
                  type="button"
                  className="action text-sm"
                  aria-pressed={log.id === beside}
                  onClick={() => onBeside(log.id === beside ? null : log.id)}
                >
                  {log.id === beside ? 'Beside it' : 'Set beside'}
                </button>
              )}
              <RemoveButton
                name={`the log of ${log.date}`}
                onPress={() => change('logs', log.id, undefined, `removing the log of ${log.date}`)}
              />
            </span>
            {twice.has(log.id) && <span className="w-full text-sm">{LOGGED_TWICE}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Who taught a class, by name: a log outlives its teacher. */
export function useTeacherName(): (log: Log) => string | undefined {
  const teachers = useAppSelector(selectTeachers);
  return ({ teacher, plan }) => teachers.find(({ id }) => id === teacher)?.name ?? plan?.names?.teacher;
}
