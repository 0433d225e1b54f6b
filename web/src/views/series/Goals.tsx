import { type RungRef, rungKey } from '@warm-ladder/core/repertoire';
import { Suspense, useState } from 'react';
import { lazily } from '../../app/lazily';
import { selectCatalog } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { Gone } from '../../parts/Gone';

const RungSheet = lazily(() => import('../../parts/RungSheet'));

interface GoalsProps {
  readonly goals: readonly RungRef[];
  readonly onChange: (goals: RungRef[]) => void;
}

/** Rungs a series leads to. */
export function Goals({ goals, onChange }: GoalsProps) {
  const catalog = useAppSelector(selectCatalog);
  const [adding, setAdding] = useState(false);
  return (
    <>
      It leads to{' '}
      {goals.map((goal) => {
        const entry = catalog.rung(goal);
        return (
          <Gone
            key={rungKey(goal)}
            words={entry ? `${entry.exercise.name}, ${entry.rung.name}` : rungKey(goal)}
            does="no longer a goal"
            onPress={() => onChange(goals.filter((each) => each !== goal))}
          />
        );
      })}
      <button type="button" className="action text-base" onClick={() => setAdding(true)}>
        {goals.length === 0 ? 'Choose a goal' : 'One more goal'}
      </button>
      {adding && (
        <Suspense>
          <RungSheet
            catalog={catalog}
            title="A rung the series leads to"
            onPick={({ exercise, rung }) => {
              const goal = { exercise: exercise.id, rung: rung.id };
              setAdding(false);
              if (!goals.some((each) => rungKey(each) === rungKey(goal))) onChange([...goals, goal]);
            }}
            onClose={() => setAdding(false)}
          />
        </Suspense>
      )}
    </>
  );
}
