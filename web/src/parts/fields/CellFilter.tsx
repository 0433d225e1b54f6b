import { DIRECTION_WORDS, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { PositionOptions } from './PositionOptions';

interface CellFilterProps {
  readonly catalog: Catalog;
  /** The id of a position, or empty for every one. */
  readonly position: string;
  readonly direction: Direction | '';
  readonly onPosition: (position: string) => void;
  readonly onDirection: (direction: Direction | '') => void;
}

/** Narrows rungs to a position, a direction, or a cell of the map. */
export function CellFilter({ catalog, position, direction, onPosition, onDirection }: CellFilterProps) {
  return (
    <>
      <select
        aria-label="Position"
        className="field"
        value={position}
        onChange={({ target }) => onPosition(target.value)}
      >
        <option value="">every position</option>
        <PositionOptions graph={catalog.graph} />
      </select>
      <select
        aria-label="Direction"
        className="field"
        value={direction}
        onChange={({ target }) => onDirection(target.value as Direction | '')}
      >
        <option value="">every direction</option>
        {DIRECTIONS.map((each) => (
          <option key={each} value={each}>
            {DIRECTION_WORDS[each]}
          </option>
        ))}
      </select>
    </>
  );
}
