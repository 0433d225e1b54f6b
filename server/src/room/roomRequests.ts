import type { IncomingMessage } from 'node:http';
import { ROOM_PAGES } from '@warm-ladder/core/formats';
import type { FastifyInstance } from 'fastify';
import { Refusal } from '../errors';

/** Requests that came from another machine, over a listener that serves what is taught from and nothing else. */
const requests = new WeakSet<IncomingMessage>();

/** Marks a request as one of another machine. */
export const fromRoom = (request: IncomingMessage): void => void requests.add(request);

export const isFromRoom = ({ raw }: { readonly raw: IncomingMessage }): boolean => requests.has(raw);

/** Files that the pages of the room are made of. */
const FILES = new Set(['/room.html', '/room.webmanifest', '/offline.js', '/mark.svg', '/certificate.crt']);
const ASKED = new Set(['GET /api/health', 'GET /api/programme', 'GET /api/studio', 'POST /api/changes']);

/**
 * Answers other machines with the pages that are taught from, what these ask, and their logs; until people have
 * accounts nobody there reads or changes more. Whoever opens another page is sent to the classes of today.
 */
export function guardRoom(app: FastifyInstance): void {
  app.addHook('onRequest', async (request, reply) => {
    if (!isFromRoom(request)) return;
    const { pathname, searchParams } = new URL(request.url, 'http://room');
    if (pathname.startsWith('/api/')) {
      const asked = ASKED.has(`${request.method} ${pathname}`);
      // Without the class it is asked for, it would be the whole studio.
      if (asked && (pathname !== '/api/studio' || searchParams.has('class'))) return;
      throw closed();
    }
    if (request.method !== 'GET' && request.method !== 'HEAD') throw closed();
    if (pathname.startsWith('/assets/') || FILES.has(pathname)) return;
    if ((ROOM_PAGES as readonly string[]).includes(pathname.split('/')[1] ?? '')) return;
    return reply.redirect('/tonight');
  });
}

export const closed = (): Refusal =>
  new Refusal(
    'FORBIDDEN',
    'From another machine classes are read, taught and logged, and nothing else: the studio is changed on its own machine.',
  );
