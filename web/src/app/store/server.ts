import { BUILD_HEADER, type DocumentKind } from '@warm-ladder/core/formats';
import type { Fill } from '@warm-ladder/core/tables';
import type { Kept, RefusalBody, ROUTES, SentChange, SetAsideDocument } from '@warm-ladder/core/wire';
import type { z } from 'zod';
import { noteBuild } from '../shell/build';

/** A refusal in the server's words. */
export class Refused extends Error {
  readonly code: RefusalBody['code'] | 'UNKNOWN';
  readonly problems: NonNullable<RefusalBody['problems']>;
  constructor({ code, message, problems }: Partial<RefusalBody>) {
    super(message ?? 'The server refused without a word.');
    this.code = code ?? 'UNKNOWN';
    this.problems = problems ?? [];
  }
}

/** The server failed at something that it may do the next time: its disk is full, or it made a mistake. */
export class ServerFailed extends Error {}

/** The server can't be reached: nothing is known of what happened. */
export class ServerAway extends Error {}

type Known = (typeof ROUTES)[keyof typeof ROUTES];
type Named<M, P> = Extract<Known, { readonly method: M; readonly path: P }>;
type Answered<M, P> =
  Named<M, P> extends { readonly answer: { readonly schema: infer S extends z.ZodType } } ? z.infer<S> : never;

interface Asked {
  /** In the place of what stands in braces in the path. */
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string | number | boolean | undefined>>;
  /** JSON as text, or a file as it is. */
  readonly body?: string | Blob;
  readonly type?: string;
}

/** Asks one of the routes of the contract; what comes back is what its schema says. */
const ask = <M extends Known['method'], P extends Extract<Known, { readonly method: M }>['path']>(
  method: M,
  path: P,
  asked?: Asked,
): Promise<Answered<M, P>> => send(method, path, asked) as Promise<Answered<M, P>>;

async function send(
  method: string,
  path: string,
  { params = {}, query = {}, body, type = 'application/json' }: Asked = {},
): Promise<unknown> {
  const place = path.replaceAll(/\{(\w+)\}/g, (_braced, name: string) => encodeURIComponent(params[name] ?? ''));
  const said = Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]]));
  const asked = said.length > 0 ? `?${new URLSearchParams(said)}` : '';
  let response: Response;
  try {
    response = await fetch(`/api${place}${asked}`, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'content-type': type } }),
    });
  } catch {
    throw new ServerAway();
  }
  noteBuild(response.headers.get(BUILD_HEADER));
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok && answer !== null) return answer;
  const refusal = (answer ?? {}) as Partial<RefusalBody>;
  // A gateway in front of a stopped server answers in its stead, and not in the server's shape.
  if (refusal.code === undefined) throw new ServerAway();
  if (response.status >= 500) throw new ServerFailed(refusal.message);
  throw new Refused(refusal);
}

const json = JSON.stringify;

/** What an import is asked for with. */
export interface ImportQuery {
  readonly mode: 'merge' | 'replace';
  readonly rehearse: boolean;
  readonly base?: number | undefined;
  readonly reason?: 'empty';
  /** A name under which it is asked how far this is. */
  readonly progress?: string;
}
/** The server's interface, one function a question. Each throws `Refused`, `ServerFailed` or `ServerAway`. */
export const server = {
  health: () => ask('GET', '/health'),
  /**
   * @param only the class whose page it is for: no more is sent than that needs
   * @param teacher whose pace that page is timed at
   */
  studio: (only?: string | null, teacher?: string) =>
    ask('GET', '/studio', { query: { class: only ?? undefined, teacher } }),
  phones: () => ask('GET', '/phones'),
  /** What is taught from one day to another. */
  programme: (from: string, to: string) => ask('GET', '/programme', { query: { from, to } }),
  /** What is kept of one document; `null` when there is none. */
  find: async <K extends DocumentKind>(kind: K, id: string): Promise<Kept<K> | null> => {
    try {
      return (await send('GET', kind === 'method' ? '/method' : `/${kind}/{id}`, { params: { id } })) as Kept<K>;
    } catch (error) {
      if (error instanceof Refused && error.code === 'NOT_FOUND') return null;
      throw error;
    }
  },
  change: (changes: readonly SentChange[]) => ask('POST', '/changes', { body: json({ changes }) }),
  import: (text: string, query: ImportQuery) => ask('POST', '/bundle', { query: { ...query }, body: text }),
  progress: (id: string) => ask('GET', '/progress/{id}', { params: { id } }),
  /** A table, its columns said as they are known here. @param fill what it does not say, for all new rungs */
  importTable: (table: Blob, { rehearse, base }: ImportQuery, fill: Fill) =>
    ask('POST', '/repertoire.csv', { query: { rehearse, base, ...fill }, body: table, type: 'text/csv' }),
  /** What has been changed, the newest first; of one document, or before a change, where they are named. */
  history: (query: { readonly before?: number; readonly kind?: DocumentKind; readonly id?: string }) =>
    ask('GET', '/history', { query }),
  before: (version: number) => ask('GET', '/history/{version}/before', { params: { version: String(version) } }),
  copies: () => ask('GET', '/copies'),
  restoreCopy: (name: string) => ask('POST', '/copies/{name}/restore', { params: { name } }),
  setAside: () => ask('GET', '/set-aside'),
  putBack: ({ kind, id, at }: SetAsideDocument) => ask('POST', '/set-aside/put-back', { body: json({ kind, id, at }) }),
  forget: ({ kind, id, at }: SetAsideDocument) => ask('POST', '/set-aside/forget', { body: json({ kind, id, at }) }),
};

/** Where the whole studio, or a copy, is fetched as a file. */
export const EXPORT_PATH = '/api/bundle';
export const copyPath = (name: string): string => `/api/copies/${encodeURIComponent(name)}`;
