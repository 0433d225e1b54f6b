import { useEffect, useRef, useState } from 'react';
import { readNumber } from './readNumber';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly whole?: boolean;
  readonly className?: string;
  readonly onChange: (value: number) => void;
}

/**
 * A number edited in place: every sound keystroke counts at once; a wrong one is marked, said, and changes nothing,
 * and what stood there comes back when the field is left.
 */
export function NumberField({
  label,
  value,
  min,
  max,
  step = 1,
  whole = false,
  className = '',
  onChange,
}: NumberFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? String(value);
  const own = useRef(value);
  useEffect(() => {
    // A change from elsewhere (undo, a remedy) overrules what stands half typed.
    if (own.current !== value) setTyped(null);
    own.current = value;
  }, [value]);
  const wrong = typed === null ? null : faultOf(typed, min, max, whole);
  const take = (text: string) => {
    setTyped(text);
    if (faultOf(text, min, max, whole) !== null) return;
    const number = readNumber(text);
    own.current = number;
    if (number !== value) onChange(number);
  };
  return (
    <span className="relative inline-block">
      <input
        type="text"
        inputMode="decimal"
        role="spinbutton"
        aria-label={label}
        aria-valuenow={value}
        aria-valuemin={min}
        aria-valuemax={max}
        aria-invalid={wrong !== null}
        className={`field text-right ${className}`}
        value={shown}
        onChange={(event) => take(event.target.value)}
        onBlur={() => setTyped(null)}
        onFocus={(event) => event.target.select()}
        onKeyDown={(event) => {
          const up = event.key === 'ArrowUp' ? step : event.key === 'ArrowDown' ? -step : 0;
          if (up === 0 || event.altKey) return;
          event.preventDefault();
          take(String(Math.min(max, Math.max(min, value + up))));
        }}
      />
      {wrong !== null && (
        <span
          role="alert"
          className="absolute top-full left-0 z-20 mt-1 rounded bg-brick px-2 py-0.5 text-sm whitespace-nowrap text-sheet"
        >
          {wrong}
        </span>
      )}
    </span>
  );
}

function faultOf(text: string, min: number, max: number, whole: boolean): string | null {
  const value = readNumber(text);
  const range = `${min} to ${max}`;
  if (text.trim() === '' || !Number.isFinite(value)) return `Expected a number, ${range}.`;
  if (whole && !Number.isInteger(value)) return `Expected a whole number, ${range}.`;
  return value < min || value > max ? `Expected ${range}.` : null;
}
