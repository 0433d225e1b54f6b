import { type Catalog, splitRungKey } from '../repertoire';
import type { SeriesEpisode } from './seriesRule';

/** What an episode does with a rung. */
export interface ClimbStep {
  readonly key: string;
  /** Place of the rung on its ladder, from 0, and its name. */
  readonly step: number;
  readonly name: string;
  readonly episode: number;
  /** The id of its first block. */
  readonly block: string;
  /**
   * `taught`: explained; `recapped`: run, and practised before; `practised`: run for the first time.
   */
  readonly as: 'taught' | 'practised' | 'recapped';
  /** It is earned with this episode. */
  readonly earned: boolean;
  /** It comes before what it needs is earned. */
  readonly early: boolean;
}

/** A ladder over the episodes of a series. */
export interface ClimbLine {
  readonly exercise: string;
  readonly name: string;
  /** Rungs of the ladder in all. */
  readonly rungs: number;
  /** By episode, and the lowest first within one. */
  readonly steps: readonly ClimbStep[];
}

/**
 * The series at a glance: each ladder and what every episode does on it, in the order in which ladders begin; those that
 * begin together by how far they climb.
 */
export function climbOf(catalog: Catalog, episodes: readonly SeriesEpisode[]): readonly ClimbLine[] {
  const steps = new Map<string, ClimbStep[]>();
  for (const { episode, plan, timed, recapped, earned, unearned } of episodes) {
    const seen = new Set<string>();
    for (const { entry, block } of timed.blocks) {
      const key = `${block.exercise}/${block.rung}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const own = steps.get(block.exercise) ?? [];
      steps.set(block.exercise, own);
      const teaches = plan.blocks.some(
        (each) =>
          !('interlude' in each) &&
          each.exercise === block.exercise &&
          each.rung === block.rung &&
          each.mode !== 'flow',
      );
      own.push({
        key,
        step: entry.step,
        name: entry.rung.name,
        episode,
        block: block.id,
        as: teaches ? 'taught' : recapped.has(key) ? 'recapped' : 'practised',
        earned: earned.includes(key),
        early: unearned.some((each) => each.key === key),
      });
    }
  }
  const lines = [...steps].map(([exercise, own]): ClimbLine => {
    const sorted = own.toSorted((a, b) => a.episode - b.episode || a.step - b.step);
    const { name, rungs } = catalog.exercise(exercise) ?? { name: exercise, rungs: [] };
    return { exercise, name, rungs: rungs.length, steps: sorted };
  });
  const begins = ({ steps: [first] }: ClimbLine) => first?.episode ?? 0;
  const climbs = ({ steps: own }: ClimbLine) => new Set(own.map(({ key }) => splitRungKey(key).rung)).size;
  return lines.sort((a, b) => begins(a) - begins(b) || climbs(b) - climbs(a) || a.name.localeCompare(b.name));
}
