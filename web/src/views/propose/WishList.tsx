import type { Wish } from '@warm-ladder/core/mend';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';

interface WishListProps {
  readonly title: string;
  readonly wishes: readonly Wish[];
  readonly onChange: (wishes: Wish[]) => void;
}

/** Ladders that a class has to have, or must not have, as words that can be taken away again. */
export function WishList({ title, wishes, onChange }: WishListProps) {
  const { exercises } = useAppSelector(selectCatalog);
  const named = (id: string) => exercises.find((each) => each.id === id)?.name ?? id;
  const left = exercises.filter(({ id }) => !wishes.some(({ exercise }) => exercise === id));
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span>{title}:</span>
      {wishes.map(({ exercise }) => (
        <button
          key={exercise}
          type="button"
          className="rounded bg-shade px-2 leading-snug hover:line-through"
          onClick={() => onChange(wishes.filter((each) => each.exercise !== exercise))}
        >
          {named(exercise)}
          <span className="sr-only">, take it from the list</span>
        </button>
      ))}
      <select
        className="field max-w-44"
        aria-label={title}
        value=""
        onChange={({ target }) => target.value && onChange([...wishes, { exercise: target.value }])}
      >
        <option value="">{wishes.length === 0 ? 'nothing in particular' : 'and …'}</option>
        {left.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </div>
  );
}
