import { type Log, logOfRehearsal, type Mark } from '../../taught';
import { COLLECTIONS, type DocumentKind } from '../file/bundle';
import { withCleanNames } from './cleanNames';
import { isObject, type Json, listOf, type MigrationReport, type Path, textOr } from './step';

/** What a studio that had not chosen did with the low back before version 3. */
const EARLIER_LOW_BACK = 'by-load';

/** One document of version 2 as version 3 has it. @param teachers those of the file, for their names */
export function documentToV3(
  kind: DocumentKind,
  written: unknown,
  path: Path,
  report: MigrationReport,
  teachers: readonly unknown[],
): unknown {
  const value = withCleanNames(written, path, report);
  if (!isObject(value)) return value;
  switch (kind) {
    case 'exercises':
      return exerciseToV3(value, path, report);
    case 'classes':
      return classToV3(value, path, report, teachers);
    case 'method':
      return methodToV3(value, path, report);
    default:
      return value;
  }
}

/** Learners' questions stand by themselves. */
function exerciseToV3(exercise: Json, path: Path, report: MigrationReport): Json {
  if (!Array.isArray(exercise.rungs)) return exercise;
  const rungs = exercise.rungs.map((rung, i) => {
    if (!isObject(rung) || !Array.isArray(rung.cues)) return rung;
    const cues = rung.cues.map((cue, j) => {
      if (!isObject(cue) || !Array.isArray(cue.questions)) return cue;
      const { questions, ...kept } = cue;
      const key = `${textOr(exercise.id, '')}/${textOr(rung.id, '')}`;
      questions.filter(isObject).forEach((question, n) => {
        const changed = question.changed === undefined ? {} : { answer: question.changed };
        const state = question.changed === undefined ? 'open' : 'changed';
        const id = `question-${hashOf(`${key} ${textOr(cue.id, '')} ${n}`)}`;
        const moved = { id, text: question.asked, rung: key, cue: cue.id, state, ...changed };
        report.moved.push({ kind: 'questions', value: moved });
      });
      report.notes.push({
        path: [...path, 'rungs', i, 'cues', j, 'questions'],
        message: `What learners asked of this cue was moved to “questions” (${questions.length}).`,
      });
      return kept;
    });
    return { ...rung, cues };
  });
  return { ...exercise, rungs };
}

/** Rehearsals are logs. */
function classToV3(plan: Json, path: Path, report: MigrationReport, teachers: readonly unknown[]): Json {
  if (!Array.isArray(plan.rehearsals)) return plan;
  const { rehearsals, ...kept } = plan;
  if (plan.rehearsals.length > 0) {
    report.notes.push({
      path: [...path, 'rehearsals'],
      message: `Its rehearsals were moved to “logs” (${plan.rehearsals.length}).`,
    });
  }
  for (const rehearsal of plan.rehearsals.filter(isObject)) {
    const value: Log = logFrom(plan, rehearsal, teachers);
    report.moved.push({ kind: 'logs', value: { ...value } });
  }
  return kept;
}

function logFrom(plan: Json, rehearsal: Json, teachers: readonly unknown[]): Log {
  const classId = textOr(plan.id, '');
  const at = textOr(rehearsal.at, '');
  const teacher = typeof rehearsal.teacher === 'string' ? rehearsal.teacher : undefined;
  const known = teachers.find((each) => isObject(each) && each.id === teacher);
  return logOfRehearsal(
    `rehearsal-${hashOf(`${classId} ${textOr(rehearsal.id, '')} ${at}`)}`,
    {
      id: classId,
      name: textOr(plan.name, classId),
      blocks: listOf(plan.blocks)
        .filter(isObject)
        .map(({ id, name }) => ({ id: textOr(id, ''), name: typeof name === 'string' ? name : undefined })),
    },
    {
      date: at.slice(0, 10),
      begun: /T\d\d:\d\d/.test(at) ? at.slice(11, 16) : undefined,
      teacher,
      seconds: Number(rehearsal.seconds),
      marks: listOf(rehearsal.marks) as readonly Mark[],
    },
    // A teacher who is gone is told by the id.
    isObject(known) ? textOr(known.name, teacher ?? '') : teacher,
  );
}

/** A house that had not chosen keeps to what it did: the default is another one now. */
function methodToV3(method: Json, path: Path, report: MigrationReport): Json {
  const { choices = {} } = method;
  if (!isObject(choices) || choices.lowBack !== undefined) return method;
  report.notes.push({
    path: [...path, 'choices', 'lowBack'],
    message: `The house had not chosen what the low back does; it keeps “${EARLIER_LOW_BACK}”, the default until now.`,
  });
  return { ...method, choices: { ...choices, lowBack: EARLIER_LOW_BACK } };
}

/** The method of a studio that was kept without one: what it did until now. */
export const METHOD_UNTIL_V3 = { choices: { lowBack: EARLIER_LOW_BACK } } as const;

/** A whole file from version 2 to version 3. */
export function bundleToV3(file: Json, report: MigrationReport): Json {
  const next: Json = { ...file, version: 3 };
  const teachers = listOf(file.teachers);
  if (file.method !== undefined) next.method = documentToV3('method', file.method, ['method'], report, teachers);
  for (const collection of COLLECTIONS) {
    const list = file[collection];
    if (!Array.isArray(list)) continue;
    next[collection] = list.map((value, index) =>
      documentToV3(collection, value, [collection, index], report, teachers),
    );
  }
  for (const kind of ['logs', 'questions'] as const) {
    const own = report.moved.filter((each) => each.kind === kind).map(({ value }) => value);
    if (kind in file) {
      report.problems.push({
        path: [kind],
        message: `The key “${kind}” is not known in version 2; expected it from 3 on.`,
      });
    }
    if (own.length > 0) next[kind] = own;
  }
  return next;
}

/**
 * A short word for a text, the same each time: ids made on reading. Two of a million texts are alike by a chance of one
 * in a thousand. Source: Fowler, Noll, Vo, FNV-1a of 32 bits, twice from two offsets.
 */
function hashOf(text: string): string {
  const from = (offset: number) => {
    let hash = offset;
    for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
    return (hash >>> 0).toString(36);
  };
  return `${from(0x811c9dc5)}${from(0x9747b28c)}`;
}
