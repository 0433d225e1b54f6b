import type { Audience, ClassPlan, Room, Teacher } from '../plan';
import { Catalog, type CatalogSource } from '../repertoire';
import { contextIn, type ReviewContext } from '../review';
import type { Series, WholeStudio } from '../series';
import { pacedTeacher } from '../taught';
import type { Bundle } from './file/bundle';

/** The documents that a studio is made of, as far as its classes and series are judged by them. */
export interface StudioSource extends Partial<CatalogSource> {
  readonly classes?: readonly ClassPlan[] | undefined;
  readonly series?: readonly Series[] | undefined;
  readonly audiences?: readonly Audience[] | undefined;
  readonly teachers?: readonly Teacher[] | undefined;
  readonly rooms?: readonly Room[] | undefined;
  readonly logs?: Bundle['logs'];
}

/** What a bundle's classes are held against. */
export interface BundleStudio extends WholeStudio {
  /** The context a class is reviewed in: its audience, and what came before it in its series. */
  readonly contextOf: (plan: ClassPlan) => ReviewContext;
}

/**
 * With what the bundle does not know: the day, and the teacher whose pace is asked about.
 * @param catalog its repertoire, where that is made ready already
 */
export function studioOf(
  source: StudioSource,
  { today, teacher: asked }: { readonly today?: string | undefined; readonly teacher?: string | undefined },
  catalog = new Catalog({ ...source, exercises: source.exercises ?? [] }),
): BundleStudio {
  const { classes = [], series = [], audiences = [], teachers = [], rooms = [], logs } = source;
  const plans = new Map(classes.map((plan) => [plan.id, plan]));
  const whole: WholeStudio = {
    catalog,
    classOf: (id) => plans.get(id),
    audienceOf: (id) => audiences.find((audience) => audience.id === id),
    seriesOf: (id) => series.find((each) => each.id === id),
    teacherOf: (id) => teachers.find((each) => each.id === id),
    roomOf: (id) => rooms.find((each) => each.id === id),
    allSeries: series,
  };
  const teacher = pacedTeacher(whole.teacherOf(asked), logs, catalog.method);
  return { ...whole, contextOf: (plan) => contextIn(whole, plan, { today, teacher }) };
}
