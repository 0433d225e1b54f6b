import { emptyBundle } from '@warm-ladder/core/formats';
import { readRepertoireCsv, writeRepertoireCsv } from '@warm-ladder/core/tables';
import type { FastifyPluginAsync } from 'fastify';
import { invalid, Refusal } from '../errors';
import type { Studio } from '../studio';

/** Largest table taken in, in bytes. */
const LARGEST_TABLE = 32 * 1024 * 1024;

/** The repertoire's flat parts as a table, out and in. */
export const tableRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    app.addContentTypeParser('text/csv', { parseAs: 'string' }, (_request, body, done) => done(null, body));

    app.get('/repertoire.csv', async (_request, reply) => {
      reply.header('content-disposition', 'attachment; filename="repertoire.csv"');
      reply.type('text/csv; charset=utf-8; header=present');
      return writeRepertoireCsv(studio.bundle);
    });

    app.post<{ Querystring: { rehearse?: string } }>(
      '/repertoire.csv',
      { bodyLimit: LARGEST_TABLE },
      async ({ body, query: { rehearse = 'false' } }) => {
        if (rehearse !== 'true' && rehearse !== 'false') {
          throw new Refusal('BAD_REQUEST', 'Expected rehearse=true or rehearse=false.');
        }
        const read = readRepertoireCsv(String(body ?? ''), studio.bundle);
        if (!read.ok) throw invalid(read.problems);
        const report = await studio.import(
          { ...emptyBundle(), exercises: [...read.exercises] },
          'merge',
          rehearse === 'true',
        );
        return { report, plain: read.plain };
      },
    );
  };
