import { CONDITIONS, type Condition } from '@warm-ladder/core/caution';
import type { Audience, ClassPlan } from '@warm-ladder/core/plan';
import { useState } from 'react';
import { Link } from 'react-router';
import { ConditionPicker } from '../../parts/ConditionPicker';
import { Sheet } from '../../parts/Sheet';

interface MindingProps {
  readonly plan: ClassPlan;
  readonly audience: Audience | undefined;
  readonly onChange: (cautions: Condition[] | undefined) => void;
}

/** What must be minded in this class: its audience's cautions, and those of today. */
export function Minding({ plan, audience, onChange }: MindingProps) {
  const [open, setOpen] = useState(false);
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
        {all.length === 0 ? 'No extra cautions' : `Cautions: ${all.map(shortName).join(', ')}`}
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Cautions of this class"
        about={
          audience ? (
            <>
              {theirs.length === 0
                ? `${audience.name} have no cautions`
                : `${audience.name} have ${theirs.map(shortName).join(', ')}`}{' '}
              (<Link to={`/audiences/${audience.id}`}>change them there</Link>). Here is what holds in this class alone.
            </>
          ) : (
            'Every block is held against it.'
          )
        }
      >
        <ConditionPicker chosen={own} onChange={(next) => onChange(next.length > 0 ? next : undefined)} />
      </Sheet>
    </>
  );
}

const shortName = (condition: Condition): string => {
  const { name } = CONDITIONS[condition];
  return name.charAt(0).toLowerCase() + name.slice(1);
};
