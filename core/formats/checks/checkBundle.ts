import type { Problem } from '../../plan';
import { requirementCycles } from '../../repertoire';
import { type Bundle, COLLECTIONS, type CollectionItem, type CollectionName } from '../file/bundle';
import { Documents } from '../file/documents';
import { atOnce, type Steps } from '../file/steps';
import { repeatedIds, type StudioIndex } from '../studioIndex';
import { checkDocument } from './checkDocument';
import { followRings, ringSentence } from './checkSeries';

/** Ids that stand twice in a list of a file: which of the two is meant nobody can tell. */
export const duplicateIds = (bundle: Bundle): Problem[] =>
  COLLECTIONS.flatMap((collection) => repeatedIds(bundle[collection] ?? [], [collection]));

/**
 * Whether the parts of a bundle fit one another: ids unique, every reference found, requirements without a circle,
 * classes teachable. The same check of a document guards imports, the headless review and every write on the server.
 * @returns problems with their paths in the bundle; empty when everything fits
 */
export const checkBundle = (bundle: Bundle): Problem[] => atOnce(checkBundleSteps(bundle));

/** The same, a document a step. */
export function* checkBundleSteps(bundle: Bundle, studio: StudioIndex = Documents.of(bundle)): Steps<Problem[]> {
  const problems = duplicateIds(bundle);
  yield;
  // What every check asks, made in a step of its own: of thousands of exercises it is the longest.
  void studio.catalog;
  yield;
  if (bundle.method) {
    const found = checkDocument('method', bundle.method, studio, 'written');
    problems.push(...found.map(({ path, message }) => ({ path: ['method', ...path], message })));
  }
  for (const collection of COLLECTIONS) {
    problems.push(...(yield* checkCollection(collection, bundle, studio)));
    if (collection === 'exercises') problems.push(...circles(bundle));
    if (collection === 'series') problems.push(...rings(bundle));
  }
  return problems;
}

function* checkCollection<C extends CollectionName>(
  collection: C,
  bundle: Bundle,
  studio: StudioIndex,
): Steps<Problem[]> {
  const problems: Problem[] = [];
  const list = (bundle[collection] ?? []) as Array<CollectionItem<C>>;
  for (const [index, value] of list.entries()) {
    const found = checkDocument<CollectionName>(collection, value, studio, 'written');
    problems.push(...found.map(({ path, message }) => ({ path: [collection, index, ...path], message })));
    yield;
  }
  return problems;
}

function circles({ exercises = [] }: Bundle): Problem[] {
  return requirementCycles(exercises).map((cycle) => {
    const owner = exercises.findIndex(({ id }) => cycle[0]?.startsWith(`${id}/`));
    return { path: ['exercises', owner], message: circleSentence(cycle) };
  });
}

function rings({ series = [] }: Bundle): Problem[] {
  return followRings(series).map((ring) => ({
    path: ['series', series.findIndex(({ id }) => id === ring[0]), 'follows'],
    message: ringSentence(ring),
  }));
}

export const circleSentence = (cycle: readonly string[]): string =>
  `The requirements go round in a circle: ${cycle.join(' → ')}. Something must come first.`;
