import { bandsFor, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import { sharesOfUse, type TimedClass, type UseShare } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { type FeltAt, type GoodFor, wordsOfUse } from '@warm-ladder/core/vocabulary';
import { Suspense, useState } from 'react';
import { lazily } from '../../app/shell/lazily';

// Charts come with a library of their own.
const DirectionShares = lazily(() => import('../../charts/DirectionShares'));

/** The most there is to say of one list. */
const TOLD = 5;

/** The shares of direction against their bands, drawn when they are asked for; beside them where the work is felt. */
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
          <Uses timed={timed} />
        </Suspense>
      )}
    </details>
  );
}

/** Where the work of the class is felt, and what it is good for. */
function Uses({ timed }: { readonly timed: TimedClass }) {
  const { feltAt, goodFor } = sharesOfUse(timed);
  return (
    <dl className="mt-2 grid grid-cols-[5.5rem_1fr] gap-x-3 gap-y-1 text-[15px]">
      <UseRow name="Felt in" shares={feltAt} />
      <UseRow name="Good for" shares={goodFor} />
    </dl>
  );
}

function UseRow({
  name,
  shares,
}: {
  readonly name: string;
  readonly shares: ReadonlyArray<UseShare<FeltAt | GoodFor>>;
}) {
  if (shares.length === 0) return null;
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd>
        {shares
          .slice(0, TOLD)
          .map(({ use, share }) => `${wordsOfUse(use)} ${Math.round(share * 100)} %`)
          .join(', ')}
      </dd>
    </>
  );
}
