interface ChipSetProps<T extends string> {
  readonly legend: string;
  readonly all: ReadonlyArray<{ readonly id: T; readonly name: string }>;
  readonly chosen: readonly T[];
  /** The chosen ones in the order of `all`. */
  readonly onChange: (chosen: T[]) => void;
}

/** A few things of which any number are chosen. */
export function ChipSet<T extends string>({ legend, all, chosen, onChange }: ChipSetProps<T>) {
  return (
    <fieldset className="flex flex-wrap gap-1.5">
      <legend className="sr-only">{legend}</legend>
      {all.map(({ id, name }) => {
        const on = chosen.includes(id);
        return (
          <label
            key={id}
            className={`relative cursor-pointer rounded-full border px-2.5 text-[15px] has-focus-visible:outline-2 ${on ? 'border-ink bg-ink text-sheet' : 'border-line bg-sheet hover:border-ink'}`}
          >
            <input
              type="checkbox"
              className="absolute inset-0 cursor-pointer opacity-0"
              checked={on}
              onChange={() =>
                onChange(all.map((each) => each.id).filter((each) => (each === id ? !on : chosen.includes(each))))
              }
            />
            {on && <span aria-hidden="true">✓ </span>}
            {name}
          </label>
        );
      })}
    </fieldset>
  );
}
