import { openDatabase } from '../database/openDatabase';
import { Copies } from './copies';
import { documentRows } from './documentRows';
import { Studio } from './studio';

/** Where a studio is kept: in a folder, or on a PostgreSQL server; and where copies of it are. */
export interface Place {
  readonly folder: string;
  readonly url?: string | undefined;
  readonly copies: string;
}

/** Something stands where the studio should be moved to. */
class PlaceTaken extends Error {
  override readonly name = 'PlaceTaken';
}

async function open({ folder, url, copies }: Place) {
  const { db, close } = await openDatabase(folder, url);
  try {
    const studio = await Studio.open(db, new Copies(copies));
    return {
      db,
      studio,
      close: async () => {
        await studio.settled();
        await close();
      },
    };
  } catch (error) {
    await close();
    throw error;
  }
}

/**
 * Moves a studio into an empty place: all of it, what is set aside too, in its order; what is exported there is, byte
 * for byte, what was exported here. Where it came from stays as it is.
 * @throws PlaceTaken, and whatever keeps either from being opened
 */
export async function moveStudio(from: Place, to: Place): Promise<{ documents: number; to: string }> {
  const source = await open(from);
  try {
    const target = await open(to);
    try {
      const { setAside } = target.studio;
      if (!target.studio.isEmpty || setAside.length > 0) {
        throw new PlaceTaken(
          `There is a studio in ${target.db.place} already; expected an empty place. Nothing was moved.`,
        );
      }
      await target.studio.import({ bundle: source.studio.bundle }, { mode: 'replace', rehearse: false });
      await documentRows.keepAside(target.db, source.studio.setAside);
      if (target.studio.bundleText !== source.studio.bundleText)
        throw new Error('What was moved is not what was there.');
      return { documents: (await documentRows.all(target.db)).length, to: target.db.place };
    } finally {
      await target.close();
    }
  } finally {
    await source.close();
  }
}
