import { keptIn, keptText, type MendStep, standingOf } from '@warm-ladder/core/mend';
import type { ClassPlan, PlanEdit } from '@warm-ladder/core/plan';
import { type ClassReview, clock, type Severity } from '@warm-ladder/core/review';
import { useEffect, useState } from 'react';
import { selectCatalog, selectTimed } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import { stopSearch } from '../../../desk/desk';
import type { Desk } from '../../../desk/useDesk';
import type { MendedClass } from '../../../desk/worker';
import { MiniStairs } from '../../../parts/classes/MiniStairs';
import { SeverityMark } from '../../../parts/classes/SeverityMark';
import { Sheet } from '../../../parts/Sheet';

interface MendSheetProps {
  readonly review: ClassReview;
  readonly mendAll: Desk['mendAll'];
  readonly onTake: (edits: readonly PlanEdit[]) => void;
  readonly close: () => void;
}

/** All of a class mended: before and after, taken whole or as far as a step. */
export default function MendSheet({ review, mendAll, onTake, close }: MendSheetProps) {
  const [mended, setMended] = useState<MendedClass | string | null>(null);
  const [looks, setLooks] = useState(false);
  useEffect(() => {
    let over = false;
    let answered = false;
    const tell = (found: MendedClass | string | null) => {
      answered = true;
      if (!over) setMended(found);
    };
    setMended(null);
    mendAll(looks).then(tell, (error: Error) => tell(error.message));
    return () => {
      over = true;
      // Nobody waits for it any more, and the next would wait behind it.
      if (!answered) stopSearch();
    };
  }, [mendAll, looks]);
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && close()}
      title="Mend all"
      about="Fix after fix, the gravest finding first, until none helps. Each is worth more than what it takes from your class, nothing locked changes, and it ends in time."
    >
      <label className="block">
        <input type="checkbox" checked={looks} onChange={({ target }) => setLooks(target.checked)} /> Also what is only
        worth a look
      </label>
      {typeof mended === 'string' && <p role="alert">{mended}</p>}
      {mended === null && <p aria-live="polite">Trying what helps …</p>}
      {mended !== null && typeof mended !== 'string' && (
        <Mended
          review={review}
          mended={mended}
          onTake={(edits) => {
            onTake(edits);
            close();
          }}
        />
      )}
    </Sheet>
  );
}

interface MendedProps {
  readonly review: ClassReview;
  readonly mended: MendedClass;
  readonly onTake: (edits: readonly PlanEdit[]) => void;
}

function Mended({ review, mended: { steps, why }, onTake }: MendedProps) {
  const [taken, setTaken] = useState(steps.length);
  const before = standingOf(review);
  const after = steps[taken - 1]?.after ?? before;
  const plan = steps[taken - 1]?.plan ?? review.timed.plan;
  if (steps.length === 0) {
    return (
      <>
        <p>No change near what was found makes the class better.</p>
        <Left why={why} />
      </>
    );
  }
  return (
    <div className="flex flex-col gap-4">
      <div className="grid gap-x-5 gap-y-2 sm:grid-cols-2">
        <Side title="Now" plan={review.timed.plan} standing={before} span={Math.max(before.seconds, after.seconds)} />
        <Side
          title={taken === steps.length ? 'Mended' : `After ${taken} of ${steps.length}`}
          plan={plan}
          standing={after}
          span={Math.max(before.seconds, after.seconds)}
        />
      </div>
      <p>It keeps {keptText(keptIn(review, plan))}.</p>
      <p>
        <button
          type="button"
          className="action action-main"
          onClick={() => onTake(steps.slice(0, taken).flatMap(({ edits }) => edits))}
        >
          {taken === steps.length ? 'Take it all' : `Take the first ${taken}`}
        </button>
      </p>
      <fieldset>
        <legend className="font-semibold">Step by step; take them as far as one of them</legend>
        <ol className="mt-1">
          {steps.map((step, i) => (
            <Step
              key={`${step.label} ${step.after.score}`}
              step={step}
              number={i + 1}
              taken={taken}
              onChoose={() => setTaken(i + 1)}
            />
          ))}
        </ol>
      </fieldset>
      <Left why={why} />
    </div>
  );
}

interface StepProps {
  readonly step: MendStep;
  readonly number: number;
  readonly taken: number;
  readonly onChoose: () => void;
}

function Step({ step: { label, after }, number, taken, onChoose }: StepProps) {
  return (
    <li className={number > taken ? 'text-soft line-through decoration-line' : ''}>
      <label className="flex items-baseline gap-2 py-0.5">
        <input type="radio" name="as-far-as" checked={number === taken} onChange={onChoose} />
        <span className="grow">{label}</span>
        <span className="text-sm whitespace-nowrap text-soft">
          {after.stop + after.fix + after.look} left, {clock(after.seconds)}
        </span>
      </label>
    </li>
  );
}

const SEVERITIES: readonly Severity[] = ['stop', 'fix', 'look'];

function Side(props: { title: string; plan: ClassPlan; standing: MendStep['after']; span: number }) {
  const { title, plan, standing, span } = props;
  const catalog = useAppSelector(selectCatalog);
  const timed = useAppSelector((state) => selectTimed(state, plan));
  return (
    <section aria-label={title}>
      <h3 className="font-semibold">
        {title} <span className="font-normal text-soft">{clock(standing.seconds)}</span>
      </h3>
      <MiniStairs catalog={catalog} timed={timed} span={span} />
      <p className="mt-1 flex gap-3 text-sm">
        {SEVERITIES.map((severity) => (
          <span key={severity} className={standing[severity] === 0 ? 'text-soft' : ''}>
            <SeverityMark severity={severity} /> {standing[severity]}
          </span>
        ))}
      </p>
    </section>
  );
}

function Left({ why }: Pick<MendedClass, 'why'>) {
  if (why.length === 0) return <p className="text-moss">Nothing is left to mend.</p>;
  return (
    <section aria-label="What is left">
      <h3 className="font-semibold">What is left, and why</h3>
      <ul className="mt-1 list-disc pl-5 text-sm">
        {why.map(({ code, ids, message }) => (
          <li key={`${code} ${ids.join(' ')} ${message}`}>{message}</li>
        ))}
      </ul>
    </section>
  );
}
