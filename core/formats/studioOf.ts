import type { Audience, ClassPlan } from '../plan';
import { Catalog } from '../repertoire';
import { earlierInSeries, type ReviewContext } from '../review';
import type { Series } from '../series';
import type { Bundle } from './bundle';

/** What a bundle's classes are held against. */
export interface BundleStudio {
  readonly catalog: Catalog;
  readonly classOf: (id: string) => ClassPlan | undefined;
  readonly audienceOf: (id: string | undefined) => Audience | undefined;
  readonly seriesOf: (id: string | undefined) => Series | undefined;
  /** The context a class is reviewed in: its audience, and what came before it in its series. */
  readonly contextOf: (plan: ClassPlan) => ReviewContext;
}

/** With what the bundle does not know: the day, and the teacher whose pace is asked about. */
export function studioOf(
  bundle: Bundle,
  { today, teacher: asked }: { readonly today?: string | undefined; readonly teacher?: string | undefined },
): BundleStudio {
  const { classes = [], series = [], audiences = [], exercises = [], teachers = [] } = bundle;
  const plans = new Map(classes.map((plan) => [plan.id, plan]));
  const classOf = (id: string) => plans.get(id);
  const audienceOf = (id: string | undefined) => audiences.find((audience) => audience.id === id);
  const teacher = teachers.find(({ id }) => id === asked);
  const contextOf = (plan: ClassPlan): ReviewContext => ({
    audience: audienceOf(plan.audience),
    teacher,
    earlier: earlierInSeries(plan.id, series, classOf),
    today,
  });
  const seriesOf = (id: string | undefined) => series.find((each) => each.id === id);
  return { catalog: new Catalog({ ...bundle, exercises }), classOf, audienceOf, seriesOf, contextOf };
}
