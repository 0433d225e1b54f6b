import type { Steps } from '@warm-ladder/core/formats';

/** Milliseconds worked before others are let go first. */
const STRETCH = 12;

/** Lets the event loop turn once: whoever waits for an answer from memory gets it. */
export const turn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/**
 * Does long work in stretches, so that nobody else waits for the whole of it.
 * @param tell is told after each stretch how many steps are done
 */
export async function unhurried<T>(steps: Steps<T>, tell?: (done: number) => void): Promise<T> {
  let began = performance.now();
  for (let done = 1; ; done++) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - began < STRETCH) continue;
    tell?.(done);
    await turn();
    began = performance.now();
  }
}

/** For work that waits for others in between: what is called after each of its steps lets others go first where it is time. */
export function pausing(): () => Promise<void> {
  let began = performance.now();
  return async () => {
    if (performance.now() - began < STRETCH) return;
    await turn();
    began = performance.now();
  };
}
