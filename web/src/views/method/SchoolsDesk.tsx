import type { MethodFile } from '@warm-ladder/core/method';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { type Effect, withAnswer } from '@warm-ladder/core/versions';
import { useEffect, useState } from 'react';
import { selectCatalogSource } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { effectsOnClass } from '../../desk/useDesk';
import { Schools } from './Schools';
import { TwoMethods } from './TwoMethods';
import { useShownClass } from './useStandings';

interface SchoolsDeskProps {
  readonly method: MethodFile;
  readonly onChange: (method: MethodFile, field: string) => void;
}

/** The schools of the house, shown on one class: what each answer would change of it, tried out or taken. */
export function SchoolsDesk({ method, onChange }: SchoolsDeskProps) {
  const { classes, plan, show } = useShownClass();
  const effects = useEffects(plan);
  const [tried, setTried] = useState<MethodFile | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [trying, setTrying] = useState(false);
  const answered = trying ? (tried ?? method) : method;
  const readFile = async (file: File | undefined) => {
    if (!file) return;
    try {
      const { readMethod } = await import('./readMethod');
      setTried(readMethod(await file.text()));
      setTrying(true);
      setFault(null);
    } catch (error) {
      setFault(`${file.name}: ${(error as Error).message}`);
    }
  };
  return (
    <section aria-label="Schools" className="mt-5">
      <h2 className="font-name text-2xl font-semibold">Schools</h2>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <p className="grow text-soft">
          Good practitioners differ on these. Beside each answer stands what it would change
          {plan ? (
            <>
              {' of '}
              <select
                className="field max-w-56"
                aria-label="Class to show it on"
                value={plan.id}
                onChange={({ target }) => show(target.value)}
              >
                {classes.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </>
          ) : (
            ' of a class, once there is one'
          )}
          .
        </p>
        <label className="action text-sm">
          <input
            type="checkbox"
            checked={trying}
            onChange={({ target }) => {
              setTrying(target.checked);
              setTried(null);
            }}
          />
          Only try answers
        </label>
        <label className="action text-sm focus-within:outline-2">
          Compare with a file
          <input
            type="file"
            accept=".json"
            className="sr-only"
            onChange={({ target }) => {
              void readFile(target.files?.[0]);
              target.value = '';
            }}
          />
        </label>
      </div>
      {fault && (
        <p role="alert" className="text-alarm">
          {fault}
        </p>
      )}
      {tried && plan && (
        <TwoMethods
          plan={plan}
          now={method}
          tried={tried}
          onTake={() => {
            onChange(tried, 'the tried method');
            setTried(null);
            setTrying(false);
          }}
          onLeave={() => setTried(null)}
        />
      )}
      <Schools
        method={answered}
        effects={effects}
        onAnswer={(answer) => {
          const next = withAnswer(answered, answer);
          if (trying) setTried(next);
          else onChange(next, answer.question);
        }}
      />
    </section>
  );
}

const NONE: readonly Effect[] = [];

/** What each answer would change of a class; none while it is worked out. */
function useEffects(plan: ClassPlan | undefined): readonly Effect[] {
  const source = useAppSelector(selectCatalogSource);
  const [known, setKnown] = useState<readonly Effect[]>(NONE);
  useEffect(() => {
    let current = true;
    setKnown(NONE);
    // Worked out with this repertoire and method, though the desk reads them from the studio itself.
    if (plan && source) {
      effectsOnClass(plan)
        .then((effects) => current && setKnown(effects))
        .catch(() => undefined);
    }
    return () => {
      current = false;
    };
  }, [plan, source]);
  return known;
}
