import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import {
  selectAudiences,
  selectCatalogSource,
  selectClasses,
  selectOpenClass,
  selectSeries,
} from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { standingClasses } from '../../desk/useDesk';
import type { StandingClass } from '../../desk/worker';

/** Milliseconds without a change before all classes are measured anew. */
const REST = 250;
const NONE: readonly StandingClass[] = [];

/** How every class stands to the figures of the house; as it was last known while it is worked out. */
export function useStandings(): readonly StandingClass[] {
  const source = useAppSelector(selectCatalogSource);
  const classes = useAppSelector(selectClasses);
  const audiences = useAppSelector(selectAudiences);
  const series = useAppSelector(selectSeries);
  const [known, setKnown] = useState(NONE);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what it is worked out from, read from the studio itself.
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      standingClasses()
        .then((standings) => current && setKnown(standings))
        .catch(() => undefined);
    }, REST);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [source, classes, audiences, series]);
  return known;
}

/** The class the method is shown on: the one that was chosen, else the open one. */
export function useShownClass() {
  const [address, setAddress] = useSearchParams();
  const classes = useAppSelector(selectClasses);
  const open = useAppSelector(selectOpenClass);
  return {
    classes,
    plan: classes.find(({ id }) => id === address.get('class')) ?? open,
    show: (id: string) => setAddress({ class: id }, { replace: true, preventScrollReset: true }),
  };
}
