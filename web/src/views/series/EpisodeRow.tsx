import type { ClassPlan } from '@warm-ladder/core/plan';
import { clock, SEVERITIES } from '@warm-ladder/core/review';
import type { ToldEpisode } from '@warm-ladder/core/series';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { selectCatalog, selectTimed } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { MiniStairs } from '../../parts/classes/MiniStairs';
import { SeverityMark } from '../../parts/classes/SeverityMark';
import { EpisodeMore } from './EpisodeMore';
import type { SeriesEditing } from './useSeriesEdit';

interface EpisodeRowProps {
  /** Its place in the series, from 0. */
  readonly at: number;
  readonly plan: ClassPlan;
  /** Its class as those who follow the series meet it; missing until it is worked out. */
  readonly told: ToldEpisode | undefined;
  /** Seconds that the width stands for. */
  readonly span: number;
  readonly last: boolean;
  readonly day: string | null;
  readonly onPut: SeriesEditing['put'];
  readonly onEdit: SeriesEditing['edit'];
}

/**
 * An episode: its class, what is to mend in it, its day and teacher, and what would come of moving it. Drawn again only
 * when its own class is another, or judged otherwise.
 */
export const EpisodeRow = memo(function EpisodeRow(props: EpisodeRowProps) {
  const { at, plan, told, span, last, day, onPut, onEdit } = props;
  const findings = told?.findings ?? [];
  const number = at + 1;
  const over = told !== undefined && told.seconds > plan.targetMinutes * 60;
  const [open, setOpen] = useState(false);
  const onMove = (by: number) => onEdit([{ kind: 'swap', one: at, other: at + by }], 'the order of episodes');
  const look = 'rounded p-1.5 hover:bg-shade disabled:opacity-25';
  return (
    <li className="grid [contain-intrinsic-size:auto_8rem] [content-visibility:auto] items-start gap-x-5 gap-y-1 py-3 sm:grid-cols-[2rem_minmax(0,15rem)_1fr_auto_auto]">
      <span className="font-name text-2xl text-soft">{number}</span>
      <div className="leading-snug">
        <Link to={`/class/${plan.id}`} className="font-name text-lg font-semibold hover:underline">
          {plan.name}
        </Link>
        <p>
          <span className={`text-lg font-semibold ${over ? 'text-alarm' : ''}`}>{told && clock(told.seconds)}</span>
          <span className="text-soft">{told ? ` of ${plan.targetMinutes}` : `${plan.targetMinutes} min`}</span>
        </p>
      </div>
      {told ? <EpisodeStairs plan={plan} span={span} /> : <span className="h-16" />}
      <ul className="text-sm sm:w-56">
        {told && findings.length === 0 && <li className="text-moss">nothing to mend</li>}
        {findings.slice(0, 3).map(({ severity, message }) => (
          <li key={message} className="mb-0.5 line-clamp-2" title={message}>
            <SeverityMark severity={severity} word={false} /> {message}
          </li>
        ))}
        {findings.length > 3 && (
          <li className="text-soft">
            and {findings.length - 3} more (
            {SEVERITIES.filter((s) => findings.some((f) => f.severity === s)).join(', ')})
          </li>
        )}
      </ul>
      <span className="flex">
        <button type="button" className={look} disabled={number === 1} onClick={() => onMove(-1)}>
          <ArrowUp className="size-4" aria-hidden="true" />
          <span className="sr-only">Move {plan.name} earlier</span>
        </button>
        <button type="button" className={look} disabled={last} onClick={() => onMove(1)}>
          <ArrowDown className="size-4" aria-hidden="true" />
          <span className="sr-only">Move {plan.name} later</span>
        </button>
        <button
          type="button"
          className={look}
          onClick={() => onEdit([{ kind: 'remove', episode: at }], `removing ${plan.name}`)}
        >
          <X className="size-4" aria-hidden="true" />
          <span className="sr-only">Take {plan.name} out of the series</span>
        </button>
      </span>
      <details className="sm:col-[2/-1]" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
        <summary className="text-soft">Day, teacher, what if, what next</summary>
        {open && <EpisodeMore {...{ at, day, onPut, onEdit }} />}
      </details>
    </li>
  );
});

function EpisodeStairs({ plan, span }: Pick<EpisodeRowProps, 'plan' | 'span'>) {
  const catalog = useAppSelector(selectCatalog);
  const timed = useAppSelector((state) => selectTimed(state, plan));
  return <MiniStairs catalog={catalog} timed={timed} span={span} />;
}
