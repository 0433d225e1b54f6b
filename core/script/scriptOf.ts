import type { TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { broughtBy, conditionsOf, type ReviewContext } from '../review';
import { draftScript, type Script } from './draftScript';

/** The script of a class for its room, its place in a series and its teacher, as papers, captions and takes have it. */
export function scriptOf(catalog: Catalog, timed: TimedClass, context: ReviewContext): Script {
  const { audience, teacher, earlier, today, choices, next } = context;
  return draftScript(catalog, timed, {
    conditions: conditionsOf(timed.plan, audience),
    graded: broughtBy(catalog.method, timed.plan, audience, today),
    earlier,
    teacher,
    audience: audience?.name,
    choices,
    next,
  });
}
