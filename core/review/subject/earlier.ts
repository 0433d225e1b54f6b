import equal from 'fast-deep-equal';
import { type Audience, type ClassPlan, isInterlude } from '../../plan';
import { rungKey } from '../../repertoire';
import type { Series } from '../../series/seriesSchema';
import type { ReviewContext } from './subject';

/** The rungs taught in the episodes before one, as keys: what an audience that followed the series has met. */
export function metBefore(
  series: Series,
  episode: number,
  classOf: (id: string) => ClassPlan | undefined,
): Set<string> {
  const met = new Set<string>();
  for (const { class: id } of series.episodes.slice(0, episode)) {
    for (const block of classOf(id)?.blocks ?? []) {
      if (!isInterlude(block)) met.add(rungKey(block));
    }
  }
  return met;
}

/**
 * What may be taken as met before a class: nothing for one that stands alone; for one in several series, only what
 * every one of them has brought by then.
 */
export function earlierInSeries(
  classId: string,
  allSeries: readonly Series[],
  classOf: (id: string) => ClassPlan | undefined,
): Set<string> {
  const histories = allSeries.flatMap((series) => {
    const episode = series.episodes.findIndex((each) => each.class === classId);
    return episode < 0 ? [] : [metBefore(series, episode, classOf)];
  });
  const [first, ...rest] = histories;
  return new Set([...(first ?? [])].filter((key) => rest.every((met) => met.has(key))));
}

/** What a class has from the series it stands in: other choices, and what comes next; of several series where they agree. */
export function fromSeries(
  classId: string,
  allSeries: readonly Series[],
  classOf: (id: string) => ClassPlan | undefined,
): { readonly choices?: Series['choices']; readonly next?: string } {
  const own = allSeries.filter(({ episodes }) => episodes.some((episode) => episode.class === classId));
  const [first] = own;
  if (!first) return {};
  const after = new Set(own.map((series) => nextIn(series, classId, classOf)));
  const [next] = after;
  return {
    ...(own.every(({ choices }) => equal(choices, first.choices)) ? { choices: first.choices } : {}),
    ...(after.size === 1 && next !== undefined ? { next } : {}),
  };
}

function nextIn(
  { episodes }: Series,
  classId: string,
  classOf: (id: string) => ClassPlan | undefined,
): string | undefined {
  const following = episodes[episodes.findIndex((episode) => episode.class === classId) + 1];
  return following && (following.title ?? classOf(following.class)?.name);
}

/** Whether a class stands alone, or is a member of a series that judges what has to be learnt before it. */
const placeOf = (classId: string, allSeries: readonly Series[]): 'alone' | 'member' =>
  allSeries.some(({ episodes }) => episodes.some((episode) => episode.class === classId)) ? 'member' : 'alone';

/** As much of a studio as says what a class is held against. */
export interface Around {
  readonly allSeries: readonly Series[];
  readonly classOf: (id: string) => ClassPlan | undefined;
  readonly audienceOf: (id: string | undefined) => Audience | undefined;
}

/** What a class of a studio is reviewed with: its audience, what the series it belongs to has brought, the day it is. */
export const contextIn = (
  { allSeries, classOf, audienceOf }: Around,
  plan: ClassPlan,
  { today, teacher }: Pick<ReviewContext, 'today' | 'teacher'>,
): ReviewContext => ({
  audience: audienceOf(plan.audience),
  teacher,
  earlier: earlierInSeries(plan.id, allSeries, classOf),
  ...fromSeries(plan.id, allSeries, classOf),
  today,
  place: placeOf(plan.id, allSeries),
});
