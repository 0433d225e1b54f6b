import { type ClassPlan, type PaceKind, timeClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { clock, lateText } from '@warm-ladder/core/review';
import { type Pace, paceOf } from '@warm-ladder/core/taught/pace';
import { countText } from '@warm-ladder/core/vocabulary';
import { useMemo, useState } from 'react';
import { selectAudiences, selectLogs, selectTeachers } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { Choice } from '../../parts/Choice';

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

const KINDS: Readonly<Record<PaceKind, string>> = {
  work: 'work',
  setup: 'set-ups',
  carry: 'going on',
  change: 'changes',
  opening: 'the opening',
};

/** What a pace rests on, in words. */
function restsOn({ classes, kinds, inside }: Pace): string {
  if (classes === 0) return 'No class of theirs is logged: by what is typed for them.';
  const told = (Object.keys(KINDS) as PaceKind[]).flatMap((kind) => {
    const found = kinds[kind];
    if (!found) return [];
    const more = Math.round((found.factor - 1) * 100);
    const how = more === 0 ? 'as planned' : `${Math.abs(more)} % ${more > 0 ? 'longer' : 'shorter'}`;
    return [`${KINDS[kind]} ${how}`];
  });
  const held = inside.of > 0 ? ` ${inside.in} of ${inside.of} ended where they were foretold.` : '';
  return `By ${countText(classes, 'logged class', 'logged classes')}: ${told.join(', ')}.${held}`;
}
