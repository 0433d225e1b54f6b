import type { SpokenClass } from '@warm-ladder/core/handouts';
import type { Replan } from '@warm-ladder/core/taught/replan';
import { useEffect, useState } from 'react';

/** Where a class stands: the block and side begun, when people were there, and how late the class began. */
export interface ReplanMoment {
  readonly block: string;
  readonly pass: 1 | 2;
  readonly elapsed: number;
  readonly late: number;
}

/** What would bring a class under way to its time, asked whenever a side begins, on the device alone. */
export function useReplan({ catalog, plan, context }: SpokenClass, moment: ReplanMoment | null): Replan | null {
  const [offer, setOffer] = useState<Replan | null>(null);
  const key = moment === null ? '' : `${moment.block} ${moment.pass} ${moment.elapsed}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a moment is the same as long as its key is.
  useEffect(() => {
    setOffer(null);
    if (!moment) return undefined;
    let gone = false;
    void import('@warm-ladder/core/taught/replan')
      .then(({ replan }) => {
        if (gone) return;
        const found = replan(catalog, plan, context, moment);
        if (found.edits.length > 0) setOffer(found);
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [key, plan, catalog, context]);
  return offer;
}
