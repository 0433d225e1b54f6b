import { CSV_LOSS } from '@warm-ladder/core/tables';
import { countText } from '@warm-ladder/core/vocabulary';
import type { ImportEffect, TableAnswer } from '@warm-ladder/core/wire';
import { useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { selectWaiting } from './selectors';
import { type ImportQuery, Refused, ServerAway, server } from './server';
import { useAppDispatch, useAppSelector } from './store';
import { loadStudio } from './studio';
import { unheard } from './unheard';

type Mode = ImportQuery['mode'];
interface Read {
  readonly name: string;
  readonly file: File;
  /** A table of the repertoire, and not a bundle. */
  readonly table: boolean;
}
type Failure = { readonly message: string; readonly problems: Refused['problems'] };

const failureOf = (error: unknown): Failure => {
  if (error instanceof Refused) return { message: error.message, problems: error.problems };
  return {
    message: error instanceof ServerAway ? 'The server is away; nothing was read.' : (error as Error).message,
    problems: [],
  };
};

const send = async ({ file, table }: Read, query: ImportQuery): Promise<TableAnswer> =>
  table ? server.importTable(file, query) : { ...(await server.import(await file.text(), query)), plain: [] };

/** A file in: read whole, told what it would change, and taken in only then. */
export default function ImportDialog({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const unsaved = useAppSelector(selectWaiting);
  const [file, setFile] = useState<Read | null>(null);
  const [mode, setMode] = useState<Mode>('merge');
  const [rehearsal, setRehearsal] = useState<TableAnswer | null>(null);
  const [failure, setFailure] = useState<Failure | null>(null);
  const [busy, setBusy] = useState(false);

  const waiting = async (work: () => Promise<void>) => {
    setFailure(null);
    setBusy(true);
    await work().catch((error: unknown) => setFailure(failureOf(error)));
    setBusy(false);
  };
  const rehearse = (read: Read, how: Mode) =>
    waiting(async () => {
      setRehearsal(null);
      setRehearsal(await send(read, { mode: how, rehearse: true }));
    });
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = { name: chosen.name, file: chosen, table: /\.(csv|tsv|txt)$/i.test(chosen.name) };
    setFile(read);
    await rehearse(read, mode);
  };
  const takeIn = () =>
    waiting(async () => {
      if (!file) return;
      await unheard(async () => {
        await send(file, { mode, rehearse: false, base: rehearsal?.revision });
        await dispatch(loadStudio(`importing ${file.name}`)).unwrap();
      });
      close();
    });
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Import a file"
      about="A Warm Ladder bundle (.json), or a table of the repertoire (.csv). It is taken in whole or not at all; a copy of the studio is kept first, and undo takes the import back."
    >
      <input
        type="file"
        accept=".json,application/json,.csv,.tsv,text/csv"
        aria-label="File to import"
        disabled={busy}
        onChange={({ target }) => void choose(target.files?.[0])}
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
      {busy && (
        <p role="status" className="mt-4 text-soft">
          Reading {file?.name}…
        </p>
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
      <button
        type="button"
        className="action action-main mt-5"
        disabled={rehearsal === null || busy || unsaved}
        onClick={() => void takeIn()}
      >
        {unsaved ? 'Saving first…' : 'Take it in'}
      </button>
    </Sheet>
  );
}

function FailureReport({ failure: { message, problems } }: { failure: Failure }) {
  return (
    <div role="alert" className="mt-4 rounded border border-brick p-3">
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
          <dt className={`font-semibold ${how === 'removed' ? 'text-brick' : ''}`}>
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
