import {
  isInterlude,
  keepForTime,
  type PlanEdit,
  type SpareBlock,
  type Taught,
  type TimedClass,
  takeFromSpare,
  timeClass,
  withoutSpare,
  withSpare,
} from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { spell, titleOf } from '@warm-ladder/core/review';
import { Clock } from 'lucide-react';
import { useParams } from 'react-router';
import { selectClass } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { SoonRungFigure } from '../../figure/SoonRungFigure';
import { RemoveButton } from '../../parts/RemoveButton';
import type { TileActions } from './strip/useTileActions';

interface SpareListProps {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly taught: Taught;
  readonly onEdit: (edits: PlanEdit | readonly PlanEdit[], label: string) => void;
}

/** Blocks kept for when there is time: what each is, where it would come, and how long it would take. */
export default function SpareList({ catalog, timed, taught, onEdit }: SpareListProps) {
  const { plan } = timed;
  const spare = plan.spare ?? [];
  return (
    <section aria-label="For when there is time" className="mt-4 border-t border-line pt-2">
      <h2 className="text-lg font-semibold">For when there is time</h2>
      <p className="text-sm text-soft">Not in the class’s length; printed on its sheet.</p>
      <ul>
        {spare.map((block) => {
          const entry = catalog.rung(block);
          const name = entry ? `${entry.exercise.name}, ${entry.rung.name}` : 'A version that is gone';
          return (
            <li key={block.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line/60 py-1">
              {entry && <SoonRungFigure entry={entry} className="h-8 w-18 shrink-0" />}
              <span className="min-w-0 grow leading-tight">
                <span className="font-semibold">{name}</span>
                <span className="block text-sm text-soft">{placeText(timed, block, taught, catalog)}</span>
              </span>
              <button
                type="button"
                className="action text-sm"
                onClick={() => onEdit(takeFromSpare(plan, block.id), `putting in ${name}`)}
              >
                Put it in
                <span className="sr-only">: {name}</span>
              </button>
              <RemoveButton
                name={name}
                onPress={() =>
                  onEdit({ kind: 'class', change: { spare: withoutSpare(spare, block.id) } }, `removing ${name}`)
                }
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Where it would come, and how long it would take. */
function placeText(timed: TimedClass, block: SpareBlock, taught: Taught, catalog: Catalog): string {
  const { plan, sequence } = timed;
  const place = sequence.findIndex((part) => part.block.id === block.after);
  const after = sequence[place];
  if (!after) return '';
  const { seconds } = timeClass(catalog, withSpare(plan, block), taught);
  return `after ${place + 1}, ${titleOf(after)} · ${spell(seconds - timed.seconds)} more`;
}

/** Takes a block out of the class on the desk, and keeps it for when there is time. */
export function KeepForTime({ id, actions }: { readonly id: string; readonly actions: TileActions }) {
  const { id: classId } = useParams();
  const plan = useAppSelector((state) => selectClass(state, classId));
  const place = plan?.blocks.findIndex((block) => block.id === id) ?? -1;
  const block = plan?.blocks[place];
  if (!plan || !block || place < 1 || isInterlude(block)) return null;
  return (
    <button
      type="button"
      className="action text-sm"
      onClick={() => actions.edit(keepForTime(plan, id), 'keeping it for when there is time')}
    >
      <Clock className="size-4" aria-hidden="true" /> For when there is time
    </button>
  );
}
