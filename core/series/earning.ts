import type { ClassPlan } from '../plan';
import { broughtBefore, doingsOf, type Learnt, type SeriesStudio } from './learning';
import type { Series } from './seriesSchema';

/** A rung that stands in an episode before what it needs is earned. */
interface Unearned {
  readonly key: string;
  /** Indexes of its blocks. */
  readonly blocks: readonly number[];
}

/** An episode as the audience meets it. */
export interface EpisodeEarning {
  /** Its place in the series, from 0. */
  readonly episode: number;
  readonly plan: ClassPlan;
  /** What has been learnt before it. */
  readonly before: Learnt;
  readonly unearned: readonly Unearned[];
  /** Keys of rungs that were practised before, and are again. */
  readonly recapped: ReadonlySet<string>;
  /** Ids of exercises that stood in nothing before. */
  readonly newLadders: readonly string[];
  /** Keys of rungs that are earned with it and were not before. */
  readonly earned: readonly string[];
}

export interface Earning {
  readonly episodes: readonly EpisodeEarning[];
  /** What has been learnt by the end. */
  readonly after: Learnt;
  /** Keys of the rungs earned by the end, those of the series followed among them. */
  readonly earned: readonly string[];
}

/**
 * What a series earns, episode by episode, after the series it follows. An episode whose class is gone counts as nothing.
 * @example earningOf(studio, series).episodes[2].unearned // rungs the third episode takes too early
 */
export function earningOf(studio: SeriesStudio, series: Series): Earning {
  const { catalog, classOf } = studio;
  const learnt = broughtBefore(studio, series);
  const homework = new Set<string>();
  const practises = (series.weekly?.days ?? 0) > 0;
  const episodes = series.episodes.flatMap(({ class: id }, episode): EpisodeEarning[] => {
    const plan = classOf(id);
    if (!plan) return [];
    const doings = doingsOf(plan);
    const before = learnt.copy();
    learnt.add(doings);
    if (practises) learnt.practise(homework, doings);
    const unearned = [...doings.blocks].flatMap(([key, blocks]): Unearned[] => {
      const entry = catalog.rungByKey(key);
      return !entry || before.open(catalog, entry) ? [] : [{ key, blocks }];
    });
    return [
      {
        episode,
        plan,
        before,
        unearned,
        recapped: new Set([...doings.blocks.keys()].filter((key) => before.count(key).practised > 0)),
        newLadders: [...doings.ladders].filter((ladder) => !before.met(ladder)),
        earned: [...doings.blocks.keys()].filter((key) => !before.earned(key) && learnt.earned(key)),
      },
    ];
  });
  const earned = learnt.keys.filter((key) => learnt.earned(key));
  return { episodes, after: learnt, earned };
}
