import { CSV_LOSS } from '@warm-ladder/core/tables';
import { countText } from '@warm-ladder/core/vocabulary';
import type { ImportEffect, TableAnswer } from '@warm-ladder/core/wire';
import { useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { newId } from './freeId';
import { ImportProgress } from './ImportProgress';
import { selectWaiting } from './selectors';
import { type ImportQuery, Refused, ServerAway, server } from './server';
import { useAppDispatch, useAppSelector } from './store';
import { loadStudio } from './studio';
import { unheard } from './unheard';

type Mode = ImportQuery['mode'];
interface Read {
  readonly name: string;
  /** Of several, all are bundles, taken in as one: they may need one another. */
  readonly files: readonly [File, ...File[]];
  /** A table of the repertoire, and not a bundle. */
  readonly table: boolean;
}
type Failure = { readonly message: string; readonly problems: Refused['problems'] };

const failureOf = (error: unknown, files: readonly File[]): Failure => {
  // Of several files, a path begins with the place of its own.
  const named = (path: string) => path.replace(/^\[(\d+)\]\.?/, (own, place) => `${files[place]?.name ?? own}: `);
  if (error instanceof Refused) {
    const problems = error.problems.map(({ path, message }) => ({
      path: files.length > 1 ? named(path) : path,
      message,
    }));
    return { message: error.message, problems };
  }
  return {
    message: error instanceof ServerAway ? 'The server is away; nothing was read.' : (error as Error).message,
    problems: [],
  };
};

const send = async ({ files, table }: Read, query: ImportQuery): Promise<TableAnswer> =>
  table ? server.importTable(files[0], query) : { ...(await server.import(await textOf(files), query)), plain: [] };

/** One file as it is, several as a list. @throws Error naming the file that is not whole */
async function textOf(files: Read['files']): Promise<string> {
  if (files.length === 1) return files[0].text();
  const texts = await Promise.all(files.map((file) => file.text()));
  for (const [i, text] of texts.entries()) {
    try {
      JSON.parse(text);
    } catch (error) {
      throw new Error(`${files[i]?.name} is not whole JSON (${(error as Error).message}).`);
    }
  }
  return `[${texts.join(',')}]`;
}

/** Files in: read whole, told what it would change, and taken in only then. */
export default function ImportDialog({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const unsaved = useAppSelector(selectWaiting);
  const [file, setFile] = useState<Read | null>(null);
  const [mode, setMode] = useState<Mode>('merge');
  const [rehearsal, setRehearsal] = useState<TableAnswer | null>(null);
  const [failure, setFailure] = useState<Failure | null>(null);
  /** What the server is asked under how far it is; `null` while nothing is sent. */
  const [sending, setSending] = useState<string | null>(null);
  const busy = sending !== null;

  const waiting = async (read: Read, work: (progress: string) => Promise<void>) => {
    setFailure(null);
    const progress = newId('import');
    setSending(progress);
    await work(progress).catch((error: unknown) => setFailure(failureOf(error, read.files)));
    setSending(null);
  };
  const rehearse = (read: Read, how: Mode) =>
    waiting(read, async (progress) => {
      setRehearsal(null);
      setRehearsal(await send(read, { mode: how, rehearse: true, progress }));
    });
  const choose = async ([first, ...more]: readonly File[]) => {
    if (!first) return;
    const table = (chosen: File) => /\.(csv|tsv|txt)$/i.test(chosen.name);
    if (more.length > 0 && [first, ...more].some(table)) {
      setRehearsal(null);
      setFailure({ message: 'A table is taken in by itself; choose it alone.', problems: [] });
      return;
    }
    const name = more.length > 0 ? countText(more.length + 1, 'file') : first.name;
    const read: Read = { name, files: [first, ...more], table: table(first) };
    setFile(read);
    await rehearse(read, mode);
  };
  const takeIn = (read: Read) =>
    waiting(read, async (progress) => {
      await unheard(async () => {
        await send(read, { mode, rehearse: false, base: rehearsal?.revision, progress });
        await dispatch(loadStudio(`importing ${read.name}`)).unwrap();
      });
      close();
    });
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Import a file, or several"
      about="Warm Ladder bundles (.json), several at once where they need one another, or a table of the repertoire (.csv). All is taken in, or nothing; a copy of the studio is kept first, and undo takes the import back."
    >
      <input
        type="file"
        accept=".json,application/json,.csv,.tsv,text/csv"
        aria-label="File to import"
        multiple
        disabled={busy}
        onChange={({ target }) => void choose([...(target.files ?? [])])}
      />
      {file?.table ? (
        <p className="mt-4">{CSV_LOSS}</p>
      ) : (
        <fieldset className="mt-4 flex flex-col gap-1">
          <legend className="font-semibold">What is here already</legend>
          {(
            [
              ['merge', 'stays; the file’s own version wins where both have one'],
              ['replace', 'goes; the studio becomes the file'],
            ] as const
          ).map(([value, words]) => (
            <label key={value} className="flex gap-2">
              <input
                type="radio"
                name="mode"
                disabled={busy}
                checked={mode === value}
                onChange={() => {
                  setMode(value);
                  if (file) void rehearse(file, value);
                }}
              />
              {words}
            </label>
          ))}
        </fieldset>
      )}
      {failure && <FailureReport failure={failure} />}
      {rehearsal && <Report answer={rehearsal} />}
      {rehearsal && rehearsal.notes.length > 0 && <Notes notes={rehearsal.notes} />}
      {rehearsal && rehearsal.plain.length > 0 && (
        <p className="mt-2">
          {countText(rehearsal.plain.length, 'new rung comes', 'new rungs come')} undrawn:{' '}
          {rehearsal.plain.slice(0, 6).join(', ')}
          {rehearsal.plain.length > 6 && ' …'}
        </p>
      )}
      {busy && <ImportProgress id={file?.table ? null : sending} name={file?.name ?? ''} />}
      <button
        type="button"
        className="action action-main mt-5"
        disabled={rehearsal === null || busy || unsaved}
        onClick={() => file && void takeIn(file)}
      >
        {unsaved ? 'Saving first…' : 'Take it in'}
      </button>
    </Sheet>
  );
}

function FailureReport({ failure: { message, problems } }: { failure: Failure }) {
  return (
    <div role="alert" className="mt-4 rounded border border-alarm p-3">
      <p className="font-semibold">The file was not taken in; nothing has changed.</p>
      {problems.length === 0 ? (
        <p>{message}</p>
      ) : (
        <ul className="mt-1 list-disc pl-5">
          {problems.map(({ path, message: each }) => (
            <li key={path + each}>
              <code className="text-sm">{path}</code>: {each}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Report({ answer: { report, rungs } }: { answer: TableAnswer }) {
  const rows = Object.entries(report).filter(([, each]) =>
    Object.values(each).some(({ length }: string[]) => length > 0),
  );
  if (rows.length === 0) return <p className="mt-4">The file is sound, and empty.</p>;
  return (
    <>
      <EffectTable rows={rows} />
      <RungList rungs={rungs} />
    </>
  );
}

/** What an older file said otherwise, as it is read now. */
function Notes({ notes }: Pick<TableAnswer, 'notes'>) {
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">
        <span className="font-semibold">From an older version:</span> {notes.length}{' '}
        {notes.length === 1 ? 'thing was' : 'things were'} brought to this one
      </summary>
      <ul className="mt-1 max-h-48 list-disc overflow-y-auto pl-5 text-sm">
        {notes.map(({ path, message }) => (
          <li key={path + message}>
            <code>{path}</code>: {message}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Every rung the file touches, by name: a number would hide the one that goes. */
function RungList({ rungs }: { rungs: TableAnswer['rungs'] }) {
  const lists = (['removed', 'changed', 'added'] as const).filter((how) => rungs[how].length > 0);
  if (lists.length === 0) return null;
  return (
    <dl className="mt-3 max-h-48 overflow-y-auto">
      {lists.map((how) => (
        <div key={how}>
          <dt className={`font-semibold ${how === 'removed' ? 'text-alarm' : ''}`}>
            {countText(rungs[how].length, 'rung')} {how}
          </dt>
          <dd className="text-sm">{rungs[how].join(', ')}</dd>
        </div>
      ))}
    </dl>
  );
}

function EffectTable({ rows }: { rows: ReadonlyArray<readonly [string, ImportEffect]> }) {
  return (
    <table className="mt-4 w-full text-left">
      <caption className="text-left font-semibold">What it would do</caption>
      <thead>
        <tr className="text-soft">
          <th className="font-normal">&nbsp;</th>
          <th className="font-normal">new</th>
          <th className="font-normal">changed</th>
          <th className="font-normal">the same</th>
          <th className="font-normal">removed</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([kind, { added, changed, unchanged, removed }]) => (
          <tr key={kind} className="border-t border-line">
            <th className="py-1 font-normal">{kind}</th>
            {[added, changed, unchanged, removed].map((ids, i) => (
              <td key={i} title={ids.join(', ')}>
                {ids.length}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
