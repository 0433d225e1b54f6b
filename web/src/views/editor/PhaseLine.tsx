import {
  addPhase,
  BREATHS,
  type Cue,
  freeIdAmong,
  type Phase,
  type Rung,
  removePhase,
  swapPhases,
  withPhase,
} from '@warm-ladder/core/repertoire';
import { ArrowLeftRight, Plus, X } from 'lucide-react';
import { BreathWave } from '../../parts/BreathWave';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';

interface PhaseLineProps {
  readonly rung: Rung;
  /** The pose on the stage: the phases that arrive at it are marked. */
  readonly shown: string;
  readonly onShow: (pose: string) => void;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

/** One repetition on its breath: each phase as wide as its counts, with where it goes and what is said on it. */
export function PhaseLine({ rung, shown, onShow, onRung }: PhaseLineProps) {
  const poses = Object.keys(rung.poses);
  return (
    <ol aria-label="Phases" className="flex flex-wrap items-start gap-x-4 gap-y-3">
      {rung.phases.map((phase, i) => {
        const set = (change: Partial<Phase>, label: string, field = '') =>
          onRung((each) => withPhase(each, i, change), label, field && `${field} ${i}`);
        const spoken = rung.cues?.find((cue) => isSaidOn(rung, cue, phase.id));
        return (
          <li
            key={i}
            className={`min-w-44 flex-1 rounded-md px-1 ${phase.pose === shown ? 'bg-sheet shadow-lift' : ''}`}
            style={{ flexGrow: phase.counts }}
          >
            <BreathWave breath={phase.breath} effort={phase.effort === true} />
            <p className="flex flex-wrap items-center gap-x-1 text-[15px]">
              <select
                aria-label={`Breath of phase ${i + 1}`}
                className="field font-semibold"
                value={phase.breath}
                onChange={({ target }) => set({ breath: target.value as Phase['breath'] }, 'the breath')}
              >
                {BREATHS.map((breath) => (
                  <option key={breath}>{breath}</option>
                ))}
              </select>
              <NumberField
                label={`Counts of phase ${i + 1}`}
                value={phase.counts}
                min={0.5}
                max={60}
                className="w-9"
                onChange={(counts) => set({ counts }, 'the counts', 'counts')}
              />
              <span className="text-soft">to</span>
              <select
                aria-label={`Pose of phase ${i + 1}`}
                className="field max-w-28"
                value={phase.pose}
                onChange={({ target }) => {
                  set({ pose: target.value }, 'where a phase goes');
                  onShow(target.value);
                }}
              >
                {poses.map((pose) => (
                  <option key={pose}>{pose}</option>
                ))}
              </select>
              <span className="ml-auto flex">
                {i + 1 < rung.phases.length && (
                  <button
                    type="button"
                    className="rounded p-0.5 hover:bg-shade"
                    onClick={() => onRung((each) => swapPhases(each, i), 'the order of the phases')}
                  >
                    <ArrowLeftRight className="size-4" aria-hidden="true" />
                    <span className="sr-only">Change phase {i + 1} about with the next</span>
                  </button>
                )}
                {rung.phases.length > 1 && (
                  <button
                    type="button"
                    className="rounded p-0.5 hover:bg-shade"
                    onClick={() => onRung((each) => removePhase(each, i), 'taking out a phase')}
                  >
                    <X className="size-4" aria-hidden="true" />
                    <span className="sr-only">Remove phase {i + 1}</span>
                  </button>
                )}
              </span>
            </p>
            <TextField
              label={`Said on phase ${i + 1}`}
              note
              placeholder="What is said on it"
              value={spoken?.text ?? ''}
              className="w-full"
              onChange={(text) => onRung((each) => said(each, phase.id, text), 'what is said', `said ${i}`)}
            />
            <p className="flex flex-wrap gap-x-4 text-sm">
              <Tick
                words="effort"
                phase={i}
                on={phase.effort === true}
                set={(effort) => set({ effort: effort || undefined }, 'the effort')}
              />
              <Tick
                words="squeeze"
                phase={i}
                on={phase.squeeze === true}
                set={(squeeze) => set({ squeeze: squeeze || undefined }, 'the squeeze')}
              />
            </p>
          </li>
        );
      })}
      <li>
        <button type="button" className="action mt-4 text-sm" onClick={() => onRung(addPhase, 'a phase more')}>
          <Plus className="size-4" aria-hidden="true" /> Phase
        </button>
      </li>
    </ol>
  );
}

function Tick(props: { words: string; phase: number; on: boolean; set: (on: boolean) => void }) {
  const { words, phase, on, set } = props;
  return (
    <label className="inline-flex items-center gap-1">
      <input type="checkbox" checked={on} onChange={({ target }) => set(target.checked)} />
      {words} <span className="sr-only">in phase {phase + 1}</span>
    </label>
  );
}

/** The rung with the words of one phase in place of those it had. */
function said(rung: Rung, phase: string, text: string): Rung {
  const cues = rung.cues ?? [];
  const old = cues.find((cue) => isSaidOn(rung, cue, phase));
  if (!text) return { ...rung, cues: cues.filter((cue) => !isSaidOn(rung, cue, phase)) };
  if (old) return { ...rung, cues: cues.map((cue) => (cue === old ? { ...cue, text, phase } : cue)) };
  return { ...rung, cues: [...cues, { id: freeIdAmong(cues, 'c'), kind: 'action', text, phase }] };
}

/** Whether a cue is what is said on a phase; an action that names none is the first one's. */
const isSaidOn = ({ phases }: Rung, { kind, phase = phases[0]?.id }: Cue, on: string): boolean =>
  kind === 'action' && phase === on;
