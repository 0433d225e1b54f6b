import type { MethodFile } from '@warm-ladder/core/method';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { differenceOf, type Outline } from '@warm-ladder/core/versions';
import { useEffect, useState } from 'react';
import { outlineUnder } from '../../desk/useDesk';
import { VersionsTable } from '../../parts/classes/VersionsTable';

interface TwoMethodsProps {
  readonly plan: ClassPlan;
  readonly now: MethodFile;
  readonly tried: MethodFile;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** The method as it is and another one, held against each other on one class. */
export function TwoMethods({ plan, now, tried, onTake, onLeave }: TwoMethodsProps) {
  const [outlines, setOutlines] = useState<readonly [Outline, Outline] | string | null>(null);
  useEffect(() => {
    let current = true;
    Promise.all([outlineUnder(plan, now), outlineUnder(plan, tried)])
      .then((both) => current && setOutlines(both))
      .catch((error: Error) => current && setOutlines(error.message));
    return () => {
      current = false;
    };
  }, [plan, now, tried]);
  return (
    <section aria-label="Two methods on one class" className="mt-4 border-y-2 border-ink bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="grow font-name text-xl font-semibold">Two methods on {plan.name}</h2>
        <button type="button" className="action action-main" onClick={onTake}>
          Take the tried one
        </button>
        <button type="button" className="action" onClick={onLeave}>
          Leave it
        </button>
      </div>
      {outlines === null && <p className="mt-2 text-soft">Working it out…</p>}
      {typeof outlines === 'string' && <p role="alert">{outlines}</p>}
      {outlines !== null && typeof outlines !== 'string' && (
        <VersionsTable
          names={['the method now', 'the tried one']}
          outlines={outlines}
          difference={differenceOf(outlines[0], outlines[1])}
        />
      )}
    </section>
  );
}
