import { type ScriptLine, wantsWords } from '@warm-ladder/core/script';
import { BreathWave } from '../../parts/BreathWave';

/** The action on each breath: one wave a phase, as wide as its counts, the words beneath it. */
export function BreathLine({ lines }: { lines: readonly ScriptLine[] }) {
  return (
    <ol className="clear-right my-1.5 flex flex-wrap gap-x-3 gap-y-2">
      {lines.map((line, i) => {
        const { breath, counts, effort } = line.phase ?? { breath: 'free', counts: 1, effort: false };
        return (
          <li key={i} className="min-w-28 flex-1" style={{ flexGrow: counts }}>
            <BreathWave breath={breath} effort={effort === true} />
            <span className={`text-sm ${effort ? 'font-semibold' : 'text-soft'}`}>
              {breath} {counts}
            </span>
            <span className={`block text-lg leading-snug ${wantsWords(line) ? 'text-soft italic' : ''}`}>
              {line.text}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
