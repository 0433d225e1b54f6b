import { type ClassPlan, leavingOut } from '@warm-ladder/core/plan';
import { useParams } from 'react-router';
import { selectClass } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import type { TileActions } from '../strip/useTileActions';

const leftOutIn = (plan: ClassPlan | undefined, id: string): boolean => plan?.short?.leaveOut.includes(id) ?? false;

/** Whether a block is left out of the short form of the class on the desk. */
export function ShortForm({ id, actions }: { readonly id: string; readonly actions: TileActions }) {
  const { id: classId } = useParams();
  const plan = useAppSelector((state) => selectClass(state, classId));
  if (!plan) return null;
  const change = (out: boolean) =>
    actions.edit({ kind: 'class', change: { short: leavingOut(plan, id, out) ?? null } }, 'the short form');
  return (
    <label className="action text-sm">
      <input type="checkbox" checked={leftOutIn(plan, id)} onChange={({ target }) => change(target.checked)} />
      Not in the short form
    </label>
  );
}
