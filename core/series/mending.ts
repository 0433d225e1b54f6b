import { applyEdits, type ClassPlan, PlanError } from '../plan';
import type { Severity } from '../review';
import { measureSeries, type SeriesMeasure, seriesRemediesFor } from './reviewSeries';
import type { SeriesEdit, SeriesFindingName, SeriesRemedy, WholeStudio } from './seriesRule';
import type { Series } from './seriesSchema';

/** A series and its classes after some edits. */
export interface EditedSeries {
  readonly series: Series;
  /** Those that changed. */
  readonly classes: readonly ClassPlan[];
}

/** A series with edits made. @throws RangeError when an edit names what is not there */
export function editedSeries(studio: WholeStudio, series: Series, edits: readonly SeriesEdit[]): EditedSeries {
  let { episodes } = series;
  const classes = new Map<string, ClassPlan>();
  const at = (episode: number) => {
    const found = episodes[episode];
    if (!found) throw new RangeError(`there is no episode ${episode + 1}`);
    return found;
  };
  for (const edit of edits) {
    switch (edit.kind) {
      case 'swap': {
        const [one, other] = [at(edit.one), at(edit.other)];
        episodes = inPlacesOf(episodes, episodes.with(edit.one, other).with(edit.other, one));
        break;
      }
      case 'move': {
        const moved = at(edit.episode);
        at(edit.to);
        episodes = inPlacesOf(episodes, episodes.toSpliced(edit.episode, 1).toSpliced(edit.to, 0, moved));
        break;
      }
      case 'remove':
        at(edit.episode);
        episodes = episodes.toSpliced(edit.episode, 1);
        break;
      case 'class': {
        const plan = classes.get(edit.id) ?? studio.classOf(edit.id);
        if (!plan) throw new RangeError(`there is no class “${edit.id}”`);
        classes.set(edit.id, applyEdits(studio.catalog, plan, edit.edits));
      }
    }
  }
  return { series: episodes === series.episodes ? series : { ...series, episodes }, classes: [...classes.values()] };
}

/** The classes in another order; days and teachers stay where they are. */
function inPlacesOf(places: Series['episodes'], order: Series['episodes']): Series['episodes'] {
  return order.map(({ id, class: own, title }, i) => {
    const { id: _id, class: _class, title: _title, ...fixed } = places[i] as (typeof places)[number];
    return { ...(id === undefined ? {} : { id }), class: own, ...(title === undefined ? {} : { title }), ...fixed };
  });
}

/** A studio with some of its classes and one series as they would be. */
export function withEdited(studio: WholeStudio, { series, classes }: EditedSeries): WholeStudio {
  const own = new Map(classes.map((plan) => [plan.id, plan]));
  return {
    ...studio,
    classOf: (id) => own.get(id) ?? studio.classOf(id),
    seriesOf: (id) => (id === series.id ? series : studio.seriesOf(id)),
    allSeries: studio.allSeries.map((each) => (each.id === series.id ? series : each)),
  };
}

/** What a way to mend does, tried on a copy. */
export interface SeriesFix extends SeriesRemedy {
  readonly after: EditedSeries;
  readonly measure: SeriesMeasure;
  /** Findings before and after, those of the classes among them. */
  readonly counts: Readonly<Record<'before' | 'after', Readonly<Record<Severity, number>>>>;
}

const WEIGHTS: Readonly<Record<Severity, number>> = { stop: 1000, fix: 30, look: 1 };

/** Findings of a series and of its classes by severity. */
export function countsOf({ raised, episodes }: SeriesMeasure): Record<Severity, number> {
  const counts = { stop: 0, fix: 0, look: 0 };
  for (const { severity } of raised) counts[severity] += 1;
  for (const { review } of episodes) for (const { severity } of review.findings) counts[severity] += 1;
  return counts;
}

const weigh = (counts: Readonly<Record<Severity, number>>): number =>
  (Object.keys(WEIGHTS) as Severity[]).reduce((sum, severity) => sum + WEIGHTS[severity] * counts[severity], 0);

/** Ways to mend a finding that leave the series, with its classes, better than it was; the best first. */
export function seriesFixesFor(
  studio: WholeStudio,
  series: Series,
  review: SeriesMeasure,
  finding: SeriesFindingName,
): readonly SeriesFix[] {
  const before = countsOf(review);
  return seriesRemediesFor(review, finding)
    .flatMap((remedy): SeriesFix[] => {
      try {
        const after = editedSeries(studio, series, remedy.edits);
        const outcome = measureSeries(withEdited(studio, after), after.series);
        const counts = { before, after: countsOf(outcome) };
        return weigh(counts.after) < weigh(before) && counts.after.stop <= before.stop
          ? [{ ...remedy, after, measure: outcome, counts }]
          : [];
      } catch (error) {
        // A class that can't be so is no way to mend.
        if (error instanceof PlanError || error instanceof RangeError) return [];
        throw error;
      }
    })
    .sort((a, b) => weigh(a.counts.after) - weigh(b.counts.after));
}
