import { useAppDispatch, useAppSelector } from './store';
import { undone } from './studio';

/** Where the work stands: saved, being saved, kept here while the server is away, or refused with its sentence. */
export function SaveState() {
  const { unsaved, saving, away, refusal, status, conflicts } = useAppSelector(({ studio }) => studio);
  const dispatch = useAppDispatch();
  if (status !== 'ready') return null;
  const waiting = Object.keys(unsaved).length > 0;
  if (refusal !== null) {
    return (
      <p role="alert" className="max-w-xl rounded bg-brick px-3 py-1 text-sm text-sheet">
        Not saved. {refusal}{' '}
        <button type="button" className="underline" onClick={() => dispatch(undone())}>
          Undo it
        </button>
      </p>
    );
  }
  if (away && waiting) {
    return (
      <p role="status" className="rounded bg-heat-5 px-3 py-1 text-sm">
        The server is away. Your work is kept in this browser and sent when it is back.
      </p>
    );
  }
  const text = conflicts.length > 0 ? 'Waiting for you' : waiting || saving ? 'Saving…' : 'Saved';
  return (
    <p role="status" className="flex items-center gap-1.5 text-sm text-soft">
      <span aria-hidden="true" className={`size-2 rounded-full ${text === 'Saved' ? 'bg-moss' : 'bg-heat-4'}`} />
      {text}
    </p>
  );
}
