import { parseBundle } from '@warm-ladder/core/formats';
import type { FastifyPluginAsync } from 'fastify';
import { z } from 'zod';
import { invalid, Refusal } from '../errors';
import type { Studio } from '../studio';

/** Largest file taken in, in bytes. */
const LARGEST_FILE = 32 * 1024 * 1024;

const querySchema = z.object({
  mode: z.enum(['merge', 'replace']).default('merge'),
  rehearse: z.enum(['true', 'false']).default('false'),
});

/** The whole studio out and in: what is loaded at the start, the export, and the import with its report. */
export const bundleRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    // The file is read by the core, so that a truncated one gets the core's sentence.
    app.removeContentTypeParser('application/json');
    app.addContentTypeParser('application/json', { parseAs: 'string' }, (_request, body, done) => done(null, body));

    app.get('/studio', async () => ({ bundle: studio.bundle, versions: studio.versions }));

    app.get('/bundle', async (_request, reply) => {
      reply.header('content-disposition', 'attachment; filename="warm-ladder.json"');
      reply.type('application/json');
      return `${JSON.stringify(studio.bundle, null, 2)}\n`;
    });

    app.post('/bundle', { bodyLimit: LARGEST_FILE }, async ({ body, query }) => {
      const asked = querySchema.safeParse(query);
      if (!asked.success)
        throw new Refusal('BAD_REQUEST', 'Expected mode=merge or mode=replace, and rehearse=true or false.');
      const parsed = parseBundle(String(body ?? ''));
      if (!parsed.ok) throw invalid(parsed.problems);
      return studio.import(parsed.bundle, asked.data.mode, asked.data.rehearse === 'true');
    });
  };
