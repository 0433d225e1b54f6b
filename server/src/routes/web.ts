import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import { classShownAt, ROOM_PAGES } from '@warm-ladder/core/formats';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { notFound } from '../errors';

/** Tells the browser to ask for what a page shows while the code that shows it is still on its way. */
function askedFirst(url: string): string {
  const [path = '', address] = url.split('?');
  if (path === '/tonight') return '';
  const shown = classShownAt(path);
  const teacher = isRoomPage(path) ? new URLSearchParams(address).get('teacher') : null;
  const asked = { ...(shown === null ? {} : { class: shown }), ...(teacher === null ? {} : { teacher }) };
  const query = shown === null ? '' : `?${new URLSearchParams(asked)}`;
  return `</api${ROUTES.studio.path}${query}>; rel=preload; as=fetch; crossorigin=anonymous`;
}

/** Which build of the pages a folder holds; undefined where it does not say. */
export function buildOf(folder: string): string | undefined {
  const file = join(folder, 'build.txt');
  return existsSync(file) ? readFileSync(file, 'utf8').trim() : undefined;
}

const isRoomPage = (url: string): boolean => (ROOM_PAGES as readonly string[]).includes(url.split(/[/?]/)[1] ?? '');

const FOREVER = 'public, max-age=31536000, immutable';

/**
 * The built web app: its files, compressed when they were built, and its pages for every address of the interface: a
 * rehearsal has one of its own.
 * Not wrapped in a scope of its own, since what is not found is the whole server's.
 * @throws Error when it is not built
 */
export async function serveWeb(app: FastifyInstance, folder: string): Promise<void> {
  if (!existsSync(join(folder, 'index.html'))) {
    throw new Error(`The web app is not built: ${folder} has no index.html. Build it: npm run build.`);
  }
  await app.register(fastifyStatic, {
    root: folder,
    preCompressed: true,
    // Else the plugin's own header takes the place of the one below.
    cacheControl: false,
    setHeaders: (reply, path) => {
      // Built files carry a hash in their name; the page itself must always be asked for.
      reply.setHeader('cache-control', path.includes('/assets/') ? FOREVER : 'no-cache');
    },
  });
  const sendPage = async ({ url }: FastifyRequest, reply: FastifyReply) => {
    const page = isRoomPage(url) ? 'room.html' : 'index.html';
    const first = askedFirst(url);
    if (first !== '') reply.header('link', first);
    return reply.header('cache-control', 'no-cache').sendFile(page);
  };
  app.get('/', sendPage);
  app.setNotFoundHandler(async (request, reply) => {
    if (/^\/(api|assets)\//.test(request.url)) throw notFound(request.url);
    return sendPage(request, reply);
  });
}
