import { type Catalog, factorDifferences, loadRatios, type RungEntry, ratioText } from '@warm-ladder/core/repertoire';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { MovingFigure } from '../../figure/MovingFigure';
import { RemoveButton } from '../../parts/RemoveButton';
import { FactorBars } from '../../parts/rungs/FactorBars';
import { HeatMark } from '../../parts/rungs/HeatMark';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { Sheet } from '../../parts/Sheet';
import { LoadCurve } from './LoadCurve';

/** Rungs beside each other at most. */
const MOST = 3;

/** Two or three rungs beside each other: how they move, what they load, and what makes one hotter. */
export function Component() {
  const catalog = useAppSelector(selectCatalog);
  const [params, setParams] = useSearchParams();
  const [adding, setAdding] = useState(false);
  const keys = (params.get('rungs') ?? '').split(',').filter(Boolean);
  const entries = keys.flatMap((key) => {
    const [exercise = '', rung = ''] = key.split('/');
    return catalog.rung({ exercise, rung }) ?? [];
  });
  const show = (next: readonly string[]) =>
    setParams(next.length > 0 ? { rungs: next.join(',') } : {}, { replace: true });
  return (
    <main className="mx-auto w-full max-w-[1280px] px-4 py-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="font-name text-3xl font-semibold">Compare</h1>
        {entries.length < MOST && (
          <button type="button" className="action" onClick={() => setAdding(true)}>
            <Plus className="size-4" aria-hidden="true" /> Set a rung beside {entries.length === 0 ? 'another' : 'it'}
          </button>
        )}
        <Link className="action ml-auto" to="/repertoire">
          Back to the repertoire
        </Link>
      </div>
      <Ratios catalog={catalog} entries={entries} />
      {entries.length === 0 && (
        <p className="mt-6 max-w-prose text-soft">
          Choose two or three rungs: they are drawn to one scale, move on one breath, and their loads are set against
          each other.
        </p>
      )}
      <div
        className="mt-4 grid gap-x-8 gap-y-6"
        style={{ gridTemplateColumns: `repeat(auto-fit, minmax(min(18rem, 100%), 1fr))` }}
      >
        {entries.map((entry) => (
          <Column
            key={entry.key}
            catalog={catalog}
            entry={entry}
            entries={entries}
            drop={() => show(keys.filter((key) => key !== entry.key))}
          />
        ))}
      </div>
      <p className="mt-6 text-sm text-soft">
        Loads are a static estimate on a reference body of {catalog.method.bodyMassKg} kg and{' '}
        {catalog.method.bodyHeightM} m: they compare options and are no clinical measure. {GENERAL_ADVICE}
      </p>
      {adding && (
        <Sheet at="side" open onOpenChange={() => setAdding(false)} title="Set beside it">
          <RungPicker
            catalog={catalog}
            onPick={({ key }) => {
              show([...new Set([...keys, key])].slice(0, MOST));
              setAdding(false);
            }}
          />
        </Sheet>
      )}
    </main>
  );
}

const title = ({ exercise, rung }: RungEntry) => `${exercise.name}, ${rung.name}`;

/** The first thing to read: how many times one is the other. */
function Ratios({ catalog, entries }: { catalog: Catalog; entries: readonly RungEntry[] }) {
  if (entries.length < 2) return null;
  const sameLadder = entries.every(({ exercise }) => exercise.id === entries[0]?.exercise.id);
  const nameOf = (key: string) => {
    const entry = entries.find((each) => each.key === key);
    return entry ? `“${sameLadder ? entry.rung.name : title(entry)}”` : key;
  };
  const ratios = loadRatios(catalog, entries);
  return (
    <ul aria-label="What differs" className="mt-3 max-w-prose font-name text-xl">
      {ratios.map((ratio) => (
        <li key={`${ratio.idea}-${ratio.heavier}`}>{ratioText(ratio, nameOf(ratio.heavier), nameOf(ratio.lighter))}</li>
      ))}
      {ratios.length === 0 && <li>No load here is heavy enough on two of them to be set against another.</li>}
    </ul>
  );
}

interface ColumnProps {
  readonly catalog: Catalog;
  readonly entry: RungEntry;
  readonly entries: readonly RungEntry[];
  readonly drop: () => void;
}

function Column({ catalog, entry, entries, drop }: ColumnProps) {
  const { exercise, rung } = entry;
  const { heat, factors } = catalog.measures(entry);
  return (
    <section aria-label={title(entry)} className="min-w-0">
      <MovingFigure
        entry={entry}
        secondsPerCount={catalog.method.secondsPerCount}
        beside={entries}
        className="h-52 w-full"
        label={`${title(entry)}, moving`}
      />
      <div className="flex min-h-16 items-start gap-2 border-t-4 border-ink pt-1">
        <h2 className="grow font-name text-xl leading-tight font-semibold">
          <Link to={`/repertoire/${exercise.id}#${rung.id}`} className="hover:underline">
            {title(entry)}
          </Link>
        </h2>
        <HeatMark heat={heat} />
        <RemoveButton name={title(entry)} onPress={drop} />
      </div>
      <LoadCurve catalog={catalog} entry={entry} entries={entries} />
      <h3 className="mt-3 text-sm text-soft">What makes it hard, the largest difference first</h3>
      <FactorBars factors={factors} shown={factorDifferences(catalog, entries)} />
      <h3 className="mt-3 text-sm text-soft">Ready to move on when</h3>
      <p className="text-[15px]">{rung.gate?.ready?.join('; ') ?? 'nothing said'}</p>
      <h3 className="mt-2 text-sm text-soft">Stay here when</h3>
      <p className="text-[15px]">{rung.gate?.stay?.join('; ') ?? 'nothing said'}</p>
    </section>
  );
}
