import type { Problem } from '../../plan';
import { requirementCycles } from '../../repertoire';
import { DOCUMENT_KINDS, type DocumentKind } from '../file/bundle';
import type { Documents } from '../file/documents';
import { type DocumentKey, documentKey, referencesOf, splitDocumentKey } from '../file/references';
import { atOnce, type Steps } from '../file/steps';
import { circleSentence } from './checkBundle';
import { checkDocument } from './checkDocument';
import { followRings, ringSentence } from './checkSeries';

/** A problem of one document, with its path inside it. */
export interface DocumentProblem extends Problem {
  readonly kind: DocumentKind;
  readonly id: string;
}

/** A change of these alters what any exercise may do: seconds between positions, the body's size, what a prop carries. */
const FOUNDATIONS: ReadonlySet<DocumentKind> = new Set<DocumentKind>(['method', 'positions', 'props']);

/**
 * What a set of changes breaks: each changed document is held against the studio, and so is each that names one.
 * Documents that neither changed nor name a changed one are not looked at; they fitted before and fit still.
 * @param after the studio as it would be
 * @param changed documents put or taken away on the way there
 */
export const checkChanges = (after: Documents, changed: readonly DocumentKey[]): DocumentProblem[] =>
  atOnce(checkChangesSteps(after, changed));

/** The same, a document a step. */
export function* checkChangesSteps(after: Documents, changed: readonly DocumentKey[]): Steps<DocumentProblem[]> {
  const problems: DocumentProblem[] = [];
  const written = new Set(changed);
  for (const key of yield* affectedBy(after, written)) {
    yield;
    const [kind, id] = splitDocumentKey(key);
    const value = after.get(kind, id);
    if (value === undefined) continue;
    const found = checkDocument(kind, value, after, written.has(key) ? 'written' : 'kept');
    problems.push(...found.map((problem) => ({ ...problem, kind, id })));
  }
  if (changed.some((key) => key.startsWith('series/'))) {
    for (const ring of followRings(after.list('series'))) {
      problems.push({ kind: 'series', id: ring[0] ?? '', path: ['follows'], message: ringSentence(ring) });
    }
  }
  if (!changed.some((key) => key.startsWith('exercises/'))) return problems;
  for (const cycle of requirementCycles(after.list('exercises'))) {
    const id = cycle[0]?.split('/')[0] ?? '';
    problems.push({ kind: 'exercises', id, path: [], message: circleSentence(cycle) });
  }
  return problems;
}

/** The changed documents and all that name one of them. */
function* affectedBy(after: Documents, changed: ReadonlySet<DocumentKey>): Steps<Set<DocumentKey>> {
  const affected = new Set(changed);
  const kinds = new Set([...changed].map((key) => splitDocumentKey(key)[0]));
  if ([...kinds].some((kind) => FOUNDATIONS.has(kind))) {
    for (const kind of ['positions', 'exercises'] as const) {
      for (const id of after.shelf(kind).keys()) affected.add(documentKey(kind, id));
    }
  }
  for (const kind of DOCUMENT_KINDS) {
    for (const [id, value] of after.shelf(kind)) {
      for (const key of referencesOf(kind, value)) {
        if (!changed.has(key)) continue;
        affected.add(documentKey(kind, id));
        break;
      }
      yield;
    }
  }
  return affected;
}
