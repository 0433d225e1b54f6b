import { moveBetween, type Pose } from '@warm-ladder/core/body';
import type { Phase, Rung } from '@warm-ladder/core/repertoire';

/** One phase of a repetition on the clock. */
interface Stretch {
  readonly phase: Phase;
  readonly index: number;
  readonly startSeconds: number;
  readonly seconds: number;
  readonly at: (share: number) => Pose;
}

/** A repetition that can be asked for its pose at any second, over and over. */
export interface Motion {
  readonly seconds: number;
  readonly stretches: readonly Stretch[];
  readonly poseAt: (seconds: number) => { readonly pose: Pose; readonly stretch: Stretch; readonly share: number };
}

/** A body starts and stops; it does not run on rails. */
const eased = (share: number): number => (1 - Math.cos(Math.PI * share)) / 2;

/** @param secondsPerCount the method's, where the rung names none; `null` when the rung has no pose to move through */
export function motionOf(rung: Rung, secondsPerCount: number): Motion | null {
  const pace = rung.dose.secondsPerCount ?? secondsPerCount;
  const stretches: Stretch[] = [];
  let from = rung.poses[rung.start];
  let clock = 0;
  rung.phases.forEach((phase, index) => {
    const to = rung.poses[phase.pose];
    if (!from || !to) return;
    const { at } = moveBetween(from, to);
    const seconds = phase.counts * pace;
    stretches.push({ phase, index, startSeconds: clock, seconds, at });
    clock += seconds;
    from = to;
  });
  const [first] = stretches;
  if (!first) return null;
  return {
    seconds: clock,
    stretches,
    poseAt(seconds) {
      const now = seconds % clock;
      const stretch = stretches.findLast(({ startSeconds }) => startSeconds <= now) ?? first;
      const share = (now - stretch.startSeconds) / stretch.seconds;
      return { pose: stretch.at(eased(share)), stretch, share };
    },
  };
}

const moving = new Set<(seconds: number) => void>();
let began: number | null = null;

function tick(now: number) {
  began ??= now;
  for (const move of moving) move((now - began) / 1000);
  if (moving.size > 0) requestAnimationFrame(tick);
  else began = null;
}

/** Calls back on every frame with one clock for all, so that figures side by side breathe together. */
export function onEveryFrame(move: (seconds: number) => void): () => void {
  moving.add(move);
  if (moving.size === 1) requestAnimationFrame(tick);
  return () => {
    moving.delete(move);
  };
}
