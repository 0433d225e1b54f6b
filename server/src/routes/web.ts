import { existsSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import type { FastifyPluginAsync } from 'fastify';
import { Refusal } from '../errors';

/** The built web app: its files, and its one page for every address that is not the interface's. */
export const webRoutes =
  (folder: string): FastifyPluginAsync =>
  async (app) => {
    if (!existsSync(join(folder, 'index.html')))
      throw new Error(`The web app is not built: ${folder} has no index.html.`);
    await app.register(fastifyStatic, {
      root: folder,
      wildcard: false,
      setHeaders: (reply, path) => {
        // Built files carry a hash in their name; the page itself must always be asked for.
        reply.setHeader(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    });
    app.get('/*', async (request, reply) => {
      if (request.url.startsWith('/api/')) throw new Refusal('NOT_FOUND', `There is nothing at ${request.url}.`);
      return reply.header('cache-control', 'no-cache').sendFile('index.html');
    });
  };
