import { DIRECTION_WORDS, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { useMemo } from 'react';
import { DirectionMark } from '../../parts/DirectionMark';
import { heatStep } from '../../parts/heat';

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
  const heats = useMemo(() => {
    const cells = new Map<string, number[]>();
    for (const entry of catalog.rungs) {
      for (const direction of entry.exercise.directions) {
        const key = `${entry.exercise.position}/${direction}`;
        cells.set(key, [...(cells.get(key) ?? []), catalog.heat(entry)]);
      }
    }
    for (const list of cells.values()) list.sort((a, b) => a - b);
    return cells;
  }, [catalog]);
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
              const list = heats.get(`${position}/${direction}`);
              const chosen = cell?.position === position && cell.direction === direction;
              return (
                <td key={direction} className="h-12 p-0">
                  {list ? (
                    <button
                      type="button"
                      aria-pressed={chosen}
                      aria-label={`${catalog.graph.name(position)}, ${DIRECTION_WORDS[direction]}: ${list.length} rungs, heat ${Math.round(list[0] ?? 0)} to ${Math.round(list.at(-1) ?? 0)}`}
                      onClick={() => onChoose(chosen ? null : { position, direction })}
                      className={`flex size-full flex-col items-center justify-center gap-1 rounded-md bg-sheet hover:shadow-lift ${
                        chosen ? 'outline-3 outline-ink' : ''
                      }`}
                    >
                      <span className="text-lg leading-none font-semibold">{list.length}</span>
                      <Embers heats={list} />
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

/** A little bar of the cell's heats, coolest to hottest, each rung an equal part. */
function Embers({ heats }: { heats: readonly number[] }) {
  return (
    <span className="flex h-1.5 w-9 overflow-hidden rounded-full" aria-hidden="true">
      {heats.map((heat, i) => (
        <span key={i} className="grow" style={{ background: heatStep(heat).colour }} />
      ))}
    </span>
  );
}
