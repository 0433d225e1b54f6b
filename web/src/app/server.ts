import type { DocumentKind } from '@warm-ladder/core/formats';
import type {
  ChangesAnswer,
  ImportAnswer,
  Kept,
  KeptCopy,
  RefusalBody,
  SentChange,
  SetAsideDocument,
  StudioAnswer,
  TableAnswer,
} from '@warm-ladder/core/wire';

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

async function ask<T>(method: string, path: string, body?: string | Blob, type = 'application/json'): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'content-type': type } }),
    });
  } catch {
    throw new ServerAway();
  }
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok && answer !== null) return answer as T;
  const refusal = (answer ?? {}) as Partial<RefusalBody>;
  // A gateway in front of a stopped server answers in its stead, and not in the server's shape.
  if (refusal.code === undefined) throw new ServerAway();
  if (response.status >= 500) throw new ServerFailed(refusal.message);
  throw new Refused(refusal);
}

const place = (kind: DocumentKind, id: string) =>
  kind === 'method' ? '/method' : `/${kind}/${encodeURIComponent(id)}`;
const json = JSON.stringify;

/** What an import is asked for with. */
export interface ImportQuery {
  readonly mode: 'merge' | 'replace';
  readonly rehearse: boolean;
  readonly base?: number | undefined;
  readonly reason?: 'empty';
}
const queryOf = (query: Partial<ImportQuery>): string =>
  new URLSearchParams(
    Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  ).toString();

/** The server's interface, one function a question. Each throws `Refused`, `ServerFailed` or `ServerAway`. */
export const server = {
  studio: () => ask<StudioAnswer>('GET', '/studio'),
  /** What is kept of one document; `null` when there is none. */
  find: (kind: DocumentKind, id: string) =>
    ask<Kept>('GET', place(kind, id)).catch((error: unknown) => {
      if (error instanceof Refused && error.code === 'NOT_FOUND') return null;
      throw error;
    }),
  change: (changes: readonly SentChange[]) => ask<ChangesAnswer>('POST', '/changes', json({ changes })),
  import: (text: string, query: ImportQuery) => ask<ImportAnswer>('POST', `/bundle?${queryOf(query)}`, text),
  /** A table as it lies on the disk: the server reads its encoding. */
  importTable: (table: Blob, { rehearse, base }: ImportQuery) =>
    ask<TableAnswer>('POST', `/repertoire.csv?${queryOf({ rehearse, base })}`, table, 'text/csv'),
  copies: () => ask<KeptCopy[]>('GET', '/copies'),
  restoreCopy: (name: string) => ask<ImportAnswer>('POST', `/copies/${encodeURIComponent(name)}/restore`),
  setAside: () => ask<SetAsideDocument[]>('GET', '/set-aside'),
  putBack: ({ kind, id, at }: SetAsideDocument) => ask<object>('POST', '/set-aside/put-back', json({ kind, id, at })),
  forget: ({ kind, id, at }: SetAsideDocument) => ask<object>('POST', '/set-aside/forget', json({ kind, id, at })),
};

/** Where the whole studio, or a copy, is fetched as a file. */
export const EXPORT_PATH = '/api/bundle';
export const copyPath = (name: string): string => `/api/copies/${encodeURIComponent(name)}`;
