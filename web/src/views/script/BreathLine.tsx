import type { ScriptLine } from '@warm-ladder/core/script';
import { BreathWave } from '../../parts/rungs/BreathWave';
import { type LineActions, SpokenLine } from './SpokenLine';

interface BreathLineProps {
  readonly lines: readonly ScriptLine[];
  readonly actions: LineActions | null;
  /** What the language review says of each line, by its id. */
  readonly faults: ReadonlyMap<string, string>;
}

/** The action on each breath: one wave a phase, as wide as its counts, the words beneath it. */
export function BreathLine({ lines, actions, faults }: BreathLineProps) {
  return (
    <ol className="clear-right my-1.5 flex flex-wrap gap-x-3 gap-y-2">
      {lines.map((line, i) => {
        const { breath, counts, effort } = line.phase ?? { breath: 'free', counts: 1, effort: false };
        // By its place: a line that is being written becomes the class's own under the hand, with another id.
        return (
          <li key={i} className="min-w-28 flex-1" style={{ flexGrow: counts }}>
            <BreathWave breath={breath} effort={effort === true} />
            <span className={`text-sm ${effort ? 'font-semibold' : 'text-soft'}`}>
              {breath} {counts}
            </span>
            <span className="block text-lg leading-snug">
              <SpokenLine line={line} actions={actions} fault={faults.get(line.id)} />
            </span>
          </li>
        );
      })}
    </ol>
  );
}
