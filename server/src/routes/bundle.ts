import type { FastifyPluginAsync } from 'fastify';
import { z } from 'zod';
import { Refusal } from '../errors';
import type { Studio } from '../studio/studio';
import { LARGEST_FILE } from './limits';

const importSchema = z.object({
  mode: z.enum(['merge', 'replace']).default('merge'),
  rehearse: z.enum(['true', 'false']).default('false'),
  /** The revision of the studio the file was rehearsed on. */
  base: z.coerce.number().int().min(0).optional(),
  /** An import that empties or restores says so, for the copy that is kept before it. */
  reason: z.enum(['empty', 'restore']).optional(),
});

/** The whole studio out and in: what is loaded at the start, the export, and the import with its report. */
export const bundleRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    // The file is read by the core, so that a truncated one gets the core's sentence.
    app.removeContentTypeParser('application/json');
    app.addContentTypeParser('application/json', { parseAs: 'string' }, (_request, body, done) => done(null, body));

    app.get('/studio', async (_request, reply) => {
      reply.type('application/json; charset=utf-8');
      return studio.text;
    });

    app.get('/bundle', async (_request, reply) => {
      reply.header('content-disposition', 'attachment; filename="warm-ladder.json"');
      reply.type('application/json; charset=utf-8');
      return `${JSON.stringify(studio.bundle, null, 2)}\n`;
    });

    app.post('/bundle', { bodyLimit: LARGEST_FILE }, async ({ body, query }) => {
      const asked = importSchema.safeParse(query);
      if (!asked.success) {
        throw new Refusal('BAD_REQUEST', 'Expected mode=merge or mode=replace, rehearse=true or false, base=REVISION.');
      }
      const { mode, rehearse, base, reason } = asked.data;
      const wish = { mode, base, rehearse: rehearse === 'true', ...(reason ? { reason } : {}) };
      return studio.import(String(body ?? ''), wish);
    });
  };
