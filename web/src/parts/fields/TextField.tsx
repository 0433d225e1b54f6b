import { textFault } from '@warm-ladder/core/method';
import { asSentence } from '../classes/asSentence';
import { EditedField } from './EditedField';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly className?: string;
  /** -1 where Tab passes it by. */
  readonly tabIndex?: 0 | -1;
  readonly placeholder?: string;
  /** Whether it may be left empty: a note, and not a name. */
  readonly note?: boolean;
  readonly onChange: (value: string) => void;
}

/** A name or a line edited in place. What can't be (an empty name, too long, markup in it) is said and not taken. */
export function TextField({
  label,
  value,
  className = '',
  tabIndex = 0,
  placeholder,
  note = false,
  onChange,
}: TextFieldProps) {
  return (
    <EditedField
      label={label}
      value={value}
      placeholder={placeholder}
      tabIndex={tabIndex}
      className={className}
      inputClass="w-full"
      faultOf={(typed) => {
        const fault = textFault(note ? 'note' : 'name', typed);
        if (fault === undefined) return undefined;
        return typed === '' ? 'Expected a name.' : asSentence(fault);
      }}
      onTyped={(typed) => {
        const text = typed.trim();
        if (text !== value) onChange(text);
        return text;
      }}
    />
  );
}
