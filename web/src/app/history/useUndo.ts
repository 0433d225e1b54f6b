import { useCallback } from 'react';
import { useLocation } from 'react-router';
import { isOnPage } from '../menus/places';
import { askedElsewhere, type Way } from '../store/deskState';
import { useAppStore } from '../store/store';
import { redone, undone } from '../store/studio';

/** Goes a step back or forward, each press one; where that would change nothing on this page it asks first. */
export function useUndo(): (way: Way) => void {
  const store = useAppStore();
  const { pathname } = useLocation();
  return useCallback(
    (way) => {
      const { past, future, only } = store.getState().studio;
      const step = (way === 'back' ? past : future).at(-1);
      if (!step || only !== null) return;
      if (isOnPage(step, pathname)) store.dispatch(way === 'back' ? undone() : redone());
      else store.dispatch(askedElsewhere(way));
    },
    [store, pathname],
  );
}
