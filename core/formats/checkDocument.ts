import { HELD_PARTS, POSITIONS, poseFaults, reachFaults, supportsOf } from '../body';
import type { MethodFile } from '../method';
import { type ClassPlan, checkCarries, checkClass, isInterlude, type Problem, rangeProblem } from '../plan';
import { allPhases, type Catalog, type Exercise, type Prop, type Rung, type RungRef, rungKey } from '../repertoire';
import type { CollectionName, DocumentKind, DocumentOf } from './bundle';

/** What a document is held against: the repertoire made ready, and which ids are there. */
export interface StudioIndex {
  readonly catalog: Catalog;
  readonly props: readonly Prop[];
  has(collection: CollectionName, id: string): boolean;
}

/** `written`: as it comes from a file or a hand. `kept`: it was fine, and what it names has changed since. */
type Standing = 'written' | 'kept';

type Checks = {
  readonly [K in DocumentKind]: (value: DocumentOf<K>, studio: StudioIndex, standing: Standing) => Problem[];
};

const CHECKS: Checks = {
  method: checkMethod,
  positions: checkPosition,
  props: () => [],
  exercises: checkExercise,
  audiences: ({ equipment = [] }, studio) => missing(studio, 'props', equipment, ['equipment']),
  teachers: ({ cleared }, studio) => missing(studio, 'audiences', cleared?.audiences ?? [], ['cleared', 'audiences']),
  rooms: ({ props = {} }, studio) => Object.keys(props).flatMap((id) => absent(studio, 'props', id, ['props', id])),
  classes: checkPlan,
  series: ({ id, episodes, follows, audience, goals = [], schedule }, studio) => [
    ...absent(studio, 'series', follows, ['follows']),
    ...absent(studio, 'audiences', audience, ['audience']),
    ...absent(studio, 'rooms', schedule?.room, ['schedule', 'room']),
    ...absent(studio, 'teachers', schedule?.teacher, ['schedule', 'teacher']),
    ...goals.flatMap((goal, number) =>
      studio.catalog.rung(goal)
        ? []
        : [{ path: ['goals', number], message: `There is no rung “${rungKey(goal)}” to lead to.` }],
    ),
    ...repeatedIds(
      episodes.flatMap((episode) => (episode.id === undefined ? [] : [{ id: episode.id }])),
      ['episodes'],
    ),
    ...episodes.flatMap((episode, number) => [
      ...absent(studio, 'classes', episode.class, ['episodes', number, 'class']),
      ...absent(studio, 'teachers', episode.teacher, ['episodes', number, 'teacher']),
      ...(episode.id === undefined && episodes.findIndex((each) => each.class === episode.class) < number
        ? [
            {
              path: ['episodes', number, 'class'],
              message: `“${episode.class}” stands in it twice; expected an id for an episode whose class comes again.`,
            },
          ]
        : []),
    ]),
    ...(follows === id ? [{ path: ['follows'], message: 'A series can’t follow itself.' }] : []),
  ],
};

/**
 * Whether one document fits the studio it stands in: every reference found, every pose possible, runs that hold.
 * Requirements that go round in a circle are nobody's alone: see `requirementCycles`.
 * @returns problems with their paths inside the document; empty when it fits
 */
export function checkDocument<K extends DocumentKind>(
  kind: K,
  value: DocumentOf<K>,
  studio: StudioIndex,
  standing: Standing,
): Problem[] {
  return CHECKS[kind](value, studio, standing);
}

/** A class, and what it names beside the repertoire. */
function checkPlan(plan: ClassPlan, studio: StudioIndex, standing: Standing): Problem[] {
  const { catalog } = studio;
  const problems = [...checkClass(catalog, plan), ...absent(studio, 'audiences', plan.audience, ['audience'])];
  if (problems.length > 0) return problems;
  return [...checkLines(catalog, plan), ...(standing === 'written' ? checkCarries(catalog, plan) : [])];
}

/** Words of a class are spoken on phases that are there. */
function checkLines(catalog: Catalog, plan: ClassPlan): Problem[] {
  return plan.blocks.flatMap((block, index) => {
    const rung = isInterlude(block) ? undefined : catalog.rung(block)?.rung;
    return (block.lines ?? []).flatMap(({ phase }, number): Problem[] => {
      if (phase === undefined || (rung && allPhases(rung).some(({ id }) => id === phase))) return [];
      const known = rung
        ? `expected one of ${allPhases(rung)
            .map(({ id }) => id)
            .join(', ')}`
        : 'an interlude has none';
      return [
        { path: ['blocks', index, 'lines', number, 'phase'], message: `There is no phase “${phase}”; ${known}.` },
      ];
    });
  });
}

