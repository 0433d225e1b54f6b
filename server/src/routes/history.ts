import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import type { Studio } from '../studio/studio';
import { serve } from './serve';

/** What has been changed in the studio, and what a document was before. */
export const historyRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    serve(app, ROUTES.history, async ({ query }) => studio.history(query));
    serve(app, ROUTES.before, async ({ params: { version } }) => studio.beforeChange(version));
  };
