import { namesStopSign } from '../../vocabulary/words/stopSigns';
import { COLLECTIONS, type DocumentKind } from '../file/bundle';
import { carriedHeat } from './heatScale';
import { isObject, type Json, listOf, type MigrationReport, type Path } from './step';

/** How many phases a rung has before its repetition begins, for ids by place; 0 where the rung is not in the file. */
type EntryPhases = (exercise: unknown, rung: unknown) => number;

/** One document of version 1 as version 2 has it. */
export function documentToV2(
  kind: DocumentKind,
  value: unknown,
  path: Path,
  report: MigrationReport,
  entries: EntryPhases,
): unknown {
  if (!isObject(value)) return value;
  switch (kind) {
    case 'exercises':
      return exerciseToV2(value, path, report);
    case 'classes':
      return classToV2(value, path, report, entries);
    case 'audiences':
      return limitsToV2(heatToV2(value, 'homeHeat', path, report), path, report);
    case 'method':
      return methodToV2(value, path, report);
    default:
      return value;
  }
}

function exerciseToV2(exercise: Json, path: Path, report: MigrationReport): Json {
  if (!Array.isArray(exercise.rungs)) return exercise;
  const rungs = exercise.rungs.map((rung, i) =>
    isObject(rung) ? rungToV2(rung, [...path, 'rungs', i], report) : rung,
  );
  return { ...exercise, rungs };
}

function rungToV2(rung: Json, path: Path, report: MigrationReport): Json {
  const next: Json = { ...rung };
  let number = 0;
  for (const key of ['entry', 'phases', 'exit']) {
    if (!Array.isArray(rung[key])) continue;
    next[key] = rung[key].map((phase, i) => withId(phase, `p${++number}`, [...path, key, i], report));
  }
  const before = listOf(rung.entry).length;
  if (Array.isArray(rung.cues)) {
    const phases = listOf(rung.phases).length;
    next.cues = rung.cues.map((cue, i) => {
      const own = [...path, 'cues', i];
      return phaseToV2(withId(cue, `c${i + 1}`, own, report), before, phases, own, report);
    });
  }
  if (isObject(rung.heatOverride)) {
    next.heatOverride = heatToV2(rung.heatOverride, 'heat', [...path, 'heatOverride'], report);
  }
  if (isObject(rung.gate)) next.gate = gateToV2(rung.gate, [...path, 'gate'], report);
  return next;
}

/** A thing with its id in front; an id that stands there already belongs to a later version. */
function withId(value: unknown, id: string, path: Path, report: MigrationReport): unknown {
  if (!isObject(value)) return value;
  if ('id' in value) {
    report.problems.push({
      path: [...path, 'id'],
      message: 'The key “id” is not known here in version 1; expected it from version 2 on.',
    });
    return value;
  }
  return { id, ...value };
}

/** A phase named by its place in the repetition, as its id. */
function phaseToV2(value: unknown, before: number, phases: number, path: Path, report: MigrationReport): unknown {
  if (!isObject(value) || typeof value.phase !== 'number') return value;
  const index = value.phase;
  if (!Number.isInteger(index) || index < 0 || index >= phases) {
    const expected = phases > 0 ? `0 to ${phases - 1}` : 'a rung with phases';
    report.problems.push({ path: [...path, 'phase'], message: `There is no phase ${index}; expected ${expected}.` });
    return value;
  }
  return { ...value, phase: `p${before + index + 1}` };
}

function gateToV2(gate: Json, path: Path, report: MigrationReport): Json {
  const stay = gate.stay;
  if (!Array.isArray(stay)) return gate;
  const isStop = (sign: unknown): sign is string => typeof sign === 'string' && namesStopSign(sign);
  const moved = stay.filter(isStop);
  if (moved.length === 0) return gate;
  moved.forEach((sign) => {
    report.notes.push({
      path: [...path, 'stop'],
      message: `“${sign}” is a stop sign: it was moved from “stay”, since nobody is to answer it with a lower rung.`,
    });
  });
  const kept = stay.filter((sign) => !isStop(sign));
  const stop = [...listOf(gate.stop), ...moved];
  const { stay: _stay, ...rest } = gate;
  return { ...rest, ...(kept.length > 0 ? { stay: kept } : {}), stop: [...new Set(stop)] };
}

function classToV2(plan: Json, path: Path, report: MigrationReport, entries: EntryPhases): Json {
  if (!Array.isArray(plan.blocks)) return plan;
  let lines = 0;
  const blocks = plan.blocks.map((block, i) => {
    const own = [...path, 'blocks', i];
    const next = withId(block, `b${i + 1}`, own, report);
    if (!isObject(next) || !Array.isArray(next.lines)) return next;
    const before = entries(next.exercise, next.rung);
    return {
      ...next,
      lines: next.lines.map((line, number) => {
        const here = [...own, 'lines', number];
        const named = withId(line, `l${++lines}`, here, report);
        // Whether the phase is there is for the check of the class: its rung may stand in another file.
        return phaseToV2(named, before, Number.POSITIVE_INFINITY, here, report);
      }),
    };
  });
  return { ...plan, blocks };
}

function methodToV2(method: Json, path: Path, report: MigrationReport): Json {
  const { heatWeights, ...kept } = method;
  if (heatWeights !== undefined) {
    report.notes.push({
      path: [...path, 'heatWeights'],
      message:
        'The weights of heat were dropped: heat has one scale that all ladders share, and no weights of its own.',
    });
  }
  return limitsToV2(kept, path, report);
}

const limitsToV2 = (value: Json, path: Path, report: MigrationReport): Json =>
  isObject(value.limits)
    ? { ...value, limits: heatToV2(value.limits, 'homeHeat', [...path, 'limits'], report) }
    : value;

/** A heat that a person typed, on the scale that version 2 has. */
function heatToV2(value: Json, key: string, path: Path, report: MigrationReport): Json {
  const heat = value[key];
  if (typeof heat !== 'number' || heat < 0 || heat > 100) return value;
  const carried = carriedHeat(heat);
  if (carried !== heat) {
    report.notes.push({
      path: [...path, key],
      message: `The heat ${heat} was typed on the earlier scale; on this one it is ${carried} (docs/heat.md has the table).`,
    });
  }
  return { ...value, [key]: carried };
}

export const entryPhasesOf =
  (exercises: unknown): EntryPhases =>
  (exercise, rung) => {
    const owner = listOf(exercises).find((each) => isObject(each) && each.id === exercise);
    const found = isObject(owner) ? listOf(owner.rungs).find((each) => isObject(each) && each.id === rung) : null;
    return isObject(found) ? listOf(found.entry).length : 0;
  };

/** A whole file from one version to the next. */
export function bundleToV2(file: Json, report: MigrationReport): Json {
  const entries = entryPhasesOf(file.exercises);
  const next: Json = { ...file, version: 2 };
  if (file.method !== undefined) next.method = documentToV2('method', file.method, ['method'], report, entries);
  for (const collection of COLLECTIONS) {
    const list = file[collection];
    if (!Array.isArray(list)) continue;
    next[collection] = list.map((value, index) =>
      documentToV2(collection, value, [collection, index], report, entries),
    );
  }
  return next;
}
