import type { BasePosition } from '../../body';
import { type ClassPlan, isInterlude } from '../../plan';
import { type RungEntry, rungKey } from '../../repertoire';
import { rungTitle } from '../../review';
import {
  type Learnt,
  needsOf,
  type Series,
  type SeriesMeasure,
  type SeriesRules,
  type WholeStudio,
} from '../../series';
import { type Chance, shuffled } from '../../vocabulary/chance';
import type { Searching } from '../../vocabulary/searching';
import type { Search } from '../briefs/aims';
import type { Brief } from '../briefs/briefSchema';
import type { SeriesBrief } from '../briefs/seriesBriefSchema';
import { found } from '../propose';
import { searchFor } from '../searching/searchFor';
import type { Musts } from './curriculum';

/** The most heat-minutes the next episode may have, so that work rises as fast as it may, and eases when it has to. */
export function workOf(review: SeriesMeasure | undefined, { heatRise, easierEvery }: SeriesRules): number | undefined {
  const done = review?.episodes.map(({ heatMinutes }) => heatMinutes) ?? [];
  const last = done.at(-1);
  if (last === undefined) return undefined;
  let row = 0;
  for (let i = 1; i < done.length; i++) row = (done[i] as number) < (done[i - 1] as number) ? 0 : row + 1;
  const most = Math.max(...done) * (1 + heatRise) * UNDER;
  return easierEvery > 0 && row >= easierEvery - 1 ? Math.min(most, last * EASIER) : most;
}
/** Shares: well under what is too steep, and so much less that an easier episode is felt. */
const [UNDER, EASIER] = [0.98, 0.93];

/** Minutes of a class for each rung that is certainly done again in it. */
const MINUTES_A_RECAP = 7;

/** A class that stays as it is, as the episode it is of this series. */
export const keptAs = (plan: ClassPlan, { id }: Series, episode: number): ClassPlan => ({
  ...plan,
  id: `${id}-${episode}`,
});

interface ForEpisode {
  readonly series: Series;
  readonly musts: Musts;
  readonly learnt: Learnt;
  readonly episode: number;
  readonly chance: Chance;
  readonly rules: SeriesRules;
  readonly work: number | undefined;
  /** The classes of this episode in the proposals made already. */
  readonly others: readonly ClassPlan[];
  readonly seed: number;
}

/** The class of one episode: what has to be in it, and what is open on ladders that are known or may be new. */
export function* classFor(
  studio: WholeStudio,
  brief: SeriesBrief,
  today: string | undefined,
  own: ForEpisode,
): Searching<ClassPlan> {
  const { series, musts, learnt, episode, chance, rules, work, others, seed } = own;
  const unearned = musts.recaps.filter((entry) => !learnt.earned(entry.key));
  const known = musts.recaps.filter((entry) => learnt.earned(entry.key));
  const count = Math.max(0, Math.round(brief.minutes / MINUTES_A_RECAP) - musts.needed.length);
  const recaps = episode === 1 ? [] : [...unearned, ...shuffled(known, chance)].slice(0, count);
  const asked = [...musts.needed, ...recaps];
  const one: Brief = {
    minutes: brief.minutes,
    audience: brief.audience,
    delivery: brief.delivery,
    order: brief.order === 'recap' && episode === 1 ? undefined : brief.order,
    series: series.id,
    episode,
    effort: brief.effort,
    mustHave: asked.map(({ exercise, rung }) => ({ exercise: exercise.id, rung: rung.id })),
  };
  const whole = searchFor(studio, one, today, others.map(keysOf));
  const free = episode === 1 && series.follows === undefined;
  const unseen = unseenIn(studio, series, whole.fit);
  const ladders = free ? null : laddersFor(whole, { learnt, asked, rules, chance, unseen });
  const fit = ladders ? whole.fit.filter(({ exercise }) => ladders.has(exercise.id)) : whole.fit;
  const last = series.episodes.at(-1);
  const before = last && studio.classOf(last.class);
  const goals = new Set((series.goals ?? []).flatMap((goal) => studio.catalog.rung(goal) ?? []));
  const search: Search = {
    ...whole,
    course: {
      before: before ? keysOf(before) : new Set(),
      goals,
      way: wayOf(studio, goals),
      unseen,
    },
    fit,
    allowed: new Set([...fit, ...asked]),
    ...(work === undefined ? {} : { mostWork: work }),
  };
  const { plan } = yield* found(search, one, seed, 2);
  const { id: _id, name: _name, ...rest } = plan;
  const other = studio.catalog.method.firstSide === 'left' ? 'right' : 'left';
  const made: ClassPlan = {
    id: `${series.id}-${episode}`,
    name: `${series.name}, ${episode}`,
    ...rest,
    // The side that begins is the other one's turn.
    ...(episode % 2 === 0 ? { firstSide: other } : {}),
  };
  const theme = themeOf(studio, made, {
    learnt,
    way: search.course?.way ?? new Set(),
    taken: themesIn(studio, series),
  });
  return theme === null ? made : { ...made, name: theme, theme };
}

