import { type InputHTMLAttributes, useEffect, useId, useRef } from 'react';
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
 * A line edited in place: every sound keystroke counts at once. What is wrong is marked and said until it is mended,
 * and changes nothing: what stood there before the hand came counts meanwhile, and comes back by Escape.
 */
export function EditedField({ label, value, className, inputClass, faultOf, onTyped, ...input }: EditedFieldProps) {
  const { control, reset } = useForm({ mode: 'onChange', defaultValues: { typed: value } });
  const { field, fieldState } = useController({
    control,
    name: 'typed',
    rules: { validate: (typed) => faultOf(typed) ?? true },
  });
  const own = useRef(value);
  const before = useRef(value);
  const id = useId();
  useEffect(() => {
    // A change from elsewhere (undo, a fix) overrules what stands half typed.
    if (own.current !== value) {
      reset({ typed: value });
      before.current = value;
    }
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
        aria-describedby={fault === undefined ? undefined : id}
        className={`field ${inputClass}`}
        value={field.value}
        onChange={({ target }) => {
          field.onChange(target.value);
          const sound = faultOf(target.value) === undefined;
          // Half of a wrong number was right for a moment: 99 of 9999.
          if (sound || own.current !== before.current) own.current = onTyped(sound ? target.value : before.current);
        }}
        onFocus={(event) => {
          if (fault === undefined) before.current = value;
          input.onFocus?.(event);
        }}
        onBlur={() => {
          if (fault === undefined) reset({ typed: value });
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape' && fault !== undefined) {
            event.stopPropagation();
            reset({ typed: value });
          } else input.onKeyDown?.(event);
        }}
      />
      {fault !== undefined && (
        <span
          role="alert"
          id={id}
          className="absolute top-full left-0 z-20 mt-1 rounded bg-alarm px-2 py-0.5 text-sm whitespace-nowrap text-sheet"
        >
          {fault}
        </span>
      )}
    </span>
  );
}
