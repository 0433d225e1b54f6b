import { useEffect } from 'react';
import { noticed } from '../store/deskState';
import { useAppDispatch, useAppSelector } from '../store/store';
import { undone } from '../store/studio';

/** Milliseconds a notice stays. */
const STAYS = 9_000;

/** What was just deleted, and the way back. */
export function NoticeLine() {
  const notice = useAppSelector(({ desk }) => desk.notice);
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(() => dispatch(noticed(null)), STAYS);
    return () => clearTimeout(timer);
  }, [notice, dispatch]);
  if (!notice) return null;
  const done = () => dispatch(noticed(null));
  return (
    <div
      role="status"
      className="no-print fixed inset-x-0 bottom-16 z-20 mx-auto flex w-fit max-w-[min(40rem,92vw)] flex-wrap items-center gap-x-4 gap-y-1 rounded-lg bg-ink px-4 py-2 text-sheet shadow-lg"
    >
      <span>{notice.text}</span>
      <button
        type="button"
        className="underline"
        onClick={() => {
          dispatch(undone());
          done();
        }}
      >
        Undo (Ctrl Z)
      </button>
    </div>
  );
}
