import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import type { Studio } from '../studio/studio';
import type { Readers } from '../threads/readers';
import { serve } from './serve';

/** Copies kept before something was done, and documents set aside since they did not fit. */
export const waysBackRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    serve(app, ROUTES.copies, async () => studio.copies.list());

    serve(app, ROUTES.copy, async ({ params: { name }, reply }) => {
      const text = await studio.copies.read(name);
      reply.header('content-disposition', `attachment; filename="${name}"`);
      reply.type('application/json; charset=utf-8');
      return text;
    });

    serve(app, ROUTES.restore, async ({ params: { name } }) =>
      studio.import(await readers.bundle(await studio.copies.readBytes(name)), {
        mode: 'replace',
        rehearse: false,
        reason: 'restore',
      }),
    );

    serve(app, ROUTES.setAside, async () => studio.setAside);

    serve(app, ROUTES.putBack, async ({ body }) => {
      await studio.putBack(body);
      return {};
    });

    serve(app, ROUTES.letGo, async ({ body }) => {
      await studio.letGo(body);
      return {};
    });
  };
