import { Worker } from 'node:worker_threads';
import { type Bundle, type CollectionName, type DocumentKind, emptyBundle } from '@warm-ladder/core/formats';
import type { TableRow } from '@warm-ladder/core/tables';
import type { ChangedPlace, RefusalBody, SentEdit } from '@warm-ladder/core/wire';
import { invalid, Refusal } from '../errors';
import type { AskedChange } from '../studio/resolve';
import { documentOfText } from '../studio/snapshot';
import type { ReadFile } from '../studio/studio';
import { unhurried } from '../studio/unhurried';
import { receivedError } from './messages';
import { READS, type Reading } from './reading';
import type { FromThread, MakeName, ReadDocument, ReadName, TaskName, Tasks, ToThread } from './tasks';
import { threadFile } from './threadFile';

/** Threads at once: one file that takes long leaves another way for the rest. */
const MOST_THREADS = 2;
/** Tasks that may wait for one. */
const MOST_WAITING = 100;
/** Milliseconds one task may take: many times the largest studio. */
const LONGEST = 180_000;
/** Milliseconds after which a thread with nothing to do is ended: at rest the server is small. */
const IDLE = 20_000;
/** Megabytes a thread may hold: a file of nothing but brackets grows to a hundred times its size. */
const MEMORY = 2_048;
/** Bytes read here, in steps, which is quicker than a thread. */
const SMALL = 100_000;
/** Changes times bytes of their document that are still made here. */
const MUCH = 5_000_000;

/** A change as it is asked for, or why it can't be read. */
export type AskedOrRefused = AskedChange | (Pick<ChangedPlace, 'kind' | 'id'> & { readonly refusal: RefusalBody });
/** What is to be changed in a document of a version. */
export type AskedEdit = Omit<SentEdit, 'value'>;

const askedOf = ({ kind, id, version: base, text }: Extract<ReadDocument, { text: string | null }>): AskedChange =>
  ({ kind, id, base, ...(text === null ? {} : { value: documentOfText(text) }) }) as AskedChange;

const askedOrRefused = (read: ReadDocument): AskedOrRefused => {
  const { kind, id } = read;
  return 'refusal' in read ? { kind, id, refusal: read.refusal } : askedOf(read);
};

interface Thread {
  readonly worker: Worker;
  idle?: NodeJS.Timeout;
}

const tooMuch = (): Refusal =>
  new Refusal('TOO_LARGE', 'This takes more time or memory than the server gives one request; nothing was changed.');

/**
 * Reads files and makes pages in threads of their own (`reader.ts`), so that nobody else waits for that. What threads read
 * comes over in small parts.
 */
export class Readers {
  readonly #free: Thread[] = [];
  readonly #all = new Set<Thread>();
  readonly #waiting: Array<(thread: Thread) => void> = [];

