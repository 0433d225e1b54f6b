import { type InputHTMLAttributes, useEffect, useRef } from 'react';
import { useController, useForm } from 'react-hook-form';

interface EditedFieldProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange' | 'onBlur'> {
  readonly label: string;
  /** What stands in it. */
  readonly value: string;
  readonly inputClass: string;
  /** What is wrong with what was typed, as a sentence. */
  readonly faultOf: (typed: string) => string | undefined;
  /** Told of every sound keystroke. @returns how it stands from then on */
  readonly onTyped: (typed: string) => string;
}

/**
 * A line edited in place: every sound keystroke counts at once; a wrong one is marked, said, and changes nothing, and
 * what stood there comes back when the field is left.
 */
export function EditedField({ label, value, className, inputClass, faultOf, onTyped, ...input }: EditedFieldProps) {
  const { control, reset } = useForm({ mode: 'onChange', defaultValues: { typed: value } });
  const { field, fieldState } = useController({
    control,
    name: 'typed',
    rules: { validate: (typed) => faultOf(typed) ?? true },
  });
  const own = useRef(value);
  useEffect(() => {
    // A change from elsewhere (undo, a fix) overrules what stands half typed.
    if (own.current !== value) reset({ typed: value });
    own.current = value;
  }, [value, reset]);
  const fault = fieldState.error?.message;
  return (
    <span className={`relative inline-block ${className ?? ''}`}>
      <input
        {...input}
        ref={field.ref}
        name={field.name}
        aria-label={label}
        aria-invalid={fault !== undefined}
        className={`field ${inputClass}`}
        value={field.value}
        onChange={({ target }) => {
          field.onChange(target.value);
          if (faultOf(target.value) === undefined) own.current = onTyped(target.value);
        }}
        onBlur={() => reset({ typed: value })}
      />
      {fault !== undefined && (
        <span
          role="alert"
          className="absolute top-full left-0 z-20 mt-1 rounded bg-alarm px-2 py-0.5 text-sm whitespace-nowrap text-sheet"
        >
          {fault}
        </span>
      )}
    </span>
  );
}
