interface PeopleFieldProps {
  readonly label: string;
  /** As it is typed; empty where nobody counted. */
  readonly value: string;
  readonly disabled?: boolean;
  readonly onChange: (value: string) => void;
}

/** How many people there are: a number, or not known. */
export const PeopleField = ({ label, value, disabled = false, onChange }: PeopleFieldProps) => (
  <label className="text-lg">
    {label}{' '}
    <input
      type="number"
      min={0}
      max={999}
      inputMode="numeric"
      className="w-20 rounded border border-line bg-sheet px-2 py-1"
      value={value}
      disabled={disabled}
      onChange={({ target }) => onChange(/^\d{0,3}$/.test(target.value) ? target.value : value)}
    />
  </label>
);