const SINGULAR: Readonly<Record<CollectionName, string>> = {
  positions: 'position',
  props: 'prop',
  exercises: 'exercise',
  audiences: 'audience',
  teachers: 'teacher',
  rooms: 'room',
  classes: 'class',
  series: 'series',
};

function absent(
  studio: StudioIndex,
  collection: CollectionName,
  id: string | undefined,
  path: Problem['path'],
): Problem[] {
  if (id === undefined || studio.has(collection, id)) return [];
  return [{ path, message: `There is no ${SINGULAR[collection]} “${id}”.` }];
}

const missing = (
  studio: StudioIndex,
  collection: CollectionName,
  ids: readonly string[],
  path: Problem['path'],
): Problem[] => ids.flatMap((id, index) => absent(studio, collection, id, [...path, index]));

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
  const problems: Problem[] = [...checkPhases(rung), ...checkBranch(exercise, rung), ...checkThings(rung, studio)];
  const like = catalog.graph.like(exercise.position);
  for (const [id, pose] of Object.entries(rung.poses)) {
    const faults = [...poseFaults(pose, like), ...reachFaults(pose, like, catalog.method.bodyHeightM)];
    problems.push(...faults.map(({ path, message }) => ({ path: ['poses', id, ...path], message })));
  }
  problems.push(...rangeProblem(rung.dose.reps, rung.dose.repsTo, ['dose']));
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

/** Phases have ids of their own and arrive at poses that are there; cues name phases that are there. */
function checkPhases(rung: Rung): Problem[] {
  const problems: Problem[] = [];
  const poses = Object.keys(rung.poses);
  const expected = poses.length > 0 ? `its poses are ${poses.join(', ')}` : 'it has no poses';
  if (!poses.includes(rung.start)) {
    problems.push({ path: ['start'], message: `There is no pose “${rung.start}” to start from; ${expected}.` });
  }
  const seen = new Set<string>();
  for (const part of ['entry', 'phases', 'exit'] as const) {
    rung[part]?.forEach(({ id, pose }, number) => {
      if (seen.has(id)) {
        const message = `The id “${id}” stands twice in this rung; expected each once.`;
        problems.push({ path: [part, number, 'id'], message });
      }
      seen.add(id);
      if (poses.includes(pose)) return;
      problems.push({ path: [part, number, 'pose'], message: `There is no pose “${pose}”; ${expected}.` });
    });
  }
  problems.push(...repeatedIds(rung.cues ?? [], ['cues']));
  rung.cues?.forEach(({ phase }, number) => {
    if (phase === undefined || seen.has(phase)) return;
    problems.push({
      path: ['cues', number, 'phase'],
      message: `There is no phase “${phase}”; expected one of ${[...seen].join(', ')}.`,
    });
  });
  return problems;
}

/** A branch stands beside a rung of its own ladder that is no branch itself. */
function checkBranch({ rungs, name }: Exercise, { id, branchOf }: Rung): Problem[] {
  if (branchOf === undefined) return [];
  const beside = rungs.find((each) => each.id === branchOf);
  const path = ['branchOf'];
  if (!beside) return [{ path, message: `“${name}” has no rung “${branchOf}” to stand beside.` }];
  if (branchOf === id) return [{ path, message: 'A rung can’t stand beside itself.' }];
  return beside.branchOf === undefined
    ? []
    : [
        {
          path,
          message: `“${branchOf}” is a branch itself; expected the rung it stands beside, “${beside.branchOf}”.`,
        },
      ];
}

/** What is held and what is rested on is there. */
function checkThings(rung: Rung, studio: StudioIndex): Problem[] {
  const problems: Problem[] = [];
  const rests = new Set(Object.values(rung.poses).flatMap((pose) => [...pose.supports, ...supportsOf(pose)]));
  for (const [support, prop] of Object.entries(rung.on ?? {})) {
    const path = ['on', support];
    if (!rung.props?.includes(prop)) {
      problems.push({
        path,
        message: `“${prop}” is not among the props of this rung (${rung.props?.join(', ') ?? 'none'}).`,
      });
    }
    if (!rests.has(support)) {
      problems.push({ path, message: `No pose rests on the ${support}, so nothing can lie under it.` });
    }
  }
  for (const [id, pose] of Object.entries(rung.poses)) {
    for (const [hand, held] of Object.entries(pose.holds ?? {})) {
      if ((HELD_PARTS as readonly string[]).includes(held) || studio.has('props', held)) continue;
      problems.push({
        path: ['poses', id, 'holds', hand],
        message: `“${held}” is neither a part of the body nor a prop; expected one of ${HELD_PARTS.join(', ')}, or the id of a prop.`,
      });
    }
  }
  return problems;
}
