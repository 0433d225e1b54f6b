import { reviewBundle } from '@warm-ladder/core/formats';
import { readFiles, UnreadableFile } from './files';

/** `review FILE…`: the headless review, with neither server nor database. Exit 0, 1 for a `stop`, 2 for unreadable. */
function review(files: readonly string[]): number {
  if (files.length === 0) {
    console.error('Name at least one bundle file: npm run --silent review -- FILE…');
    return 2;
  }
  try {
    const document = reviewBundle(readFiles(files));
    process.stdout.write(`${JSON.stringify(document, null, 2)}\n`);
    const findings = [...Object.values(document.classes), ...Object.values(document.series)].flatMap(
      (each) => each.findings,
    );
    return findings.some(({ severity }) => severity === 'stop') ? 1 : 0;
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error;
    console.error(error.message);
    return 2;
  }
}

process.exitCode = review(process.argv.slice(2));
