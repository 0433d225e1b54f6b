/** How much of a moment is taken, and how long is waited for the next, where the browser does not say when it idles. */
const [TAKEN_MS, BETWEEN_MS] = [8, 60];

/** Runs something in the next idle moment, with the milliseconds left of it. @returns what calls it off */
export function whenIdle(run: (left: () => number) => void, timeout?: number): () => void {
  if ('requestIdleCallback' in window) {
    const waiting = requestIdleCallback(
      (idle) => run(() => idle.timeRemaining()),
      timeout === undefined ? {} : { timeout },
    );
    return () => cancelIdleCallback(waiting);
  }
  const waiting = setTimeout(() => {
    const began = performance.now();
    run(() => TAKEN_MS - (performance.now() - began));
  }, timeout ?? BETWEEN_MS);
  return () => clearTimeout(waiting);
}
