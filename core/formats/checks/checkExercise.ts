import { HELD_PARTS, poseFaults, reachFaults, supportsOf } from '../../body';
import { doseProblems, type Problem } from '../../plan';
import { allPhases, drawnAs, type Exercise, type Rung, type RungRef, rungKey } from '../../repertoire';
import { missing, notAPosition, repeatedIds, type StudioIndex } from '../studioIndex';

/** Whether a ladder fits the studio: poses that can be, phases that arrive somewhere, branches and things that are there. */
export function checkExercise(exercise: Exercise, studio: StudioIndex): Problem[] {
  const { graph } = studio.catalog;
  const problems = repeatedIds(exercise.rungs, ['rungs']);
  if (!graph.has(exercise.position)) {
    problems.push({ path: ['position'], message: notAPosition(graph, exercise.position) });
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
  const { position = exercise.position } = rung;
  if (!catalog.graph.has(position)) {
    problems.push({ path: ['position'], message: notAPosition(catalog.graph, position) });
    return problems;
  }
  const like = drawnAs(catalog.graph, exercise, rung);
  for (const [id, pose] of Object.entries(rung.poses)) {
    const faults = [...poseFaults(pose, like), ...reachFaults(pose, like, catalog.method.bodyHeightM)];
    problems.push(...faults.map(({ path, message }) => ({ path: ['poses', id, ...path], message })));
  }
  problems.push(...doseProblems(rung.dose, ['dose']));
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
    rung[part]?.forEach(({ id, pose, counts, countsTo }, number) => {
      if (countsTo !== undefined && countsTo < counts) {
        const message = `The range goes from ${counts} to ${countsTo} counts; expected ${counts} or more.`;
        problems.push({ path: [part, number, 'countsTo'], message });
      }
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
  rung.cues?.forEach((cue, number) => {
    problems.push(...wrongFormProblems(rung, cue, ['cues', number, 'pose']), ...noteProblems(cue, ['cues', number]));
    const { phase } = cue;
    if (phase === undefined || seen.has(phase)) return;
    problems.push({
      path: ['cues', number, 'phase'],
      message: `There is no phase “${phase}”; expected one of ${[...seen].join(', ')}.`,
    });
  });
  return problems;
}

/**
 * A note is for whoever teaches: it is never said, so it belongs to no phase, no repetition and no pass.
 * @param words a cue of a rung, or a line of a class
 */
export function noteProblems(
  words: { readonly kind: string; readonly phase?: unknown; readonly at?: unknown; readonly pass?: unknown },
  path: Problem['path'],
): Problem[] {
  if (words.kind !== 'note') return [];
  return (['phase', 'at', 'pass'] as const)
    .filter((key) => words[key] !== undefined)
    .map((key) => ({
      path: [...path, key],
      message: 'A note is never said; expected no phase, repetition or pass for it, or another kind.',
    }));
}

/**
 * A wrong form that words name is a pose of the rung that is only ever shown: no phase arrives at it.
 * @param words a cue of the rung, or a line of a class
 */
export function wrongFormProblems(
  rung: Rung,
  { kind, pose }: { readonly kind: string; readonly pose?: string | undefined },
  path: Problem['path'],
): Problem[] {
  if (pose === undefined) return [];
  const refused = (message: string) => [{ path, message }];
  if (kind !== 'fault') return refused(`Only a fault shows a wrong form; expected no pose for the kind “${kind}”.`);
  if (!(pose in rung.poses)) {
    return refused(`There is no pose “${pose}”; its poses are ${Object.keys(rung.poses).join(', ')}.`);
  }
  const reached = pose === rung.start || allPhases(rung).some((phase) => phase.pose === pose);
  return reached ? refused(`The pose “${pose}” is done in this rung; expected one that no phase arrives at.`) : [];
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
    pose.between?.forEach(({ prop }, number) => {
      if (rung.props?.includes(prop)) return;
      problems.push({
        path: ['poses', id, 'between', number, 'prop'],
        message: `“${prop}” is not among the props of this rung (${rung.props?.join(', ') ?? 'none'}).`,
      });
    });
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
