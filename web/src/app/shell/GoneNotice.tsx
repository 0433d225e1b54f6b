import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import { nameOf } from '../history/nameOf';
import { isShownAt, pathOf } from '../menus/places';
import { documentOf } from '../store/entities';
import { useAppDispatch, useAppSelector } from '../store/store';
import { goneTold } from '../store/studio';
import type { Place } from '../store/studioState';

/** Milliseconds a notice stays. */
const STAYS = 12_000;

/**
 * What was undone or redone, and how many in a row: where it is on another page it offers to show it, where somebody has
 * changed the same since nothing was done. What it did further down this page is brought into sight.
 */
export function GoneNotice() {
  const gone = useAppSelector(({ studio }) => studio.gone);
  const entities = useAppSelector(({ studio }) => studio.entities);
  const { pathname } = useLocation();
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (!gone) return;
    bringIntoSight(gone.items);
    const timer = setTimeout(() => dispatch(goneTold()), STAYS);
    return () => clearTimeout(timer);
  }, [gone, dispatch]);
  if (!gone) return null;
  const elsewhere = gone.changed.filter((place) => !isShownAt(place, pathname));
  const quoted = ({ kind, id }: Place) => `“${nameOf(documentOf(entities, kind, id), id)}”`;
  const named = (places: readonly Place[]) => {
    const [first, ...more] = places;
    return first ? `${quoted(first)}${more.length > 0 ? ` and ${more.length} more` : ''}` : '';
  };
  const there = elsewhere.find((place) => pathOf(place) !== null && documentOf(entities, place.kind, place.id));
  const word = gone.way === 'back' ? 'undone' : 'redone';
  // What is in sight is seen; it is said once to who does not see it.
  if (elsewhere.length + gone.clashed.length === 0 && gone.times === 1) {
    return (
      <p role="status" className="sr-only">
        {capital(word)}: {gone.label}.
      </p>
    );
  }
  return (
    <div
      role="status"
      className="no-print fixed inset-x-0 bottom-4 z-20 mx-auto flex w-fit max-w-[min(40rem,92vw)] flex-wrap items-center gap-x-3 gap-y-1 rounded-lg bg-ink px-4 py-2 text-sheet shadow-lg"
    >
      {gone.changed.length > 0 && (
        <span>
          {gone.times > 1 && `${gone.times} `}
          {gone.times > 1 ? `${word}, the last: ` : `${capital(word)}: `}
          {gone.label}
          {elsewhere.length > 0 && `, in ${named(elsewhere)}`}.
        </span>
      )}
      {gone.clashed.length > 0 && (
        <span>
          Not {word}: {gone.label}. {named(gone.clashed)} has been changed there by somebody else since.
        </span>
      )}
      {there && (
        <Link className="underline" to={pathOf(there) ?? ''} onClick={() => dispatch(goneTold())}>
          Show it
        </Link>
      )}
    </div>
  );
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** Scrolls to the first of some items that is on the page and out of sight. */
function bringIntoSight(items: readonly string[]): void {
  for (const id of items) {
    const place = document.querySelector(`[data-item="${CSS.escape(id)}"]`);
    if (!place) continue;
    const { top, bottom } = place.getBoundingClientRect();
    if (top < 0 || bottom > window.innerHeight) place.scrollIntoView({ block: 'center' });
    return;
  }
}
