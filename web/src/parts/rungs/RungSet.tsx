import { rungKey } from '@warm-ladder/core/repertoire';
import { Suspense, useState } from 'react';
import { lazily } from '../../app/shell/lazily';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Gone } from '../Gone';

const RungSheet = lazily(() => import('./RungSheet'));

interface RungSetProps {
  /** What stands before the rungs. */
  readonly lead: string;
  /** What pressing one of them does. */
  readonly does: string;
  /** What the button says that adds one. */
  readonly word: string;
  readonly title: string;
  /** `exercise/rung`, or a whole exercise. */
  readonly keys: readonly string[];
  readonly onChange: (keys: readonly string[]) => void;
}

/** Rungs in a sentence: one goes when it is pressed, another comes from the repertoire. */
export function RungSet({ lead, does, word, title, keys, onChange }: RungSetProps) {
  const catalog = useAppSelector(selectCatalog);
  const [adding, setAdding] = useState(false);
  const nameOf = (key: string): string => {
    const entry = catalog.rungs.find((each) => each.key === key);
    if (entry) return `${entry.exercise.name}, ${entry.rung.name}`;
    return catalog.exercises.find(({ id }) => id === key)?.name ?? key;
  };
  return (
    <>
      {lead}
      {keys.map((key) => (
        <Gone key={key} words={nameOf(key)} does={does} onPress={() => onChange(keys.filter((each) => each !== key))} />
      ))}
      <button type="button" className="action text-base" onClick={() => setAdding(true)}>
        {word}
      </button>
      {adding && (
        <Suspense>
          <RungSheet
            catalog={catalog}
            title={title}
            onPick={({ exercise, rung }) => {
              const key = rungKey({ exercise: exercise.id, rung: rung.id });
              setAdding(false);
              if (!keys.includes(key)) onChange([...keys, key]);
            }}
            onClose={() => setAdding(false)}
          />
        </Suspense>
      )}
    </>
  );
}
