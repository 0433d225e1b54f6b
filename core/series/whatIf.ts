import { judge } from '../caution';
import type { Catalog, RungEntry } from '../repertoire';
import { broughtBy, limitsOf, SEVERITIES, type Severity } from '../review';
import { isOver } from '../vocabulary/measure';
import { broughtBefore, doingsOf, type Learnt } from './learning';
import { countsOf, type EditedSeries, editedSeries, withEdited } from './mending';
import { type Asked, reviewSeries, type SeriesReview } from './reviewSeries';
import { episodeName, type SeriesEdit, type SeriesFinding, type WholeStudio } from './seriesRule';
import type { Series } from './seriesSchema';

/** Something found in a series or in one of its classes. */
export interface Consequent extends Pick<SeriesFinding, 'severity' | 'episode' | 'ids' | 'message'> {
  readonly code: string;
}

/** What a change of a series would do, tried on a copy. */
export interface Consequence {
  readonly after: EditedSeries;
  /** What would be found that is not found now, and what is found now and would not be; the gravest first. */
  readonly broken: readonly Consequent[];
  readonly mended: readonly Consequent[];
  /** Findings before and after, those of the classes among them. */
  readonly counts: Readonly<Record<'before' | 'after', Readonly<Record<Severity, number>>>>;
}

/**
 * What breaks, and what is mended, when an episode is left out, moved or swapped, or its class is changed.
 * @param review of the series as it is
 * @throws RangeError when an edit names what is not there
 * @example whatIf(studio, series, review, [{ kind: 'remove', episode: 2 }]).broken // rungs that then come too early
 */
export function whatIf(
  studio: WholeStudio,
  series: Series,
  review: SeriesReview,
  edits: readonly SeriesEdit[],
  asked: Asked = {},
): Consequence {
  const after = editedSeries(studio, series, edits);
  const outcome = reviewSeries(withEdited(studio, after), after.series, asked);
  return {
    after,
    broken: beyond(outcome, review),
    mended: beyond(review, outcome),
    counts: { before: countsOf(review), after: countsOf(outcome) },
  };
}

/** All that is found: of the series, and of each class in its place. */
const foundIn = ({ findings, episodes }: SeriesReview): readonly Consequent[] => [
  ...findings,
  ...episodes.flatMap(({ episode, plan, review }) =>
    review.findings.map(({ code, severity, ids, message }) => ({
      code,
      severity,
      ids,
      episode,
      message: `${episodeName({ episode, plan })}: ${message}`,
    })),
  ),
];

/** Findings of one review that the other has not: by code and block wherever its class stands, else by how many there are. */
function beyond(review: SeriesReview, other: SeriesReview): Consequent[] {
  const left = new Map<string, number>();
  const keyed = (each: SeriesReview) => {
    const classes = new Map(each.episodes.map(({ episode, plan }) => [episode, plan.id]));
    return foundIn(each).map((finding) => {
      const { code, ids, episode } = finding;
      return { finding, key: ids.length > 0 ? `${code} ${classes.get(episode)} ${ids.join(' ')}` : code };
    });
  };
  for (const { key } of keyed(other)) left.set(key, (left.get(key) ?? 0) + 1);
  return keyed(review)
    .filter(({ key }) => {
      const count = left.get(key) ?? 0;
      left.set(key, count - 1);
      return count <= 0;
    })
    .map(({ finding }) => finding)
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

/** A rung that an episode could take next, and what speaks for it. */
export interface Next {
  readonly entry: RungEntry;
  /** `step`: it follows on a ladder that is known; `practice`: it was done, and is not earned yet. */
  readonly as: 'step' | 'practice';
  /** Episodes in which it must still be practised before it is earned, this one among them. */
  readonly lacks: number;
}

/**
 * What an episode could take next: what is open by then on ladders that were met, and is not earned yet nor done in it.
 * First what is nearest to being earned. What the room's cautions forbid, or is hotter than it can take, is left out.
 * @param episode its place from 0; one past the last for an episode that is still to come
 */
export function couldTake(studio: WholeStudio, series: Series, episode: number): readonly Next[] {
  const { catalog, classOf } = studio;
  const learnt = broughtBefore(studio, series);
  for (const { class: id } of series.episodes.slice(0, episode)) {
    const plan = classOf(id);
    if (plan) learnt.add(doingsOf(plan));
  }
  const own = classOf(series.episodes[episode]?.class ?? '');
  const done = own ? doingsOf(own).blocks : new Map<string, unknown>();
  const audience = studio.audienceOf(series.audience ?? own?.audience);
  const graded = broughtBy(catalog.method, own ?? {}, audience);
  const { homeHeat } = limitsOf(catalog.method, audience);
  return catalog.rungs
    .filter((entry) => learnt.met(entry.exercise.id) && !done.has(entry.key) && isStep(catalog, learnt, entry))
    .filter((entry) => {
      const { verdict } = judge(catalog, entry, graded);
      return verdict !== 'swap' && verdict !== 'clear-first' && !isOver(catalog.heat(entry), homeHeat, 'heat');
    })
    .map(
      (entry): Next => ({
        entry,
        as: learnt.count(entry.key).taught > 0 ? 'practice' : 'step',
        lacks: learnt.lacks(entry.key),
      }),
    )
    .sort((a, b) => a.lacks - b.lacks || a.entry.exercise.name.localeCompare(b.entry.exercise.name));
}

const isStep = (catalog: Catalog, learnt: Learnt, entry: RungEntry): boolean =>
  !learnt.earned(entry.key) && learnt.open(catalog, entry);
