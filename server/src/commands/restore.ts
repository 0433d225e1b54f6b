import { readFileSync } from 'node:fs';
import { reasonOf } from '../database/openFolder';
import { readFileOption, runCommand, withStudio } from './askServer';

/** `restore FILE`: the studio becomes what the file holds; a copy of it as it was is kept first. */
await runCommand(async () => {
  const { file, data } = readFileOption('restore', process.argv.slice(2));
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    throw new Error(`The file ${file} can’t be read: ${reasonOf(error)}.`);
  }
  await withStudio(data, (ask) => ask('POST', '/bundle?mode=replace&reason=restore', text));
  console.log(`The studio in ${data} is as ${file} has it. What it was before is kept: Studio menu, Ways back.`);
});
