import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { studioOf } from '@warm-ladder/core/formats';
import { type PackageFiles, packageOf } from '@warm-ladder/core/package';
import { digest, zipped } from '../series/packed';
import { dayOf, keptIn, Refused, runHeadless, seriesIn } from './headless';

runHeadless({
  name: 'The package',
  usage: 'npm run --silent package -- FILE… --series ID --out FOLDER (or --out FILE.zip, and --today YYYY-MM-DD)',
  options: { series: { type: 'string' }, out: { type: 'string' }, today: { type: 'string' } },
  async answer(read, { series: id, out, today }) {
    if (out === undefined) throw new Refused('Name where it goes: --out FOLDER, or --out FILE.zip.');
    const asked = { today: dayOf(today) };
    const studio = studioOf(read(), asked);
    const series = seriesIn(studio, id);
    if (series.episodes.length === 0) throw new Refused(`“${series.name}” has no episodes to pack.`);
    const files = await packageOf(studio, series, digest);
    if (out.endsWith('.zip')) keptIn(out, zipped(files));
    else writeFolder(out, files);
    return { document: { series: series.id, out, files: Object.keys(files) }, sound: true };
  },
});

/** @throws Refused where a file can’t be written */
function writeFolder(folder: string, files: PackageFiles): void {
  for (const [path, text] of Object.entries(files)) {
    const file = join(folder, path);
    try {
      mkdirSync(dirname(file), { recursive: true });
      writeFileSync(file, text);
    } catch (error) {
      throw new Refused(`${file}, the file: It can’t be written (${(error as Error).message}).`);
    }
  }
}
