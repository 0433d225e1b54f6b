import { untypedSetup } from '@warm-ladder/core/plan';
import { selectCatalog } from '../../../../app/store/selectors';
import { useAppSelector } from '../../../../app/store/store';
import { LIMITS } from '../../../../parts/fields/limits';
import { NumberField } from '../../../../parts/fields/NumberField';
import { Field, type RowProps } from './row';

/** Whether it goes on from the block before. */
export function CarryRow({ index, block, carries, mayCarry, set }: RowProps) {
  const seen = block.carry === undefined;
  if (!mayCarry) return null;
  return (
    <Field name="After the block before">
      <select
        className="field"
        aria-label={`After the block before, block ${index + 1}`}
        value={seen ? '' : block.carry ? 'yes' : 'no'}
        onChange={({ target }) =>
          set({ carry: target.value === '' ? undefined : target.value === 'yes' }, 'how it goes on')
        }
      >
        <option value="">{seen && carries ? 'goes on in the same shape (seen)' : 'as the poses show'}</option>
        <option value="yes">goes on in the same shape</option>
        <option value="no">a new shape</option>
      </select>
    </Field>
  );
}

/** How long its set-up takes. */
export function SetUpRow({ index, block, entry, carries, set }: RowProps) {
  const { method } = useAppSelector(selectCatalog);
  const { seconds: own, spoken } = untypedSetup(entry, block, method, method.wordsPerMinute, carries);
  return (
    <Field name="Set-up">
      <span>
        <NumberField
          label={`Set-up of block ${index + 1}, seconds`}
          value={block.setupSeconds ?? Math.round(own)}
          limits={LIMITS.RungBlock.setupSeconds}
          className="w-12"
          onChange={(seconds) =>
            set({ setupSeconds: seconds === Math.round(own) ? undefined : seconds }, 'the set-up', 'setup')
          }
        />{' '}
        s{block.setupSeconds !== undefined && <span className="text-soft"> (else {Math.round(own)})</span>}
        {spoken > 0 && <span className="text-soft"> · its words take {Math.round(spoken)} s</span>}
      </span>
    </Field>
  );
}
