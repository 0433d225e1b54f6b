import { freeBlockId, type PlanEdit } from '../../plan';
import type { RungEntry } from '../../repertoire';
import { rungTitle } from '../../review';
import { needsOf } from '../learning';
import { rungMoved } from '../moving';
import type { SeriesEpisode, SeriesRemedy, SeriesSubject } from '../seriesRule';

const inClass = ({ plan }: SeriesEpisode, edits: readonly PlanEdit[]) =>
  ({ kind: 'class', id: plan.id, edits }) as const;

const idsOf = ({ plan }: SeriesEpisode, blocks: readonly number[]): string[] =>
  blocks.flatMap((index) => plan.blocks[index]?.id ?? []);

/** The highest rung of the ladder that is open in the episode, in its place. */
export function lowerInstead(
  { studio: { catalog } }: SeriesSubject,
  episode: SeriesEpisode,
  entry: RungEntry,
  blocks: readonly number[],
): SeriesRemedy[] {
  const lower = catalog
    .ladder(entry.exercise.id)
    .slice(0, entry.step)
    .findLast((each) => episode.before.open(catalog, each));
  if (!lower) return [];
  const to = { exercise: lower.exercise.id, rung: lower.rung.id };
  const edits = idsOf(episode, blocks).map((id): PlanEdit => ({ kind: 'swap', id, to }));
  return [{ label: `Do ${rungTitle(lower)} instead`, edits: [inClass(episode, edits)] }];
}

/** What it needs, done once more in the latest earlier episodes that do not do it yet. */
export function practisedEarlier(
  { studio: { catalog }, episodes }: SeriesSubject,
  { episode, before }: SeriesEpisode,
  entry: RungEntry,
): SeriesRemedy[] {
  const [need, ...others] = needsOf(catalog, entry).filter(({ key }) => !before.earned(key));
  if (!need || others.length > 0) return [];
  const lacks = before.lacks(need.key);
  const places = episodes
    .filter((each) => each.episode < episode && each.before.open(catalog, need))
    .filter(({ plan }) => !plan.blocks.some((block) => !('interlude' in block) && isRung(block, need)))
    .slice(-lacks);
  if (places.length < lacks) return [];
  const { exercise, rung, position } = need;
  const mode = before.count(need.key).taught > 0 ? 'flow' : 'teach';
  const added = places.map((place, i) => {
    const block = {
      id: freeBlockId(place.plan),
      exercise: exercise.id,
      rung: rung.id,
      mode: i === 0 ? mode : 'flow',
    } as const;
    // Beside what is done in the same position already.
    const beside = place.plan.blocks.find(
      (each) => !('interlude' in each) && catalog.rung(each)?.position === position,
    );
    return inClass(place, [{ kind: 'insert', before: beside?.id ?? null, block }]);
  });
  const where = places.map((place) => place.episode + 1).join(' and ');
  return [{ label: `Do ${rungTitle(need)} in episode ${where} too`, edits: added }];
}

const isRung = (block: { readonly exercise: string; readonly rung: string }, { exercise, rung }: RungEntry): boolean =>
  block.exercise === exercise.id && block.rung === rung.id;

/** The rung in the next episodes in which it is open, in place of this one. */
export function movedLater(
  { studio, series, episodes }: SeriesSubject,
  { episode }: SeriesEpisode,
  entry: RungEntry,
): SeriesRemedy[] {
  return episodes
    .filter((each) => each.episode > episode && each.before.open(studio.catalog, entry))
    .slice(0, 2)
    .flatMap((each): SeriesRemedy[] => {
      const edits = rungMoved(studio, series, entry.key, episode, each.episode);
      return edits.length === 0 ? [] : [{ label: `Move ${rungTitle(entry)} to episode ${each.episode + 1}`, edits }];
    });
}

/** The episode in the place of a later one. */
export function swappedLater({ episodes }: SeriesSubject, { episode }: SeriesEpisode): SeriesRemedy[] {
  return episodes
    .filter((each) => each.episode > episode)
    .slice(0, 3)
    .map((each) => ({
      label: `Swap episodes ${episode + 1} and ${each.episode + 1}`,
      edits: [{ kind: 'swap', one: episode, other: each.episode }],
    }));
}

/** The episode in the place of one beside it. */
export function swappedBeside({ episodes }: SeriesSubject, { episode }: SeriesEpisode): SeriesRemedy[] {
  return [episode - 1, episode + 1].flatMap((other): SeriesRemedy[] =>
    other < 0 || other >= episodes.length
      ? []
      : [
          {
            label: `Swap episodes ${Math.min(episode, other) + 1} and ${Math.max(episode, other) + 1}`,
            edits: [{ kind: 'swap', one: episode, other }],
          },
        ],
  );
}

export function leftOut(episode: SeriesEpisode, entry: RungEntry, blocks: readonly number[]): SeriesRemedy[] {
  const edits = idsOf(episode, blocks).map((id): PlanEdit => ({ kind: 'remove', id }));
  return [
    { label: `Leave ${rungTitle(entry)} out of episode ${episode.episode + 1}`, edits: [inClass(episode, edits)] },
  ];
}
