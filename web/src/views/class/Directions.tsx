import { bandsFor, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { Suspense, useState } from 'react';
import { lazily } from '../../app/lazily';

// Charts come with a library of their own.
const DirectionShares = lazily(() => import('../../charts/DirectionShares'));

/** The shares of direction against their bands, drawn when they are asked for. */
export function Directions({ catalog, timed }: { readonly catalog: Catalog; readonly timed: TimedClass }) {
  const [open, setOpen] = useState(false);
  const all = DIRECTIONS.reduce((sum, each) => sum + (timed.directions[each] ?? 0), 0);
  if (all === 0) return null;
  const shares = Object.fromEntries(DIRECTIONS.map((each) => [each, (timed.directions[each] ?? 0) / all]));
  return (
    <details className="mt-3 border-t border-line pt-2" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="font-name text-lg font-semibold">Directions</summary>
      {open && (
        <Suspense fallback={<p className="text-soft">Drawing…</p>}>
          <DirectionShares
            shares={[{ name: 'this class', of: shares as Record<Direction, number> }]}
            bands={bandsFor(catalog.method.directionBands, timed.plan.focus)}
          />
        </Suspense>
      )}
    </details>
  );
}
