import { textFault } from '@warm-ladder/core/method';
import { useState } from 'react';

interface LinesFieldProps {
  readonly label: string;
  /** The label stands beside it already. */
  readonly hidden?: boolean;
  readonly value: readonly string[];
  readonly placeholder?: string;
  readonly onChange: (lines: string[]) => void;
}

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** Sentences, one a line. A line that can't be is said and nothing is taken until it can. */
export function LinesField({ label, hidden = false, value, placeholder, onChange }: LinesFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? value.join('\n');
  const fault = linesOf(shown).flatMap((line) => textFault('sentence', line) ?? [])[0];
  return (
    <label className="block text-[15px]">
      <span className={hidden ? 'sr-only' : 'text-sm text-soft'}>{label}</span>
      <textarea
        className="field block field-sizing-content w-full resize-none"
        rows={1}
        placeholder={placeholder}
        aria-invalid={fault !== undefined}
        value={shown}
        onChange={({ target }) => {
          setTyped(target.value);
          const lines = linesOf(target.value);
          if (lines.every((line) => textFault('sentence', line) === undefined)) onChange(lines);
        }}
        onBlur={() => setTyped(null)}
      />
      {fault !== undefined && (
        <span role="alert" className="block rounded bg-alarm px-2 text-sm text-sheet">
          {fault}.
        </span>
      )}
    </label>
  );
}
