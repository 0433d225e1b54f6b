import type { Condition } from '../caution';
import type { BundleStudio } from '../formats/studioOf';
import type { ClassPlan, Teacher, TimedClass } from '../plan';
import { propsNeeded, shortForm, timeClass } from '../plan';
import type { Catalog } from '../repertoire';
import { broughtBy, conditionsOf, type ReviewContext } from '../review';
import { type Script, scriptOf } from '../script';
import type { Series } from '../series';
import { type Voice, voiceOf } from '../voice';
import type { Form } from '../wire/handouts';

/** A class as it is handed out: timed for a teacher, with its script and its levels. */
export interface SpokenClass {
  readonly catalog: Catalog;
  readonly plan: ClassPlan;
  readonly timed: TimedClass;
  readonly script: Script;
  readonly voice: Voice;
  /** Who is in the room, and how many come, where it is known. */
  readonly context: ReviewContext;
  readonly group: number | undefined;
  readonly conditions: readonly Condition[];
  readonly teacher: Teacher | undefined;
  /** Who it is for, in words. */
  readonly audience: string;
  /** What is practised between it and the next of its series. */
  readonly weekly: Series['weekly'];
  /** What is fetched for it, each once. */
  readonly equipment: readonly string[];
}

/**
 * @param group how many people come, and what they practise between classes, where it is known
 * @throws PlanError when the class does not fit the repertoire
 */
export function spokenClass(
  catalog: Catalog,
  plan: ClassPlan,
  context: ReviewContext = {},
  { group, weekly }: { readonly group?: number | undefined; readonly weekly?: Series['weekly'] } = {},
): SpokenClass {
  const { audience, teacher, today } = context;
  const timed = timeClass(catalog, plan, { audience, teacher });
  const conditions = conditionsOf(plan, audience);
  const graded = broughtBy(catalog.method, plan, audience, today);
  const script = scriptOf(catalog, timed, context);
  return {
    catalog,
    plan,
    timed,
    script,
    voice: voiceOf(catalog, timed, script, { conditions, graded, audience }),
    context,
    group,
    conditions,
    teacher,
    audience: audience?.name ?? 'anyone',
    weekly,
    equipment: [...new Set(timed.sequence.flatMap((part) => propsNeeded(part).map(({ name }) => name)))],
  };
}

/**
 * A class of a bundle by its id; `null` where there is none.
 * @param form the whole class, or its short form, where it has one
 */
export function spokenIn(
  { catalog, classOf, contextOf, allSeries }: BundleStudio,
  id: string,
  form: Form = 'whole',
): SpokenClass | null {
  const plan = classOf(id);
  if (!plan) return null;
  const taught = form === 'short' ? shortForm(plan) : plan;
  const weekly = allSeries.find(({ episodes }) => episodes.some((each) => each.class === id))?.weekly;
  return taught ? spokenClass(catalog, taught, contextOf(plan), { weekly }) : null;
}

/** What to have at hand: "props: chair, cushion", or that a mat is all. */
export const propsWords = ({ equipment }: Pick<SpokenClass, 'equipment'>): string =>
  equipment.length > 0 ? `props: ${equipment.join(', ').toLowerCase()}` : 'no props but a mat';
