import type { Condition } from '@warm-ladder/core/caution';
import type { Audience } from '@warm-ladder/core/plan';
import { Link } from 'react-router';
import { conditionName } from '../../../parts/classes/conditionName';
import { ConditionPicker } from '../../../parts/fields/ConditionPicker';
import { Sheet } from '../../../parts/Sheet';

interface MindingSheetProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly own: readonly Condition[];
  readonly audience: Audience | undefined;
  readonly onChange: (cautions: Condition[] | undefined) => void;
}

/** The cautions of one class, beside those its audience has. */
export default function MindingSheet({ open, onOpenChange, own, audience, onChange }: MindingSheetProps) {
  const theirs = audience?.cautions ?? [];
  return (
    <Sheet
      open={open}
      onOpenChange={onOpenChange}
      title="Cautions of this class"
      about={
        audience ? (
          <>
            {theirs.length === 0
              ? `${audience.name} have no cautions`
              : `${audience.name} have ${theirs.map(conditionName).join(', ')}`}{' '}
            (<Link to={`/audiences/${audience.id}`}>change them there</Link>). Here is what holds in this class alone.
          </>
        ) : (
          'Every block is held against it.'
        )
      }
    >
      <ConditionPicker chosen={own} onChange={(next) => onChange(next.length > 0 ? next : undefined)} />
    </Sheet>
  );
}
