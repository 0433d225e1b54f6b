import type { Phase } from '@warm-ladder/core/repertoire';

const PATHS: Readonly<Record<Phase['breath'], string>> = {
  in: 'M0 22C8 22 12 4 24 4',
  out: 'M0 4C12 4 16 22 24 22',
  hold: 'M0 8H24',
  free: 'M0 13c4-6 8-6 12 0s8 6 12 0',
};

/** One phase as a wave as wide as it is given room: it rises with the in-breath, and effort is drawn thicker. */
export function BreathWave({ breath, effort }: { breath: Phase['breath']; effort: boolean }) {
  return (
    <svg viewBox="0 0 24 26" preserveAspectRatio="none" className="block h-6 w-full" aria-hidden="true">
      <path
        d={PATHS[breath]}
        fill="none"
        vectorEffect="non-scaling-stroke"
        className={effort ? 'stroke-cobalt' : 'stroke-soft'}
        strokeWidth={effort ? 3.5 : 1.8}
      />
    </svg>
  );
}
