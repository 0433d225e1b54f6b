import { parseArgs } from 'node:util';
import { reviewBundle } from '@warm-ladder/core/formats';
import { readFiles, UnreadableFile } from './files';

/** Exit codes: a sound answer, one with a `stop`, something that can't be read, and a mistake of this program. */
const [SOUND, STOP, UNREADABLE, CRASHED] = [0, 1, 2, 3] as const;

const machineDay = (): string => {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
};

function optionsOf(args: readonly string[]): { files: string[]; today: string } | null {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { today: { type: 'string', default: machineDay() } },
    });
    const day = new Date(values.today);
    const real = /^\d{4}-\d{2}-\d{2}$/.test(values.today) && !Number.isNaN(day.getTime());
    if (!real || day.toISOString().slice(0, 10) !== values.today) {
      console.error(`“${values.today}” is no day; expected --today YYYY-MM-DD.`);
      return null;
    }
    if (positionals.length > 0) return { files: positionals, today: values.today };
  } catch {
    // Said below, with what is expected.
  }
  console.error('Name at least one bundle file: npm run --silent review -- FILE… (and --today YYYY-MM-DD)');
  return null;
}

/** `review FILE…`: the headless review, with neither server nor database. */
function review(args: readonly string[]): number {
  const options = optionsOf(args);
  if (!options) return UNREADABLE;
  try {
    const document = reviewBundle(readFiles(options.files), options.today);
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
