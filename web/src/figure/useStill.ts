import { useSyncExternalStore } from 'react';

const QUERY = '(prefers-reduced-motion: reduce)';

const subscribe = (changed: () => void) => {
  const query = window.matchMedia(QUERY);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
};

/** Whether this machine was asked for less motion. */
export const useStill = (): boolean => useSyncExternalStore(subscribe, () => window.matchMedia(QUERY).matches);
