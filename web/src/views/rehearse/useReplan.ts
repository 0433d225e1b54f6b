import { type SpokenClass, spokenClass } from '@warm-ladder/core/handouts';
import type { Replan } from '@warm-ladder/core/taught/replan';
import { useEffect, useMemo, useState } from 'react';

/** Where a class stands: the block and side begun, and when people were there. */
interface At {
  readonly block: string;
  readonly pass: 1 | 2;
  readonly elapsed: number;
}

interface Replanned {
  /** The class as it goes on from here. */
  readonly spoken: SpokenClass;
  /** What would bring it to its time; nothing where it is on time. */
  readonly offer: Replan | null;
  readonly take: () => void;
  /** Takes the last change back; nothing where none was taken. */
  readonly undo: (() => void) | null;
}

/** A class under way that is asked, whenever a side begins, what would bring it to its time: on the device alone. */
export function useReplan(given: SpokenClass, at: At | null): Replanned {
  const [plans, setPlans] = useState([given.plan]);
  const plan = plans.at(-1) ?? given.plan;
  const { catalog, context, group } = given;
  const spoken = useMemo(
    () => (plan === given.plan ? given : spokenClass(catalog, plan, context, group)),
    [given, plan, catalog, context, group],
  );
  const [offer, setOffer] = useState<Replan | null>(null);
  const key = at === null ? '' : `${at.block} ${at.pass} ${at.elapsed}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a moment is the same as long as its key is.
  useEffect(() => {
    setOffer(null);
    if (!at) return undefined;
    let gone = false;
    void import('@warm-ladder/core/taught/replan')
      .then(({ replan }) => {
        if (gone) return;
        const found = replan(catalog, plan, context, { ...at, late: 0 });
        if (found.edits.length > 0) setOffer(found);
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [key, plan, catalog, context]);
  return {
    spoken,
    offer,
    take: () => offer && setPlans((now) => [...now, offer.plan]),
    undo: plans.length > 1 ? () => setPlans((now) => now.slice(0, -1)) : null,
  };
}
