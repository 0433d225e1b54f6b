import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { reasonOf } from '../database/openFolder';
import { syncPath } from '../database/sync';
import { readFileOption, runCommand, withStudio } from './askServer';

/** `backup FILE`: the whole studio as a bundle file, while its server runs or not. */
await runCommand(async () => {
  const { file, data } = readFileOption('backup', process.argv.slice(2));
  const text = await withStudio(data, (ask) => ask('GET', '/bundle'));
  const draft = `${file}.draft`;
  try {
    writeFileSync(draft, text);
    syncPath(draft);
    // In its place only once it is whole: a backup cut short must not take the place of an older one.
    renameSync(draft, file);
  } catch (error) {
    rmSync(draft, { force: true });
    throw new Error(`The backup ${file} could not be written: ${reasonOf(error)}.`);
  }
  const { exercises = [], classes = [], series = [] } = JSON.parse(text);
  console.log(`${file}: ${exercises.length} ladders, ${classes.length} classes, ${series.length} series.`);
});
