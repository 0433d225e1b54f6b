import { clock } from '@warm-ladder/core/review';
import { loggedTwice } from '@warm-ladder/core/taught';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { selectClasses, selectLogs, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { DraftFromCaptions } from './DraftFromCaptions';
import { LOGGED_TWICE, SOURCES, useTeacherName } from './LogList';

/** Seconds within which a class ended when it was planned to. */
const ON_TIME = 60;

/** Every class that was logged: when, by whom, and how it kept to its time. */
export function Component() {
  const logs = useAppSelector(selectLogs);
  const classes = useAppSelector(selectClasses);
  const teachers = useAppSelector(selectTeachers);
  const nameOf = useTeacherName();
  const [address, setAddress] = useSearchParams();
  const [teacher, of] = [address.get('teacher') ?? '', address.get('class') ?? ''];
  const shown = useMemo(
    () =>
      logs
        .filter((log) => (teacher === '' || log.teacher === teacher) && (of === '' || log.class === of))
        .sort((a, b) => `${b.date} ${b.begun ?? ''}`.localeCompare(`${a.date} ${a.begun ?? ''}`)),
    [logs, teacher, of],
  );
  const twice = useMemo(() => loggedTwice(logs), [logs]);
  const choose = (change: Readonly<Record<string, string>>) =>
    setAddress(
      Object.entries({ teacher, class: of, ...change }).filter(([, value]) => value !== ''),
      { replace: true },
    );
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">What really happened</h1>
      <p className="mt-1 text-soft">
        Classes as they were taught. A class is logged on its own page, by hand or from captions, or taught live with
        the plan in hand.
      </p>
      <p className="mt-3">
        Classes of{' '}
        <Choice
          label="Taught by"
          value={teacher}
          choices={[['', 'everybody'], ...teachers.map(({ id, name }) => [id, name] as const)]}
          onChange={(value) => choose({ teacher: value })}
        />
        :{' '}
        <Choice
          label="Class"
          value={of}
          choices={[['', 'every class'], ...classes.map(({ id, name }) => [id, name] as const)]}
          onChange={(value) => choose({ class: value })}
        />
      </p>
      {shown.length === 0 ? (
        <p className="mt-4">{logs.length === 0 ? 'No class is logged yet.' : 'No class of these is logged.'}</p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="mt-3 w-full min-w-[40rem]">
            <thead className="text-left text-soft">
              <tr>
                {['Day', 'Class', 'Teacher', 'How', 'People', 'Planned', 'Took'].map((head) => (
                  <th key={head} scope="col" className="py-1 pr-3 font-normal">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {shown.map((log) => (
                <tr key={log.id} className="border-t border-line">
                  <td className="py-1.5 pr-3 whitespace-nowrap">{log.date}</td>
                  <td className="pr-3">
                    <Link
                      to={`/taught/${log.class}?log=${log.id}`}
                      className="underline decoration-dotted underline-offset-4"
                    >
                      {classes.find(({ id }) => id === log.class)?.name ?? log.plan?.names?.class ?? log.class}
                    </Link>
                    {twice.has(log.id) && <span className="block text-sm">{LOGGED_TWICE}</span>}
                  </td>
                  <td className="pr-3">{nameOf(log)}</td>
                  <td className="pr-3 text-soft">{SOURCES[log.source]}</td>
                  <td className="pr-3 tabular-nums">{log.present}</td>
                  <td className="pr-3 tabular-nums">{log.plan?.seconds !== undefined && clock(log.plan.seconds)}</td>
                  <td className="pr-3 tabular-nums">{took(log.endedSeconds, log.plan?.seconds)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <DraftFromCaptions />
    </main>
  );
}

/** @example took(2760, 2700) // '46:00, 1:00 longer' */
function took(ended: number | undefined, planned: number | undefined): string {
  if (ended === undefined) return '';
  const off = planned === undefined ? 0 : ended - planned;
  if (Math.abs(off) < ON_TIME) return clock(ended);
  return `${clock(ended)}, ${clock(Math.abs(off))} ${off > 0 ? 'longer' : 'shorter'}`;
}
