import {
  type DocumentChange,
  type DocumentKey,
  Documents,
  emptyBundle,
  splitDocumentKey,
} from '@warm-ladder/core/formats';
import { Link, useLocation } from 'react-router';
import { download } from '../../parts/download';
import { nameOf } from '../history/nameOf';
import { isShownAt, pathOf } from '../menus/places';
import { documentOf } from '../store/entities';
import { useAppDispatch, useAppSelector } from '../store/store';
import { takeServers } from '../store/studio';
import type { StudioState } from '../store/studioState';

/** Where the work stands: saved, being saved, kept here while the server is away, or refused with its sentence. */
export function SaveState() {
  const studio = useAppSelector((state) => state.studio);
  if (studio.status !== 'ready') return null;
  const unsaved = Object.keys(studio.unsaved) as DocumentKey[];
  const refused = unsaved.filter((key) => studio.refused[key]);
  return (
    <div className="flex flex-wrap items-center justify-end gap-2">
      {refused.map((key) => (
        <RefusedDocument key={key} documentKey={key} studio={studio} />
      ))}
      <Waiting studio={studio} waiting={unsaved.length - refused.length} />
    </div>
  );
}

function Waiting({ studio, waiting }: { studio: StudioState; waiting: number }) {
  const { away, trouble, held, sending, conflicts } = studio;
  if (Object.keys(studio.unsaved).length > 0 && !held) return <NothingHeld studio={studio} />;
  if (waiting > 0 && (away || trouble !== null)) {
    return (
      <p role="status" className="rounded bg-shade px-3 py-1 text-sm">
        {away ? 'The server is away.' : trouble} Your work is kept in this browser and sent when{' '}
        {away ? 'it is back' : 'it can be saved'}.
      </p>
    );
  }
  const settled = Object.keys(studio.unsaved).length > 0 ? 'The rest is saved' : 'Saved';
  const text =
    conflicts.length > 0 ? 'Waiting for you' : waiting > 0 || Object.keys(sending).length > 0 ? 'Saving…' : settled;
  return (
    // Seen, not announced: each edit says itself what it did.
    <p role="status" aria-live="off" className="flex items-center gap-1.5 text-sm text-soft">
      <span aria-hidden="true" className={`size-2 rounded-full ${text === settled ? 'bg-moss' : 'bg-cobalt'}`} />
      {text}
    </p>
  );
}

/** The browser keeps nothing: said before anything is lost, with a way to keep it all the same. */
function NothingHeld({ studio: { entities, unsaved, away, trouble } }: { studio: StudioState }) {
  const save = () => {
    const changes = (Object.keys(unsaved) as DocumentKey[]).map((key) => {
      const [kind, id] = splitDocumentKey(key);
      return { kind, id, value: documentOf(entities, kind, id) } as DocumentChange;
    });
    const file = Documents.of(emptyBundle()).with(changes).bundle;
    download('warm-ladder-unsaved.json', JSON.stringify(file, null, 2));
  };
  return (
    <p role="alert" className="max-w-xl rounded bg-alarm px-3 py-1 text-sm text-sheet">
      {away ? 'The server is away' : (trouble ?? 'Not saved yet')}, and this browser can keep nothing: its storage is
      full or forbidden. Leave this page open until your work is saved, or{' '}
      <button type="button" className="underline" onClick={save}>
        save it as a file
      </button>
      .
    </p>
  );
}

/** A document that can't be saved as it is: which, why, and the way back to what the server has. */
function RefusedDocument({ documentKey, studio }: { documentKey: DocumentKey; studio: StudioState }) {
  const dispatch = useAppDispatch();
  const [kind, id] = splitDocumentKey(documentKey);
  const value = documentOf(studio.entities, kind, id);
  const name = nameOf(value, id);
  const { pathname } = useLocation();
  const path = value === undefined || isShownAt({ kind, id }, pathname) ? null : pathOf({ kind, id });
  return (
    <p role="alert" className="max-w-xl rounded bg-alarm px-3 py-1 text-sm text-sheet">
      {value === undefined ? `Removing “${name}” is not saved.` : `“${name}” is not saved.`}{' '}
      {studio.refused[documentKey]?.message}{' '}
      {path && (
        <Link className="mr-2 underline" to={path}>
          Show it
        </Link>
      )}
      <button type="button" className="underline" onClick={() => dispatch(takeServers({ kind, id }))}>
        Go back to what is saved
      </button>
    </p>
  );
}
