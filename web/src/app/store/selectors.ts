import { createSelector } from '@reduxjs/toolkit';
import { type CollectionName, type DocumentOf, documentKey } from '@warm-ladder/core/formats';
import { type Audience, type ClassPlan, type TimedClass, timeClass } from '@warm-ladder/core/plan';
import { Catalog, type CatalogSource } from '@warm-ladder/core/repertoire';
import { type ClassReview, contextIn, type ReviewContext, reviewClass } from '@warm-ladder/core/review';
import type { WholeStudio } from '@warm-ladder/core/series';
import type { Handed } from '../../desk/worker';
import { today } from '../today';
import { documentOf, listOf } from './entities';
import type { RootState } from './store';

const every =
  <C extends CollectionName>(name: C) =>
  ({ studio }: RootState): ReadonlyArray<DocumentOf<C>> =>
    listOf(studio.entities, name);
const one =
  <C extends CollectionName>(name: C) =>
  ({ studio }: RootState, id: string | undefined): DocumentOf<C> | undefined =>
    id === undefined ? undefined : documentOf(studio.entities, name, id);

/** Whether the whole studio is here, and not only what the page was opened for. */
export const selectWhole = ({ studio }: RootState): boolean => studio.only === null;

/** Whether something is on its way to the server; what the server refuses, or what is asked about, is not. */
export const selectWaiting = ({ studio: { unsaved, refused, conflicts } }: RootState): boolean =>
  Object.keys(unsaved).some(
    (key) => !(key in refused) && !conflicts.some(({ kind, id }) => documentKey(kind, id) === key),
  );

export const selectClasses = every('classes');
/** The class worked at last, or else the first. */
export const selectOpenClass = createSelector(
  [selectClasses, (state: RootState) => selectClass(state, state.desk.lastClass ?? undefined)],
  (classes, last) => last ?? classes[0],
);
export const selectSeries = every('series');
export const selectLogs = every('logs');
export const selectQuestions = every('questions');
export const selectClass = one('classes');
export const selectAudience = one('audiences');
export const selectTeacher = one('teachers');
export const selectOneSeries = one('series');
export const selectAudiences = every('audiences');
export const selectTeachers = every('teachers');
export const selectRooms = every('rooms');
export const selectProps = every('props');
const selectExercises = every('exercises');
export const selectPositions = every('positions');
export const selectMethod = ({ studio }: RootState) => studio.entities.method;

/** What the repertoire is made ready from, the same object as long as nothing of it changes. */
export const selectCatalogSource = createSelector(
  [selectExercises, selectMethod, selectProps, selectPositions],
  (exercises, method, props, positions): CatalogSource => ({ exercises, method, props, positions }),
);

/** What is handed over to be worked with away from the page, the same object as long as nothing of it changes. */
export const selectHanded = createSelector(
  [selectCatalogSource, selectClasses, selectSeries, selectAudiences, selectTeachers, selectRooms, () => today()],
  (source, classes, series, audiences, teachers, rooms, day): Handed => ({
    ...source,
    classes,
    series,
    audiences,
    teachers,
    rooms,
    day,
  }),
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
export const reviewContext = (state: RootState, plan: ClassPlan): ReviewContext =>
  contextIn(
    {
      allSeries: selectSeries(state),
      classOf: (id) => selectClass(state, id),
      audienceOf: (id) => selectAudience(state, id),
    },
    plan,
    { today: today() },
  );

/** Classes timed, each as long as it and whom it is for stay the same. */
const times = new WeakMap<ClassPlan, { catalog: Catalog; audience: Audience | undefined; timed: TimedClass }>();

/** A class on the clock, without what the review asks of it. */
export function selectTimed(state: RootState, plan: ClassPlan): TimedClass {
  const catalog = selectCatalog(state);
  const audience = selectAudience(state, plan.audience);
  const known = times.get(plan);
  if (known?.catalog === catalog && known.audience === audience) return known.timed;
  const timed = timeClass(catalog, plan, { audience });
  times.set(plan, { catalog, audience, timed });
  return timed;
}

/** The review of one class with its audience and the series it belongs to. */
export function selectReview(state: RootState, plan: ClassPlan): ClassReview {
  const catalog = selectCatalog(state);
  const series = selectSeries(state);
  const member = series.some(({ episodes }) => episodes.some((episode) => episode.class === plan.id));
  const audience = selectAudience(state, plan.audience);
  const classes = selectClasses(state);
  const day = today();
  const key = [catalog, audience, day, ...(member ? [series, classes] : [])];
  const known = reviews.get(plan);
  if (known && known.key.length === key.length && known.key.every((part, i) => part === key[i])) return known.review;
  const review = reviewClass(catalog, plan, reviewContext(state, plan));
  reviews.set(plan, { key, review });
  return review;
}
