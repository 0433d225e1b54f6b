import type { Problem } from '../../plan';
import { checkBundle } from '../checks/checkBundle';
import { type Bundle, COLLECTIONS, type CollectionName, emptyBundle } from './bundle';

export interface NamedBundle {
  readonly file: string;
  readonly bundle: Bundle;
}
export interface FileProblem extends Problem {
  readonly file: string;
}

const idAt = (bundle: Bundle, collection: CollectionName, index: unknown): string | undefined =>
  typeof index === 'number' ? bundle[collection]?.[index]?.id : undefined;

/** The problem with its path as it stands in the file, or by id where the file does not hold it. */
export function locate({ path, message }: Problem, whole: Bundle, file: Bundle): Problem {
  const [head, index, ...rest] = path;
  const collection = COLLECTIONS.find((each) => each === head);
  const id = collection && idAt(whole, collection, index);
  if (collection === undefined || id === undefined) return { path, message };
  const own = (file[collection] ?? []).findIndex((each) => each.id === id);
  return { path: [collection, own >= 0 ? own : id, ...rest], message };
}

/**
 * Several files as one bundle: a repertoire in one, its classes in others.
 * @returns the whole, and what does not fit: an id or a method in two files, or any problem of `checkBundle`,
 * each with its file and its path there
 */
export function mergeBundles(files: readonly NamedBundle[]): { bundle: Bundle; problems: FileProblem[] } {
  const problems: FileProblem[] = [];
  const owners = new Map<string, string>();
  let bundle = emptyBundle();
  for (const { file, bundle: part } of files) {
    if (part.method && bundle.method) {
      problems.push({ file, path: ['method'], message: 'A method stands in more than one file; expected one.' });
    }
    bundle = { ...bundle, ...(part.method ? { method: part.method } : {}) };
    for (const collection of COLLECTIONS) {
      (part[collection] ?? []).forEach(({ id }, index) => {
        const key = `${collection}/${id}`;
        const owner = owners.get(key);
        if (owner !== undefined && owner !== file) {
          const message = `The id “${id}” stands in ${owner} too; expected each once.`;
          problems.push({ file, path: [collection, index, 'id'], message });
        }
        owners.set(key, file);
      });
      const joined = [...(bundle[collection] ?? []), ...(part[collection] ?? [])];
      bundle = { ...bundle, [collection]: joined };
    }
  }
  if (problems.length > 0) return { bundle, problems };
  for (const problem of checkBundle(bundle)) {
    const [head, index] = problem.path;
    const collection = COLLECTIONS.find((each) => each === head);
    const id = collection && idAt(bundle, collection, index);
    const owner = files.find(({ file }) => file === owners.get(`${collection}/${id}`)) ?? files[0];
    if (owner) problems.push({ file: owner.file, ...locate(problem, bundle, owner.bundle) });
  }
  return { bundle, problems };
}
