import type { IncomingMessage } from 'node:http';
import type { Route } from '@warm-ladder/core/wire';
import { errorCodes, type FastifyInstance, type FastifyReply, type FastifyRequest } from 'fastify';
import type { z } from 'zod';
import { LARGEST_FILE } from './limits';
import { read } from './read';

type Read<T> = T extends z.ZodType ? z.infer<T> : undefined;
type BodyOf<R extends Route> = R['body'] extends { readonly file: true } | { readonly steps: true }
  ? Uint8Array
  : R['body'] extends { readonly schema: infer S }
    ? Read<S>
    : undefined;

/** What was sent to a route, read by its schemas; a file, and what is read in steps, comes as its bytes. */
interface Sent<R extends Route> {
  readonly params: Read<R['params']>;
  readonly query: Read<R['query']>;
  readonly body: BodyOf<R>;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
}
/** What a route answers: what its schema says, or the same as text that is JSON already, or packed. */
type Answer<R extends Route> = z.input<R['answer']['schema']> | string | Buffer;

/** Answers a route of the contract: what is sent is read by its schemas before anything is done. */
export function serve<R extends Route>(
  app: FastifyInstance,
  route: R,
  answer: (sent: Sent<R>) => Promise<Answer<R>>,
): void {
  const { method, path, params, query, body }: Route = route;
  app.route({
    method,
    url: path.replaceAll(/\{(\w+)\}/g, ':$1'),
    ...(body?.large ? { bodyLimit: LARGEST_FILE } : {}),
    handler: async (request, reply) => {
      const sent = {
        params: params && read(params, request.params, 'BAD_REQUEST'),
        query: query && read(query, request.query, 'BAD_REQUEST'),
        body: body && (body.file || body.steps ? bytesOf(request.body) : read(body.schema, request.body)),
        request,
        reply,
      };
      return answer(sent as Sent<R>);
    },
  });
}

const bytesOf = (body: unknown): Uint8Array => (body instanceof Uint8Array ? body : new Uint8Array());

/** Takes bodies of a type as their bytes, in this scope, whatever the type's own reader says of them. */
export function takeBytes(app: FastifyInstance, type: string): void {
  app.removeContentTypeParser(type);
  app.addContentTypeParser(type, async (request: FastifyRequest, payload: IncomingMessage) =>
    bytesIn(payload, request),
  );
}

/** Bytes put in their place as they arrive, so that a large file is not put together at once at its end. */
async function bytesIn(payload: IncomingMessage, { headers, routeOptions }: FastifyRequest): Promise<Buffer> {
  const { bodyLimit: most } = routeOptions;
  const announced = Number(headers['content-length'] ?? 0);
  if (announced > most) throw new errorCodes.FST_ERR_CTP_BODY_TOO_LARGE();
  let bytes = Buffer.allocUnsafeSlow(announced);
  let length = 0;
  // What is refused is answered: the line is not cut while more is on its way.
  for await (const part of payload.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    if (length + part.length > most) throw new errorCodes.FST_ERR_CTP_BODY_TOO_LARGE();
    if (length + part.length > bytes.length) {
      const larger = Buffer.allocUnsafeSlow(Math.min(most, Math.max(2 * bytes.length, length + part.length)));
      bytes.copy(larger);
      bytes = larger;
    }
    bytes.set(part, length);
    length += part.length;
  }
  return bytes.subarray(0, length);
}
