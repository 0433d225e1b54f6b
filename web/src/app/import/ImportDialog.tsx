import { CSV_LOSS, tableTemplate } from '@warm-ladder/core/tables';
import type { TableAnswer } from '@warm-ladder/core/wire';
import { X } from 'lucide-react';
import { useState } from 'react';
import { download } from '../../parts/download';
import { Sheet } from '../../parts/Sheet';
import { newId } from '../freeId';
import { whileFeedHeld } from '../saving/heldFeed';
import { selectWaiting } from '../store/selectors';
import type { ImportQuery } from '../store/server';
import { useAppDispatch, useAppSelector } from '../store/store';
import { loadStudio } from '../store/studio';
import { CameIn } from './CameIn';
import { ImportProgress } from './ImportProgress';
import { type Failure, FailureReport, Report } from './ImportReport';
import { MatchColumns, USUAL } from './MatchColumns';
import { type Chosen, chosenTable, failureOf, isOpen, isTable, nameOf, send } from './send';

type Mode = ImportQuery['mode'];

/** Files in: read whole, told what they would change, taken in only then, and led on to. */
export default function ImportDialog({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const unsaved = useAppSelector(selectWaiting);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [mode, setMode] = useState<Mode>('merge');
  const [rehearsal, setRehearsal] = useState<TableAnswer | null>(null);
  const [failure, setFailure] = useState<Failure | null>(null);
  const [done, setDone] = useState<TableAnswer | null>(null);
  /** What the server is asked under how far it is; `null` while nothing is sent. */
  const [sending, setSending] = useState<string | null>(null);
  const busy = sending !== null;

  const waiting = async (read: Chosen | null, work: (progress: string) => Promise<void>) => {
    setFailure(null);
    const progress = newId('import');
    setSending(progress);
    await work(progress).catch((error: unknown) => setFailure(failureOf(error, read)));
    setSending(null);
  };
  /** Reads what was chosen, as far as enough is known of it. */
  const read = async (next: Chosen, how: Mode = mode) => {
    setChosen(next);
    setRehearsal(null);
    setFailure(null);
    if (next.kind === 'table' && isOpen(next.match)) return;
    await waiting(next, async (progress) => {
      setRehearsal(await send(next, { mode: how, rehearse: true, progress }));
    });
  };
  const choose = async (files: readonly File[]) => {
    const [first, ...more] = files;
    if (!first) return;
    setRehearsal(null);
    if (!files.some(isTable)) await read({ kind: 'bundles', files: [first, ...more] });
    else if (more.length > 0) {
      setFailure({ message: 'A table is taken in by itself; choose it alone.', problems: [] });
    } else {
      const table = await chosenTable(first).catch((error: unknown) => setFailure(failureOf(error, null)));
      if (!table) return;
      await read({ kind: 'table', table, match: { columns: table.columns.map(({ guess }) => guess), fill: USUAL } });
    }
  };
  const takeIn = (taken: Chosen) =>
    waiting(taken, async (progress) => {
      await whileFeedHeld(async () => {
        const answer = await send(taken, { mode, rehearse: false, base: rehearsal?.revision, progress });
        await dispatch(loadStudio(`importing ${nameOf(taken)}`)).unwrap();
        setDone(answer);
      });
    });

  if (done && chosen) {
    return (
      <Sheet open onOpenChange={close} title={`From ${nameOf(chosen)}`}>
        <CameIn answer={done} close={close} />
        <button type="button" className="action action-main mt-5" onClick={close}>
          Done
        </button>
      </Sheet>
    );
  }
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Import a file, or several"
      about="Warm Ladder bundles (.json), in any order where they need one another, or a table of exercises as you keep it (.csv): you say which column is which. All is taken in, or nothing; a copy of the studio is kept first, and undo takes the import back."
    >
      <input
        type="file"
        accept=".json,application/json,.csv,.tsv,text/csv"
        aria-label="File to import"
        multiple
        disabled={busy}
        onChange={({ target }) => void choose([...(target.files ?? [])])}
      />
      {chosen === null && (
        <button
          type="button"
          className="mt-3 block text-cobalt underline"
          onClick={() => download('exercises.csv', tableTemplate(), 'text/csv')}
        >
          A table to fill in (.csv)
        </button>
      )}
      {chosen?.kind === 'table' && (
        <>
          <p className="mt-4">{CSV_LOSS}</p>
          <MatchColumns
            table={chosen.table}
            match={chosen.match}
            busy={busy}
            onMatch={(match) => void read({ ...chosen, match })}
          />
        </>
      )}
      {chosen?.kind === 'bundles' && (
        <>
          <Files files={chosen.files} busy={busy} onFiles={(files) => void choose(files)} />
          <ModeChoice
            mode={mode}
            busy={busy}
            onMode={(next) => {
              setMode(next);
              void read(chosen, next);
            }}
          />
        </>
      )}
      {failure && <FailureReport failure={failure} />}
      {rehearsal && <Report answer={rehearsal} />}
      {busy && (
        <ImportProgress id={chosen?.kind === 'table' ? null : sending} name={chosen === null ? '' : nameOf(chosen)} />
      )}
      <button
        type="button"
        className="action action-main mt-5"
        disabled={rehearsal === null || busy || unsaved}
        onClick={() => chosen && void takeIn(chosen)}
      >
        {unsaved ? 'Saving first…' : 'Take it in'}
      </button>
    </Sheet>
  );
}

interface FilesProps {
  readonly files: readonly File[];
  readonly busy: boolean;
  readonly onFiles: (files: readonly File[]) => void;
}

/** The files that are read together; one that another needs is added, in any order. */
function Files({ files, busy, onFiles }: FilesProps) {
  return (
    <ul className="mt-4 flex flex-wrap items-center gap-2" aria-label="Read together">
      {files.map((file) => (
        <li key={file.name} className="flex items-center gap-1 rounded-full bg-shade py-0.5 pr-1 pl-3">
          {file.name}
          {files.length > 1 && (
            <button
              type="button"
              className="rounded-full p-1 hover:bg-sheet"
              aria-label={`Without ${file.name}`}
              disabled={busy}
              onClick={() => onFiles(files.filter((each) => each !== file))}
            >
              <X className="size-4" aria-hidden="true" />
            </button>
          )}
        </li>
      ))}
      <li>
        <label className="action cursor-pointer focus-within:outline-2">
          And one it needs…
          <input
            type="file"
            accept=".json,application/json"
            multiple
            className="sr-only"
            disabled={busy}
            onChange={({ target }) => {
              const more = [...(target.files ?? [])].filter(({ name }) => !files.some((each) => each.name === name));
              if (more.length > 0) onFiles([...files, ...more]);
            }}
          />
        </label>
      </li>
    </ul>
  );
}

interface ModeChoiceProps {
  readonly mode: Mode;
  readonly busy: boolean;
  readonly onMode: (mode: Mode) => void;
}

const MODES = [
  ['merge', 'stays; the file’s own version wins where both have one'],
  ['replace', 'goes; the studio becomes the file'],
] as const;

const ModeChoice = ({ mode, busy, onMode }: ModeChoiceProps) => (
  <fieldset className="mt-4 flex flex-col gap-1">
    <legend className="font-semibold">What is here already</legend>
    {MODES.map(([value, words]) => (
      <label key={value} className="flex gap-2">
        <input type="radio" name="mode" disabled={busy} checked={mode === value} onChange={() => onMode(value)} />
        {words}
      </label>
    ))}
  </fieldset>
);
