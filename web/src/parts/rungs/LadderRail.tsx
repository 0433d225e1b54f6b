import { type Catalog, type Exercise, heldAgainst } from '@warm-ladder/core/repertoire';
import { Link } from 'react-router';
import { RungFigure } from '../../figure/RungFigure';
import { HeatMark } from './HeatMark';

interface LadderRailProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  /** The rung in hand. */
  readonly current: string | undefined;
  /** Where a rung leads. */
  readonly to: (rung: string) => string;
}

/** The ladder standing up, hottest rung on top, each riser as the heat it costs. */
export function LadderRail({ catalog, exercise, current, to }: LadderRailProps) {
  const entries = exercise.rungs.flatMap(({ id }) => catalog.rung({ exercise: exercise.id, rung: id }) ?? []);
  const heats = entries.map((entry) => catalog.heat(entry));
  return (
    <ol className="flex flex-col-reverse" reversed>
      {entries.map(({ key, rung }, i) => {
        const entry = entries[i];
        const against = heldAgainst(exercise, i);
        const rise = (heats[i] ?? 0) - (heats[against] ?? 0);
        return (
          <li key={key} className="flex flex-col">
            <Link
              to={to(rung.id)}
              aria-current={rung.id === current ? 'true' : undefined}
              className={`block rounded-md p-1 ${rung.id === current ? 'bg-sheet shadow-lift' : 'hover:bg-sheet/70'}`}
            >
              {entry && <RungFigure entry={entry} className="h-14 w-full" />}
              <span className="flex items-start gap-1.5 border-t-3 border-ink pt-0.5 text-[15px] leading-tight">
                <span className={`grow ${rung.id === current ? 'font-semibold' : ''}`}>{rung.name}</span>
                <HeatMark heat={heats[i] ?? 0} />
              </span>
            </Link>
            {rung.branchOf !== undefined ? (
              <span className="self-center text-sm text-soft">beside {exercise.rungs[against]?.name}</span>
            ) : (
              against >= 0 && (
                <span className={`self-center text-sm ${rise > 0 ? 'text-soft' : 'font-semibold text-alarm'}`}>
                  {rise > 0 ? `↑ ${rise.toFixed(1)}` : `↓ ${Math.abs(rise).toFixed(1)}, easier than below`}
                </span>
              )
            )}
          </li>
        );
      })}
    </ol>
  );
}