  /**
   * A portable file, its documents in their order.
   * @param tell is told how many are read @throws Refusal INVALID, TOO_LARGE, TOO_MANY
   */
  async bundle(bytes: Uint8Array, tell?: (done: number) => void): Promise<ReadFile> {
    const lists: Partial<Record<CollectionName, object[]>> = {};
    let done = 0;
    const said = await this.#read('bundle', { bytes }, ([kind, text]) => {
      done += 1;
      tell?.(done);
      lists[kind] ??= [];
      lists[kind].push(documentOfText(text));
    });
    if (!said.ok) throw invalid(said.problems);
    const method = said.method === null ? {} : { method: documentOfText(said.method) };
    return { bundle: { ...emptyBundle(), ...method, ...lists } as Bundle, notes: said.notes };
  }

  /** Changes sent together. @throws Refusal BAD_JSON, INVALID, TOO_LARGE, TOO_MANY */
  async changes(bytes: Uint8Array): Promise<Array<AskedOrRefused | AskedEdit>> {
    const changes: Array<AskedOrRefused | AskedEdit> = [];
    const { refusal } = await this.#read('changes', { bytes }, (read) => {
      changes.push('edit' in read ? read : askedOrRefused(read));
    });
    if (refusal) throw Refusal.of(refusal);
    return changes;
  }

  /**
   * A document with what was changed in it; `null` where that does not fit it.
   * @param was the document as JSON @throws Refusal TOO_LARGE, TOO_MANY
   */
  async edited(change: AskedEdit, was: string): Promise<AskedOrRefused | null> {
    const found: AskedOrRefused[] = [];
    const bytes = new TextEncoder().encode(was);
    // Each change looks for its place anew, so that many of them in a long document take long.
    const large = change.edit.length * bytes.length > MUCH;
    await this.#read('edited', { ...change, bytes }, (read) => found.push(askedOrRefused(read)), large);
    return found[0] ?? null;
  }

  /** A document sent to its own address. @throws Refusal BAD_JSON, INVALID, TOO_LARGE, TOO_MANY */
  async document(kind: DocumentKind, id: string, bytes: Uint8Array): Promise<AskedChange> {
    const found: AskedChange[] = [];
    const { refusal } = await this.#read('document', { bytes, kind, id }, (read) => {
      if ('text' in read) found.push(askedOf(read));
    });
    const [asked] = found;
    if (refusal || !asked) throw Refusal.of(refusal ?? new Refusal('BAD_JSON', 'Nothing was sent.').body);
    return asked;
  }

  /** A table's rows. @throws Refusal INVALID, TOO_LARGE, TOO_MANY */
  async rows(bytes: Uint8Array): Promise<TableRow[]> {
    const rows: TableRow[] = [];
    const said = await this.#read('table', { bytes }, (row) => rows.push(row));
    if (!said.ok) throw invalid(said.problems);
    return rows;
  }

  /** What is made of a part of the studio; `null` where that is not in it. @throws Refusal TOO_LARGE, TOO_MANY */
  async make<K extends MakeName>(
    task: K,
    given: Tasks[K]['given'],
  ): Promise<Exclude<Tasks[K]['said'], Uint8Array> | Buffer> {
    const said = await this.#ask(task, given, () => undefined, []);
    return (said instanceof Uint8Array ? Buffer.from(said.buffer, said.byteOffset, said.byteLength) : said) as never;
  }

  /** Ends all threads. */
  async close(): Promise<void> {
    await Promise.all([...this.#all].map((thread) => this.#end(thread)));
  }

  async #read<K extends ReadName>(
    task: K,
    given: Tasks[K]['given'],
    take: (item: Tasks[K]['item']) => void,
    large = false,
  ): Promise<Tasks[K]['said']> {
    const { bytes } = given;
    if (bytes.length <= SMALL && !large) return unhurried(taking(READS[task](given), take));
    // Bytes of their own go over without being copied; a part of a pool is copied first.
    const own = bytes.byteLength === bytes.buffer.byteLength ? bytes : Uint8Array.from(bytes);
    return this.#ask(task, { ...given, bytes: own }, take, [own.buffer as ArrayBuffer]);
  }

  async #ask<K extends TaskName>(
    task: K,
    given: Tasks[K]['given'],
    take: (item: Tasks[K]['item']) => void,
    transfer: ArrayBuffer[],
  ): Promise<Tasks[K]['said']> {
    const thread = await this.#thread();
    const { worker } = thread;
    worker.ref();
    const ended = new AbortController();
    try {
      return await new Promise<Tasks[K]['said']>((resolve, reject) => {
        const late = setTimeout(() => reject(tooMuch()), LONGEST);
        const hear = (message: FromThread) => {
          if ('said' in message) resolve(message.said as Tasks[K]['said']);
          else if ('error' in message) reject(receivedError(message.error));
          else {
            for (const item of message.items) take(item as Tasks[K]['item']);
            worker.postMessage({ taken: true } satisfies ToThread);
          }
        };
        const fail = (error: NodeJS.ErrnoException) =>
          reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooMuch() : error);
        const exit = () => reject(new Error('a reading thread ended before it was done'));
        worker.on('message', hear).on('error', fail).on('exit', exit);
        ended.signal.addEventListener('abort', () => {
          clearTimeout(late);
          worker.off('message', hear).off('error', fail).off('exit', exit);
        });
        worker.postMessage({ task, given } as ToThread, transfer);
      });
    } catch (error) {
      // Whatever it is still at is not waited for.
      await this.#end(thread);
      throw error;
    } finally {
      ended.abort();
      this.#release(thread);
    }
  }

  /** A thread that has nothing to do, or the next that has. @throws Refusal TOO_MANY */
  #thread(): Promise<Thread> | Thread {
    const free = this.#free.pop();
    if (free) {
      clearTimeout(free.idle);
      return free;
    }
    if (this.#all.size < MOST_THREADS) return this.#begun();
    if (this.#waiting.length >= MOST_WAITING) {
      throw new Refusal('TOO_MANY', 'The server has more to read than it can now; nothing was changed. Try again.');
    }
    return new Promise((resolve) => this.#waiting.push(resolve));
  }

  #begun(): Thread {
    const thread = {
      worker: new Worker(threadFile('reader'), { resourceLimits: { maxOldGenerationSizeMb: MEMORY } }),
    };
    thread.worker.unref();
    this.#all.add(thread);
    return thread;
  }

  #release(thread: Thread): void {
    const next = this.#waiting.shift();
    if (next) {
      next(this.#all.has(thread) ? thread : this.#begun());
      return;
    }
    if (!this.#all.has(thread)) return;
    thread.worker.unref();
    thread.idle = setTimeout(() => void this.#end(thread), IDLE).unref();
    this.#free.push(thread);
  }

  async #end(thread: Thread): Promise<void> {
    this.#all.delete(thread);
    const at = this.#free.indexOf(thread);
    if (at >= 0) this.#free.splice(at, 1);
    clearTimeout(thread.idle);
    await thread.worker.terminate();
  }
}

/** A reading whose items are taken as they come, as steps. */
function* taking<K extends ReadName>(reading: Reading<K>, take: (item: Tasks[K]['item']) => void) {
  for (;;) {
    const step = reading.next();
    if (step.done) return step.value;
    if (step.value !== undefined) take(step.value);
    yield;
  }
}
