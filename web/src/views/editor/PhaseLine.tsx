import {
  addPhase,
  BREATHS,
  type Cue,
  freeIdAmong,
  PHASE_PARTS,
  type Phase,
  type PhasePart,
  REP_PLACES,
  type RepPlace,
  type Rung,
  removePhase,
  swapPhases,
  withPhase,
} from '@warm-ladder/core/repertoire';
import { Plus } from 'lucide-react';
import { memo } from 'react';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { RemoveButton } from '../../parts/RemoveButton';
import { BreathWave } from '../../parts/rungs/BreathWave';

interface PhaseLineProps {
  readonly rung: Rung;
  /** The pose on the stage: the phases that arrive at it are marked. */
  readonly shown: string;
  readonly onShow: (pose: string) => void;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

const PART_WORDS: Readonly<Record<PhasePart, string>> = {
  entry: 'The way in',
  phases: 'Phases',
  exit: 'The way out',
};
/** What a phase of a part is called, beside its number. */
const OF_PART: Readonly<Record<PhasePart, string>> = { entry: ' of the way in', phases: '', exit: ' of the way out' };

/**
 * A rung on its breath: the way into the shape and out of it, done once, and one repetition between them; each phase as
 * wide as its counts, with where it goes and what is said on it.
 */
export const PhaseLine = memo(function PhaseLine(props: PhaseLineProps) {
  const { rung, onRung } = props;
  const add = (part: PhasePart, words: string) => (
    <button
      type="button"
      className="action text-sm"
      onClick={() => onRung((each) => addPhase(each, part), 'a phase more')}
    >
      <Plus className="size-4" aria-hidden="true" /> {words}
    </button>
  );
  return (
    <div className="flex flex-col gap-2">
      {PHASE_PARTS.map((part) => (
        <PhasesOf key={part} part={part} {...props} />
      ))}
      <p className="flex flex-wrap gap-2">
        {add('phases', 'Phase')}
        {add('entry', rung.entry ? 'Phase of the way in' : 'Way in')}
        {add('exit', rung.exit ? 'Phase of the way out' : 'Way out')}
      </p>
    </div>
  );
});

function PhasesOf({ part, ...props }: PhaseLineProps & { readonly part: PhasePart }) {
  const phases = props.rung[part];
  if (!phases) return null;
  return (
    <div>
      {part !== 'phases' && <h2 className="text-sm text-soft">{PART_WORDS[part]}, once</h2>}
      <ol aria-label={PART_WORDS[part]} className="flex flex-wrap items-start gap-x-4 gap-y-3">
        {phases.map((phase, i) => (
          <PhaseItem
            key={phase.id}
            phase={phase}
            name={`phase ${i + 1}${OF_PART[part]}`}
            last={i + 1 === phases.length}
            only={part === 'phases' && phases.length === 1}
            repeated={part === 'phases'}
            {...props}
          />
        ))}
      </ol>
    </div>
  );
}

interface PhaseItemProps extends PhaseLineProps {
  readonly phase: Phase;
  readonly name: string;
  readonly last: boolean;
  /** The only phase of a repetition can't be taken out. */
  readonly only: boolean;
  /** It is a phase of the repetition, and not of a way. */
  readonly repeated: boolean;
}

function PhaseItem({ rung, phase, name, last, only, repeated, shown, onShow, onRung }: PhaseItemProps) {
  const set = (change: Partial<Phase>, label: string, field = '') =>
    onRung((each) => withPhase(each, phase.id, change), label, field && `${field} ${phase.id}`);
  const spokenOn = (at?: RepPlace) => rung.cues?.find((cue) => isSaidOn(rung, cue, phase.id, at))?.text ?? '';
  const own = REP_PLACES.filter((at) => spokenOn(at) !== '').length;
  const holds = phase.breath === 'hold' || phase.breath === 'free' || phase.countsTo !== undefined;
  return (
    <li
      className={`min-w-44 flex-1 rounded-md px-1 ${phase.pose === shown ? 'bg-sheet shadow-lift' : ''}`}
      style={{ flexGrow: phase.counts }}
    >
      <BreathWave breath={phase.breath} effort={phase.effort === true} />
      <p className="flex flex-wrap items-center gap-x-1 text-[15px]">
        <select
          aria-label={`Breath of ${name}`}
          className="field font-semibold"
          value={phase.breath}
          onChange={({ target }) => set({ breath: target.value as Phase['breath'] }, 'the breath')}
        >
          {BREATHS.map((breath) => (
            <option key={breath}>{breath}</option>
          ))}
        </select>
        <NumberField
          label={`Counts of ${name}`}
          value={phase.counts}
          limits={LIMITS.Phase.counts}
          className="w-9"
          onChange={(counts) =>
            set(
              { counts, ...(phase.countsTo !== undefined && phase.countsTo <= counts ? { countsTo: undefined } : {}) },
              'the counts',
              'counts',
            )
          }
        />
        {holds && (
          <>
            <span className="text-soft">–</span>
            <NumberField
              label={`Most counts of ${name}`}
              value={phase.countsTo ?? phase.counts}
              limits={{ ...LIMITS.Phase.countsTo, min: phase.counts }}
              className="w-9"
              onChange={(most) =>
                set({ countsTo: most > phase.counts ? most : undefined }, 'the counts', 'most counts')
              }
            />
          </>
        )}
        <span className="text-soft">to</span>
        <select
          aria-label={`Pose of ${name}`}
          className="field max-w-28"
          value={phase.pose}
          onChange={({ target }) => {
            set({ pose: target.value }, 'where a phase goes');
            onShow(target.value);
          }}
        >
          {Object.keys(rung.poses).map((pose) => (
            <option key={pose}>{pose}</option>
          ))}
        </select>
        <span className="ml-auto flex">
          {!last && (
            <button
              type="button"
              className="rounded px-1 text-sm text-soft hover:bg-shade hover:text-ink"
              onClick={() => onRung((each) => swapPhases(each, phase.id), 'the order of the phases')}
            >
              later<span className="sr-only">: {name}</span>
            </button>
          )}
          {!only && (
            <RemoveButton
              name={name}
              onPress={() => onRung((each) => removePhase(each, phase.id), 'removing a phase')}
            />
          )}
        </span>
      </p>
      <TextField
        label={`Said on ${name}`}
        note
        placeholder="What is said on it"
        value={spokenOn()}
        className="w-full"
        onChange={(text) => onRung((each) => said(each, phase.id, text), 'what is said', `said ${phase.id}`)}
      />
      {repeated && (
        <details className="text-sm" open={own > 0 || undefined}>
          <summary className="text-soft">
            First, middle, last one<span className="sr-only"> of {name}</span>
          </summary>
          {REP_PLACES.map((at) => (
            <TextField
              key={at}
              label={`Said on the ${at} repetition, ${name}`}
              note
              placeholder={`What is said on the ${at} one`}
              value={spokenOn(at)}
              className="w-full"
              onChange={(text) =>
                onRung((each) => said(each, phase.id, text, at), 'what is said', `said ${phase.id} ${at}`)
              }
            />
          ))}
        </details>
      )}
      <p className="flex flex-wrap gap-x-4 text-sm">
        <Tick
          words="effort"
          of={name}
          on={phase.effort === true}
          set={(effort) => set({ effort: effort || undefined }, 'the effort')}
        />
        {phase.effort === true && phase.breath === 'in' && (
          <Tick
            words="on purpose"
            of={name}
            on={phase.onPurpose === true}
            set={(onPurpose) => set({ onPurpose: onPurpose || undefined }, 'the breath')}
          />
        )}
        <Tick
          words="squeeze"
          of={name}
          on={phase.squeeze === true}
          set={(squeeze) => set({ squeeze: squeeze || undefined }, 'the squeeze')}
        />
      </p>
    </li>
  );
}

function Tick(props: { words: string; of: string; on: boolean; set: (on: boolean) => void }) {
  const { words, of, on, set } = props;
  return (
    <label className="inline-flex items-center gap-1">
      <input type="checkbox" checked={on} onChange={({ target }) => set(target.checked)} />
      {words} <span className="sr-only">in {of}</span>
    </label>
  );
}

/** The rung with the words of one phase in place of those it had, on every repetition or on one. */
function said(rung: Rung, phase: string, text: string, at?: RepPlace): Rung {
  const cues = rung.cues ?? [];
  const old = cues.find((cue) => isSaidOn(rung, cue, phase, at));
  if (!text) return { ...rung, cues: cues.filter((cue) => !isSaidOn(rung, cue, phase, at)) };
  if (old) return { ...rung, cues: cues.map((cue) => (cue === old ? { ...cue, text, phase } : cue)) };
  const made: Cue = { id: freeIdAmong(cues, 'c'), kind: 'action', text, phase, ...(at ? { at } : {}) };
  return { ...rung, cues: [...cues, made] };
}

/** Whether a cue is what is said on a phase; an action that names none is the first one's. */
const isSaidOn = ({ phases }: Rung, { kind, phase = phases[0]?.id, at }: Cue, on: string, when?: RepPlace): boolean =>
  kind === 'action' && phase === on && at === when;
