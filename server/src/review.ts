import { parseArgs } from 'node:util';
import { type ReviewWish, reviewBundle } from '@warm-ladder/core/formats';
import { readFiles, UnreadableFile } from './files';

/** Exit codes: a sound answer, one with a `stop`, something that can't be read, and a mistake of this program. */
const [SOUND, STOP, UNREADABLE, CRASHED] = [0, 1, 2, 3] as const;

const machineDay = (): string => {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
};

interface Options extends ReviewWish {
  readonly files: string[];
}

function optionsOf(args: readonly string[]): Options | null {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        today: { type: 'string', default: machineDay() },
        teacher: { type: 'string' },
        fixes: { type: 'boolean', default: false },
      },
    });
    const day = new Date(values.today);
    const real = /^\d{4}-\d{2}-\d{2}$/.test(values.today) && !Number.isNaN(day.getTime());
    if (!real || day.toISOString().slice(0, 10) !== values.today) {
      console.error(`“${values.today}” is no day; expected --today YYYY-MM-DD.`);
      return null;
    }
    const { today, teacher, fixes } = values;
    if (positionals.length > 0) return { files: positionals, today, teacher, fixes };
  } catch {
    // Said below, with what is expected.
  }
  console.error(
    'Name at least one bundle file: npm run --silent review -- FILE… (and --today YYYY-MM-DD, --teacher ID, --fixes)',
  );
  return null;
}

/** `review FILE…`: the headless review, with neither server nor database. */
function review(args: readonly string[]): number {
  const options = optionsOf(args);
  if (!options) return UNREADABLE;
  try {
    const { bundle, notes } = readFiles(options.files);
    for (const note of notes) console.error(note);
    if (options.teacher !== undefined && !bundle.teachers?.some(({ id }) => id === options.teacher)) {
      console.error(`There is no teacher “${options.teacher}” in these files; expected the id of one.`);
      return UNREADABLE;
    }
    const document = reviewBundle(bundle, options);
    process.stdout.write(`${JSON.stringify(document, null, 2)}\n`);
    const findings = [...Object.values(document.classes), ...Object.values(document.series)].flatMap(
      (each) => each.findings,
    );
    return findings.some(({ severity }) => severity === 'stop') ? STOP : SOUND;
  } catch (error) {
    if (error instanceof UnreadableFile) {
      console.error(error.message);
      return UNREADABLE;
    }
    console.error('The review failed, by a mistake of its own:', error);
    return CRASHED;
  }
}

process.exitCode = review(process.argv.slice(2));
