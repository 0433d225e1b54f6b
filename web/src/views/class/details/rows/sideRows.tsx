import { doseOf, repsOf } from '@warm-ladder/core/plan';
import { LIMITS } from '../../../../parts/fields/limits';
import { NumberField } from '../../../../parts/fields/NumberField';
import { Field, type RowProps } from './row';

/** Which sides it is done on. */
export function SidesRow({ index, block, entry, set }: RowProps) {
  if (entry.exercise.sides === 'both') return null;
  return (
    <Field name="Sides">
      <select
        className="field"
        aria-label={`Sides of block ${index + 1}`}
        value={block.side ?? ''}
        onChange={({ target }) => set({ side: sideOf(target.value) }, 'the sides')}
      >
        <option value="">both, {entry.sides === 'each' ? 'one after the other' : 'alternating'}</option>
        <option value="left">left only</option>
        <option value="right">right only</option>
      </select>
    </Field>
  );
}

/** Which side begins, where both are done. */
export function FirstSideRow({ index, block, entry, set }: RowProps) {
  if (entry.exercise.sides === 'both' || block.side !== undefined) return null;
  return (
    <Field name="Begins on">
      <select
        className="field"
        aria-label={`First side of block ${index + 1}`}
        value={block.firstSide ?? ''}
        onChange={({ target }) => set({ firstSide: sideOf(target.value) }, 'the first side')}
      >
        <option value="">the side of the class</option>
        <option value="left">the left</option>
        <option value="right">the right</option>
      </select>
    </Field>
  );
}

/** Whether the second side does otherwise. */
export function SecondSideRow({ index, block, entry, set }: RowProps) {
  if (entry.exercise.sides === 'both' || entry.sides !== 'each') return null;
  if (block.side !== undefined || block.mode === 'show') return null;
  const reps = repsOf(doseOf(entry, block));
  return (
    <Field name="Second side">
      <span>
        <NumberField
          label={`Reps of the second side of block ${index + 1}`}
          value={block.secondDose?.reps ?? reps}
          limits={LIMITS.SecondDose.reps}
          className="w-10"
          onChange={(second) => set({ secondDose: second === reps ? undefined : { reps: second } }, 'the second side')}
        />{' '}
        {block.secondDose === undefined ? 'reps, as the first' : 'reps'}
      </span>
    </Field>
  );
}

/** The run it belongs to, or could. */
export function RunRow({ block, entry, run, actions }: RowProps) {
  if (entry.exercise.sides === 'both' || run === null) return null;
  return (
    <Field name="Run">
      <label className="inline-flex items-center gap-1.5">
        <input
          type="checkbox"
          checked={run === 'joined'}
          onChange={({ target }) => actions.joinRun(block.id, target.checked)}
        />
        one side together with the block before
      </label>
    </Field>
  );
}

const sideOf = (value: string): 'left' | 'right' | undefined =>
  value === 'left' || value === 'right' ? value : undefined;
