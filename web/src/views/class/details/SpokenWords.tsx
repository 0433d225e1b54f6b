import type { ClassPlan } from '@warm-ladder/core/plan';
import { LinesField } from '../../../parts/fields/LinesField';
import { Sheet } from '../../../parts/Sheet';
import type { SetClass } from '../ClassHead';

interface SpokenWordsProps {
  readonly plan: ClassPlan;
  readonly set: SetClass;
  readonly close: () => void;
}

/** What is said before the first block and after the last: welcome, who it is for, what to fetch; what was done. */
export default function SpokenWords({ plan, set, close }: SpokenWordsProps) {
  const lines = (made: string[]) => (made.length > 0 ? made : undefined);
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Opening and closing words"
      about="Said before the first block and after the last, one sentence a line. The script begins and ends with them."
    >
      <LinesField
        label="Opening: welcome, who it is for, what to fetch"
        value={plan.openingWords ?? []}
        placeholder="One sentence a line"
        onChange={(words) => set({ openingWords: lines(words) }, 'the opening words', 'opening words')}
      />
      <LinesField
        label="Closing: what was done, where next"
        value={plan.closingWords ?? []}
        placeholder="One sentence a line"
        onChange={(words) => set({ closingWords: lines(words) }, 'the closing words', 'closing words')}
      />
    </Sheet>
  );
}
