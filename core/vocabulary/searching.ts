/**
 * Long work that can be stopped with what it has: it stops after each stretch, tells how far it is, and goes on unless it
 * is answered `false`. The core has no clock and hears nobody meanwhile; the caller decides how often to listen.
 */
export type Searching<T> = Generator<number, T, boolean>;

/**
 * A search as a part of another one.
 * @param as how far the whole is when the part is so far
 * @returns what it found, and whether the whole is to go on after it
 */
export function* withinSearch<T>(
  part: Searching<T>,
  as: (done: number) => number,
): Searching<{ readonly found: T; readonly goesOn: boolean }> {
  let goesOn = true;
  let step = part.next(goesOn);
  while (!step.done) {
    goesOn = yield as(step.value);
    step = part.next(goesOn);
  }
  return { found: step.value, goesOn };
}

/**
 * Searches to the end without a pause.
 * @param onTold told how far it is; it ends, with what it has, when that answers `false`
 */
export function searchedThrough<T>(search: Searching<T>, onTold?: (done: number) => boolean | undefined): T {
  let step = search.next(true);
  while (!step.done) step = search.next(onTold?.(step.value) !== false);
  return step.value;
}
