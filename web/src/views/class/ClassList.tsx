import type { ClassPlan } from '@warm-ladder/core/plan';
import { clock, SEVERITIES } from '@warm-ladder/core/review';
import { Copy, Plus, Trash2 } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { useChange } from '../../app/edits';
import { freeId } from '../../app/freeId';
import { selectAudiences, selectCatalog, selectClasses, selectReview, selectSeries } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { MiniStairs } from '../../parts/MiniStairs';
import { SeverityMark } from '../../parts/SeverityMark';

/** Every class of the studio, drawn to one scale of time. */
export function Component() {
  const classes = useAppSelector(selectClasses);
  const change = useChange();
  const navigate = useNavigate();
  const create = (from?: ClassPlan) => {
    const name = from ? `${from.name}, again` : 'New class';
    const id = freeId(name, classes);
    const fresh: ClassPlan = from
      ? { ...from, id, name }
      : { id, name, delivery: 'group', targetMinutes: 45, openingSeconds: 120, closingSeconds: 90, blocks: [] };
    change('classes', id, fresh, `making ${name}`);
    void navigate(`/class/${id}`);
  };
  const longest = Math.max(1, ...classes.map(({ targetMinutes }) => targetMinutes * 60));
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="grow font-name text-3xl font-semibold">Classes</h1>
        <button type="button" className="action action-main" onClick={() => create()}>
          <Plus className="size-4" aria-hidden="true" /> New class
        </button>
      </div>
      {classes.length === 0 && (
        <p className="mt-6 max-w-prose text-soft">
          No class yet. Make the first one, or bring a studio in with Import a file… from the Studio menu.
        </p>
      )}
      <ul className="mt-4 flex flex-col divide-y divide-line">
        {classes.map((plan) => (
          <ClassRow key={plan.id} plan={plan} longest={longest * 1.05} onCopy={() => create(plan)} />
        ))}
      </ul>
    </main>
  );
}

function ClassRow({ plan, longest, onCopy }: { plan: ClassPlan; longest: number; onCopy: () => void }) {
  const catalog = useAppSelector(selectCatalog);
  const { timed, findings } = useAppSelector((state) => selectReview(state, plan));
  const audience = useAppSelector((state) => selectAudiences(state).find(({ id }) => id === plan.audience));
  const series = useAppSelector((state) =>
    selectSeries(state).find(({ episodes }) => episodes.some((episode) => episode.class === plan.id)),
  );
  const change = useChange();
  const over = timed.seconds > plan.targetMinutes * 60;
  return (
    <li className="group grid items-center gap-x-5 py-2 sm:grid-cols-[minmax(0,19rem)_1fr_auto_auto]">
      <Link to={`/class/${plan.id}`} className="leading-snug">
        <span className="font-name text-lg font-semibold group-hover:underline">{plan.name}</span>
        <span className="block text-sm text-soft">
          {[audience?.name ?? 'anyone', plan.delivery === 'group' ? 'in a group' : 'on demand', series?.name]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </Link>
      <Link to={`/class/${plan.id}`} tabIndex={-1} aria-hidden="true">
        <MiniStairs catalog={catalog} timed={timed} span={longest} />
      </Link>
      <span className="sm:w-48">
        <span className={`text-xl font-semibold ${over ? 'text-brick' : ''}`}>{clock(timed.seconds)}</span>
        <span className="text-soft"> of {plan.targetMinutes}</span>
        <span className="flex gap-3 text-sm">
          {findings.length === 0 && <span className="text-moss">nothing to mend</span>}
          {SEVERITIES.map((severity) => {
            const count = findings.filter((finding) => finding.severity === severity).length;
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
        <button
          type="button"
          className="rounded p-1.5 hover:bg-shade disabled:opacity-30"
          disabled={series !== undefined}
          title={series ? `An episode of ${series.name}` : 'Delete'}
          onClick={() => change('classes', plan.id, undefined, `deleting ${plan.name}`)}
        >
          <Trash2 className="size-4" aria-hidden="true" />
          <span className="sr-only">Delete {plan.name}</span>
        </button>
      </span>
    </li>
  );
}
