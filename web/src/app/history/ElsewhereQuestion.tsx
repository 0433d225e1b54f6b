import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import { isOnPage, pathOf } from '../menus/places';
import { askedElsewhere } from '../store/deskState';
import { documentOf } from '../store/entities';
import { useAppDispatch, useAppSelector } from '../store/store';
import { redone, undone } from '../store/studio';
import { nameOf } from './nameOf';

/** What would be undone or redone was done elsewhere: whether to, or to go and see it first. */
export function ElsewhereQuestion() {
  const way = useAppSelector(({ desk }) => desk.asked);
  const step = useAppSelector(({ studio }) => (way === 'forward' ? studio.future : studio.past).at(-1));
  const entities = useAppSelector(({ studio }) => studio.entities);
  const { pathname } = useLocation();
  const dispatch = useAppDispatch();
  const first = useRef<HTMLButtonElement>(null);
  const from = useRef<Element | null>(null);
  const shown = way !== null && step !== undefined && !isOnPage(step, pathname);
  useEffect(() => {
    if (!shown) return;
    from.current = document.activeElement;
    first.current?.focus();
  }, [shown]);
  useEffect(() => {
    if (way !== null && !shown) dispatch(askedElsewhere(null));
  }, [way, shown, dispatch]);
  if (!shown) return null;
  const [place] = step.documents;
  const name = place && nameOf(documentOf(entities, place.kind, place.id), place.id);
  const path = place && documentOf(entities, place.kind, place.id) ? pathOf(place) : null;
  const leave = () => {
    dispatch(askedElsewhere(null));
    if (from.current instanceof HTMLElement && from.current.isConnected) from.current.focus();
  };
  const word = way === 'back' ? 'undo' : 'redo';
  return (
    <div
      role="alertdialog"
      aria-labelledby="elsewhere"
      className="no-print fixed inset-x-0 bottom-4 z-20 mx-auto flex w-fit max-w-[min(44rem,92vw)] flex-wrap items-center gap-x-4 gap-y-1 rounded-lg bg-ink px-4 py-2 text-sheet shadow-lg"
      onKeyDown={(event) => {
        if (event.key === 'Escape') leave();
      }}
    >
      <p id="elsewhere">
        The next to {word} is not on this page: {step.label}
        {name && `, in “${name}”`}
        {step.documents.length > 1 && ` and ${step.documents.length - 1} more`}.
      </p>
      <button
        ref={first}
        type="button"
        className="underline"
        onClick={() => {
          dispatch(way === 'back' ? undone() : redone());
          leave();
        }}
      >
        {way === 'back' ? 'Undo it' : 'Redo it'}
      </button>
      {path && (
        <Link className="underline" to={path} onClick={() => dispatch(askedElsewhere(null))}>
          Show it first
        </Link>
      )}
      <button type="button" className="underline" onClick={leave}>
        Leave it
      </button>
    </div>
  );
}
