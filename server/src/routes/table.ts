import { emptyBundle } from '@warm-ladder/core/formats';
import { decodeTable, readRepertoireCsv, writeRepertoireCsv } from '@warm-ladder/core/tables';
import type { TableAnswer } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { z } from 'zod';
import { invalid, Refusal } from '../errors';
import type { Studio } from '../studio/studio';
import { LARGEST_FILE } from './limits';

const importSchema = z.object({
  rehearse: z.enum(['true', 'false']).default('false'),
  base: z.coerce.number().int().min(0).optional(),
});

/** The repertoire's flat parts as a table, out and in. */
export const tableRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    // As bytes: spreadsheets write tables in more than one encoding.
    app.addContentTypeParser('text/csv', { parseAs: 'buffer' }, (_request, body, done) => done(null, body));

    app.get('/repertoire.csv', async (_request, reply) => {
      reply.header('content-disposition', 'attachment; filename="repertoire.csv"');
      reply.type('text/csv; charset=utf-8; header=present');
      return writeRepertoireCsv(studio.bundle);
    });

    app.post('/repertoire.csv', { bodyLimit: LARGEST_FILE }, async ({ body, query }): Promise<TableAnswer> => {
      const asked = importSchema.safeParse(query);
      if (!asked.success) throw new Refusal('BAD_REQUEST', 'Expected rehearse=true or rehearse=false, base=REVISION.');
      const { rehearse, base = studio.revision } = asked.data;
      const read = readRepertoireCsv(decodeTable(body instanceof Uint8Array ? body : new Uint8Array()), studio.bundle);
      if (!read.ok) throw invalid(read.problems);
      const bundle = { ...emptyBundle(), exercises: [...read.exercises] };
      const answer = await studio.import(bundle, { mode: 'merge', rehearse: rehearse === 'true', base });
      return { ...answer, plain: read.plain };
    });
  };
