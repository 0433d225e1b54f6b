import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync } from 'node:fs';
import { open, readdir, readFile, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { COLLECTIONS } from '@warm-ladder/core/formats';
import { COPY_REASONS, type CopyReason, type KeptCopy } from '@warm-ladder/core/wire';
import { reasonOf } from '../database/openFolder';
import { Refusal } from '../errors';

/** Copies kept; the oldest go. */
const MOST = 30;

const NAME = /^(\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}-\d{3}Z)-before-(\w+)\.json$/;

const holdsOf = (bundle: Readonly<Record<string, unknown>>): KeptCopy['holds'] =>
  Object.fromEntries(
    COLLECTIONS.map((each) => {
      const list = bundle[each];
      return [each, Array.isArray(list) ? list.length : 0];
    }),
  );

/** Copies of the whole studio in a folder beside the database: plain bundle files, readable without this server. */
export class Copies {
  readonly #folder: string;
  /** What each file holds; files are never changed, so each is read at most once. */
  readonly #holds = new Map<string, KeptCopy['holds']>();

  constructor(folder: string) {
    this.#folder = folder;
  }

  /**
   * Keeps a copy, on the disk before this answers. One like the newest is not kept twice.
   * @throws Refusal NO_COPY when it can't be written
   */
  async keep(text: string, reason: CopyReason): Promise<void> {
    try {
      mkdirSync(this.#folder, { recursive: true });
      const names = await this.#names();
      const newest = names.at(-1);
      if (newest && (await readFile(join(this.#folder, newest), 'utf8')) === text) return;
      const name = `${new Date().toISOString().replace(/[:.]/g, '-')}-before-${reason}.json`;
      await this.#write(name, text);
      for (const old of names.slice(0, Math.max(0, names.length + 1 - MOST))) {
        await rm(join(this.#folder, old), { force: true });
        this.#holds.delete(old);
      }
    } catch (error) {
      throw new Refusal(
        'NO_COPY',
        `A copy of the studio could not be kept first: ${reasonOf(error)}. Nothing was changed.`,
      );
    }
  }

  async #write(name: string, text: string): Promise<void> {
    const draft = join(this.#folder, `${randomUUID()}.draft`);
    try {
      const file = await open(draft, 'wx');
      try {
        await file.writeFile(text);
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(draft, join(this.#folder, name));
    } catch (error) {
      await rm(draft, { force: true }).catch(() => undefined);
      throw error;
    }
  }

  /** The names of all copies, oldest first: they begin with the time. */
  async #names(): Promise<string[]> {
    if (!existsSync(this.#folder)) return [];
    return (await readdir(this.#folder)).filter((name) => NAME.test(name)).sort();
  }

  /** Every copy, newest first. */
  async list(): Promise<KeptCopy[]> {
    const copies: KeptCopy[] = [];
    for (const name of await this.#names()) {
      const [, time = '', reason = ''] = NAME.exec(name) ?? [];
      const at = time.replace(/T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z/, 'T$1:$2:$3.$4Z');
      const holds = this.#holds.get(name) ?? holdsOf(JSON.parse(await this.read(name)));
      this.#holds.set(name, holds);
      copies.unshift({ name, at, reason: COPY_REASONS.find((each) => each === reason) ?? 'start', holds });
    }
    return copies;
  }

  /** @throws Refusal NOT_FOUND */
  async read(name: string): Promise<string> {
    return (await this.readBytes(name)).toString('utf8');
  }

  /** The same as it lies on the disk. @throws Refusal NOT_FOUND */
  async readBytes(name: string): Promise<Buffer> {
    if (!(await this.#names()).includes(name)) {
      throw new Refusal('NOT_FOUND', 'There is no such copy; the oldest go when new ones are kept.', {
        path: 'copies',
      });
    }
    return readFile(join(this.#folder, name));
  }
}
