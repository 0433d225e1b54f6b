import type { MethodFile } from '../../method';
import { timeClass } from '../../plan';
import type { Bundle } from '../file/bundle';
import { studioOf } from '../studioOf';

/** The defaults of version 2 that classes are timed by and that are others now; a lesson took no longer than a class. */
export const DEFAULTS_UNTIL_V3 = { sideChangeSeconds: 8, lessonTempo: 0.5 } as const satisfies MethodFile;

/** What new defaults did to the lengths of a studio's classes. */
export interface LengthsChanged {
  /** How many classes are another length now, of how many. */
  readonly changed: number;
  readonly of: number;
  /** Seconds by which those are longer on average; below 0 shorter. */
  readonly bySeconds: number;
  /** The class that changed most, and by how much. */
  readonly most: { readonly name: string; readonly bySeconds: number } | null;
}

/**
 * How the lengths of a studio's classes changed with the defaults they are timed by.
 * @param earlier the defaults until then; what the house says itself counts before and after
 */
export function lengthsChanged(bundle: Bundle, earlier: MethodFile): LengthsChanged {
  const before = studioOf({ ...bundle, method: { ...earlier, ...bundle.method } }, {});
  const now = studioOf(bundle, {});
  const { classes = [] } = bundle;
  const moved = classes.flatMap((plan) => {
    const audience = now.audienceOf(plan.audience);
    const was = timeClass(before.catalog, plan, { audience }).seconds;
    const bySeconds = timeClass(now.catalog, plan, { audience }).seconds - was;
    return Math.abs(bySeconds) < 0.5 ? [] : [{ name: plan.name, bySeconds }];
  });
  const sum = moved.reduce((all, { bySeconds }) => all + bySeconds, 0);
  const most = moved.toSorted((a, b) => Math.abs(b.bySeconds) - Math.abs(a.bySeconds))[0] ?? null;
  return { changed: moved.length, of: classes.length, bySeconds: moved.length > 0 ? sum / moved.length : 0, most };
}
