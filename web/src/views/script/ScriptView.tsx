import type { ClassPlan } from '@warm-ladder/core/plan';
import { clock, conditionsOf, earlierInSeries } from '@warm-ladder/core/review';
import { draftScript, GENERAL_ADVICE, type ScriptSection, wantsWords } from '@warm-ladder/core/script';
import { schoolFindings } from '@warm-ladder/core/voice';
import { Printer } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { LostPage } from '../../app/LostPage';
import { selectAudiences, selectCatalog, selectClasses, selectReview, selectSeries } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { Section } from './Section';

export function Component() {
  const { id } = useParams();
  const classes = useAppSelector(selectClasses);
  const plan = classes.find((each) => each.id === id);
  if (plan) return <ScriptPage plan={plan} />;
  return id === undefined ? <ScriptList classes={classes} /> : <LostPage />;
}

function ScriptList({ classes }: { classes: readonly ClassPlan[] }) {
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">Scripts</h1>
      <p className="mt-1 text-soft">Each class is its own script; what is spoken follows every change of the plan.</p>
      <ul className="mt-4 flex flex-col divide-y divide-line">
        {classes.map(({ id, name, targetMinutes }) => (
          <li key={id}>
            <Link to={`/script/${id}`} className="flex gap-3 py-2.5 text-lg hover:underline">
              <span className="grow font-name font-semibold">{name}</span>
              <span className="text-soft">{targetMinutes} min</span>
            </Link>
          </li>
        ))}
      </ul>
      {classes.length === 0 && <p className="mt-4">There is no class to speak yet. Make one under Class.</p>}
    </main>
  );
}

function ScriptPage({ plan }: { plan: ClassPlan }) {
  const catalog = useAppSelector(selectCatalog);
  const { timed } = useAppSelector((state) => selectReview(state, plan));
  const audience = useAppSelector((state) => selectAudiences(state).find(({ id }) => id === plan.audience));
  const allSeries = useAppSelector(selectSeries);
  const classes = useAppSelector(selectClasses);
  const series = allSeries.filter(({ episodes }) => episodes.some((each) => each.class === plan.id));
  const earlier = useMemo(
    () => earlierInSeries(plan.id, allSeries, (id) => classes.find((each) => each.id === id)),
    [plan.id, allSeries, classes],
  );
  const script = useMemo(
    () => draftScript(catalog, timed, { conditions: conditionsOf(timed.plan, audience), earlier }),
    [catalog, timed, audience, earlier],
  );
  const strays = useMemo(() => schoolFindings(catalog, timed), [catalog, timed]);
  const unwritten = script.sections.reduce((sum, { lines }) => sum + lines.filter(wantsWords).length, 0);
  const props = [...new Set(timed.blocks.flatMap(({ entry }) => entry.props.map(({ name }) => name)))];
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-5 print:max-w-none print:p-0">
      <header className="border-b-2 border-ink pb-3">
        <div className="flex flex-wrap items-start gap-3">
          <h1 className="grow font-name text-3xl leading-tight font-semibold">{script.title}</h1>
          <button type="button" className="action no-print" onClick={() => window.print()}>
            <Printer className="size-4" aria-hidden="true" /> Print
          </button>
          <Link to={`/room/${plan.id}`} className="action no-print">
            Room card
          </Link>
          <Link to={`/class/${plan.id}`} className="action no-print">
            Open the class
          </Link>
        </div>
        <p className="mt-1 text-lg">
          Runs{' '}
          <output aria-label="Running time" className="font-semibold">
            {clock(script.seconds)}
          </output>{' '}
          of {plan.targetMinutes} minutes · {audience?.name ?? 'anyone'}
          {props.length > 0 && ` · you need ${props.join(', ').toLowerCase()}`}
        </p>
        {unwritten > 0 && (
          <p className="no-print mt-1 text-soft">
            {unwritten} {unwritten === 1 ? 'line has' : 'lines have'} no words of yours yet; they are drafted from the
            figures and set in italics.
          </p>
        )}
        {strays.length > 0 && (
          <details className="no-print mt-1">
            <summary>
              {strays.length === 1 ? '1 thing is' : `${strays.length} things are`} said or done otherwise than the house
              does
            </summary>
            <ul className="mt-1 list-disc pl-5 text-soft">
              {strays.map(({ message }) => (
                <li key={message}>{message}</li>
              ))}
            </ul>
          </details>
        )}
        {series.map(({ id, forWhom, seeFirst }) => (
          <div key={id} className="mt-2">
            {forWhom && <p>For: {forWhom}</p>}
            {seeFirst && (
              <p>
                <strong>Check with a professional first:</strong> {seeFirst}
              </p>
            )}
          </div>
        ))}
        <p className="mt-2 text-sm text-soft">{GENERAL_ADVICE}</p>
      </header>
      {script.sections.map((section) => (
        <Section
          key={`${section.kind}-${section.startSeconds}-${section.block}`}
          section={section}
          figure={entryOf(section)}
        />
      ))}
    </main>
  );

  function entryOf({ block, pass }: ScriptSection) {
    return block === null || pass === 2 ? undefined : (timed.sequence[block]?.entry ?? undefined);
  }
}
