import { type Bundle, mergeBundles, readBundle } from '@warm-ladder/core/formats';
import { server } from './store/server';

/** The files of the house repertoire, each a chunk of the build that is fetched when a studio begins with it. */
const FILES = {
  ...import.meta.glob<unknown>('../../../house/*.json', { import: 'default' }),
  ...import.meta.glob<unknown>('../../../house/audiences/*.json', { import: 'default' }),
};

/** The shipped ladders, props, positions and common audiences as one bundle. */
async function houseBundle(): Promise<Bundle> {
  const named = await Promise.all(
    Object.entries(FILES).map(async ([file, load]) => {
      const read = readBundle(await load());
      if (!read.ok) throw new Error(`${file} is broken: ${read.problems[0]?.message}`);
      return { file, bundle: read.bundle };
    }),
  );
  return mergeBundles(named).bundle;
}

/** Puts the house repertoire into the studio, beside whatever is there. */
export async function beginWithHouse(): Promise<void> {
  const bundle = await houseBundle();
  await server.import(JSON.stringify(bundle), { mode: 'merge', rehearse: false });
}
