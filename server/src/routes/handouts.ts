import { studioOf } from '@warm-ladder/core/formats';
import { spokenIn } from '@warm-ladder/core/handouts';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { notFound } from '../errors';
import { handOut, MEDIA } from '../handouts/handOut';
import type { Studio } from '../studio/studio';
import { serve } from './serve';

/** What is handed to teachers of a class, from the studio as it is kept. */
export const handoutRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    serve(
      app,
      ROUTES.handout,
      async ({ params: { id }, query: { as, sheet, paper, teacher, today }, reply, request }) => {
        const spoken = spokenIn(studioOf(studio.bundle, { teacher, today }), id);
        if (!spoken) throw notFound(request.url);
        const made = await handOut(spoken, { as, sheet, paper });
        const name = `${id}-${sheet}.${as}`;
        reply.header('content-disposition', `attachment; filename="${name}"`);
        reply.type(MEDIA[as]);
        return made;
      },
    );
  };
