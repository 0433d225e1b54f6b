import { CONDITION_IDS, CONDITIONS, type Condition } from '@warm-ladder/core/caution';
import { ChipSet } from './ChipSet';

interface ConditionPickerProps {
  readonly chosen: readonly Condition[];
  readonly onChange: (next: Condition[]) => void;
}

const ALL = CONDITION_IDS.map((id) => ({ id, name: CONDITIONS[id].name }));

/** Conditions to tick; a ticked one says what is always said to people who have it. */
export function ConditionPicker({ chosen, onChange }: ConditionPickerProps) {
  return (
    <>
      <ChipSet legend="Cautions" all={ALL} chosen={chosen} onChange={onChange} />
      {chosen.length > 0 && (
        <dl className="mt-3 grid gap-x-4 gap-y-1 sm:grid-cols-[11rem_1fr]">
          {chosen.map((condition) => (
            <div key={condition} className="contents">
              <dt className="font-semibold">{CONDITIONS[condition].name}</dt>
              <dd>{CONDITIONS[condition].always}</dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
}
