import type { Catalog } from '@warm-ladder/core/repertoire';
import { type ClassReview, clock, verdictOf } from '@warm-ladder/core/review';
import { MiniStairs } from '../../../parts/classes/MiniStairs';

interface ClassStripProps {
  readonly catalog: Catalog;
  readonly review: ClassReview;
  readonly selected: string | null;
}

/** The clock and the stairs, slim, for while the stairs themselves are out of sight. */
export default function ClassStrip({ catalog, review, selected }: ClassStripProps) {
  const { timed } = review;
  const target = timed.plan.targetMinutes * 60;
  const over = timed.seconds > target;
  return (
    <div className="no-print fixed inset-x-0 top-0 z-20 flex h-11 items-center gap-4 border-b border-line bg-paper px-4 shadow-lift">
      <span className={`text-2xl font-semibold ${over ? 'text-alarm' : ''}`}>{clock(timed.seconds)}</span>
      <span className="whitespace-nowrap text-soft">of {clock(target)}</span>
      <div className="h-9 min-w-0 grow overflow-hidden">
        <MiniStairs
          catalog={catalog}
          timed={timed}
          span={Math.max(target, timed.seconds)}
          selected={selected}
          className="h-9"
        />
      </div>
      <span className="truncate">{verdictOf(review).text}</span>
    </div>
  );
}
