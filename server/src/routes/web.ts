import { existsSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';
import { Refusal } from '../errors';

/**
 * The built web app: its files, and its one page for every address of the interface. Not wrapped in a scope of its
 * own, since what is not found is the whole server's.
 */
export async function serveWeb(app: FastifyInstance, folder: string): Promise<void> {
  if (!existsSync(join(folder, 'index.html')))
    throw new Error(`The web app is not built: ${folder} has no index.html.`);
  await app.register(fastifyStatic, {
    root: folder,
    setHeaders: (reply, path) => {
      // Built files carry a hash in their name; the page itself must always be asked for.
      reply.setHeader('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  app.setNotFoundHandler(async (request, reply) => {
    if (/^\/(api|assets)\//.test(request.url)) throw new Refusal('NOT_FOUND', `There is nothing at ${request.url}.`);
    return reply.header('cache-control', 'no-cache').sendFile('index.html');
  });
}
