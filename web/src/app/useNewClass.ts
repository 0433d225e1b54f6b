import type { ClassPlan } from '@warm-ladder/core/plan';
import { useNavigate } from 'react-router';
import { newId } from './freeId';
import { useChange } from './store/edits';

/** Makes a class, empty or a copy, and goes to it. */
export function useNewClass(): (from?: ClassPlan) => void {
  const change = useChange();
  const navigate = useNavigate();
  return (from) => {
    const name = from ? `${from.name} (copy)`.slice(0, 120) : 'New class';
    const id = newId(name);
    const fresh: ClassPlan = from
      ? { ...from, id, name }
      : { id, name, delivery: 'group', targetMinutes: 45, openingSeconds: 120, closingSeconds: 90, blocks: [] };
    change('classes', id, fresh, `making ${name}`);
    void navigate(`/class/${id}`);
  };
}
