import { DIRECTION_WORDS, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import type { Catalog, RungEntry } from '@warm-ladder/core/repertoire';
import { countText } from '@warm-ladder/core/vocabulary';
import { useMemo } from 'react';
import { useMeasured } from '../../app/measured';
import { DirectionMark } from '../../parts/classes/DirectionMark';
import { heatStep } from '../../parts/rungs/heat';

/** A position and a direction, whose rungs it stands for. */
export interface Cell {
  readonly position: string;
  readonly direction: Direction;
}

interface RepertoireMapProps {
  readonly catalog: Catalog;
  readonly cell: Cell | null;
  readonly onChoose: (cell: Cell | null) => void;
}

/** Position by direction: how many rungs there are, and at which heats, as a row of embers. A cell filters. */
export function RepertoireMap({ catalog, cell, onChoose }: RepertoireMapProps) {
  const measured = useMeasured(catalog);
  const rungs = useMemo(() => {
    const cells = new Map<string, RungEntry[]>();
    for (const entry of catalog.rungs) {
      for (const direction of entry.exercise.directions) {
        const key = `${entry.position}/${direction}`;
        cells.set(key, [...(cells.get(key) ?? []), entry]);
      }
    }
    return cells;
  }, [catalog]);
  /** A cell's heats, coolest to hottest; none until all are measured. */
  const heatsOf = (list: readonly RungEntry[]): number[] =>
    measured ? list.map((entry) => catalog.heat(entry)).sort((a, b) => a - b) : [];
  return (
    <table className="w-full table-fixed border-separate border-spacing-[3px]">
      <caption className="sr-only">Rungs by position and direction</caption>
      <thead>
        <tr>
          <th className="w-22">
            <span className="sr-only">Position</span>
          </th>
          {DIRECTIONS.map((direction) => (
            <th
              key={direction}
              scope="col"
              className="pb-1 align-bottom text-[12px] leading-tight font-normal text-soft"
            >
              <span className="flex flex-col items-center text-ink">
                <DirectionMark direction={direction} />
              </span>
              {DIRECTION_WORDS[direction]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {catalog.graph.positions.map((position) => (
          <tr key={position}>
            <th scope="row" className="pr-1 text-right text-[15px] font-normal">
              {catalog.graph.name(position)}
            </th>
            {DIRECTIONS.map((direction) => {
              const list = rungs.get(`${position}/${direction}`);
              const heats = list ? heatsOf(list) : [];
              const chosen = cell?.position === position && cell.direction === direction;
              return (
                <td key={direction} className="h-12 p-0">
                  {list ? (
                    <button
                      type="button"
                      aria-pressed={chosen}
                      aria-label={`${catalog.graph.name(position)}, ${DIRECTION_WORDS[direction]}: ${countText(list.length, 'rung')}${spanOf(heats)}`}
                      onClick={() => onChoose(chosen ? null : { position, direction })}
                      className={`flex size-full flex-col items-center justify-center gap-1 rounded-md bg-sheet hover:shadow-lift ${
                        chosen ? 'outline-3 outline-ink' : ''
                      }`}
                    >
                      <span className="text-lg leading-none font-semibold">{list.length}</span>
                      <Embers heats={heats} />
                    </button>
                  ) : (
                    <span
                      className="block size-full rounded-md border border-dashed border-line/70"
                      aria-hidden="true"
                    />
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** @param heats coolest to hottest; none where they are not known yet */
const spanOf = (heats: readonly number[]): string =>
  heats.length === 0 ? '' : `, heat ${Math.round(heats[0] ?? 0)} to ${Math.round(heats.at(-1) ?? 0)}`;

/** A little bar of the cell's heats, coolest to hottest, each rung an equal part. */
function Embers({ heats }: { heats: readonly number[] }) {
  // One gradient with hard stops: an element a rung would be more of them than all else on the page.
  const stops = heats.map((heat, i) => {
    const [from, to] = [i, i + 1].map((place) => `${((place / heats.length) * 100).toFixed(2)}%`);
    return `${heatStep(heat).colour} ${from} ${to}`;
  });
  const background = stops.length > 0 ? `linear-gradient(to right, ${stops.join(', ')})` : undefined;
  return <span className="block h-1.5 w-9 rounded-full" style={{ background }} aria-hidden="true" />;
}
