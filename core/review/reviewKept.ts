import type { ClassPlan } from '../plan';
import type { Catalog } from '../repertoire';
import { type ClassReview, reviewClass } from './reviewClass';
import type { ReviewContext } from './subject/subject';

/**
 * Reviews classes, each once as long as neither it nor what it is held against changes: most of a studio is as it was
 * the last time. A review is kept as long as its class is the same object, and one for each.
 */
export function keptReviews(): typeof reviewClass {
  const kept = new WeakMap<ClassPlan, { catalog: Catalog; context: ReviewContext; review: ClassReview }>();
  return (catalog, plan, context = {}) => {
    const known = kept.get(plan);
    if (known && known.catalog === catalog && alike(known.context, context)) return known.review;
    const review = reviewClass(catalog, plan, context);
    kept.set(plan, { catalog, context, review });
    return review;
  };
}

function alike({ earlier: a = NONE, ...one }: ReviewContext, { earlier: b = NONE, ...other }: ReviewContext): boolean {
  const fields = Object.keys({ ...one, ...other }) as Array<keyof typeof one>;
  return fields.every((field) => one[field] === other[field]) && a.size === b.size && [...a].every((key) => b.has(key));
}
const NONE: ReadonlySet<string> = new Set();
