/**
 * Long work cut into steps: it stops after each, so that a caller with others waiting can let them go first.
 * The core has no clock; the caller decides how often to pause.
 */
export type Steps<T> = Generator<undefined, T, undefined>;

/**
 * Does all steps without a pause.
 * @example const parsed = atOnce(readBundleSteps(value));
 */
export function atOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
