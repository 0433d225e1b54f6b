import { type ClassPlan, timeClass } from '@warm-ladder/core/plan';
import { useMemo } from 'react';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { MiniStairs } from './MiniStairs';

/** The stairs of a class by its plan alone, as wide as the class is long. */
export function ClassStairs({ plan, className }: { readonly plan: ClassPlan; readonly className: string }) {
  const catalog = useAppSelector(selectCatalog);
  const timed = useMemo(() => timeClass(catalog, plan), [catalog, plan]);
  return <MiniStairs {...{ catalog, timed, className }} span={Math.max(60, timed.seconds)} />;
}
