import { type ClassPlan, timeClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { clock, lateText } from '@warm-ladder/core/review';
import { paceOf } from '@warm-ladder/core/taught/pace';
import { useMemo, useState } from 'react';
import { selectAudiences, selectLogs, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { restsOn } from '../../parts/rungs/restsOn';

/** How long the class is with one teacher, by their own pace, and what that rests on. */
export default function WithTeacher({ plan, catalog }: { readonly plan: ClassPlan; readonly catalog: Catalog }) {
  const teachers = useAppSelector(selectTeachers);
  const audiences = useAppSelector(selectAudiences);
  const logs = useAppSelector(selectLogs);
  const [id, setId] = useState('');
  const teacher = teachers.find((each) => each.id === id);
  const audience = audiences.find((each) => each.id === plan.audience);
  const told = useMemo(() => {
    if (!teacher) return null;
    const pace = paceOf(logs, teacher, catalog.method);
    const paced = pace.classes === 0 ? teacher : { ...teacher, pace };
    return { pace, timed: timeClass(catalog, plan, { audience, teacher: paced }) };
  }, [teacher, logs, catalog, plan, audience]);
  if (teachers.length === 0) return null;
  return (
    <span className="text-sm">
      Taught by{' '}
      <Choice
        label="Taught by"
        value={id}
        choices={[['', 'anybody'], ...teachers.map((each) => [each.id, each.name] as const)]}
        onChange={setId}
      />
      {told && (
        <>
          {' '}
          it lasts <strong className="font-semibold">{clock(told.timed.seconds)}</strong> ({clock(told.timed.range.p10)}
          –{clock(told.timed.range.p90)}), {lateText(told.timed.range.overChance)}.{' '}
          <span className="text-soft">{restsOn(told.pace)}</span>
        </>
      )}
    </span>
  );
}
