import { DIRECTION_WORDS } from '@warm-ladder/core/method';
import { type Catalog, type Exercise, findRungs } from '@warm-ladder/core/repertoire';
import { countText } from '@warm-ladder/core/vocabulary';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { whenIdle } from '../../app/shell/idle';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { LadderSheet } from './LadderSheet';
import { LadderStrip } from './LadderStrip';
import { NewLadder } from './NewLadder';
import { type Cell, RepertoireMap } from './RepertoireMap';

/** Ladders drawn at once, and how many more at each asking: a search over thousands stays quick. */
const SHOWN = 40;
/** As many as a tall window shows: drawn first, the others once these are seen. */
const FIRST = 12;

/** The repertoire: a map that filters, a search, and the ladders they leave. */
export function Component() {
  const catalog = useAppSelector(selectCatalog);
  const { exercise: open } = useParams();
  const navigate = useNavigate();
  const [cell, setCell] = useState<Cell | null>(null);
  const [text, setText] = useState('');
  const [moving, setMoving] = useState(false);
  const [most, setMost] = useState(SHOWN);
  const typed = useDeferredValue(text);
  const now = useOncePainted(most, FIRST);
  const found = useMemo(() => {
    const hits = findRungs(catalog, { text: typed, position: cell?.position, direction: cell?.direction });
    const rungs = new Map<Exercise, Set<string>>();
    for (const { exercise, rung } of hits) rungs.set(exercise, (rungs.get(exercise) ?? new Set()).add(rung.id));
    return { ladders: [...rungs], rungs: hits.length };
  }, [catalog, typed, cell]);
  const shown = open === undefined ? undefined : catalog.exercise(open);
  if (catalog.exercises.length === 0) return <EmptyRepertoire catalog={catalog} />;
  return (
    <main className="mx-auto w-full max-w-[1500px] px-4 py-4">
      <div className="grid items-start gap-x-8 gap-y-4 lg:grid-cols-[28rem_minmax(0,1fr)]">
        <section aria-label="Map" className="lg:sticky lg:top-4">
          <h1 className="font-name text-3xl font-semibold">Repertoire</h1>
          <p className="mt-1 mb-3 text-soft">
            {countText(catalog.exercises.length, 'ladder')}, each one exercise from its easiest version to its hardest;{' '}
            {countText(catalog.rungs.length, 'rung')}. Heat says how hard, 0 to 100. Choose a cell to see only its
            ladders.{' '}
            <Link to="/cues" className="underline decoration-dotted underline-offset-4">
              All their cues
            </Link>
          </p>
          <RepertoireMap catalog={catalog} cell={cell} onChoose={setCell} />
        </section>
        <section aria-label="Ladders" className="min-w-0">
          <div className="mb-2 flex flex-wrap items-center gap-3">
            <input
              type="search"
              aria-label="Search the repertoire"
              placeholder="Name, position, direction or prop"
              className="field w-80 max-w-full py-1.5"
              value={text}
              onChange={({ target }) => setText(target.value)}
            />
            {cell && (
              <button type="button" className="action" onClick={() => setCell(null)}>
                {catalog.graph.name(cell.position)} · {DIRECTION_WORDS[cell.direction]}{' '}
                <span aria-hidden="true">✕</span>
                <span className="sr-only">Show every cell</span>
              </button>
            )}
            <p role="status" className="text-soft">
              {countText(found.ladders.length, 'ladder')}, {countText(found.rungs, 'rung')}
            </p>
            <label className="ml-auto inline-flex items-center gap-1.5">
              <input type="checkbox" checked={moving} onChange={({ target }) => setMoving(target.checked)} />
              moving
            </label>
            <span>
              <NewLadder catalog={catalog} />
            </span>
          </div>
          <ul className="flex flex-col divide-y divide-line">
            {found.ladders.slice(0, now).map(([exercise, rungs], i) => (
              <LadderStrip
                key={exercise.id}
                catalog={catalog}
                exercise={exercise}
                found={rungs}
                moving={moving}
                first={i < FIRST}
              />
            ))}
          </ul>
          {found.ladders.length > most && (
            <button type="button" className="action mt-3" onClick={() => setMost(most + SHOWN)}>
              Show more of the {found.ladders.length - most} other ladders
            </button>
          )}
          {found.ladders.length === 0 && <p className="mt-3">No ladder matches. Try fewer words, or another cell.</p>}
        </section>
      </div>
      {shown && <LadderSheet catalog={catalog} exercise={shown} close={() => void navigate('/repertoire')} />}
    </main>
  );
}

/** A number that is another one until the page has been painted with that, and has nothing else to do. */
function useOncePainted(value: number, first: number): number {
  const [now, setNow] = useState(first);
  useEffect(() => whenIdle(() => setNow(value), LATEST_MS), [value]);
  return now;
}
/** When the rest is drawn at the latest. */
const LATEST_MS = 500;

function EmptyRepertoire({ catalog }: { catalog: Catalog }) {
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="font-name text-3xl font-semibold">No exercises yet</h1>
      <p className="mt-3">
        The repertoire holds every exercise as a ladder of rungs, easiest first. Draw the first one here, or bring some
        in with <em>Import a file…</em> from the Studio menu; the file’s form is described in the documents that come
        with the app.
      </p>
      <p className="mt-4">
        <NewLadder catalog={catalog} />
      </p>
    </main>
  );
}
