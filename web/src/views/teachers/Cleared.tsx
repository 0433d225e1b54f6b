import type { Teacher } from '@warm-ladder/core/plan';
import { type Parts, withPartsOrNone } from '@warm-ladder/core/vocabulary';
import { selectAudiences } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { ChipSet } from '../../parts/fields/ChipSet';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';

interface ClearedProps {
  readonly teacher: Teacher;
  readonly onChange: (cleared: Teacher['cleared']) => void;
}

/** What somebody may teach: up to which heat, and to whom. */
export function Cleared({ teacher, onChange }: ClearedProps) {
  const audiences = useAppSelector(selectAudiences);
  const { heat, audiences: whom } = teacher.cleared ?? {};
  const put = (change: Parts<NonNullable<Teacher['cleared']>>) => onChange(withPartsOrNone(teacher.cleared, change));
  return (
    <div>
      <p className="leading-loose">
        May teach up to heat{' '}
        <NumberField
          label={`The hardest rung ${teacher.name} may teach`}
          value={heat ?? 100}
          limits={LIMITS.Cleared.heat}
          className="w-10"
          onChange={(next) => put({ heat: next === 100 ? undefined : next })}
        />
        , to {whom === undefined ? 'everybody' : 'these'}:
      </p>
      <ChipSet
        legend={`Whom ${teacher.name} may teach`}
        all={audiences}
        chosen={whom ?? []}
        onChange={(chosen) => put({ audiences: chosen.length > 0 ? chosen : undefined })}
      />
    </div>
  );
}
