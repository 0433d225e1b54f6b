import type { Dose, Rung } from '@warm-ladder/core/repertoire';
import { Plus } from 'lucide-react';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { RemoveButton } from '../../parts/RemoveButton';

interface StageFieldsProps {
  readonly rung: Rung;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

type Stages = NonNullable<Dose['stages']>;

/** A set has two stages at least: half of it, and the rest. */
const halves = (reps: number): Stages => [
  { reps: Math.max(1, Math.ceil(reps / 2)), text: 'The first ones' },
  { reps: Math.max(1, Math.floor(reps / 2)), text: 'Then the others' },
];

/** The parts of a set that are done each in its own way; its repetitions are theirs together. */
export function StageFields({ rung, onRung }: StageFieldsProps) {
  const stages = rung.dose.stages ?? [];
  const put = (next: Stages, field = '') =>
    onRung(
      ({ dose: { stages: _old, repsTo: _most, ...dose }, ...each }) => ({
        ...each,
        dose: next.length < 2 ? dose : { ...dose, reps: next.reduce((sum, { reps }) => sum + reps, 0), stages: next },
      }),
      'the stages of a set',
      field,
    );
  return (
    <div className="text-[15px]">
      <h3 className="text-sm text-soft">Stages of a set: the first four level, then farther</h3>
      {stages.map((stage, i) => (
        <p key={i} className="flex items-baseline gap-1">
          <NumberField
            label={`Reps of stage ${i + 1}`}
            value={stage.reps}
            limits={LIMITS.Dose.reps}
            className="w-10"
            onChange={(reps) => put(stages.with(i, { ...stage, reps }), `stage reps ${i}`)}
          />
          <TextField
            label={`Said of stage ${i + 1}`}
            note
            className="grow"
            value={stage.text}
            onChange={(text) => text && put(stages.with(i, { ...stage, text }), `stage ${i}`)}
          />
          <RemoveButton name={`stage ${i + 1}`} onPress={() => put(stages.toSpliced(i, 1))} />
        </p>
      ))}
      <button
        type="button"
        className="action mt-1 text-sm"
        onClick={() =>
          put(stages.length === 0 ? halves(rung.dose.reps) : [...stages, { reps: 2, text: 'And the last' }])
        }
      >
        <Plus className="size-4" aria-hidden="true" /> {stages.length === 0 ? 'Stages' : 'Stage'}
      </button>
    </div>
  );
}
