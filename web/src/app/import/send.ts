import {
  type Column,
  decodeTable,
  type Fill,
  type OwnColumn,
  ownColumns,
  REQUIRED_COLUMNS,
  withColumns,
} from '@warm-ladder/core/tables';
import { countText } from '@warm-ladder/core/vocabulary';
import type { TableAnswer } from '@warm-ladder/core/wire';
import { type ImportQuery, Refused, ServerAway, server } from '../store/server';
import type { Failure } from './ImportReport';

/** A table as it was chosen: its text, and what stands over and in its columns. */
export interface ChosenTable {
  readonly file: File;
  readonly text: string;
  readonly columns: readonly OwnColumn[];
}
/** Which column is which, and what is said once for all new rungs. */
export interface Match {
  readonly columns: ReadonlyArray<Column | null>;
  readonly fill: Fill;
}
/** What is read: bundles, of several all taken in as one since they may need one another, or a table. */
export type Chosen =
  | { readonly kind: 'bundles'; readonly files: readonly [File, ...File[]] }
  | { readonly kind: 'table'; readonly table: ChosenTable; readonly match: Match };

/** What must be known of a new rung and no column says. */
export const unsaid = ({ columns }: Match): Column[] => REQUIRED_COLUMNS.filter((column) => !columns.includes(column));

/** Whether something is still to be said before a table can be read. */
export const isOpen = (match: Match): boolean =>
  unsaid(match).some((column) =>
    column === 'exercise name' ? !match.columns.includes('exercise') : !match.fill[column],
  );

export const isTable = (file: File): boolean => /\.(csv|tsv|txt)$/i.test(file.name);

/** @throws Error in words, where it has no columns */
export async function chosenTable(file: File): Promise<ChosenTable> {
  const text = decodeTable(new Uint8Array(await file.arrayBuffer()));
  const columns = ownColumns(text);
  if (columns.length === 0) throw new Error(`${file.name} has no first row; expected the names of its columns.`);
  return { file, text, columns };
}

export const nameOf = (chosen: Chosen): string =>
  chosen.kind === 'table'
    ? chosen.table.file.name
    : chosen.files.length > 1
      ? countText(chosen.files.length, 'file')
      : chosen.files[0].name;

/** @throws Error as the server refused it, or naming the file that is not whole */
export async function send(chosen: Chosen, query: ImportQuery): Promise<TableAnswer> {
  if (chosen.kind === 'bundles') return { ...(await server.import(await textOf(chosen.files), query)), plain: [] };
  const { table, match } = chosen;
  // A cell left empty in a column that is there is no blank to be filled.
  const fill = Object.fromEntries(unsaid(match).map((column) => [column, match.fill[column]]));
  return server.importTable(new Blob([withColumns(table.text, match.columns)]), query, fill);
}

/** One file as it is, several as a list. @throws Error naming the file that is not whole */
async function textOf(files: readonly [File, ...File[]]): Promise<string> {
  if (files.length === 1) return files[0].text();
  const texts = await Promise.all(files.map((file) => file.text()));
  for (const [i, text] of texts.entries()) {
    try {
      JSON.parse(text);
    } catch (error) {
      throw new Error(`${files[i]?.name} is not whole JSON (${(error as Error).message}).`);
    }
  }
  return `[${texts.join(',')}]`;
}

export function failureOf(error: unknown, chosen: Chosen | null): Failure {
  const files = chosen?.kind === 'bundles' ? chosen.files : [];
  // Of several files, a path begins with the place of its own.
  const named = (path: string) => path.replace(/^\[(\d+)\]\.?/, (own, place) => `${files[place]?.name ?? own}: `);
  if (error instanceof Refused) {
    const problems = error.problems.map(({ path, message }) => ({
      path: files.length > 1 ? named(path) : path,
      message,
    }));
    return { message: error.message, problems };
  }
  return {
    message: error instanceof ServerAway ? 'The server is away; nothing was read.' : (error as Error).message,
    problems: [],
  };
}
