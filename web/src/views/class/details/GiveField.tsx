interface GiveFieldProps {
  /** The block's, from 1. */
  readonly number: number;
  readonly give: number | undefined;
  readonly onChange: (give: number | undefined) => void;
}

/** How many places in the order of what may go can be picked. */
const GIVES = [1, 2, 3, 4, 5, 6];

/** Whether a block may go when the class runs late, and when. */
export function GiveField({ number, give, onChange }: GiveFieldProps) {
  return (
    <span className="flex flex-col">
      <span className="text-sm text-soft" aria-hidden="true">
        When it runs late
      </span>
      <select
        aria-label={`Block ${number} when the class runs late`}
        className="field self-start"
        value={give ?? ''}
        onChange={({ target }) => onChange(target.value === '' ? undefined : Number(target.value))}
      >
        <option value="">it stays</option>
        {GIVES.map((place) => (
          <option key={place} value={place}>
            it may go, {place === 1 ? 'first' : `as number ${place}`}
          </option>
        ))}
        {give !== undefined && give > GIVES.length && <option value={give}>it may go</option>}
      </select>
    </span>
  );
}
