import type { SpokenClass } from '@warm-ladder/core/handouts';
import { timeClass } from '@warm-ladder/core/plan';
import { type Course, keyOf, logOfCourse } from '@warm-ladder/core/rehearsal';
import { clock } from '@warm-ladder/core/review';
import type { Log } from '@warm-ladder/core/taught';
import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react';
import type { WayProps } from './ClassUnderWay';
import { Key } from './Key';
import { dropCourse, type KeptCourse, keepCourse } from './live/keptCourse';
import { type SentLog, sendLog } from './live/sendLog';
import { PeopleField } from './PeopleField';

interface EndedProps {
  /** The class as the studio has it, and as it was when it ended. */
  readonly given: SpokenClass;
  readonly spoken: SpokenClass;
  readonly course: Course;
  readonly kept: KeptCourse;
  readonly onBack: () => void;
  readonly onDrop: () => void;
  readonly Go: (props: WayProps) => ReactNode;
  readonly home: { readonly to: string; readonly words: string };
}

/** Milliseconds before a server that did not answer is asked again. */
const AGAIN = 15_000;

/** What was taught when, beside the plan; kept with the class as its log, on this device until the studio has it. */
export function Ended({ given, spoken, course, kept, onBack, onDrop, Go, home }: EndedProps) {
  const [present, setPresent] = useState(kept.present === undefined ? '' : String(kept.present));
  const log = useLog(given, spoken, course, kept, present === '' ? undefined : Number(present));
  const [sent, setSent] = useState<SentLog | 'asked' | 'not yet'>('not yet');
  const send = useCallback(
    async (of: Log) => {
      setSent('asked');
      // Decided on this device first: it is sent whenever the server is there, by whatever page is open then.
      keepCourse({ ...kept, log: of });
      const became = await sendLog(of);
      if (became === 'kept') dropCourse(kept.id);
      setSent(became);
    },
    [kept],
  );
  useEffect(() => {
    if (sent !== 'waits') return;
    const again = () => void send(log);
    const timer = setTimeout(again, AGAIN);
    window.addEventListener('online', again);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('online', again);
    };
  }, [sent, send, log]);
  const taught = course.mode === 'teach';
  const rows = rowsOf(given, spoken, course);
  return (
    <main className="dim fixed inset-0 z-30 flex flex-col">
      <div className="min-h-0 grow overflow-y-auto px-4 py-4">
        <h1 className="text-3xl font-semibold">
          {course.left
            ? 'As far as it was tapped'
            : `${taught ? 'Taught' : 'Spoken through'} in ${clock(course.ended ?? 0)}`}
        </h1>
        <p className="mt-1 text-lg">
          {spoken.plan.name}, planned {clock(given.script.seconds)}.
        </p>
        {taught && (
          <p className="mt-3">
            <PeopleField label="People who came" value={present} disabled={sent !== 'not yet'} onChange={setPresent} />
          </p>
        )}
        <table className="mt-4 w-full text-lg">
          <thead className="text-soft">
            <tr className="text-left">
              <th scope="col">Stretch</th>
              <th scope="col" className="text-right">
                Planned
              </th>
              <th scope="col" className="text-right">
                {taught ? 'Taught' : 'Spoken'}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ key, title, planned, begun }) => (
              <tr key={key} className={`border-t border-line ${begun === undefined ? 'text-soft' : ''}`}>
                <td className="py-1 pr-2">{title}</td>
                <td className="text-right tabular-nums">{planned === undefined ? 'added' : clock(planned)}</td>
                <td className="pl-3 text-right tabular-nums">{begun === undefined ? 'left out' : clock(begun)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <footer className="border-t border-line px-4 py-3">
        <Outcome sent={sent} />
        {sent === 'not yet' || (typeof sent === 'object' && 'refused' in sent) ? (
          <div className="grid grid-cols-[1fr_1fr_2fr] gap-2">
            <Key onPress={onBack}>Back</Key>
            <Key onPress={onDrop}>Drop it</Key>
            <Key onPress={() => void send(log)} main>
              {taught ? 'Keep this log' : 'Keep these times'}
            </Key>
          </div>
        ) : (
          <p className="flex flex-wrap gap-3 text-lg">
            <Go to={home.to} className="rounded-lg border border-line px-4 py-2">
              {home.words}
            </Go>
          </p>
        )}
      </footer>
    </main>
  );
}

/** What became of the log, as it is said. */
function Outcome({ sent }: { readonly sent: SentLog | 'asked' | 'not yet' }) {
  if (sent === 'not yet' || sent === 'asked') return null;
  if (sent === 'kept') {
    return (
      <p role="status" className="mb-2 text-lg">
        Kept with the class.
      </p>
    );
  }
  return (
    <p role="alert" className="mb-2 text-lg text-alarm">
      {sent === 'waits'
        ? 'The studio’s server does not answer. It is kept on this device and sent when the server does.'
        : `Not kept: ${sent.refused}`}
    </p>
  );
}

function useLog(given: SpokenClass, spoken: SpokenClass, course: Course, kept: KeptCourse, present?: number): Log {
  const { catalog, context, teacher } = given;
  return useMemo(() => {
    const { audience } = context;
    const named = (who: { readonly id: string; readonly name: string } | undefined) =>
      who && { id: who.id, name: who.name };
    return logOfCourse(course, timeClass(catalog, kept.plan, { audience }), spoken.script, {
      id: kept.id,
      ...dayOf(kept.begunAt),
      present,
      teacher: named(teacher),
      audience: named(audience),
    });
  }, [catalog, context, teacher, spoken, course, kept, present]);
}

/** The day and the time of the day, by the clock on the wall here. */
function dayOf(milliseconds: number): { readonly date: string; readonly begun: string } {
  const at = new Date(milliseconds);
  const two = (value: number) => String(value).padStart(2, '0');
  return {
    date: `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`,
    begun: `${two(at.getHours())}:${two(at.getMinutes())}`,
  };
}

interface Row {
  readonly key: string;
  readonly title: string;
  /** Seconds into the class; nothing for what was not planned, and for what was left out. */
  readonly planned?: number;
  readonly begun?: number;
}

/** Every stretch planned or begun, in the order of the plan, what was added where it was begun. */
function rowsOf(given: SpokenClass, spoken: SpokenClass, { steps }: Course): Row[] {
  const begun = new Map(steps.map((step) => [step.key, step.begun]));
  const row = (of: SpokenClass, section: SpokenClass['script']['sections'][number], planned: boolean): Row => {
    const key = keyOf(section, of.plan);
    const at = begun.get(key);
    return {
      key,
      title: section.side ? `${section.title}, ${section.side}` : section.title,
      ...(planned ? { planned: section.startSeconds - section.leadSeconds } : {}),
      ...(at === undefined ? {} : { begun: at }),
    };
  };
  const rows = given.script.sections.map((section) => row(given, section, true));
  const known = new Set(rows.map(({ key }) => key));
  const added = spoken.script.sections
    .map((section) => row(spoken, section, false))
    .filter(({ key }) => !known.has(key));
  for (const each of added) {
    if (each.begun === undefined) continue;
    const after = rows.findLastIndex((other) => other.begun !== undefined && other.begun < (each.begun ?? 0));
    rows.splice(after + 1, 0, each);
  }
  return rows;
}
