import type { Audience } from '@warm-ladder/core/plan';
import { selectProps } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';

interface PropsAtHandProps {
  readonly audience: Audience;
  readonly set: (change: Pick<Partial<Audience>, 'equipment' | 'props'>, label: string, field?: string) => void;
}

/** What an audience has at hand, and how many of each. */
export function PropsAtHand({ audience, set }: PropsAtHandProps) {
  const all = useAppSelector(selectProps);
  const { equipment, props: counts = {}, size } = audience;
  const has = (id: string) => equipment?.includes(id) ?? true;
  const take = (id: string, on: boolean) => {
    const next = all.map((prop) => prop.id).filter((each) => (each === id ? on : has(each)));
    set({ equipment: next.length === all.length ? undefined : next }, 'the props');
  };
  return (
    <>
      <h2 className="mt-6 font-name text-xl font-semibold">Props at hand</h2>
      <fieldset className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
        <legend className="sr-only">Props at hand</legend>
        {all.map(({ id, name }) => (
          <span key={id} className="inline-flex items-center gap-1">
            <label className="inline-flex items-center gap-1.5">
              <input type="checkbox" checked={has(id)} onChange={({ target }) => take(id, target.checked)} />
              {name}
            </label>
            {has(id) && (
              <>
                <span aria-hidden="true" className="text-soft">
                  ×
                </span>
                <NumberField
                  label={`How many of ${name}`}
                  value={counts[id] ?? size ?? 12}
                  limits={LIMITS.Audience.props}
                  className={`w-9 px-0.5 ${counts[id] === undefined ? 'text-soft' : ''}`}
                  onChange={(count) => set({ props: { ...counts, [id]: count } }, 'the props', `count ${id}`)}
                />
              </>
            )}
          </span>
        ))}
      </fieldset>
    </>
  );
}
