import { emptyBundle } from '@warm-ladder/core/formats';
import { clock } from '@warm-ladder/core/review';
import type { Log } from '@warm-ladder/core/taught';
import type { Programme } from '@warm-ladder/core/wire';
import { addDays, formatISO, parseISO } from 'date-fns';
import { useCallback, useEffect, useState } from 'react';
import { server } from '../../app/store/server';
import { today } from '../../app/today';
import { download } from '../../parts/download';
import { dropCourse, type KeptCourse, keptCourses } from './live/keptCourse';
import { remember, remembered } from './live/onDevice';
import { sendWaitingLogs } from './live/sendLog';

type Occasion = Programme['occasions'][number];

/** Days shown, today first. */
const DAYS = 7;

const DAY = new Intl.DateTimeFormat('en', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });

/** What is taught tonight and this week, for whoever teaches it: to read, rehearse and teach, and nothing to change by accident. */
export function Tonight() {
  const [programme, setProgramme] = useState<Programme | 'opening' | 'away'>('opening');
  const [teacher, setTeacher] = useState(() => remembered('teacher'));
  const [kept, setKept] = useState(keptCourses);
  const [refusals, setRefusals] = useState<ReadonlyMap<string, string>>(new Map());
  const day = today();
  const open = useCallback(() => {
    setProgramme('opening');
    const last = formatISO(addDays(parseISO(day), DAYS - 1), { representation: 'date' });
    server.programme(day, last).then(setProgramme, () => setProgramme('away'));
    void sendWaitingLogs().then((refused) => {
      setKept(keptCourses());
      setRefusals(refused);
    });
  }, [day]);
  useEffect(open, [open]);
  const choose = (id: string) => {
    setTeacher(id);
    remember('teacher', id);
  };
  if (typeof programme === 'string') {
    return (
      <main className="dim min-h-dvh p-6">
        {programme === 'opening' ? (
          <p className="text-soft">Opening the week…</p>
        ) : (
          <>
            <h1 className="text-3xl font-semibold">The studio’s server does not answer</h1>
            <button type="button" className="mt-4 min-h-12 rounded-lg border border-line px-5 text-lg" onClick={open}>
              Try again
            </button>
          </>
        )}
      </main>
    );
  }
  const { occasions, classes, teachers } = programme;
  const mine = occasions.filter((each) => teacher === '' || each.teacher?.id === teacher);
  const tonight = mine.filter((each) => each.day === day);
  const later = [...new Set(mine.map((each) => each.day))].filter((each) => each !== day);
  return (
    <main className="dim min-h-dvh px-4 py-5">
      <div className="mx-auto max-w-2xl">
        <header className="flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="text-4xl font-semibold">Today</h1>
          {teachers.length > 0 && (
            <label className="text-lg">
              <span className="text-soft">Classes of </span>
              <select
                className="min-h-11 rounded border border-line bg-sheet px-2"
                value={teachers.some(({ id }) => id === teacher) ? teacher : ''}
                onChange={({ target }) => choose(target.value)}
              >
                <option value="">everybody</option>
                {teachers.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          )}
        </header>
        <p className="text-lg text-soft">{DAY.format(parseISO(`${day}T00:00:00Z`))}</p>
        <UnderWay
          kept={kept}
          refusals={refusals}
          nameOf={(id) => classes.find((each) => each.id === id)?.name ?? id}
          onChange={() => setKept(keptCourses())}
        />
        {tonight.length === 0 && <p className="mt-3 text-xl">No class is planned for today.</p>}
        <ul className="mt-3 flex flex-col gap-3">
          {tonight.map((each) => (
            <Entry key={`${each.series.id} ${each.episode}`} occasion={each} teacher={teacher} large />
          ))}
        </ul>
        {later.length > 0 && <h2 className="mt-8 text-2xl font-semibold">This week</h2>}
        {later.map((each) => (
          <section key={each} aria-label={DAY.format(parseISO(`${each}T00:00:00Z`))} className="mt-3">
            <h3 className="text-lg text-soft">{DAY.format(parseISO(`${each}T00:00:00Z`))}</h3>
            <ul className="mt-1 flex flex-col gap-3">
              {mine
                .filter((occasion) => occasion.day === each)
                .map((occasion) => (
                  <Entry key={`${occasion.series.id} ${occasion.episode}`} occasion={occasion} teacher={teacher} />
                ))}
            </ul>
          </section>
        ))}
        <details className="mt-8">
          <summary className="min-h-11 text-2xl font-semibold">Every class</summary>
          <ul className="mt-2">
            {classes.map(({ id, name, minutes }) => (
              <li key={id} className="border-t border-line py-2">
                <span className="text-lg">{name}</span> <span className="text-soft">{minutes} min</span>
                <Ways id={id} teacher={teacher} />
              </li>
            ))}
          </ul>
        </details>
      </div>
    </main>
  );
}

function Entry({ occasion, teacher, large = false }: { occasion: Occasion; teacher: string; large?: boolean }) {
  const { from, minutes, class: plan, series, episode, room } = occasion;
  const who = teacher === '' ? occasion.teacher?.name : undefined;
  return (
    <li className="rounded-xl bg-sheet px-4 py-3">
      <div className="flex gap-4">
        <span
          className={`${large ? 'text-3xl' : 'text-xl'} min-w-14 shrink-0 leading-tight font-semibold text-cobalt tabular-nums`}
        >
          {from ?? '–'}
        </span>
        <div className="min-w-0 grow">
          <p className={`${large ? 'text-2xl' : 'text-xl'} leading-tight font-semibold`}>{plan.name}</p>
          <p className="text-soft">
            {[`${series.name} ${episode + 1}`, `${minutes} min`, room?.name, who].filter(Boolean).join(' · ')}
          </p>
        </div>
      </div>
      <Ways id={plan.id} teacher={occasion.teacher?.id ?? teacher} at={from ?? undefined} />
    </li>
  );
}

/** What can be done with a class in the room. */
function Ways({
  id,
  teacher,
  at,
}: {
  readonly id: string;
  readonly teacher: string;
  readonly at?: string | undefined;
}) {
  const asked = new URLSearchParams(teacher === '' ? {} : { teacher });
  const address = (more: Readonly<Record<string, string>> = {}) => {
    const all = new URLSearchParams([...asked, ...Object.entries(more)]).toString();
    return all === '' ? '' : `?${all}`;
  };
  const way = 'flex min-h-11 items-center rounded-lg border border-line px-4';
  return (
    <p className="mt-2 flex flex-wrap gap-2">
      <a
        className={`${way} border-cobalt bg-cobalt font-semibold text-paper`}
        href={`/teach/${id}${address(at ? { at } : {})}`}
      >
        Teach
      </a>
      <a className={way} href={`/read/${id}${address()}`}>
        Script
      </a>
      <a className={way} href={`/rehearse/${id}${address()}`}>
        Rehearse
      </a>
    </p>
  );
}

/** A log as a file that the desk takes in. */
const fileOf = (log: Log) => ({ ...emptyBundle(), logs: [log] });

interface UnderWayProps {
  readonly kept: readonly KeptCourse[];
  /** Why the studio did not take a log, by the id of its course. */
  readonly refusals: ReadonlyMap<string, string>;
  readonly nameOf: (id: string) => string;
  readonly onChange: () => void;
}

/** Classes begun on this device, and logs that wait here for the server. */
function UnderWay({ kept, refusals, nameOf, onChange }: UnderWayProps) {
  if (kept.length === 0) return null;
  return (
    <ul className="mt-3 flex flex-col gap-2">
      {kept.map(({ id, class: of, mode, address, seen, log }) => (
        <li key={id} className="flex flex-wrap items-center gap-3 rounded-xl border border-cobalt px-4 py-3 text-lg">
          <span className="grow">
            {log
              ? refusals.has(id)
                ? `The studio did not take the log of ${nameOf(of)}: ${refusals.get(id)}`
                : `The log of ${nameOf(of)} waits here for the studio’s server.`
              : `${nameOf(of)} was begun on this device: ${clock(seen.at)} into it.`}
          </span>
          {!log && (
            <a
              className="flex min-h-11 items-center rounded-lg border border-line px-4"
              href={`/${mode}/${of}${address}`}
            >
              Go on
            </a>
          )}
          {log && (
            <button
              type="button"
              className="min-h-11 rounded-lg border border-line px-4"
              onClick={() => download(`${log.id}.json`, JSON.stringify(fileOf(log), null, 2))}
            >
              Save it as a file
            </button>
          )}
          {(!log || refusals.has(id)) && (
            <button
              type="button"
              className="min-h-11 rounded-lg border border-line px-4"
              onClick={() => {
                dropCourse(id);
                onChange();
              }}
            >
              Drop it
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
