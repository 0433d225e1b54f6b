import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { notFound } from '../errors';
import { isFromRoom } from '../room/roomRequests';
import { ProgressBook } from '../studio/progress';
import type { Studio } from '../studio/studio';
import type { Readers } from '../threads/readers';
import { serve, takeBytes } from './serve';

/** The whole studio out and in: what is loaded at the start, the export, and the import with its report. */
export const bundleRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    // The file is read by the core, so that a truncated one gets the core's sentence.
    takeBytes(app, 'application/json');

    serve(app, ROUTES.studio, async ({ query: { class: id, teacher }, request, reply }) => {
      reply.type('application/json; charset=utf-8').header('vary', 'accept-encoding');
      const room = isFromRoom(request);
      // Whose body asks for what is sent to another machine of the people in the class alone.
      const asked = { teacher, audiences: room ? 'its own' : 'all' } as const;
      const part = id === undefined ? null : await studio.textFor(id, asked);
      if (part !== null) return part;
      // The whole studio is this machine's own.
      if (room) throw notFound(request.url);
      if (!/\bgzip\b/.test(String(request.headers['accept-encoding']))) return studio.text;
      reply.header('content-encoding', 'gzip');
      return studio.packed;
    });

    serve(app, ROUTES.programme, async ({ query: { from, to } }) => studio.programme(from, to));

    serve(app, ROUTES.export, async ({ reply }) => {
      reply.header('content-disposition', 'attachment; filename="warm-ladder.json"');
      reply.type('application/json; charset=utf-8');
      return studio.fileText;
    });

    const progress = new ProgressBook();
    serve(app, ROUTES.import, async ({ body, query: { mode, rehearse, base, reason, progress: name } }) =>
      progress.during(name, async (tell) =>
        studio.import(await readers.bundle(body, (done) => tell('reading', done, null)), {
          mode,
          base,
          tell,
          rehearse: rehearse === 'true',
          ...(reason ? { reason } : {}),
        }),
      ),
    );
    serve(app, ROUTES.progress, async ({ params: { id } }) => ({ progress: progress.of(id) }));
  };
