import type { ScriptLine } from '@warm-ladder/core/script';

const BREATH = {
  in: { word: 'in', path: 'M0 22C8 22 12 4 24 4' },
  out: { word: 'out', path: 'M0 4C12 4 16 22 24 22' },
  hold: { word: 'hold', path: 'M0 8H24' },
  free: { word: 'free', path: 'M0 13c4-6 8-6 12 0s8 6 12 0' },
} as const;

/** The action on each breath: one wave a phase, as wide as its counts, the words beneath it. */
export function BreathLine({ lines }: { lines: readonly ScriptLine[] }) {
  return (
    <ol className="clear-right my-1.5 flex flex-wrap gap-x-3 gap-y-2">
      {lines.map((line, i) => {
        const { breath, counts, effort } = line.phase ?? { breath: 'free', counts: 1, effort: false };
        const { word, path } = BREATH[breath];
        return (
          <li key={i} className="min-w-28 flex-1" style={{ flexGrow: counts }}>
            <span className="flex items-end gap-2">
              <svg viewBox="0 0 24 26" preserveAspectRatio="none" className="h-6 w-full grow" aria-hidden="true">
                <path
                  d={path}
                  fill="none"
                  vectorEffect="non-scaling-stroke"
                  className={effort ? 'stroke-heat-3' : 'stroke-soft'}
                  strokeWidth={effort ? 3.5 : 1.8}
                />
              </svg>
            </span>
            <span className={`text-sm ${effort ? 'font-semibold' : 'text-soft'}`}>
              {word} {counts}
            </span>
            <span className={`block text-lg leading-snug ${line.written ? '' : 'text-soft italic'}`}>{line.text}</span>
          </li>
        );
      })}
    </ol>
  );
}
