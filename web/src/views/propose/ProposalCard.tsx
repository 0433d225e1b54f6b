import { clock } from '@warm-ladder/core/review';
import { selectCatalog, selectTimed } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import type { ProposedClass } from '../../desk/worker';
import { RungFigure } from '../../figure/RungFigure';
import { MiniStairs } from '../../parts/classes/MiniStairs';

interface ProposalCardProps {
  readonly number: number;
  readonly proposal: ProposedClass;
  /** Seconds of the longest proposal: all are drawn to one scale. */
  readonly longest: number;
  /** Ids of blocks that are to stay. */
  readonly kept: ReadonlySet<string>;
  readonly onKeep: (id: string) => void;
  readonly onTake: () => void;
}

/** A proposed class: its stairs, the bodies on them in order, and why it might be taken. */
export function ProposalCard({ number, proposal, longest, kept, onKeep, onTake }: ProposalCardProps) {
  const { plan, standing, why } = proposal;
  const catalog = useAppSelector(selectCatalog);
  const timed = useAppSelector((state) => selectTimed(state, plan));
  return (
    <li className="border-t border-line pt-3" aria-label={`Proposal ${number}`}>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="font-name text-2xl font-semibold">{clock(standing.seconds)}</h2>
        <p className="min-w-0 grow basis-60">{why[0]}</p>
        <button type="button" className="action action-main" onClick={onTake}>
          Take this class
        </button>
      </div>
      <MiniStairs catalog={catalog} timed={timed} span={longest} />
      <ol className="mt-1 flex flex-wrap gap-1" aria-label={`Steps of proposal ${number}; press one to keep it`}>
        {timed.blocks.map(({ block, entry }) => (
          <li key={block.id}>
            <button
              type="button"
              aria-pressed={kept.has(block.id)}
              title={`${entry.exercise.name}, ${entry.rung.name}`}
              className={`rounded border-b-3 px-0.5 ${kept.has(block.id) ? 'border-cobalt bg-shade' : 'border-transparent hover:bg-shade'}`}
              onClick={() => onKeep(block.id)}
            >
              <RungFigure entry={entry} className="h-9 w-20" label={`${entry.exercise.name}, ${entry.rung.name}`} />
              <span aria-hidden="true" className="block w-20 truncate text-center text-xs">
                {entry.exercise.name}
              </span>
            </button>
          </li>
        ))}
      </ol>
      <ul className="mt-1 gap-x-8 text-[15px] md:columns-2">
        {why.slice(1).map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
    </li>
  );
}
