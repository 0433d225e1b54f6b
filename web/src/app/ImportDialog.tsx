import { useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { type ImportReport, Refused, ServerAway, server } from './server';
import { useAppDispatch } from './store';
import { loadStudio } from './studio';

interface Read {
  readonly name: string;
  readonly text: string;
}
type Failure = { readonly message: string; readonly problems: Refused['problems'] };

const failureOf = (error: unknown): Failure => {
  if (error instanceof Refused) return { message: error.message, problems: error.problems };
  return {
    message: error instanceof ServerAway ? 'The server is away; nothing was read.' : String(error),
    problems: [],
  };
};

/** A file in: read whole, told what it would change, and taken in only then. */
export default function ImportDialog({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const [file, setFile] = useState<Read | null>(null);
  const [mode, setMode] = useState<'merge' | 'replace'>('merge');
  const [report, setReport] = useState<ImportReport | null>(null);
  const [failure, setFailure] = useState<Failure | null>(null);

  const rehearse = async (read: Read, how: 'merge' | 'replace') => {
    setReport(null);
    setFailure(null);
    try {
      setReport(await server.import(read.text, how, true));
    } catch (error) {
      setFailure(failureOf(error));
    }
  };
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = { name: chosen.name, text: await chosen.text() };
    setFile(read);
    await rehearse(read, mode);
  };
  const takeIn = async () => {
    if (!file) return;
    try {
      await server.import(file.text, mode, false);
      await dispatch(loadStudio()).unwrap();
      close();
    } catch (error) {
      setFailure(failureOf(error));
    }
  };
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Import a file"
      about="A Warm Ladder bundle (.json). It is taken in whole or not at all."
    >
      <input
        type="file"
        accept=".json,application/json"
        aria-label="Bundle file"
        onChange={({ target }) => void choose(target.files?.[0])}
      />
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
      {failure && <FailureReport failure={failure} />}
      {report && <Report report={report} />}
      <button
        type="button"
        className="action action-main mt-5"
        disabled={report === null}
        onClick={() => void takeIn()}
      >
        Take it in
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

function Report({ report }: { report: ImportReport }) {
  const rows = Object.entries(report).filter(([, each]) => Object.values(each).some(({ length }) => length > 0));
  if (rows.length === 0) return <p className="mt-4">The file is sound, and empty.</p>;
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
