import type { FieldLimits } from '@warm-ladder/core/schemas';
import { EditedField } from './EditedField';
import { readNumber } from './readNumber';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  /** Of its key in the schema (`LIMITS`). */
  readonly limits: FieldLimits;
  readonly step?: number;
  readonly className?: string;
  /** -1 where Tab passes it by. */
  readonly tabIndex?: 0 | -1;
  readonly onChange: (value: number) => void;
}

/** A number edited in place, within its limits; the arrows up and down change it by a step. */
export function NumberField({
  label,
  value,
  limits,
  step = 1,
  className = '',
  tabIndex = 0,
  onChange,
}: NumberFieldProps) {
  const take = (number: number): string => {
    if (number !== value) onChange(number);
    return String(number);
  };
  return (
    <EditedField
      label={label}
      value={String(value)}
      inputMode="decimal"
      tabIndex={tabIndex}
      role="spinbutton"
      aria-valuenow={value}
      aria-valuemin={limits.min}
      aria-valuemax={limits.max}
      inputClass={`text-right ${className}`}
      faultOf={(typed) => numberFault(typed, limits)}
      onTyped={(typed) => take(readNumber(typed))}
      onFocus={(event) => event.target.select()}
      onKeyDown={(event) => {
        const up = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' ? -step : 0;
        if (up === 0 || event.altKey) return;
        event.preventDefault();
        const next = Math.round(1000 * Math.min(limits.max, Math.max(limits.min, value + up))) / 1000;
        if (numberFault(String(next), limits) === undefined) take(next);
      }}
    />
  );
}

/** What is wrong with a number as it was typed, as a sentence. */
function numberFault(typed: string, { min, max, whole, over }: FieldLimits): string | undefined {
  const value = readNumber(typed);
  const range = over ? `more than ${min}, ${max} at most` : `${min} to ${max}`;
  if (typed.trim() === '' || !Number.isFinite(value)) return `Expected a number, ${range}.`;
  if (whole && !Number.isInteger(value)) return `Expected a whole number, ${range}.`;
  return value < min || value > max || (over && value === min) ? `Expected ${range}.` : undefined;
}
