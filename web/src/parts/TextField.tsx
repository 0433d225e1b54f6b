import { textFault } from '@warm-ladder/core/method';
import { useState } from 'react';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly className?: string;
  readonly placeholder?: string;
  /** Whether it may be left empty: a note, and not a name. */
  readonly note?: boolean;
  readonly onChange: (value: string) => void;
}

/** A name or a line edited in place. What can't be (an empty name, too long, markup in it) is said and not taken. */
export function TextField({ label, value, className = '', placeholder, note = false, onChange }: TextFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const faultOf = (text: string) => textFault(note ? 'note' : 'name', text);
  const fault = typed === null ? undefined : faultOf(typed);
  return (
    <span className={`relative inline-block ${className}`}>
      <input
        aria-label={label}
        placeholder={placeholder}
        aria-invalid={fault !== undefined}
        className="field w-full"
        value={typed ?? value}
        onChange={({ target }) => {
          setTyped(target.value);
          const text = target.value.trim();
          if (faultOf(text) === undefined && text !== value) onChange(text);
        }}
        onBlur={() => setTyped(null)}
      />
      {fault !== undefined && (
        <span
          role="alert"
          className="absolute top-full left-0 z-20 mt-1 rounded bg-brick px-2 py-0.5 text-sm text-sheet"
        >
          {typed === '' ? 'Expected a name.' : `${fault}.`}
        </span>
      )}
    </span>
  );
}
