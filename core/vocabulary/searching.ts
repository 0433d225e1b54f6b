/**
 * Long work that can be stopped with what it has: it stops after each stretch, tells how far it is, and goes on unless it
 * is answered `false`. The core has no clock and hears nobody meanwhile; the caller decides how often to listen.
 */
export type Searching<T> = Generator<number, T, boolean>;

/**
 * A search as a part of another one.
 * @param as how far the whole is when the part is so far
 * @param heed hears whether it is to go on
 */
export function* withinSearch<T>(
  part: Searching<T>,
  as: (done: number) => number,
  heed: (goesOn: boolean) => void = () => undefined,
): Searching<T> {
  let step = part.next(true);
  while (!step.done) {
    const goesOn = yield as(step.value);
    heed(goesOn);
    step = part.next(goesOn);
  }
  return step.value;
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