/** Ladders that stood before, those that have to begin, and as many others as may. */
function laddersFor(
  { fit }: Search,
  {
    learnt,
    asked,
    rules,
    chance,
    unseen,
  }: Pick<ForEpisode, 'learnt' | 'rules' | 'chance'> & {
    readonly asked: readonly RungEntry[];
    readonly unseen: ReadonlySet<BasePosition>;
  },
): ReadonlySet<string> {
  const begin = new Set(asked.map(({ exercise }) => exercise.id).filter((id) => !learnt.met(id)));
  const known = fit.map(({ exercise }) => exercise.id).filter((id) => learnt.met(id));
  const others = [...new Set(fit.map(({ exercise }) => exercise.id))].filter((id) => !learnt.met(id) && !begin.has(id));
  // What is done where nobody has been yet comes first.
  const places = new Map(fit.map((entry) => [entry.exercise.id, entry.like]));
  const isUnseen = (id: string) => Number(unseen.has(places.get(id) as BasePosition));
  const more = shuffled(others, chance)
    .sort((a, b) => isUnseen(b) - isUnseen(a))
    .slice(0, Math.max(0, rules.newLadders - begin.size));
  return new Set([...known, ...begin, ...more]);
}

/** All that leads to some rungs, and they themselves. */
function wayOf({ catalog }: WholeStudio, goals: ReadonlySet<RungEntry>): ReadonlySet<RungEntry> {
  const found = new Set(goals);
  for (const entry of found) for (const need of needsOf(catalog, entry)) found.add(need);
  return found;
}

/** Base positions of what can be done that no class of the series has had yet. */
function unseenIn(
  { catalog, classOf }: WholeStudio,
  { episodes }: Series,
  fit: readonly RungEntry[],
): ReadonlySet<BasePosition> {
  const seen = new Set(
    episodes.flatMap(({ class: id }) =>
      (classOf(id)?.blocks ?? []).flatMap((block) => (isInterlude(block) ? [] : (catalog.rung(block)?.like ?? []))),
    ),
  );
  return new Set(fit.map(({ like }) => like).filter((like) => !seen.has(like)));
}

const themesIn = ({ classOf }: WholeStudio, { episodes }: Series): ReadonlySet<string> =>
  new Set(episodes.flatMap(({ class: id }) => classOf(id)?.theme ?? []));

/** The one idea of an episode: what it teaches first of all that none before it had, on the way to the goal where it is. */
function themeOf(
  { catalog }: WholeStudio,
  { blocks }: ClassPlan,
  { learnt, way, taken }: { learnt: Learnt; way: ReadonlySet<RungEntry>; taken: ReadonlySet<string> },
): string | null {
  const fresh = blocks.flatMap((block) => {
    const entry = isInterlude(block) || block.mode === 'flow' ? undefined : catalog.rung(block);
    return entry && learnt.count(entry.key).taught === 0 ? [entry] : [];
  });
  const all = blocks.flatMap((block) => (isInterlude(block) ? [] : (catalog.rung(block) ?? [])));
  const worth = (entry: RungEntry) => (way.has(entry) ? 1000 : 0) + catalog.heat(entry);
  const ranked = [...fresh.toSorted((a, b) => worth(b) - worth(a)), ...all.toSorted((a, b) => worth(b) - worth(a))];
  const theme = ranked.map(rungTitle).find((title) => !taken.has(title));
  return theme ?? null;
}

const keysOf = ({ blocks }: ClassPlan): ReadonlySet<string> =>
  new Set(blocks.flatMap((block) => (isInterlude(block) ? [] : rungKey(block))));
