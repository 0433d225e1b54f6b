import { type ClassPlan, type TimedClass, timeClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { clock } from '@warm-ladder/core/review';
import { type Log, logByHand } from '@warm-ladder/core/taught';
import { countText } from '@warm-ladder/core/vocabulary';
import { Pencil } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { newId } from '../../app/freeId';
import { LostPage } from '../../app/shell/LostPage';
import { useChange } from '../../app/store/edits';
import { selectAudiences, selectCatalog, selectClass, selectLogs, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { takeOfClass } from '../../desk/useDesk';
import type { ReadTake } from '../../desk/worker';
import { Choice } from '../../parts/fields/Choice';
import { CaptionsFile } from './CaptionsFile';
import { Corrections } from './Corrections';
import { LogEditor } from './LogEditor';
import { LogList, useTeacherName } from './LogList';
import { partName, spanOf, TwoTimelines } from './TwoTimelines';

/** What really happened in a class: logged by hand, read back from captions, or taught live; and the logs there are. */
export function Component() {
  const { id } = useParams();
  const plan = useAppSelector((state) => selectClass(state, id));
  return plan ? <OfClass key={plan.id} plan={plan} /> : <LostPage />;
}

/** A log that is not kept yet: written by hand, or read from captions with what differs. */
interface Draft {
  readonly log: Log;
  readonly take: ReadTake | null;
}

function OfClass({ plan }: { plan: ClassPlan }) {
  const change = useChange();
  const catalog = useAppSelector(selectCatalog);
  const teachers = useAppSelector(selectTeachers);
  const audiences = useAppSelector(selectAudiences);
  const logs = useAppSelector(selectLogs);
  const audience = audiences.find(({ id }) => id === plan.audience);
  const timed = useMemo(() => timeClass(catalog, plan, { audience }), [catalog, plan, audience]);
  const own = useMemo(
    () => logs.filter((log) => log.class === plan.id).sort((a, b) => b.date.localeCompare(a.date)),
    [logs, plan.id],
  );
  const [day, setDay] = useState(today());
  const [teacherId, setTeacher] = useState('');
  const teacher = teachers.find(({ id }) => id === teacherId);
  const [draft, setDraft] = useState<Draft | 'reading' | null>(null);
  const [problem, setProblem] = useState('');
  const [address, setAddress] = useSearchParams();
  const shown = address.get('log');
  const setShown = (id: string | null) => setAddress(id === null ? {} : { log: id }, { replace: true });
  const [beside, setBeside] = useState<string | null>(null);
  const nameOf = useTeacherName();
  const readFile = async (file: File) => {
    setDraft('reading');
    setProblem('');
    try {
      const take = await takeOfClass(plan.id, await file.text(), day);
      const named = teacher ? { teacher: teacher.id } : {};
      setDraft({ log: { ...take.log, id: newId(take.log.id), ...named }, take });
    } catch (error) {
      setDraft(null);
      setProblem(`${file.name}: ${(error as Error).message}`);
    }
  };
  const byHand = () => {
    setProblem('');
    setShown(null);
    setDraft({ log: logByHand(timed, { id: newId('log'), date: day, teacher, audience }), take: null });
  };
  const keep = (log: Log) => {
    change('logs', log.id, log, 'a log');
    setDraft(null);
    setShown(log.id);
  };
  /** A kept log, corrected: what follows quickly is one step of undo. */
  const correct = (log: Log) => change('logs', log.id, log, 'a log', 'log');
  const drafted = draft !== null && draft !== 'reading' ? draft : null;
  const chosen = own.find(({ id }) => id === shown);
  const other = chosen ? own.find(({ id }) => id === beside) : undefined;
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">What really happened: {plan.name}</h1>
      <p className="mt-1">
        <Link to={`/class/${plan.id}`} className="underline decoration-dotted underline-offset-4">
          The class
        </Link>
        , planned for {clock(timed.seconds)}; all{' '}
        <Link to="/logs" className="underline decoration-dotted underline-offset-4">
          logs
        </Link>
        . Write down how it went, or read captions of it (WebVTT, SRT, or lines that begin with a time): they are read
        and not kept, only when each block began and how long it took.
      </p>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <span>
          Taught on{' '}
          <input
            type="date"
            className="field"
            aria-label="The day it was taught"
            value={day}
            onChange={({ target }) => setDay(target.value || today())}
          />{' '}
          by{' '}
          <Choice
            label="Who taught it"
            value={teacherId}
            choices={[['', 'somebody'], ...teachers.map(({ id, name }) => [id, name] as const)]}
            onChange={setTeacher}
          />
        </span>
        <button type="button" className="action action-main" onClick={byHand}>
          <Pencil className="size-4" aria-hidden="true" /> Log it by hand
        </button>
        <CaptionsFile label="Read its captions" reading={draft === 'reading'} onFile={(file) => void readFile(file)} />
      </div>
      {problem !== '' && (
        <p role="alert" className="mt-3 font-semibold text-alarm">
          {problem}
        </p>
      )}
      {drafted && (
        <DraftLog
          {...{ catalog, timed }}
          draft={drafted}
          onChange={(log) => setDraft({ ...drafted, log })}
          onKeep={() => keep(drafted.log)}
          onLeave={() => setDraft(null)}
        />
      )}
      {!drafted && chosen && (
        <section aria-label="Planned and taught" className="mt-5">
          {other ? (
            <TwoTimelines {...{ catalog, timed }} log={chosen} span={spanOf(timed, chosen, other)} />
          ) : (
            <Corrections key={chosen.id} {...{ catalog, timed }} log={chosen} onChange={correct} />
          )}
          {other && (
            <section aria-label="Beside it" className="mt-4">
              <p className="font-semibold">Beside it: {[other.date, nameOf(other)].filter(Boolean).join(', ')}</p>
              <TwoTimelines {...{ catalog, timed }} log={other} span={spanOf(timed, chosen, other)} />
            </section>
          )}
          <Skipped log={chosen} name={(id) => partName(timed, id)} />
          <details className="mt-3">
            <summary className="font-semibold">Change this log</summary>
            <LogEditor {...{ catalog, timed }} log={chosen} onChange={correct} />
          </details>
        </section>
      )}
      <LogList
        logs={own}
        shown={shown}
        beside={beside}
        onShow={(id) => {
          setDraft(null);
          setBeside(null);
          setShown(id);
        }}
        onBeside={setBeside}
      />
    </main>
  );
}

interface DraftLogProps {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly draft: Draft;
  readonly onChange: (log: Log) => void;
  readonly onKeep: () => void;
  readonly onLeave: () => void;
}

/** A log before it is kept. */
function DraftLog({ catalog, timed, draft: { log, take }, onChange, onKeep, onLeave }: DraftLogProps) {
  return (
    <section aria-label="Planned and taught" className="mt-5">
      {take && (
        <>
          <Corrections {...{ catalog, timed, log, onChange }} />
          <p className="mt-2">
            {Math.round(take.matched * 100)} % of the blocks are found for sure; {clock(log.endedSeconds ?? 0)} in all,{' '}
            {Math.round(take.wordsPerMinute)} words a minute, {Math.round(take.silenceShare * 100)} % of the time nobody
            speaks.
          </p>
        </>
      )}
      <p className="mt-3 flex gap-2">
        <button type="button" className="action action-main" onClick={onKeep}>
          Keep it as a log
        </button>
        <button type="button" className="action" onClick={onLeave}>
          Leave it
        </button>
      </p>
      {take && <Differences take={take} />}
      <div className="mt-3">
        <LogEditor {...{ catalog, timed, log, onChange }} />
      </div>
    </section>
  );
}

function Differences({ take }: { take: ReadTake }) {
  if (take.differences.length === 0) return <p className="mt-3">It went as planned.</p>;
  return (
    <>
      <h2 className="mt-4 text-lg font-semibold">{countText(take.differences.length, 'difference')}</h2>
      <ul className="list-disc gap-x-8 pl-5 md:columns-2">
        {take.differences.map(({ message }) => (
          <li key={message}>{message}</li>
        ))}
      </ul>
    </>
  );
}

/** What a log says was left out. */
function Skipped({ log, name }: { log: Log; name: (id: string) => string }) {
  const skipped = (log.blocks ?? []).filter(({ did }) => did === 'skipped');
  return skipped.length === 0 ? null : (
    <p className="mt-2">Left out: {skipped.map(({ id }) => name(id)).join('; ')}.</p>
  );
}
