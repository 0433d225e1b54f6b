import type { ClassPlan } from '../plan';
import { Catalog } from '../repertoire';
import { earlierInSeries, fromSeries, placeOf, type ReviewContext } from '../review';
import type { WholeStudio } from '../series';
import { pacedTeacher } from '../taught';
import type { Bundle } from './bundle';

/** What a bundle's classes are held against. */
export interface BundleStudio extends WholeStudio {
  /** The context a class is reviewed in: its audience, and what came before it in its series. */
  readonly contextOf: (plan: ClassPlan) => ReviewContext;
}

/** With what the bundle does not know: the day, and the teacher whose pace is asked about. */
export function studioOf(
  bundle: Bundle,
  { today, teacher: asked }: { readonly today?: string | undefined; readonly teacher?: string | undefined },
): BundleStudio {
  const { classes = [], series = [], audiences = [], exercises = [], teachers = [], rooms = [] } = bundle;
  const plans = new Map(classes.map((plan) => [plan.id, plan]));
  const classOf = (id: string) => plans.get(id);
  const catalog = new Catalog({ ...bundle, exercises });
  const teacher = pacedTeacher(
    teachers.find(({ id }) => id === asked),
    bundle.logs,
    catalog.method,
  );
  const audienceOf = (id: string | undefined) => audiences.find((audience) => audience.id === id);
  const contextOf = (plan: ClassPlan): ReviewContext => ({
    audience: audienceOf(plan.audience),
    teacher,
    earlier: earlierInSeries(plan.id, series, classOf),
    ...fromSeries(plan.id, series, classOf),
    today,
    place: placeOf(plan.id, series),
  });
  const seriesOf = (id: string | undefined) => series.find((each) => each.id === id);
  return {
    catalog,
    classOf,
    audienceOf,
    seriesOf,
    teacherOf: (id) => teachers.find((each) => each.id === id),
    roomOf: (id) => rooms.find((each) => each.id === id),
    allSeries: series,
    contextOf,
  };
}
