import { nameSchema } from '@warm-ladder/core/method';
import { useState } from 'react';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly className?: string;
  readonly onChange: (value: string) => void;
}

/** A name edited in place. A name that can't be (empty, too long, with markup in it) is said and not taken. */
export function TextField({ label, value, className = '', onChange }: TextFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const fault = typed === null ? undefined : nameSchema.safeParse(typed).error?.issues[0]?.message;
  return (
    <span className={`relative inline-block ${className}`}>
      <input
        aria-label={label}
        aria-invalid={fault !== undefined}
        className="field w-full"
        value={typed ?? value}
        onChange={({ target }) => {
          setTyped(target.value);
          const name = nameSchema.safeParse(target.value);
          if (name.success && name.data !== value) onChange(name.data);
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
