import type { Bundle, CollectionName } from '@warm-ladder/core/formats';

export type Kind = CollectionName | 'method';
export type Versions = Record<Kind, Record<string, number>>;
export interface StudioAnswer {
  readonly bundle: Bundle;
  readonly versions: Versions;
}
export type ImportReport = Record<Kind, Record<'added' | 'changed' | 'unchanged' | 'removed', string[]>>;

/** What a table does, and the rungs it brings that have yet to be drawn. */
export interface TableReport {
  readonly report: ImportReport;
  readonly plain: readonly string[];
}

/** A refusal in the server's words. */
export class Refused extends Error {
  readonly code: string;
  readonly problems: ReadonlyArray<{ path: string; message: string }>;
  /** What the server holds, for a stale write; `null` when it was deleted there. */
  readonly current: { version: number; value: unknown } | null;
  constructor(body: {
    code?: string;
    message?: string;
    problems?: Refused['problems'];
    current?: Refused['current'];
  }) {
    super(body.message ?? 'The server refused without a word.');
    this.code = body.code ?? 'UNKNOWN';
    this.problems = body.problems ?? [];
    this.current = body.current ?? null;
  }
}

/** The server can't be reached: nothing is known of what happened. */
export class ServerAway extends Error {}

async function ask<T>(method: string, path: string, body?: string, type = 'application/json'): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'content-type': type } }),
    });
  } catch {
    throw new ServerAway();
  }
  const answer: unknown = await response.json().catch(() => ({}));
  if (!response.ok) {
    // A gateway in front of a stopped server answers in its stead.
    if (response.status >= 502) throw new ServerAway();
    throw new Refused(answer as ConstructorParameters<typeof Refused>[0]);
  }
  return answer as T;
}

const place = (kind: Kind, id: string) => (kind === 'method' ? '/method' : `/${kind}/${encodeURIComponent(id)}`);

/** The server's interface, one function a question. Each throws `Refused` or `ServerAway`. */
export const server = {
  studio: () => ask<StudioAnswer>('GET', '/studio'),
  put: (kind: Kind, id: string, version: number, value: unknown) =>
    ask<{ version: number }>('PUT', place(kind, id), JSON.stringify({ version, value })),
  remove: (kind: Kind, id: string, version: number) =>
    ask<Record<string, never>>('DELETE', `${place(kind, id)}?version=${version}`),
  import: (text: string, mode: 'merge' | 'replace', rehearse: boolean) =>
    ask<ImportReport>('POST', `/bundle?mode=${mode}&rehearse=${rehearse}`, text),
  importTable: (text: string, rehearse: boolean) =>
    ask<TableReport>('POST', `/repertoire.csv?rehearse=${rehearse}`, text, 'text/csv'),
};
