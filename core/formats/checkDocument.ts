import { POSITIONS, poseFaults } from '../body';
import type { MethodFile } from '../method';
import { checkClass, type Problem } from '../plan';
import { type Catalog, type Exercise, type Prop, type Rung, type RungRef, raisedBy, rungKey } from '../repertoire';
import type { CollectionName, DocumentKind, DocumentOf } from './bundle';

/** What a document is held against: the repertoire made ready, and which ids are there. */
export interface StudioIndex {
  readonly catalog: Catalog;
  readonly props: readonly Prop[];
  has(collection: CollectionName, id: string): boolean;
}

type Checks = { readonly [K in DocumentKind]: (value: DocumentOf<K>, studio: StudioIndex) => Problem[] };

const CHECKS: Checks = {
  method: checkMethod,
  positions: checkPosition,
  props: () => [],
  exercises: checkExercise,
  audiences: ({ equipment = [] }, studio) => missing(studio, 'props', equipment, ['equipment']),
  classes: (plan, studio) => [
    ...checkClass(studio.catalog, plan),
    ...(plan.audience === undefined || studio.has('audiences', plan.audience)
      ? []
      : [{ path: ['audience'], message: `There is no audience “${plan.audience}”.` }]),
  ],
  series: ({ episodes }, studio) =>
    episodes.flatMap((episode, number) =>
      studio.has('classes', episode.class)
        ? []
        : [{ path: ['episodes', number, 'class'], message: `There is no class “${episode.class}”.` }],
    ),
};

/**
 * Whether one document fits the studio it stands in: every reference found, every pose possible, runs that hold.
 * Requirements that go round in a circle are nobody's alone: see `requirementCycles`.
 * @returns problems with their paths inside the document; empty when it fits
 */
export function checkDocument<K extends DocumentKind>(kind: K, value: DocumentOf<K>, studio: StudioIndex): Problem[] {
  return CHECKS[kind](value, studio);
}

function missing(studio: StudioIndex, collection: 'props', ids: readonly string[], path: Problem['path']): Problem[] {
  return ids.flatMap((id, index) =>
    studio.has(collection, id) ? [] : [{ path: [...path, index], message: `There is no prop “${id}”.` }],
  );
}

/** Edges of the method join places that exist; a misspelled one would be paid by nobody and noticed by nobody. */
function checkMethod({ edgeSeconds = {} }: MethodFile, { catalog: { graph } }: StudioIndex): Problem[] {
  const places = graph.positions.flatMap((position) => graph.placesOf(position));
  return Object.keys(edgeSeconds).flatMap((edge) => {
    const stranger = edge.split('>').find((place) => !places.includes(place));
    if (stranger === undefined) return [];
    return [
      {
        path: ['edgeSeconds', edge],
        message: `“${stranger}” is not a place; expected two of ${places.join(', ')}, as in “standing>seated”.`,
      },
    ];
  });
}

function checkPosition({ id, edges }: DocumentOf<'positions'>, { catalog: { graph } }: StudioIndex): Problem[] {
  const path = ['edges'];
  if ((POSITIONS as readonly string[]).includes(id)) {
    return [{ path: ['id'], message: `“${id}” is one of the eight positions; expected an id of its own.` }];
  }
  if (Object.keys(edges).length === 0) {
    return [{ path, message: `The position “${id}” names no edge; expected the seconds to at least one neighbour.` }];
  }
  if (!Number.isFinite(graph.path('standing', id).seconds)) {
    return [{ path, message: `Nothing joins the position “${id}” to standing; expected a way there over its edges.` }];
  }
  return Object.keys(edges).flatMap((neighbour) =>
    graph.has(neighbour) || graph.placesOf('side-lying').includes(neighbour)
      ? []
      : [{ path: [...path, neighbour], message: `“${neighbour}” is not a position.` }],
  );
}

/** Whether a list names each id once. */
export function repeatedIds(list: ReadonlyArray<{ readonly id: string }>, path: Problem['path']): Problem[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, index) => {
    const known = seen.has(id);
    seen.add(id);
    return known ? [{ path: [...path, index, 'id'], message: `The id “${id}” stands twice; expected each once.` }] : [];
  });
}

function checkExercise(exercise: Exercise, studio: StudioIndex): Problem[] {
  const { graph } = studio.catalog;
  const problems = repeatedIds(exercise.rungs, ['rungs']);
  if (!graph.has(exercise.position)) {
    problems.push({
      path: ['position'],
      message: `“${exercise.position}” is not a position; expected one of ${graph.positions.join(', ')}.`,
    });
  }
  const found = exercise.rungs.map((rung) => checkRung(exercise, rung, studio));
  return [
    ...problems,
    ...found.flatMap((list, index) => list.map(({ path, message }) => ({ path: ['rungs', index, ...path], message }))),
  ];
}

function checkRung(exercise: Exercise, rung: Rung, studio: StudioIndex): Problem[] {
  const { catalog } = studio;
  const problems: Problem[] = [];
  const poses = Object.keys(rung.poses);
  const expected = poses.length > 0 ? `its poses are ${poses.join(', ')}` : 'it has no poses';
  if (!poses.includes(rung.start)) {
    problems.push({ path: ['start'], message: `There is no pose “${rung.start}” to start from; ${expected}.` });
  }
  const raised = raisedBy(exercise, rung, catalog.graph, studio.props);
  for (const [id, pose] of Object.entries(rung.poses)) {
    const faults = poseFaults(pose, catalog.graph.like(exercise.position), catalog.method.bodyHeightM, raised);
    problems.push(...faults.map(({ path, message }) => ({ path: ['poses', id, ...path], message })));
  }
  rung.phases.forEach(({ pose }, phase) => {
    if (poses.includes(pose)) return;
    problems.push({ path: ['phases', phase, 'pose'], message: `There is no pose “${pose}”; ${expected}.` });
  });
  rung.cues?.forEach((cue, number) => {
    if (cue.phase === undefined || cue.phase < rung.phases.length) return;
    problems.push({
      path: ['cues', number, 'phase'],
      message: `There is no phase ${cue.phase}; expected 0 to ${rung.phases.length - 1}.`,
    });
  });
  problems.push(...missing(studio, 'props', rung.props ?? [], ['props']));
  // An exercise may require rungs of its own, which the repertoire here may not know yet.
  const known = (ref: RungRef) =>
    ref.exercise === exercise.id ? exercise.rungs.some(({ id }) => id === ref.rung) : catalog.rung(ref) !== undefined;
  rung.requires?.forEach((required, number) => {
    if (known(required)) return;
    problems.push({ path: ['requires', number], message: `There is no rung “${rungKey(required)}” to require.` });
  });
  return problems;
}
