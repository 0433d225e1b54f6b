import { createSelector } from '@reduxjs/toolkit';
import { documentKey } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { Catalog, type CatalogSource } from '@warm-ladder/core/repertoire';
import { type ClassReview, earlierInSeries, placeOf, type ReviewContext, reviewClass } from '@warm-ladder/core/review';
import type { WholeStudio } from '@warm-ladder/core/series';
import type { RootState } from './store';
import { today } from './today';

const bundle = ({ studio }: RootState) => studio.bundle;

/** Whether something is on its way to the server; what the server refuses, or what is asked about, is not. */
export const selectWaiting = ({ studio: { unsaved, refused, conflicts } }: RootState): boolean =>
  Object.keys(unsaved).some(
    (key) => !(key in refused) && !conflicts.some(({ kind, id }) => documentKey(kind, id) === key),
  );

export const selectClasses = createSelector(bundle, ({ classes = [] }) => classes);
/** The class worked at last, or else the first. */
export const selectOpenClass = createSelector(
  [selectClasses, ({ desk }: RootState) => desk.lastClass],
  (classes, last) => classes.find(({ id }) => id === last) ?? classes[0],
);
export const selectSeries = createSelector(bundle, ({ series = [] }) => series);
export const selectAudiences = createSelector(bundle, ({ audiences = [] }) => audiences);
export const selectTeachers = createSelector(bundle, ({ teachers = [] }) => teachers);
export const selectRooms = createSelector(bundle, ({ rooms = [] }) => rooms);
export const selectProps = createSelector(bundle, ({ props = [] }) => props);
const selectExercises = createSelector(bundle, ({ exercises = [] }) => exercises);

/** What the repertoire is made ready from, the same object as long as nothing of it changes. */
export const selectCatalogSource = createSelector(
  [
    selectExercises,
    createSelector(bundle, ({ method }) => method),
    selectProps,
    createSelector(bundle, ({ positions }) => positions),
  ],
  (exercises, method, props, positions): CatalogSource => ({ exercises, method, props, positions }),
);

/** The repertoire made ready; kept while the repertoire and the method stay, however much classes are edited. */
export const selectCatalog = createSelector(selectCatalogSource, (source) => new Catalog(source));

const found = <T extends { readonly id: string }>(all: readonly T[]) => {
  const byId = new Map(all.map((each) => [each.id, each]));
  return (id: string | undefined): T | undefined => (id === undefined ? undefined : byId.get(id));
};

/** Everything a series is judged by. */
export const selectWholeStudio = createSelector(
  [selectCatalog, selectClasses, selectSeries, selectAudiences, selectTeachers, selectRooms],
  (catalog, classes, allSeries, audiences, teachers, rooms): WholeStudio => ({
    catalog,
    allSeries,
    classOf: found(classes),
    seriesOf: found(allSeries),
    audienceOf: found(audiences),
    teacherOf: found(teachers),
    roomOf: found(rooms),
  }),
);

/** Reviews by class, kept as long as the class and all it stands on are the same objects. */
const reviews = new WeakMap<ClassPlan, { key: readonly unknown[]; review: ClassReview }>();

/** What a class is reviewed with: its audience, what the series it belongs to has brought, the day it is. */
export function reviewContext(state: RootState, plan: ClassPlan): ReviewContext {
  const classes = selectClasses(state);
  const classOf = (id: string) => classes.find((each) => each.id === id);
  return {
    audience: selectAudiences(state).find(({ id }) => id === plan.audience),
    earlier: earlierInSeries(plan.id, selectSeries(state), classOf),
    today: today(),
    place: placeOf(plan.id, selectSeries(state)),
  };
}

/** The review of one class with its audience and the series it belongs to. */
export function selectReview(state: RootState, plan: ClassPlan): ClassReview {
  const catalog = selectCatalog(state);
  const series = selectSeries(state);
  const member = series.some(({ episodes }) => episodes.some((episode) => episode.class === plan.id));
  const audience = selectAudiences(state).find(({ id }) => id === plan.audience);
  const classes = selectClasses(state);
  const day = today();
  const key = [catalog, audience, day, ...(member ? [series, classes] : [])];
  const known = reviews.get(plan);
  if (known && known.key.length === key.length && known.key.every((part, i) => part === key[i])) return known.review;
  const review = reviewClass(catalog, plan, reviewContext(state, plan));
  reviews.set(plan, { key, review });
  return review;
}
