import { offeredRungs, optionOf } from '@warm-ladder/core/plan';
import { LANE_WORDS, laneOf } from '@warm-ladder/core/repertoire';
import { selectCatalog } from '../../../../app/store/selectors';
import { useAppSelector } from '../../../../app/store/store';
import type { RowProps } from './row';

/** Rungs of the same ladder to be offered aloud, each with where it stands to the main version. */
export function OptionsRow({ block, entry, set }: RowProps) {
  const catalog = useAppSelector(selectCatalog);
  const offered = offeredRungs(block);
  const ladder = catalog.ladder(entry.exercise.id);
  const offer = (rung: string, on: boolean) => {
    const wanted = ladder.flatMap(({ rung: { id } }) => {
      if (id === rung) return on ? [id] : [];
      return block.options?.filter((each) => optionOf(each).rung === id) ?? [];
    });
    set({ options: wanted.length > 0 ? wanted : undefined }, 'the options');
  };
  const others = ladder.filter(({ rung }) => rung.id !== entry.rung.id);
  if (others.length === 0) return null;
  return (
    <fieldset>
      <legend className="text-sm text-soft">Options to offer</legend>
      {others.map((other) => (
        <label key={other.key} className="mr-4 inline-flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={offered.includes(other.rung.id)}
            onChange={({ target }) => offer(other.rung.id, target.checked)}
          />
          <span className="text-soft">{LANE_WORDS[laneOf(entry, other)]}</span> {other.rung.name}
        </label>
      ))}
    </fieldset>
  );
}
