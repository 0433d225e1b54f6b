import { type Problem, pathText } from '@warm-ladder/core/formats';
import type { FastifyError, FastifyInstance } from 'fastify';

/** Every refusal the server can give, by code, with the status it is sent as. */
const STATUS = {
  BAD_JSON: 400,
  BAD_REQUEST: 400,
  NOT_FOUND: 404,
  STALE: 409,
  IN_USE: 409,
  TOO_LARGE: 413,
  WRONG_TYPE: 415,
  INVALID: 422,
  INTERNAL: 500,
} as const;
export type RefusalCode = keyof typeof STATUS;

/** The one shape of an error: a code, a sentence, and where it is. */
export interface RefusalBody {
  readonly code: RefusalCode;
  readonly message: string;
  readonly path: string | null;
  readonly problems?: ReadonlyArray<{ readonly path: string; readonly message: string }>;
  /** For a stale write: what is kept now, and what was sent. */
  readonly current?: unknown;
  readonly yours?: unknown;
}

export class Refusal extends Error {
  readonly body: RefusalBody;
  constructor(code: RefusalCode, message: string, more: Partial<Omit<RefusalBody, 'code' | 'message'>> = {}) {
    super(message);
    this.name = 'Refusal';
    this.body = { code, message, path: null, ...more };
  }

  get status(): number {
    return STATUS[this.body.code];
  }
}

/** A body that does not hold together: every problem with its path, the first one as the sentence. */
export function invalid(problems: readonly Problem[], code: RefusalCode = 'INVALID'): Refusal {
  const named = problems.map(({ path, message }) => ({ path: pathText(path), message }));
  const [first] = named;
  return new Refusal(code, first?.message ?? 'The body is not valid.', { path: first?.path ?? null, problems: named });
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`;

function asRefusal(error: FastifyError | Refusal, limit: number): Refusal {
  if (error instanceof Refusal) return error;
  switch (error.code) {
    case 'FST_ERR_CTP_BODY_TOO_LARGE':
      return new Refusal(
        'TOO_LARGE',
        `The body is larger than the ${megabytes(limit)} accepted here; nothing was changed.`,
      );
    case 'FST_ERR_CTP_INVALID_MEDIA_TYPE':
      return new Refusal(
        'WRONG_TYPE',
        'The body has the wrong type; expected application/json, or text/csv for a table.',
      );
    case 'FST_ERR_CTP_INVALID_JSON_BODY':
    case 'FST_ERR_CTP_EMPTY_JSON_BODY':
      return new Refusal('BAD_JSON', 'The body is not whole JSON; nothing was changed.');
  }
  if (error.statusCode !== undefined && error.statusCode < 500) return new Refusal('BAD_REQUEST', error.message);
  return new Refusal('INTERNAL', 'The server failed to do this; nothing was changed. Its log has the cause.');
}

/** Sends every error of every route in the one shape. */
export function speakErrors(app: FastifyInstance): void {
  app.setErrorHandler<FastifyError | Refusal>((error, request, reply) => {
    const refusal = asRefusal(error, request.routeOptions.bodyLimit ?? app.initialConfig.bodyLimit ?? 0);
    if (refusal.body.code === 'INTERNAL') request.log.error(error);
    return reply.status(refusal.status).send(refusal.body);
  });
}
