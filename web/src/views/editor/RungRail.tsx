import { addRungAbove, type Catalog, type Exercise, moveRung, removeRung } from '@warm-ladder/core/repertoire';
import { ArrowDown, ArrowUp, Grid2x2Plus, Plus, Trash2 } from 'lucide-react';
import { memo, Suspense, useState } from 'react';
import { freeId } from '../../app/freeId';
import { lazily } from '../../app/shell/lazily';
import { LadderRail } from '../../parts/rungs/LadderRail';

const AxesSheet = lazily(() => import('./poses/AxesSheet'));

interface RungRailProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  readonly step: number;
  readonly onExercise: (next: Exercise, label: string) => void;
  readonly onStep: (rung: string) => void;
}

/** The ladder that is drawn, and what can be done with its rungs. */
export const RungRail = memo(function RungRail({ catalog, exercise, step, onExercise, onStep }: RungRailProps) {
  const { rungs } = exercise;
  const rung = rungs[step];
  const [crossing, setCrossing] = useState(false);
  const add = () => {
    const name = `${rung?.name ?? 'Rung'}, harder`.slice(0, 120);
    const id = freeId(name, rungs);
    onExercise(addRungAbove(exercise, step, id, name), 'a rung more');
    onStep(id);
  };
  const tool = 'rounded p-1.5 hover:bg-shade disabled:opacity-35';
  return (
    <nav aria-label="Rungs">
      <LadderRail
        catalog={catalog}
        exercise={exercise}
        current={rungs[step]?.id}
        to={(id) => `/edit/${exercise.id}/${id}`}
      />
      <p className="mt-2 grid grid-cols-3 justify-items-center gap-1">
        <button type="button" className="action col-span-3 w-full justify-center text-sm" onClick={add}>
          <Plus className="size-4" aria-hidden="true" /> Rung above
        </button>
        {rungs.length > 1 && (
          <button
            type="button"
            className="action col-span-3 w-full justify-center text-sm"
            onClick={() => setCrossing(true)}
          >
            <Grid2x2Plus className="size-4" aria-hidden="true" /> Rungs between
          </button>
        )}
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
            onExercise(removeRung(exercise, step), 'removing a rung');
            onStep(rungs[step === 0 ? 1 : step - 1]?.id ?? '');
          }}
        >
          <Trash2 className="size-4" aria-hidden="true" />
          <span className="sr-only">Take {rung?.name} out of the ladder</span>
        </button>
      </p>
      {crossing && rung && (
        <Suspense fallback={null}>
          <AxesSheet
            catalog={catalog}
            exercise={exercise}
            first={rung.id}
            onClose={() => setCrossing(false)}
            onExercise={onExercise}
          />
        </Suspense>
      )}
    </nav>
  );
});
