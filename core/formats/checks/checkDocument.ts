import { POSITIONS } from '../../body';
import type { MethodFile } from '../../method';
import { type Block, type ClassPlan, checkCarries, checkClass, isInterlude, type Problem } from '../../plan';
import { allPhases, type Catalog, rungKey } from '../../repertoire';
import { checkLog, type Log, namedBy } from '../../taught';
import type { DocumentKind, DocumentOf } from '../file/bundle';
import { absent, missing, repeatedIds, type StudioIndex } from '../studioIndex';
import { checkExercise, noteProblems, wrongFormProblems } from './checkExercise';

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
  audiences: ({ equipment = [], props = {}, knows = [] }, studio) => [
    ...missing(studio, 'props', equipment, ['equipment']),
    ...Object.keys(props).flatMap((id) => absent(studio, 'props', id, ['props', id])),
    ...knows.flatMap((key, index) => unknown(studio, key, ['knows', index])),
  ],
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
  logs: checkLogged,
  // A question outlives what raised it.
  questions: () => [],
};

/** An exercise, or a rung of one, that is not in the repertoire. */
function unknown({ catalog }: StudioIndex, key: string, path: Problem['path']): Problem[] {
  if (key.includes('/') ? catalog.rungByKey(key) : catalog.exercise(key)) return [];
  return [{ path, message: `There is no ${key.includes('/') ? 'rung' : 'exercise'} “${key}” in the repertoire.` }];
}

/** What a log names and its own plan does not is there; its blocks and its times can be. */
function checkLogged(log: Log, studio: StudioIndex): Problem[] {
  const { classes, teachers, audiences, rooms, rungs } = namedBy(log);
  return [
    ...absent(studio, 'classes', classes, ['class']),
    ...absent(studio, 'teachers', teachers, ['teacher']),
    ...absent(studio, 'audiences', audiences, ['audience']),
    ...absent(studio, 'rooms', rooms, ['room']),
    ...(log.blocks ?? []).flatMap(({ rung }, index) =>
      rung !== undefined && rungs.includes(rung) ? unknown(studio, rung, ['blocks', index, 'rung']) : [],
    ),
    ...checkLog(log, studio.get('classes', log.class)),
  ];
}

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
  const problems = [
    ...checkClass(catalog, plan),
    ...absent(studio, 'audiences', plan.audience, ['audience']),
    ...plan.blocks.flatMap((block, index) =>
      isInterlude(block) ? missing(studio, 'props', block.props ?? [], ['blocks', index, 'props']) : [],
    ),
  ];
  if (problems.length > 0) return problems;
  return [...checkLines(catalog, plan), ...(standing === 'written' ? checkCarries(catalog, plan) : [])];
}

/** Words of a class are spoken on phases that are there. */
function checkLines(catalog: Catalog, plan: ClassPlan): Problem[] {
  const spoken = (block: Block, list: string, index: number): Problem[] => {
    const rung = isInterlude(block) ? undefined : catalog.rung(block)?.rung;
    return (block.lines ?? []).flatMap((line, number): Problem[] => {
      const path = [list, index, 'lines', number];
      const wrong = [...(rung ? wrongFormProblems(rung, line, [...path, 'pose']) : []), ...noteProblems(line, path)];
      const { phase } = line;
      if (phase === undefined || (rung && allPhases(rung).some(({ id }) => id === phase))) return wrong;
      const known = rung
        ? `expected one of ${allPhases(rung)
            .map(({ id }) => id)
            .join(', ')}`
        : 'an interlude has none';
      return [...wrong, { path: [...path, 'phase'], message: `There is no phase “${phase}”; ${known}.` }];
    });
  };
  return [
    ...plan.blocks.flatMap((block, index) => spoken(block, 'blocks', index)),
    ...(plan.spare ?? []).flatMap((block, index) => spoken(block, 'spare', index)),
  ];
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
