import type { ClassPlan } from '@warm-ladder/core/plan';
import type { CourseMode } from '@warm-ladder/core/rehearsal';
import { Link, useLocation, useParams } from 'react-router';
import { LostPage } from '../../app/shell/LostPage';
import { selectClass } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { useSpoken } from '../script/useSpoken';
import { ClassUnderWay } from './ClassUnderWay';

/** A class taught or rehearsed from within the app; opened by its address it is a page of its own (`room.tsx`). */
export function Component() {
  const { id } = useParams();
  const { pathname } = useLocation();
  const plan = useAppSelector((state) => selectClass(state, id));
  return plan ? (
    <OfClass key={plan.id} plan={plan} mode={pathname.startsWith('/teach/') ? 'teach' : 'rehearse'} />
  ) : (
    <LostPage />
  );
}

const OfClass = ({ plan, mode }: { readonly plan: ClassPlan; readonly mode: CourseMode }) => (
  <ClassUnderWay
    spoken={useSpoken(plan)}
    mode={mode}
    Go={Link}
    home={{ to: `/taught/${plan.id}`, words: 'What really happened' }}
  />
);
