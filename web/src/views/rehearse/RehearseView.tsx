import type { ClassPlan } from '@warm-ladder/core/plan';
import { Link, useParams } from 'react-router';
import { LostPage } from '../../app/LostPage';
import { keepRehearsal } from '../../app/rehearsals';
import { selectClass } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { useSpoken } from '../script/useSpoken';
import { Rehearsal } from './Rehearsal';

/** The rehearsal of a class, from within the app; opened by its address it is a page of its own (`rehearse.tsx`). */
export function Component() {
  const { id } = useParams();
  const plan = useAppSelector((state) => selectClass(state, id));
  return plan ? <OfClass key={plan.id} plan={plan} /> : <LostPage />;
}

const OfClass = ({ plan }: { plan: ClassPlan }) => (
  <Rehearsal spoken={useSpoken(plan)} Go={Link} onKeep={async (id, rehearsal) => keepRehearsal(id, rehearsal)} />
);
