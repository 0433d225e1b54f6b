import type { CatalogSource } from '@warm-ladder/core/repertoire';
import { type Remote, wrap } from 'comlink';
import type { DeskWork } from './worker';

/** The work at a class was cut off: its worker died, or was told to stop. */
class CutOff extends Error {}

interface Running {
  readonly worker: Worker;
  readonly work: Remote<DeskWork>;
  /** Settles, by failing, when the worker can answer no more. */
  readonly death: Promise<never>;
  readonly end: (why: string) => void;
  source: CatalogSource | null;
}

let running: Running | null = null;

function started(): Running {
  if (running) return running;
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'desk' });
  let fail: (error: CutOff) => void = () => {};
  const death = new Promise<never>((_, reject) => {
    fail = reject;
  });
  // Nobody may be waiting when it dies.
  death.catch(() => {});
  const end = (why: string) => {
    worker.terminate();
    if (running?.worker === worker) running = null;
    fail(new CutOff(why));
  };
  worker.onerror = (event) => {
    event.preventDefault();
    end('The working-out stopped by a mistake of its own. It starts anew with the next thing asked of it.');
  };
  running = { worker, work: wrap<DeskWork>(worker), death, end, source: null };
  return running;
}

/**
 * Has something worked out away from the page, with the repertoire and the method as they are. A worker that died is
 * started anew by the next call.
 * @throws CutOff when the worker dies on the way or is stopped
 */
export async function atDesk<T>(source: CatalogSource, ask: (work: Remote<DeskWork>) => Promise<T>): Promise<T> {
  const now = started();
  const handed = async () => {
    if (now.source !== source) {
      now.source = source;
      await now.work.use(source);
    }
    return ask(now.work);
  };
  return Promise.race([handed(), now.death]);
}

/** Stops whatever is being worked out. */
export const stopDesk = (): void => running?.end('Stopped.');
