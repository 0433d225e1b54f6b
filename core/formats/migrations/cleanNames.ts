import { asName, withoutNone } from '../../vocabulary/words/text';
import { isObject, type MigrationReport, type Path } from './step';

/** Keys whose text is a name, wherever they stand. */
const NAMES: ReadonlySet<string> = new Set(['name', 'title', 'checkedBy', 'use', 'value', 'run', 'tags', 'not']);

/**
 * A document with names that can be seen: breaks of lines and marks of no width, which names may hold no longer, taken
 * out, and reported. Itself where there are none.
 */
export function withCleanNames(value: unknown, path: Path, report: MigrationReport, isName = false): unknown {
  if (typeof value === 'string') {
    const clean = isName ? asName(path.at(-1) === 'run' ? value.replace(/[<>]/g, '') : value) : withoutNone(value);
    if (clean === value || clean === '') return value;
    report.notes.push({ path, message: `What can’t be seen was taken out: “${clean.slice(0, 60)}”.` });
    return clean;
  }
  if (Array.isArray(value)) {
    const list = value.map((each, i) => withCleanNames(each, [...path, i], report, isName));
    return list.every((each, i) => each === value[i]) ? value : list;
  }
  if (!isObject(value)) return value;
  const entries = Object.entries(value);
  const clean = entries.map(([key, each]) => withCleanNames(each, [...path, key], report, NAMES.has(key)));
  if (clean.every((each, i) => each === entries[i]?.[1])) return value;
  return Object.fromEntries(entries.map(([key], i) => [key, clean[i]]));
}
