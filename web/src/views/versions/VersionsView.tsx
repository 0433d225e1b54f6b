import type { ClassPlan } from '@warm-ladder/core/plan';
import { differenceOf, type Outline } from '@warm-ladder/core/versions';
import { Suspense, useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { lazily } from '../../app/shell/lazily';
import { selectCatalog, selectClasses, selectMethod, selectOpenClass, selectTimed } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { outlineUnder } from '../../desk/useDesk';
import { MiniStairs } from '../../parts/classes/MiniStairs';
import { VersionsTable } from '../../parts/classes/VersionsTable';
import { Choice } from '../../parts/fields/Choice';

// Charts come with a library of their own.
const EffortLines = lazily(() => import('../../charts/EffortLines'));
const DirectionShares = lazily(() => import('../../charts/DirectionShares'));

/** Two versions of a class beside each other: their stairs to one scale, effort, directions, blocks, findings and words. */
export function Component() {
  const [address, setAddress] = useSearchParams();
  const classes = useAppSelector(selectClasses);
  const open = useAppSelector(selectOpenClass);
  const named = (key: string) => classes.find(({ id }) => id === address.get(key));
  const one = named('one') ?? open;
  const other = named('other') ?? classes.find((each) => each !== one && each.audience === one?.audience);
  const set = (key: string, id: string) => {
    const next = new URLSearchParams(address);
    next.set(key, id);
    setAddress(next, { replace: true });
  };
  const choices = classes.map(({ id, name }) => [id, name] as const);
  return (
    <main className="mx-auto w-full max-w-[1280px] px-4 py-5">
      <h1 className="font-name text-3xl font-semibold">Two versions</h1>
      {!one ? (
        <p className="mt-3 text-soft">There is no class yet to set beside another. Make one under Class.</p>
      ) : (
        <>
          <p className="mt-1 text-lg">
            <Choice label="One version" value={one.id} choices={choices} onChange={(id) => set('one', id)} /> beside{' '}
            <Choice
              label="The other version"
              value={other?.id ?? ''}
              choices={[['', 'another class'], ...choices]}
              onChange={(id) => set('other', id)}
            />
          </p>
          {other && <Both one={one} other={other} />}
        </>
      )}
    </main>
  );
}

function Both({ one, other }: { readonly one: ClassPlan; readonly other: ClassPlan }) {
  const [outlines, fault] = useOutlines(one, other);
  const longest = Math.max(one.targetMinutes, other.targetMinutes) * 60 * 1.05;
  const names = [one.name, one.name === other.name ? `${other.name} (the other)` : other.name] as const;
  return (
    <>
      <ul className="mt-3 flex flex-col gap-1">
        {[one, other].map((plan, i) => (
          <VersionStairs key={`${plan.id}-${i}`} plan={plan} longest={longest} />
        ))}
      </ul>
      {fault !== null && <p role="alert">{fault}</p>}
      {outlines === null && fault === null && <p className="mt-3 text-soft">Working it out…</p>}
      {outlines && (
        <VersionsTable names={names} outlines={outlines} difference={differenceOf(outlines[0], outlines[1])}>
          <Suspense fallback={<p className="mt-3 text-soft">Drawing…</p>}>
            <div className="grid gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1fr)_26rem]">
              <section aria-label="Effort over time">
                <h2 className="font-name text-xl font-semibold">Heat over time</h2>
                <EffortLines names={names} outlines={outlines} />
              </section>
              <section aria-label="Directions">
                <h2 className="font-name text-xl font-semibold">Directions</h2>
                <DirectionShares
                  shares={outlines.map(({ directions }, i) => ({ name: names[i] ?? '', of: directions }))}
                />
              </section>
            </div>
          </Suspense>
        </VersionsTable>
      )}
    </>
  );
}

function VersionStairs({ plan, longest }: { readonly plan: ClassPlan; readonly longest: number }) {
  const catalog = useAppSelector(selectCatalog);
  const timed = useAppSelector((state) => selectTimed(state, plan));
  return (
    <li className="grid items-end gap-x-4 sm:grid-cols-[14rem_1fr]">
      <Link to={`/class/${plan.id}`} className="font-name text-lg leading-tight font-semibold hover:underline">
        {plan.name}
      </Link>
      <MiniStairs catalog={catalog} timed={timed} span={longest} />
    </li>
  );
}

/** Both versions worked out; or why they could not be. */
function useOutlines(one: ClassPlan, other: ClassPlan): readonly [readonly [Outline, Outline] | null, string | null] {
  const method = useAppSelector(selectMethod);
  const [known, setKnown] = useState<readonly [Outline, Outline] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    setFault(null);
    Promise.all([outlineUnder(one, method), outlineUnder(other, method)])
      .then((both) => current && setKnown(both))
      .catch((error: Error) => current && setFault(error.message));
    return () => {
      current = false;
    };
  }, [one, other, method]);
  return [known, fault];
}
