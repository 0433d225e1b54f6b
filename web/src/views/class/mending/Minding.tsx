import type { Condition } from '@warm-ladder/core/caution';
import type { Audience, ClassPlan } from '@warm-ladder/core/plan';
import { Suspense, useState } from 'react';
import { lazily } from '../../../app/shell/lazily';
import { conditionName } from '../../../parts/classes/conditionName';

const MindingSheet = lazily(() => import('./MindingSheet'));

interface MindingProps {
  readonly plan: ClassPlan;
  readonly audience: Audience | undefined;
  readonly onChange: (cautions: Condition[] | undefined) => void;
}

/** What must be minded in this class: its audience's cautions, and those of today. */
export function Minding({ plan, audience, onChange }: MindingProps) {
  const [open, setOpen] = useState<boolean>();
  const theirs = audience?.cautions ?? [];
  const own = plan.cautions ?? [];
  const all = [...theirs, ...own.filter((each) => !theirs.includes(each))];
  return (
    <>
      <button
        type="button"
        className="rounded px-1 text-left underline decoration-dotted underline-offset-4 hover:bg-shade"
        onClick={() => setOpen(true)}
      >
        {all.length === 0 ? 'No extra cautions' : `Cautions: ${all.map(conditionName).join(', ')}`}
      </button>
      {open !== undefined && (
        <Suspense>
          <MindingSheet open={open} onOpenChange={setOpen} own={own} audience={audience} onChange={onChange} />
        </Suspense>
      )}
    </>
  );
}
