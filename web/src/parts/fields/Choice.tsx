import { useMemo } from 'react';

interface ChoiceProps {
  /** What is chosen, for who can't see the sentence it stands in. */
  readonly label: string;
  readonly value: string;
  /** Each with its words; `''` is the choice of none. */
  readonly choices: ReadonlyArray<readonly [string, string]>;
  readonly onChange: (value: string) => void;
}

/** A word of a sentence that can be another one: as wide as the word that stands there. */
export function Choice({ label, value, choices, onChange }: ChoiceProps) {
  // Some lists are long, and the same each time.
  const options = useMemo(
    () =>
      choices.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      )),
    [choices],
  );
  return (
    <select
      className="field max-w-full appearance-none font-semibold field-sizing-content"
      aria-label={label}
      value={value}
      onChange={({ target }) => onChange(target.value)}
    >
      {options}
    </select>
  );
}
