import { Worker } from 'node:worker_threads';
import { receivedError } from '../threads/messages';
import { threadFile } from '../threads/threadFile';
import type { EngineAnswer, EngineAsked } from './engineMessages';

type Asking = EngineAsked extends infer A ? (A extends unknown ? Omit<A, 'n'> : never) : never;

interface Waiting {
  readonly resolve: (rows: unknown[]) => void;
  readonly reject: (error: unknown) => void;
}

/** Megabytes of what the thread holds only for a moment: its engine’s memory is its own. */
const YOUNG = 8;

/** The embedded database as it is asked from outside its thread (`engine.ts`). */
export class EngineThread {
  readonly #worker = new Worker(threadFile('engine'), { resourceLimits: { maxYoungGenerationSizeMb: YOUNG } });
  readonly #waiting = new Map<number, Waiting>();
  #asked = 0;
  /** What ended the thread; asked afterwards, it rejects with that. */
  #end: Error | null = null;

  constructor() {
    this.#worker.on('message', (answer: EngineAnswer) => {
      const waiting = this.#waiting.get(answer.n);
      this.#waiting.delete(answer.n);
      if ('error' in answer) waiting?.reject(receivedError(answer.error));
      else waiting?.resolve(answer.rows);
    });
    const ended = (error: Error) => {
      this.#end ??= error;
      for (const { reject } of this.#waiting.values()) reject(this.#end);
      this.#waiting.clear();
    };
    this.#worker.on('error', ended);
    this.#worker.on('exit', (code) => ended(new Error(`the database’s thread ended (${code})`)));
  }

  /** Makes a database in a new folder and closes it. */
  async make(database: string): Promise<void> {
    await this.#ask({ make: database });
  }

  async open(database: string): Promise<void> {
    await this.#ask({ open: database });
  }

  async query<T>(sql: string, values?: unknown[]): Promise<{ rows: T[] }> {
    return { rows: (await this.#ask({ sql, values })) as T[] };
  }

  async exec(script: string): Promise<void> {
    await this.#ask({ script });
  }

  async close(): Promise<void> {
    await this.#ask({ close: true });
    await this.#worker.terminate();
  }

  /** Ends it without a word: of an engine that has ended itself there is nothing to close. */
  async end(): Promise<void> {
    await this.#worker.terminate();
  }

  #ask(asking: Asking): Promise<unknown[]> {
    if (this.#end) return Promise.reject(this.#end);
    this.#asked += 1;
    const n = this.#asked;
    return new Promise((resolve, reject) => {
      this.#waiting.set(n, { resolve, reject });
      this.#worker.postMessage({ n, ...asking });
    });
  }
}
