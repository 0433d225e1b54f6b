import { poseFaults } from '../body';
import { checkClass, type Problem } from '../plan';
import { Catalog, type Exercise, type Prop, raisedBy, requirementCycles, rungKey } from '../repertoire';
import { type Bundle, COLLECTIONS } from './bundle';

/**
 * Whether the parts of a bundle fit one another: ids unique, every reference found, requirements without a cycle,
 * classes teachable. The same check guards imports, the headless review and every write on the server.
 * @returns problems with their paths in the bundle; empty when everything fits
 */
export function checkBundle(bundle: Bundle): Problem[] {
  const { exercises = [], classes = [], series = [], audiences = [], props = [], positions = [] } = bundle;
  const problems = duplicateIds(bundle);
  const catalog = new Catalog({ method: bundle.method, positions, props, exercises });
  problems.push(...checkPositions(bundle, catalog));
  exercises.forEach((exercise, index) => {
    problems.push(...checkExercise(exercise, ['exercises', index], catalog, props));
  });
  for (const cycle of requirementCycles(exercises)) {
    const owner = exercises.findIndex(({ id }) => cycle[0]?.startsWith(`${id}/`));
    problems.push({
      path: ['exercises', owner],
      message: `The requirements go round in a circle: ${cycle.join(' → ')}. Something must come first.`,
    });
  }
  classes.forEach((plan, index) => {
    problems.push(
      ...checkClass(catalog, plan).map(({ path, message }) => ({ path: ['classes', index, ...path], message })),
    );
    if (plan.audience !== undefined && !audiences.some(({ id }) => id === plan.audience)) {
      problems.push({ path: ['classes', index, 'audience'], message: `There is no audience “${plan.audience}”.` });
    }
  });
  audiences.forEach(({ equipment = [] }, index) => {
    equipment.forEach((prop, number) => {
      if (props.some(({ id }) => id === prop)) return;
      problems.push({ path: ['audiences', index, 'equipment', number], message: `There is no prop “${prop}”.` });
    });
  });
  const known = new Set(classes.map(({ id }) => id));
  series.forEach(({ episodes }, index) => {
    episodes.forEach((episode, number) => {
      if (known.has(episode.class)) return;
      problems.push({
        path: ['series', index, 'episodes', number, 'class'],
        message: `There is no class “${episode.class}”.`,
      });
    });
  });
  return problems;
}

function duplicateIds(bundle: Bundle): Problem[] {
  return COLLECTIONS.flatMap((collection) => repeated(bundle[collection] ?? [], [collection]));
}

function repeated(list: ReadonlyArray<{ readonly id: string }>, path: Problem['path']): Problem[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, index) => {
    const known = seen.has(id);
    seen.add(id);
    return known ? [{ path: [...path, index, 'id'], message: `The id “${id}” stands twice; expected each once.` }] : [];
  });
}

function checkPositions({ positions = [] }: Bundle, { graph }: Catalog): Problem[] {
  return positions.flatMap(({ id, edges }, index) => {
    const path = ['positions', index, 'edges'];
    if (Object.keys(edges).length === 0) {
      return [{ path, message: `The position “${id}” names no edge; expected the seconds to at least one neighbour.` }];
    }
    if (!Number.isFinite(graph.path('standing', id).seconds)) {
      return [
        { path, message: `Nothing joins the position “${id}” to standing; expected a way there over its edges.` },
      ];
    }
    return Object.keys(edges).flatMap((neighbour) =>
      graph.has(neighbour) || graph.placesOf('side-lying').includes(neighbour)
        ? []
        : [{ path: [...path, neighbour], message: `“${neighbour}” is not a position.` }],
    );
  });
}

function checkExercise(exercise: Exercise, path: Problem['path'], catalog: Catalog, props: readonly Prop[]): Problem[] {
  const problems = repeated(exercise.rungs, [...path, 'rungs']);
  if (!catalog.graph.has(exercise.position)) {
    problems.push({
      path: [...path, 'position'],
      message: `“${exercise.position}” is not a position; expected one of ${catalog.graph.positions.join(', ')}.`,
    });
  }
  exercise.rungs.forEach((rung, index) => {
    const at = [...path, 'rungs', index];
    const poses = Object.keys(rung.poses);
    const expected = poses.length > 0 ? `its poses are ${poses.join(', ')}` : 'it has no poses';
    if (!rung.poses[rung.start]) {
      problems.push({
        path: [...at, 'start'],
        message: `There is no pose “${rung.start}” to start from; ${expected}.`,
      });
    }
    const raised = raisedBy(exercise, rung, catalog.graph, props);
    for (const [id, pose] of Object.entries(rung.poses)) {
      const faults = poseFaults(pose, catalog.graph.like(exercise.position), catalog.method.bodyHeightM, raised);
      problems.push(...faults.map(({ path: within, message }) => ({ path: [...at, 'poses', id, ...within], message })));
    }
    rung.phases.forEach(({ pose }, phase) => {
      if (rung.poses[pose]) return;
      problems.push({ path: [...at, 'phases', phase, 'pose'], message: `There is no pose “${pose}”; ${expected}.` });
    });
    rung.cues?.forEach((cue, number) => {
      if (cue.phase === undefined || cue.phase < rung.phases.length) return;
      problems.push({
        path: [...at, 'cues', number, 'phase'],
        message: `There is no phase ${cue.phase}; expected 0 to ${rung.phases.length - 1}.`,
      });
    });
    rung.props?.forEach((prop, number) => {
      if (props.some(({ id }) => id === prop)) return;
      problems.push({ path: [...at, 'props', number], message: `There is no prop “${prop}”.` });
    });
    rung.requires?.forEach((required, number) => {
      if (catalog.rung(required)) return;
      problems.push({
        path: [...at, 'requires', number],
        message: `There is no rung “${rungKey(required)}” to require.`,
      });
    });
  });
  return problems;
}
