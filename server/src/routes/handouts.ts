import { HANDOUT_FORMATS } from '@warm-ladder/core/handouts';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { notFound } from '../errors';
import type { Studio } from '../studio/studio';
import type { Readers } from '../threads/readers';
import { serve } from './serve';

/** What is handed to teachers of a class, from the studio as it is kept. */
export const handoutRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    serve(
      app,
      ROUTES.handout,
      async ({ params: { id }, query: { as, sheet, form, paper, teacher, today }, reply, request }) => {
        const part = await studio.partFor('classes', id);
        const made =
          part &&
          (await readers.make('handout', { bundle: part, id, form, teacher, today, wanted: { as, sheet, paper } }));
        if (made === null) throw notFound(request.url);
        const name = `${id}-${form === 'short' ? 'short-' : ''}${sheet}.${as}`;
        reply.header('content-disposition', `attachment; filename="${name}"`);
        reply.type(HANDOUT_FORMATS[as].media);
        return made;
      },
    );
  };
