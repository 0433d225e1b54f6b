import { addRungAbove, type Catalog, type Exercise, moveRung, removeRung } from '@warm-ladder/core/repertoire';
import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { freeId } from '../../app/freeId';
import { RungFigure } from '../../figure/RungFigure';
import { HeatMark } from '../../parts/HeatMark';

interface RungRailProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  readonly step: number;
  readonly onExercise: (next: Exercise, label: string) => void;
  readonly onStep: (rung: string) => void;
}

/** The ladder standing up, hottest rung on top, each riser as the heat it costs. */
export function RungRail({ catalog, exercise, step, onExercise, onStep }: RungRailProps) {
  const { rungs } = exercise;
  const entries = rungs.flatMap(({ id }) => catalog.rung({ exercise: exercise.id, rung: id }) ?? []);
  const heats = entries.map((entry) => catalog.heat(entry));
  const rung = rungs[step];
  const add = () => {
    const name = `${rung?.name ?? 'Rung'}, harder`.slice(0, 120);
    const id = freeId(name, rungs);
    onExercise(addRungAbove(exercise, step, id, name), 'a rung more');
    onStep(id);
  };
  const tool = 'rounded p-1.5 hover:bg-shade disabled:opacity-35';
  return (
    <nav aria-label="Rungs">
      <ol className="flex flex-col-reverse" reversed>
        {entries.map((entry, i) => {
          const rise = (heats[i] ?? 0) - (heats[i - 1] ?? 0);
          return (
            <li key={entry.key} className="flex flex-col">
              <Link
                to={`/edit/${exercise.id}/${entry.rung.id}`}
                aria-current={i === step ? 'true' : undefined}
                className={`block rounded-md p-1 ${i === step ? 'bg-sheet shadow-lift' : 'hover:bg-sheet/70'}`}
              >
                <RungFigure entry={entry} className="h-14 w-full" />
                <span className="flex items-start gap-1.5 border-t-3 border-ink pt-0.5 text-[15px] leading-tight">
                  <span className={`grow ${i === step ? 'font-semibold' : ''}`}>{entry.rung.name}</span>
                  <HeatMark heat={heats[i] ?? 0} />
                </span>
              </Link>
              {i > 0 && (
                <span className={`self-center text-sm ${rise > 0 ? 'text-soft' : 'font-semibold text-brick'}`}>
                  {rise > 0 ? `↑ ${rise.toFixed(1)}` : `↓ ${Math.abs(rise).toFixed(1)}, cooler than below`}
                </span>
              )}
            </li>
          );
        })}
      </ol>
      <p className="mt-2 grid grid-cols-3 justify-items-center gap-1">
        <button type="button" className="action col-span-3 w-full justify-center text-sm" onClick={add}>
          <Plus className="size-4" aria-hidden="true" /> Rung above
        </button>
        <button
          type="button"
          className={tool}
          disabled={step >= rungs.length - 1}
          onClick={() => onExercise(moveRung(exercise, step, step + 1), 'the order of the rungs')}
        >
          <ArrowUp className="size-4" aria-hidden="true" />
          <span className="sr-only">Move {rung?.name} up</span>
        </button>
        <button
          type="button"
          className={tool}
          disabled={step === 0}
          onClick={() => onExercise(moveRung(exercise, step, step - 1), 'the order of the rungs')}
        >
          <ArrowDown className="size-4" aria-hidden="true" />
          <span className="sr-only">Move {rung?.name} down</span>
        </button>
        <button
          type="button"
          className={tool}
          disabled={rungs.length < 2}
          onClick={() => {
            onExercise(removeRung(exercise, step), 'taking out a rung');
            onStep(rungs[step === 0 ? 1 : step - 1]?.id ?? '');
          }}
        >
          <Trash2 className="size-4" aria-hidden="true" />
          <span className="sr-only">Take {rung?.name} out of the ladder</span>
        </button>
      </p>
    </nav>
  );
}
