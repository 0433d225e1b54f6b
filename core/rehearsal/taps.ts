import type { ClassPlan } from '../plan';

/**
 * What a hand did while a class was taught or rehearsed. All that is known of the class is told by its taps, in order:
 * they are kept as they come, and after a reload the class goes on from them.
 */
export type Tap = {
  /** Seconds since the class was begun, by the clock of the device; holds among them. */
  readonly at: number;
} & (
  | {
      readonly kind: 'begin';
      /** Seconds by which it began late. */
      readonly late: number;
    }
  /**
   * next: on to the next stretch, or to the end; back: the last of those is taken back; rep: a repetition begins; left:
   * nobody tapped any longer, and when it ended nobody knows.
   */
  | { readonly kind: 'next' | 'back' | 'rep' | 'hold' | 'go' | 'left' }
  /** The class goes on as another plan; undo takes the last such change back. */
  | { readonly kind: 'change'; readonly plan: ClassPlan; readonly label: string }
  | { readonly kind: 'undo' }
);

const PLAIN = new Set(['next', 'back', 'rep', 'hold', 'go', 'left', 'undo']);

const isSeconds = (value: unknown): value is number =>
  typeof value === 'number' && Number.isFinite(value) && value >= 0;

/**
 * Taps as they were kept in a browser, read back.
 * @returns null where it is no list of taps, or they run backwards
 */
export function readTaps(value: unknown): Tap[] | null {
  if (!Array.isArray(value)) return null;
  let last = 0;
  const sound = value.every((tap: Partial<Record<string, unknown>> | null) => {
    if (!tap || !isSeconds(tap.at) || tap.at < last) return false;
    last = tap.at;
    if (tap.kind === 'begin') return isSeconds(tap.late);
    if (tap.kind === 'change') return Array.isArray((tap.plan as Partial<ClassPlan> | null)?.blocks);
    return PLAIN.has(tap.kind as string);
  });
  return sound ? (value as Tap[]) : null;
}
