import { type RungRef, rungKey } from '@warm-ladder/core/repertoire';
import { RungSet } from '../../parts/rungs/RungSet';

interface GoalsProps {
  readonly goals: readonly RungRef[];
  readonly onChange: (goals: RungRef[]) => void;
}

/** Rungs a series leads to. */
export function Goals({ goals, onChange }: GoalsProps) {
  const refOf = (key: string): RungRef => {
    const [exercise = '', rung = ''] = key.split('/');
    return goals.find((goal) => rungKey(goal) === key) ?? { exercise, rung };
  };
  return (
    <RungSet
      lead="It leads to "
      does="no longer a goal"
      word={goals.length === 0 ? 'Choose a goal' : 'One more goal'}
      title="A rung the series leads to"
      keys={goals.map(rungKey)}
      onChange={(keys) => onChange(keys.map(refOf))}
    />
  );
}
