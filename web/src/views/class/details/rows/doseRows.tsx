import { doseOf } from '@warm-ladder/core/plan';
import { rangeWords } from '@warm-ladder/core/script';
import { Choice } from '../../../../parts/fields/Choice';
import { LIMITS } from '../../../../parts/fields/limits';
import { NumberField } from '../../../../parts/fields/NumberField';
import { GiveField } from '../GiveField';
import { Field, type RowProps } from './row';

/** What of a dose is seldom needed: a range, until tired, for later at home, the tempo. */
export function DoseRow(row: RowProps) {
  const { index, block, entry, actions } = row;
  const dose = doseOf(entry, block);
  const number = index + 1;
  return (
    <>
      {block.mode !== 'show' && (
        <Field name="Up to">
          <span>
            <NumberField
              label={`Most reps of block ${number}`}
              value={dose.repsTo ?? dose.reps}
              limits={{ ...LIMITS.Dose.repsTo, min: dose.reps }}
              className="w-10"
              onChange={(repsTo) =>
                actions.dose(block.id, { reps: dose.reps, repsTo: repsTo > dose.reps ? repsTo : undefined })
              }
            />{' '}
            <label className="ml-1 inline-flex items-center gap-1">
              <input
                type="checkbox"
                checked={dose.until === 'tired'}
                onChange={({ target }) => actions.dose(block.id, { until: target.checked ? 'tired' : undefined })}
              />
              or until tired
            </label>
          </span>
        </Field>
      )}
      {(block.mode === 'show' || dose.days !== undefined) && <Later {...row} />}
      <Field name="One count">
        <span>
          <NumberField
            label={`Seconds per count of block ${number}`}
            value={dose.secondsPerCount ?? actions.secondsPerCount}
            limits={LIMITS.Dose.secondsPerCount}
            step={0.25}
            className="w-14"
            onChange={(secondsPerCount) => actions.dose(block.id, { secondsPerCount })}
          />{' '}
          s
        </span>
      </Field>
    </>
  );
}

/** How far it goes. */
export function RangeRow({ index, block, set }: RowProps) {
  const number = index + 1;
  return (
    <Field name="Goes">
      <Choice
        label={`Range of block ${number}`}
        value={String(block.range ?? 1)}
        choices={RANGES}
        onChange={(share) => set({ range: Number(share) < 1 ? Number(share) : undefined }, 'the range')}
      />
    </Field>
  );
}

/** How far a block goes, as a director sets it. */
const RANGES = [
  ['1', 'all the way'],
  ['0.75', `${rangeWords(0.75).toLowerCase()} of the range`],
  ['0.5', `${rangeWords(0.5).toLowerCase()} the range`],
  ['0.25', `${rangeWords(0.25).toLowerCase()} of the range`],
] as const;

/** The rest after it. */
export function RestRow({ index, block, set }: RowProps) {
  const number = index + 1;
  return (
    <Field name="Rest after">
      <span>
        <NumberField
          label={`Rest after block ${number}`}
          value={block.restAfterSeconds ?? 0}
          limits={LIMITS.RungBlock.restAfterSeconds}
          step={5}
          className="w-14"
          onChange={(seconds) => set({ restAfterSeconds: seconds || undefined }, 'the rest', 'rest')}
        />{' '}
        s
      </span>
    </Field>
  );
}

/** Whether it may go when the class runs late; what is locked or in a run stays. */
export function GiveRow({ index, block, set }: RowProps) {
  if (block.locked || block.run !== undefined) return null;
  return <GiveField number={index + 1} give={block.give} onChange={(give) => set({ give }, 'what may go', 'give')} />;
}

/** What is prescribed for later: how often at a time, and on how many days a week. */
function Later({ index, block, entry, actions }: RowProps) {
  const dose = doseOf(entry, block);
  const number = index + 1;
  return (
    <Field name="For later, at home">
      <span>
        <NumberField
          label={`Prescribed sets of block ${number}`}
          value={dose.sets}
          limits={LIMITS.Dose.sets}
          className="w-8"
          onChange={(sets) => actions.dose(block.id, { sets })}
        />{' '}
        ×{' '}
        <NumberField
          label={`Prescribed reps of block ${number}`}
          value={dose.reps}
          limits={LIMITS.Dose.reps}
          className="w-10"
          onChange={(reps) =>
            actions.dose(block.id, { reps, ...(dose.repsTo ? { repsTo: Math.max(reps, dose.repsTo) } : {}) })
          }
        />{' '}
        to{' '}
        <NumberField
          label={`Prescribed most reps of block ${number}`}
          value={dose.repsTo ?? dose.reps}
          limits={{ ...LIMITS.Dose.repsTo, min: dose.reps }}
          className="w-10"
          onChange={(repsTo) =>
            actions.dose(block.id, { reps: dose.reps, repsTo: repsTo > dose.reps ? repsTo : undefined })
          }
        />
        , on{' '}
        <NumberField
          label={`Days a week of block ${number}`}
          value={dose.days ?? 0}
          limits={{ ...LIMITS.Dose.days, min: 0 }}
          className="w-8"
          onChange={(days) =>
            actions.dose(block.id, {
              days: days > 0 ? days : undefined,
              daysTo: days > 0 && dose.daysTo !== undefined && dose.daysTo > days ? dose.daysTo : undefined,
            })
          }
        />{' '}
        to{' '}
        <NumberField
          label={`Most days a week of block ${number}`}
          value={dose.daysTo ?? dose.days ?? 0}
          limits={{ ...LIMITS.Dose.daysTo, min: dose.days ?? 0 }}
          className="w-8"
          onChange={(daysTo) =>
            actions.dose(block.id, {
              days: dose.days ?? daysTo,
              daysTo: dose.days !== undefined && daysTo > dose.days ? daysTo : undefined,
            })
          }
        />{' '}
        days a week
      </span>
    </Field>
  );
}
