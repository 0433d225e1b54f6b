import { diff } from '@warm-ladder/core/edits';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { type Remote, wrap } from 'comlink';
import type { DeskWork, Handed } from './worker';

/** The work at a class was cut off: its worker died. */
class CutOff extends Error {}

interface Running {
  readonly worker: Worker;
  readonly work: Remote<DeskWork>;
  /** Settles, by failing, when the worker can answer no more. */
  readonly death: Promise<never>;
  readonly end: (why: string) => void;
  handed: Handed | null;
}

/**
 * Where a thing is worked out: what somebody waits for at a class, and what takes long, each in a worker of its own. So no
 * search holds up what mends a finding, and to stop one stops nothing else.
 */
type Lane = 'desk' | 'search';
const running: Record<Lane, Running | null> = { desk: null, search: null };

function started(lane: Lane): Running {
  const known = running[lane];
  if (known) return known;
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: lane });
  let fail: (error: CutOff) => void = () => {};
  const death = new Promise<never>((_, reject) => {
    fail = reject;
  });
  // Nobody may be waiting when it dies.
  death.catch(() => {});
  const end = (why: string) => {
    worker.terminate();
    if (running[lane]?.worker === worker) running[lane] = null;
    fail(new CutOff(why));
  };
  worker.onerror = (event) => {
    event.preventDefault();
    end('The working-out stopped by a mistake of its own. It starts anew with the next thing asked of it.');
  };
  const begun = { worker, work: wrap<DeskWork>(worker), death, end, handed: null };
  running[lane] = begun;
  return begun;
}

/**
 * Has something worked out away from the page, from the studio as it is. A worker that died is started anew by the next
 * call.
 * @param catalog the repertoire of that studio: what is measured of it here is not measured again there
 * @throws CutOff when the worker dies on the way
 */
export async function atDesk<T>(
  studio: Handed,
  catalog: Catalog,
  ask: (work: Remote<DeskWork>) => Promise<T>,
  lane: Lane = 'desk',
): Promise<T> {
  const now = started(lane);
  const handed = async () => {
    const had = now.handed;
    now.handed = studio;
    // Only what has changed is handed over: what was worked out there of all the rest is still known.
    if (had === null)
      await now.work.use(studio, catalog.heatsOf(catalog.rungs.filter((entry) => catalog.isMeasured(entry))));
    else if (had !== studio) await now.work.change(diff(had, studio));
    return ask(now.work);
  };
  return Promise.race([handed(), now.death]);
}

/** Ends the search that is under way with what it has; where nobody waits for it any more, the next one has its turn. */
export const stopSearch = (): void => void running.search?.work.stop();
