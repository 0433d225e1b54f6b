import {
  type Bundle,
  COLLECTIONS,
  checkBundleSteps,
  DOCUMENT_KINDS,
  type DocumentChange,
  type DocumentKind,
  Documents,
  duplicateIds,
  locate,
  METHOD_ID,
  type Steps,
  shortened,
} from '@warm-ladder/core/formats';
import { type Exercise, rungKey } from '@warm-ladder/core/repertoire';
import type { ImportEffect, ImportReport, RungReport } from '@warm-ladder/core/wire';
import { invalid } from '../errors';
import { type Snapshot, textOf } from './snapshot';

export type ImportMode = 'merge' | 'replace';

export interface ImportPlan {
  readonly report: ImportReport;
  readonly rungs: RungReport;
  readonly changes: readonly DocumentChange[];
  readonly after: Documents;
}

/**
 * What taking in a bundle would do to a studio: all of it or nothing.
 * @param mode `merge` keeps what the file does not name; `replace` makes the studio the file, in its order
 * @throws Refusal INVALID with every problem where it stands in the file
 */
export function* planImport(snapshot: Snapshot, bundle: Bundle, mode: ImportMode): Steps<ImportPlan> {
  const twice = duplicateIds(bundle);
  if (twice.length > 0) throw invalid(shortened(twice));
  const before = snapshot.documents;
  const report = {} as ImportReport;
  const changes: DocumentChange[] = [];
  for (const kind of DOCUMENT_KINDS) {
    const effect: ImportEffect = { added: [], changed: [], unchanged: [], removed: [] };
    report[kind] = effect;
    const wanted = wantedOf(bundle, kind);
    for (const [id, value] of wanted) {
      const kept = before.get(kind, id);
      const same = kept !== undefined && textOf(kept) === textOf(value);
      effect[same ? 'unchanged' : kept ? 'changed' : 'added'].push(id);
      if (!same) changes.push({ kind, id, value } as DocumentChange);
      yield;
    }
    if (mode === 'merge') continue;
    effect.removed.push(...[...before.shelf(kind).keys()].filter((id) => !wanted.has(id)));
    changes.push(...effect.removed.map((id) => ({ kind, id })));
  }
  const changed = before.with(changes);
  const after = mode === 'merge' ? changed : inOrder(changed, bundle);
  yield;
  const problems = yield* checkBundleSteps(after.bundle, after);
  if (problems.length > 0) {
    throw invalid(shortened(problems.map((problem) => locate(problem, after.bundle, bundle))));
  }
  return { report, rungs: yield* rungReport(before, after, report.exercises), changes, after };
}

function wantedOf(bundle: Bundle, kind: DocumentKind): Map<string, object> {
  if (kind === 'method') return new Map(bundle.method ? [[METHOD_ID, bundle.method]] : []);
  return new Map((bundle[kind] ?? []).map((value) => [value.id, value]));
}

/** The documents in the file's order, each the very object that is kept, so that what is known of it stays known. */
function inOrder(documents: Documents, bundle: Bundle): Documents {
  const sorted = COLLECTIONS.map((kind) => [
    kind,
    (bundle[kind] ?? []).flatMap(({ id }) => documents.get(kind, id) ?? []),
  ]);
  return Documents.of({ ...documents.bundle, ...Object.fromEntries(sorted) });
}

function* rungReport(
  before: Documents,
  after: Documents,
  { added, changed, removed }: ImportEffect,
): Steps<RungReport> {
  const rungs: RungReport = { added: [], changed: [], removed: [] };
  for (const id of [...added, ...changed, ...removed]) {
    const [was, is] = [rungsOf(before.get('exercises', id)), rungsOf(after.get('exercises', id))];
    for (const [key, text] of is) {
      if (!was.has(key)) rungs.added.push(key);
      else if (was.get(key) !== text) rungs.changed.push(key);
    }
    rungs.removed.push(...[...was.keys()].filter((key) => !is.has(key)));
    yield;
  }
  return rungs;
}

const rungsOf = (exercise: Exercise | undefined): Map<string, string> =>
  new Map(
    (exercise?.rungs ?? []).map((rung) => [rungKey({ exercise: exercise?.id ?? '', rung: rung.id }), textOf(rung)]),
  );
