import { useWindowVirtualizer } from '@tanstack/react-virtual';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { clock, type Glance, SEVERITIES } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import { Copy, Plus } from 'lucide-react';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useChange } from '../../app/store/edits';
import { selectAudience, selectCatalog, selectClasses, selectSeries, selectTimed } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { useNewClass } from '../../app/useNewClass';
import { useGlances } from '../../desk/useDesk';
import { MiniStairs } from '../../parts/classes/MiniStairs';
import { SeverityMark } from '../../parts/classes/SeverityMark';
import { DeleteButton } from '../../parts/DeleteButton';
import { FirstSteps } from './FirstSteps';

/** Height of a row before it is measured, in pixels. */
const ROW = 81;
/** Classes that are found by looking. */
const FEW = 12;

/** Every class of the studio, drawn to one scale of time. */
export function Component() {
  const classes = useAppSelector(selectClasses);
  const { exercises } = useAppSelector(selectCatalog);
  const create = useNewClass();
  const [sought, setSought] = useState('');
  const shown = useMemo(() => {
    const words = sought.toLowerCase().split(/\s+/);
    return classes.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
  }, [classes, sought]);
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="grow font-name text-3xl font-semibold">Classes</h1>
        {exercises.length > 0 && (
          <Link to="/propose" className="action action-main">
            <Plus className="size-4" aria-hidden="true" /> Begin a class
          </Link>
        )}
        <button type="button" className="action" onClick={() => create()}>
          Empty class
        </button>
      </div>
      {exercises.length === 0 && <FirstSteps />}
      {exercises.length > 0 && classes.length === 0 && (
        <p className="mt-6 max-w-prose text-soft">
          No class yet: say who is in the room and how long, and take one of three.
        </p>
      )}
      {classes.length > FEW && (
        <input
          type="search"
          className="field mt-4 w-full max-w-sm"
          aria-label="Search the classes"
          placeholder="Search by name"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
        />
      )}
      {shown.length < classes.length && (
        <p role="status" className="mt-2 text-soft">
          {countText(shown.length, 'class', 'classes')} of {classes.length}
        </p>
      )}
      <Rows plans={shown} onCopy={create} />
    </main>
  );
}

/** The rows in sight and a few around them: each is timed, reviewed and drawn, and a studio has thousands. */
function Rows({ plans, onCopy }: { plans: readonly ClassPlan[]; onCopy: (plan: ClassPlan) => void }) {
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const rows = useWindowVirtualizer({
    count: plans.length,
    estimateSize: () => ROW,
    overscan: 4,
    scrollMargin: top,
    getItemKey: (i) => plans[i]?.id ?? i,
  });
  const longest = useMemo(() => Math.max(1, ...plans.map(({ targetMinutes }) => targetMinutes * 60)) * 1.05, [plans]);
  const shown = rows.getVirtualItems();
  const glances = useGlances(shown.flatMap(({ index }) => plans[index]?.id ?? []));
  return (
    <ul ref={list} className="relative mt-4" style={{ height: rows.getTotalSize() }}>
      {shown.map(({ index, key, start }) => {
        const plan = plans[index];
        return plan ? (
          <li
            key={key}
            ref={rows.measureElement}
            data-index={index}
            aria-setsize={plans.length}
            aria-posinset={index + 1}
            className="group absolute inset-x-0 top-0 grid items-center gap-x-5 border-t border-line py-2 sm:grid-cols-[minmax(0,19rem)_1fr_auto_auto]"
            style={{ transform: `translateY(${start - top}px)` }}
          >
            <ClassRow plan={plan} glance={glances.get(plan.id)} longest={longest} onCopy={() => onCopy(plan)} />
          </li>
        ) : null;
      })}
    </ul>
  );
}

interface RowProps {
  readonly plan: ClassPlan;
  /** Missing until it is worked out. */
  readonly glance: Glance | undefined;
  readonly longest: number;
  readonly onCopy: () => void;
}

function RowStairs({ plan, longest }: Pick<RowProps, 'plan' | 'longest'>) {
  const catalog = useAppSelector(selectCatalog);
  const timed = useAppSelector((state) => selectTimed(state, plan));
  return <MiniStairs catalog={catalog} timed={timed} span={longest} />;
}

function ClassRow({ plan, glance, longest, onCopy }: RowProps) {
  const audience = useAppSelector((state) => selectAudience(state, plan.audience));
  const series = useAppSelector((state) =>
    selectSeries(state).find(({ episodes }) => episodes.some((episode) => episode.class === plan.id)),
  );
  const change = useChange();
  const over = glance !== undefined && glance.seconds > plan.targetMinutes * 60;
  return (
    <>
      <Link to={`/class/${plan.id}`} className="leading-snug">
        <span className="font-name text-lg font-semibold group-hover:underline">{plan.name}</span>
        <span className="block text-sm text-soft">
          {[audience?.name ?? 'anyone', plan.delivery === 'group' ? 'in a group' : 'on demand', series?.name]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </Link>
      <Link to={`/class/${plan.id}`} tabIndex={-1} aria-hidden="true">
        {glance ? <RowStairs plan={plan} longest={longest} /> : <span className="block h-16" />}
      </Link>
      <span className="sm:w-48">
        <span className={`text-xl font-semibold ${over ? 'text-alarm' : ''}`}>{glance && clock(glance.seconds)}</span>
        <span className="text-soft">{glance ? ` of ${plan.targetMinutes}` : `${plan.targetMinutes} min`}</span>
        <span className="flex gap-3 text-sm">
          {glance && SEVERITIES.every((severity) => glance.counts[severity] === 0) && (
            <span className="text-moss">nothing to mend</span>
          )}
          {SEVERITIES.map((severity) => {
            const count = glance?.counts[severity] ?? 0;
            return count > 0 ? (
              <span key={severity} className="inline-flex items-center gap-1">
                {count} <SeverityMark severity={severity} />
              </span>
            ) : null;
          })}
        </span>
      </span>
      <span className="flex gap-1">
        <button type="button" className="rounded p-1.5 hover:bg-shade" onClick={onCopy} title="Copy">
          <Copy className="size-4" aria-hidden="true" />
          <span className="sr-only">Copy {plan.name}</span>
        </button>
        <DeleteButton
          words={`Delete ${plan.name}`}
          against={series ? `An episode of ${series.name}` : undefined}
          onPress={() => change('classes', plan.id, undefined, `deleting ${plan.name}`)}
        />
      </span>
    </>
  );
}
