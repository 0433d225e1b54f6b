import { type ClassPlan, freeBlockId, isRungBlock, type RungBlock } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { useState } from 'react';
import { Link } from 'react-router';
import { useClassEdit } from '../../app/edits';
import { selectCatalog } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { RungPicker } from '../../parts/RungPicker';
import { Sheet } from '../../parts/Sheet';

interface AddSheetProps {
  readonly plan: ClassPlan;
  /** Where the first one goes; the next ones follow it. */
  readonly at: number;
  readonly close: () => void;
  readonly onAdded: (id: string) => void;
}

/** Adds rungs one after another; a rung met earlier in the class flows, a new one is taught. */
export function AddSheet({ plan, at, close, onAdded }: AddSheetProps) {
  const catalog = useAppSelector(selectCatalog);
  const edit = useClassEdit(plan.id);
  const [added, setAdded] = useState<string[]>([]);
  const pick = ({ exercise, rung }: RungEntry) => {
    const known = plan.blocks
      .slice(0, at)
      .some((block) => isRungBlock(block) && block.exercise === exercise.id && block.rung === rung.id);
    const id = freeBlockId(plan);
    const block: RungBlock = { id, exercise: exercise.id, rung: rung.id, mode: known ? 'flow' : 'teach' };
    edit({ kind: 'insert', before: plan.blocks[at]?.id ?? null, block }, `adding ${exercise.name}`);
    onAdded(id);
    setAdded((names) => [...names, `${exercise.name}, ${rung.name}`]);
  };
  return (
    <Sheet
      at="side"
      open
      onOpenChange={close}
      title="Add from the repertoire"
      about={
        <span aria-live="polite">
          {added.length === 0 ? (at === 0 ? 'At the start' : `After block ${at}`) : `Added: ${added.at(-1)}`}
        </span>
      }
    >
      {catalog.exercises.length === 0 ? (
        <p>
          The repertoire is empty. Import a bundle from the Studio menu, or look at{' '}
          <Link to="/repertoire">Repertoire</Link>.
        </p>
      ) : (
        <RungPicker catalog={catalog} onPick={pick} />
      )}
    </Sheet>
  );
}
