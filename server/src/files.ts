import { readFileSync } from 'node:fs';
import { type Bundle, mergeBundles, type Problem, parseBundle, pathText } from '@warm-ladder/core/formats';

/** A file that can't be read as a bundle: which, where in it, and what was expected. */
export class UnreadableFile extends Error {
  constructor(problems: ReadonlyArray<Problem & { readonly file: string }>) {
    super(problems.map(({ file, path, message }) => `${file}, ${pathText(path)}: ${message}`).join('\n'));
    this.name = 'UnreadableFile';
  }
}

/** Files read as one, and what was changed on the way from an older version, each with its file and path. */
export interface FilesRead {
  readonly bundle: Bundle;
  readonly notes: readonly string[];
}

/**
 * Reads bundle files as one bundle.
 * @throws UnreadableFile with every problem, by file and path
 */
export function readFiles(files: readonly string[]): FilesRead {
  const notes: string[] = [];
  const named = files.map((file) => {
    let text: string;
    try {
      text = readFileSync(file, 'utf8');
    } catch (error) {
      const reason = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'is not there' : 'can’t be opened';
      throw new UnreadableFile([{ file, path: [], message: `It ${reason}; expected a bundle file.` }]);
    }
    const parsed = parseBundle(text);
    if (!parsed.ok) throw new UnreadableFile(parsed.problems.map((problem) => ({ file, ...problem })));
    notes.push(...parsed.notes.map(({ path, message }) => `${file}, ${pathText(path)}: ${message}`));
    return { file, bundle: parsed.bundle };
  });
  const { bundle, problems } = mergeBundles(named);
  if (problems.length > 0) throw new UnreadableFile(problems);
  return { bundle, notes };
}
