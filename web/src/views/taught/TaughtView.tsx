import { type ClassPlan, timeClass } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import type { Log } from '@warm-ladder/core/taught';
import { countText } from '@warm-ladder/core/vocabulary';
import { Captions } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { newId } from '../../app/freeId';
import { LostPage } from '../../app/LostPage';
import { selectAudiences, selectCatalog, selectClass, selectLogs, selectTeachers } from '../../app/selectors';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { changed } from '../../app/studio';
import { today } from '../../app/today';
import { takeOfClass } from '../../desk/useDesk';
import type { ReadTake } from '../../desk/worker';
import { Choice } from '../../parts/Choice';
import { RemoveButton } from '../../parts/RemoveButton';
import { partName, TwoTimelines } from './TwoTimelines';

/** What really happened in a class: captions read back into a log, and the logs there are. */
export function Component() {
  const { id } = useParams();
  const plan = useAppSelector((state) => selectClass(state, id));
  return plan ? <OfClass key={plan.id} plan={plan} /> : <LostPage />;
}

function OfClass({ plan }: { plan: ClassPlan }) {
  const dispatch = useAppDispatch();
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
  const [teacher, setTeacher] = useState('');
  const [read, setRead] = useState<ReadTake | 'reading' | { readonly problem: string } | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const readFile = async (file: File) => {
    setRead('reading');
    try {
      setRead(await takeOfClass(plan, await file.text(), day));
    } catch (error) {
      setRead({ problem: `${file.name}: ${(error as Error).message}` });
    }
  };
  const take = read !== null && read !== 'reading' && 'log' in read ? read : null;
  const chosen = own.find(({ id }) => id === shown);
  const log = take?.log ?? chosen;
  const keep = (found: Log) => {
    const after: Log = { ...found, id: newId(found.id), ...(teacher === '' ? {} : { teacher }) };
    dispatch(changed({ documents: [{ kind: 'logs', id: after.id, after }], label: 'a log', field: '' }));
    setRead(null);
    setShown(after.id);
  };
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">What really happened: {plan.name}</h1>
      <p className="mt-1">
        <Link to={`/class/${plan.id}`} className="underline decoration-dotted underline-offset-4">
          The class
        </Link>
        , planned for {clock(timed.seconds)}. Captions of a real class (WebVTT, SRT, or lines that begin with a time)
        are read and not kept: what is kept is when each block began, and how long it took.
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
            value={teacher}
            choices={[['', 'somebody'], ...teachers.map(({ id, name }) => [id, name] as const)]}
            onChange={setTeacher}
          />
        </span>
        <label className="action action-main">
          <Captions className="size-4" aria-hidden="true" />
          {read === 'reading' ? 'Reading …' : 'Read its captions'}
          <input
            type="file"
            accept=".vtt,.srt,.txt,text/vtt,text/plain"
            className="sr-only"
            onChange={({ target }) => {
              const [file] = target.files ?? [];
              if (file) void readFile(file);
              target.value = '';
            }}
          />
        </label>
      </div>
      {read !== null && read !== 'reading' && 'problem' in read && (
        <p role="alert" className="mt-3 font-semibold text-brick">
          {read.problem}
        </p>
      )}
      {log && (
        <section aria-label="Planned and taught" className="mt-5">
          <TwoTimelines catalog={catalog} timed={timed} log={log} />
          {take && (
            <>
              <p className="mt-2">
                {Math.round(take.matched * 100)} % of the blocks are found for sure; {clock(log.endedSeconds ?? 0)} in
                all, {Math.round(take.wordsPerMinute)} words a minute, {Math.round(take.silenceShare * 100)} % of the
                time nobody speaks.
              </p>
              <p className="mt-3 flex gap-2">
                <button type="button" className="action action-main" onClick={() => keep(log)}>
                  Keep it as a log
                </button>
                <button type="button" className="action" onClick={() => setRead(null)}>
                  Leave it
                </button>
              </p>
              <Differences take={take} />
            </>
          )}
          {!take && <Skipped log={log} name={(id) => partName(timed, id)} />}
        </section>
      )}
      <section aria-label="Logs of this class" className="mt-6">
        <h2 className="text-xl font-semibold">Logs</h2>
        {own.length === 0 && <p className="text-soft">Nobody has logged this class yet.</p>}
        <ul>
          {own.map((each) => (
            <li key={each.id} className="flex flex-wrap items-center gap-x-3 border-b border-line/60 py-1.5">
              <button
                type="button"
                className="underline decoration-dotted underline-offset-4"
                aria-pressed={each.id === shown}
                onClick={() => {
                  setRead(null);
                  setShown(each.id === shown ? null : each.id);
                }}
              >
                {each.date}
              </button>
              <span>{SOURCES[each.source]}</span>
              <span className="text-soft">
                {[
                  teachers.find(({ id }) => id === each.teacher)?.name ?? each.plan?.names?.teacher,
                  each.endedSeconds !== undefined && clock(each.endedSeconds),
                  countText((each.blocks ?? []).filter(({ did }) => did !== 'skipped').length, 'block'),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
              <span className="ml-auto">
                <RemoveButton
                  name={`the log of ${each.date}`}
                  onPress={() =>
                    dispatch(
                      changed({
                        documents: [{ kind: 'logs', id: each.id, after: undefined }],
                        label: 'removing a log',
                        field: '',
                      }),
                    )
                  }
                />
              </span>
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}

/** Where a log comes from, as it is said. */
const SOURCES: Readonly<Record<Log['source'], string>> = {
  hand: 'written by hand',
  live: 'taught with the plan in hand',
  take: 'read from captions',
  rehearsal: 'rehearsed',
};

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
