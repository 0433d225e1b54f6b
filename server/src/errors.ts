import type { Socket } from 'node:net';
import { type Problem, pathText, quoted } from '@warm-ladder/core/formats';
import { REFUSALS, type RefusalBody, type RefusalCode } from '@warm-ladder/core/wire';
import type { FastifyError, FastifyInstance } from 'fastify';
import { isDisconnection } from './database/postgres';

export class Refusal extends Error {
  readonly body: RefusalBody;
  constructor(code: RefusalCode, message: string, more: Partial<Omit<RefusalBody, 'code' | 'message'>> = {}) {
    super(message);
    this.name = 'Refusal';
    this.body = { code, message, path: null, ...more };
  }

  static of({ code, message, ...more }: RefusalBody): Refusal {
    return new Refusal(code, message, more);
  }

  /** The same refusal of something that stands deeper in a body. */
  within(path: readonly string[]): Refusal {
    const deeper = (inner: string) => [...path, inner].join('.');
    const { problems = [], path: own, ...body } = this.body;
    return Refusal.of({
      ...body,
      path: own === null ? null : deeper(own),
      problems: problems.map((each) => ({ ...each, path: deeper(each.path) })),
    });
  }

  get status(): number {
    return REFUSALS[this.body.code];
  }
}

export const notFound = (url: string): Refusal => new Refusal('NOT_FOUND', `There is nothing at ${quoted(url)}.`);

/** A body that does not hold together: every problem with its path, the first one as the sentence. */
export function invalid(problems: readonly Problem[], code: RefusalCode = 'INVALID'): Refusal {
  const named = problems.map(({ path, message }) => ({ path: pathText(path), message }));
  const [first] = named;
  return new Refusal(code, first?.message ?? 'The body is not valid.', { path: first?.path ?? null, problems: named });
}

/** 53100 is the database's own word for it; a database that can't be opened again has it as its cause. */
function isFullDisk(error: unknown): boolean {
  const { code, errno, cause } = (error ?? {}) as { code?: unknown; errno?: unknown; cause?: unknown };
  return (
    code === '53100' || code === 'ENOSPC' || errno === NO_SPACE_ERRNO || (cause !== undefined && isFullDisk(cause))
  );
}
/** WASI's number for a full disk, as the engine's file layer throws it. */
const NO_SPACE_ERRNO = 51;

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
  if (isFullDisk(error)) {
    return new Refusal('NO_SPACE', 'There is no space left on the server’s disk; nothing was changed.');
  }
  if (isDisconnection(error)) {
    return new Refusal('UNREACHABLE', 'The studio’s database does not answer; nothing was changed. Try again.');
  }
  return new Refusal('INTERNAL', 'The server failed to do this; nothing was changed. Its log has the cause.');
}

/** What is sent for a request that the parser gave up on: it has reached no route. */
export function speakParserErrors({ code }: NodeJS.ErrnoException, socket: Socket): void {
  const refusal =
    code === 'HPE_HEADER_OVERFLOW'
      ? new Refusal('TOO_LONG', 'The head of the request is too long; nothing was changed.')
      : new Refusal('BAD_REQUEST', 'The request can’t be read; nothing was changed.');
  const body = JSON.stringify(refusal.body);
  if (socket.writable) {
    socket.write(
      `HTTP/1.1 ${refusal.status} Refused\r\ncontent-type: application/json; charset=utf-8\r\n` +
        `content-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`,
    );
  }
  socket.destroy();
}

/** Sends every error of every route in the one shape. */
export function speakErrors(app: FastifyInstance): void {
  app.setErrorHandler<FastifyError | Refusal>((error, request, reply) => {
    const refusal = asRefusal(error, request.routeOptions.bodyLimit ?? app.initialConfig.bodyLimit ?? 0);
    if (refusal.body.code === 'INTERNAL') request.log.error(error);
    return reply.status(refusal.status).send(refusal.body);
  });
}
