import type { Catalog } from '@warm-ladder/core/repertoire';
import { useEffect, useReducer } from 'react';
import { measuredAway } from '../desk/useDesk';
import { whenIdle } from './shell/idle';

/** Repertoires of which every rung has been measured. */
const measured = new WeakSet<Catalog>();

/** Milliseconds that must be left of an idle moment to measure one rung more. */
const ENOUGH_MS = 2;
/** Does something with each of a list in idle moments, then says so. @returns what calls it off */
function eachIdly<T>(list: readonly T[], work: (item: T) => void, done: () => void): () => void {
  let next = 0;
  const step = (left: () => number) => {
    while (next < list.length && left() > ENOUGH_MS) work(list[next++] as T);
    if (next < list.length) callOff = whenIdle(step);
    else done();
  };
  let callOff = whenIdle(step);
  return () => callOff();
}

/**
 * Has a repertoire measured away from the page, once the page has nothing else to do, so that opening the map of it, or a
 * search by heat, finds the work done. @returns whether every rung has been measured
 */
export function useMeasured(catalog: Catalog): boolean {
  const [, tell] = useReducer((times: number) => times + 1, 0);
  useEffect(() => {
    if (measured.has(catalog)) return;
    let over = false;
    const done = (all: boolean) => {
      if (!all) return;
      measured.add(catalog);
      if (!over) tell();
    };
    // Where no worker can do it, it is done here, a little at a time.
    const here = () => {
      if (!over)
        callOff = eachIdly(
          catalog.rungs,
          (entry) => catalog.heat(entry),
          () => done(true),
        );
    };
    let callOff = whenIdle(() => void measuredAway(catalog).then(done, here), SOON);
    return () => {
      over = true;
      callOff();
    };
  }, [catalog]);
  return measured.has(catalog);
}
/** Milliseconds after which it is begun in any case. */
const SOON = 1_000;

/** Figures drawn ahead: as many as a tall window shows first. */
const DRAWN = 60;

/**
 * Makes a repertoire ready beside whatever is in sight: every rung measured, and the figures drawn that its map shows
 * first.
 */
export function useReadiness(catalog: Catalog): void {
  const ready = useMeasured(catalog);
  useEffect(() => {
    if (!ready) return;
    let callOff: (() => void) | undefined;
    let gone = false;
    void import('../figure/RungFigure').then(
      ({ drawAhead }) => {
        if (!gone) callOff = eachIdly(catalog.rungs.slice(0, DRAWN), drawAhead, () => undefined);
      },
      // Not fetched now, it is fetched when it is needed.
      () => undefined,
    );
    return () => {
      gone = true;
      callOff?.();
    };
  }, [catalog, ready]);
}
