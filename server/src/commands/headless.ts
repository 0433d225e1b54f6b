import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { type Bundle, type ParsedBrief, pathText } from '@warm-ladder/core/formats';
import type { Series, SeriesStudio } from '@warm-ladder/core/series';
import { readFiles, UnreadableFile } from '../files';
import { sayError } from '../plainLine';

/** Exit codes: a sound answer, one with something left to mend, something that can't be read, and a mistake of this program. */
const [SOUND, UNSOUND, UNREADABLE, CRASHED] = [0, 1, 2, 3] as const;

/** What was asked for can't be had; the message says what was expected. */
export class Refused extends Error {}

/** One JSON document, or something raw that is printed as it is. */
type Answer = ({ readonly document: unknown } | { readonly raw: string | Buffer }) & {
  /** Whether the command ends with 0. */
  readonly sound: boolean;
};

type Options = Readonly<Record<string, { readonly type: 'string' | 'boolean' }>>;
type Values<O extends Options> = { readonly [K in keyof O]?: O[K]['type'] extends 'boolean' ? boolean : string };

interface Command<O extends Options> {
  readonly name: string;
  readonly options: O;
  /** What is expected after `npm run --silent`, in one line. */
  readonly usage: string;
  /**
   * @param read reads the files when it is first asked, so that an option that can't be is said at once
   * @throws Refused when the options can't be, or the files do not hold what they name
   */
  readonly answer: (read: () => Bundle, values: Values<O>, first: string) => Answer | Promise<Answer>;
  /** What the first file is, where it is no bundle. */
  readonly first?: string;
}

/**
 * Runs a command over bundle files, with neither server nor database: one document on standard output, notes and
 * complaints on standard error, and how it went as the exit code.
 */
export function runHeadless<const O extends Options>({ name, options, usage, answer, first }: Command<O>): void {
  void run(process.argv.slice(2)).then((code) => {
    process.exitCode = code;
  });

  async function run(args: readonly string[]): Promise<number> {
    try {
      const { values, positionals } = argumentsOf(args);
      const files = first === undefined ? positionals : positionals.slice(1);
      if (files.length === 0) {
        throw new Refused(`Name ${first === undefined ? '' : `${first}, and `}at least one bundle file: ${usage}`);
      }
      const given = await answer(() => bundleOf(files), values, positionals[0] as string);
      process.stdout.write('raw' in given ? given.raw : `${JSON.stringify(given.document, null, 2)}\n`);
      return given.sound ? SOUND : UNSOUND;
    } catch (error) {
      if (error instanceof UnreadableFile || error instanceof Refused) {
        sayError(error.message);
        return UNREADABLE;
      }
      console.error(`${name} failed, by a mistake of its own:`, error);
      return CRASHED;
    }
  }

  function bundleOf(files: readonly string[]): Bundle {
    const { bundle, notes } = readFiles(files);
    for (const note of notes) sayError(note);
    return bundle;
  }

  function argumentsOf(args: readonly string[]) {
    try {
      const { values, positionals } = parseArgs({ args: [...args], allowPositionals: true, options });
      return { values: values as Values<O>, positionals };
    } catch (error) {
      throw new Refused(`${error instanceof Error ? error.message : error} Expected: ${usage}`);
    }
  }
}

/** The day asked for, or this machine's. @throws Refused when it is no day */
export function dayOf(asked: string | undefined): string {
  if (asked === undefined) return machineDay();
  const day = new Date(asked);
  const real = /^\d{4}-\d{2}-\d{2}$/.test(asked) && !Number.isNaN(day.getTime());
  if (!real || day.toISOString().slice(0, 10) !== asked) {
    throw new Refused(`“${asked}” is no day; expected --today YYYY-MM-DD.`);
  }
  return asked;
}

const machineDay = (): string => {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
};

/** Written to a file where one is named; what is left to print. @throws Refused where it can't be written */
export function keptIn(out: string | undefined, made: string | Buffer): string | Buffer {
  if (out === undefined) return made;
  try {
    writeFileSync(out, made);
  } catch (error) {
    throw new Refused(`${out}, the file: It can’t be written (${(error as Error).message}).`);
  }
  return '';
}

/** The teacher asked for, or nobody. @throws Refused when there is none with the id */
export function teacherIn({ teachers }: Bundle, id: string | undefined): string | undefined {
  if (id !== undefined && !teachers?.some((each) => each.id === id)) {
    throw new Refused(`There is no teacher “${id}” in these files; expected the id of one.`);
  }
  return id;
}

/** The series asked for. @throws Refused when none is named, or none has the id */
export function seriesIn({ seriesOf }: Pick<SeriesStudio, 'seriesOf'>, id: string | undefined): Series {
  if (id === undefined) throw new Refused('Name the series: --series ID.');
  const series = seriesOf(id);
  if (!series) throw new Refused(`There is no series “${id}” in these files; expected the id of one.`);
  return series;
}

/** The text of a file. @throws Refused when it can’t be opened */
export function textOf(file: string, expected: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new Refused(`${file}, the file: It can’t be opened; expected ${expected}.`);
  }
}

/** The brief in a file. @throws Refused when none is named, or with every problem of it, each with its path */
export function briefIn<T>(file: string | undefined, parse: (text: string) => ParsedBrief<T>, expected = 'a brief'): T {
  if (file === undefined) throw new Refused('Name the brief: --brief BRIEF.json.');
  const text = textOf(file, expected);
  const parsed = parse(text);
  if (parsed.ok) return parsed.brief;
  throw new Refused(parsed.problems.map(({ path, message }) => `${file}, ${pathText(path)}: ${message}`).join('\n'));
}
