import type { DrawnPhase } from '@warm-ladder/core/figure';
import { phaseCounts } from '@warm-ladder/core/repertoire';

/** One phase of a repetition on the clock. */
interface Stretch extends DrawnPhase {
  readonly startSeconds: number;
  readonly seconds: number;
}

/** A repetition that can be asked where it is at any second, over and over. */
export interface Motion {
  readonly seconds: number;
  readonly stretches: readonly Stretch[];
  /** The phase it is in then, and how much of it has passed: of its time, and of its way. */
  readonly at: (seconds: number) => { readonly stretch: Stretch; readonly share: number; readonly way: number };
}

/** A share of the way for a share of the time: a body starts and stops; it does not run on rails. */
export const eased = (share: number): number => (1 - Math.cos(Math.PI * share)) / 2;

/** @param pace seconds of a count; `null` when there is nothing to move through */
export function motionOf(phases: readonly DrawnPhase[], pace: number): Motion | null {
  let clock = 0;
  const stretches = phases.map((drawn): Stretch => {
    const startSeconds = clock;
    const seconds = phaseCounts(drawn.phase) * pace;
    clock += seconds;
    return { ...drawn, startSeconds, seconds };
  });
  const [first] = stretches;
  if (!first) return null;
  return {
    seconds: clock,
    stretches,
    at(seconds) {
      const now = seconds % clock;
      const stretch = stretches.findLast(({ startSeconds }) => startSeconds <= now) ?? first;
      const share = (now - stretch.startSeconds) / stretch.seconds;
      return { stretch, share, way: eased(share) };
    },
  };
}

const moving = new Set<(seconds: number) => void>();
let began: number | null = null;
let waiting = false;

function tick(now: number) {
  waiting = false;
  began ??= now;
  for (const move of moving) move((now - began) / 1000);
  if (moving.size > 0) wait();
  else began = null;
}

/** Asks for the next frame, once: a figure that is taken out and put in again within a frame is on its way already. */
function wait() {
  if (waiting) return;
  waiting = true;
  requestAnimationFrame(tick);
}

/** Calls back on every frame with one clock for all, so that figures side by side breathe together. */
export function onEveryFrame(move: (seconds: number) => void): () => void {
  moving.add(move);
  wait();
  return () => {
    moving.delete(move);
  };
}
