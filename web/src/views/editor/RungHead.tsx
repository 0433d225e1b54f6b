import type { Rung } from '@warm-ladder/core/repertoire';
import { memo } from 'react';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';

interface RungHeadProps {
  readonly rung: Rung;
  /** The method's, where the rung names none. */
  readonly secondsPerCount: number;
  /** The computed heat, where the director begins when setting another. */
  readonly heat: number;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

/** The rung's name, dose, tempo and set-up, and the director's own heat where the computed one is not believed. */
export const RungHead = memo(function RungHead({ rung, secondsPerCount, heat, onRung }: RungHeadProps) {
  const { dose, heatOverride } = rung;
  const setDose = (change: Partial<Rung['dose']>, field: string) =>
    onRung((each) => ({ ...each, dose: { ...each.dose, ...change } }), 'the dose', `dose ${field}`);
  const setHeat = (next: Rung['heatOverride'], field = '') =>
    onRung(({ heatOverride: _old, ...each }) => (next ? { ...each, heatOverride: next } : each), 'the heat', field);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]">
      <TextField
        label="Name of the rung"
        value={rung.name}
        className="-ml-1.5 w-56 text-lg font-semibold"
        onChange={(name) => onRung((each) => ({ ...each, name }), 'the name', 'rung name')}
      />
      <span>
        <NumberField
          label="Sets"
          value={dose.sets}
          limits={LIMITS.Dose.sets}
          className="w-8"
          onChange={(sets) => setDose({ sets }, 'sets')}
        />{' '}
        ×{' '}
        <NumberField
          label="Reps"
          value={dose.reps}
          limits={LIMITS.Dose.reps}
          className="w-10"
          onChange={(reps) => setDose({ reps }, 'reps')}
        />{' '}
        reps
      </span>
      <span>
        a count{' '}
        <NumberField
          label="Seconds per count"
          value={dose.secondsPerCount ?? secondsPerCount}
          limits={LIMITS.Dose.secondsPerCount}
          step={0.25}
          className="w-10"
          onChange={(seconds) => setDose({ secondsPerCount: seconds }, 'count')}
        />{' '}
        s
      </span>
      <span>
        set-up{' '}
        <NumberField
          label="Set-up seconds"
          value={rung.setupSeconds}
          limits={LIMITS.Rung.setupSeconds}
          step={5}
          className="w-10"
          onChange={(setupSeconds) => onRung((each) => ({ ...each, setupSeconds }), 'the set-up', 'setup')}
        />{' '}
        s
      </span>
      {heatOverride ? (
        <span className="flex items-baseline gap-1">
          heat set to{' '}
          <NumberField
            label="Heat set by the director"
            value={heatOverride.heat}
            limits={LIMITS.HeatOverride.heat}
            className="w-10"
            onChange={(set) => setHeat({ ...heatOverride, heat: set }, 'heat')}
          />
          because
          <TextField
            label="Why the heat is set"
            note
            value={heatOverride.reason}
            className="w-52"
            onChange={(reason) => setHeat({ ...heatOverride, reason }, 'heat reason')}
          />
          <button type="button" className="underline" onClick={() => setHeat(undefined)}>
            compute it again
          </button>
        </span>
      ) : (
        <button
          type="button"
          className="text-soft underline"
          onClick={() => setHeat({ heat: Math.round(heat), reason: 'As seen in the room.' })}
        >
          set the heat myself
        </button>
      )}
    </div>
  );
});
