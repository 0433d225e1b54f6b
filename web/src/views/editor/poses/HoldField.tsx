import { HELD_PARTS, type HeldPart } from '@warm-ladder/core/body';
import type { Prop } from '@warm-ladder/core/repertoire';
import { HELD_WORDS } from './joints';

interface HoldFieldProps {
  /** Whose hand, where more than one can be asked. */
  readonly words: string;
  readonly label: string;
  readonly value: string | undefined;
  readonly props: readonly Prop[];
  readonly onChange: (held: HeldPart | string | null) => void;
}

/** What a hand holds: a part of the body, what is there beside it, or a prop of the rung. */
export function HoldField({ words, label, value = '', props, onChange }: HoldFieldProps) {
  return (
    <label className="flex items-baseline gap-1">
      <span className="shrink-0 text-soft">{words}</span>
      <select
        aria-label={label}
        className="field grow"
        value={value}
        onChange={({ target }) => onChange(target.value === '' ? null : target.value)}
      >
        <option value="">nothing</option>
        {HELD_PARTS.map((part) => (
          <option key={part} value={part}>
            {HELD_WORDS[part]}
          </option>
        ))}
        {props.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
