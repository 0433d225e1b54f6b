import { emptyBundle } from '@warm-ladder/core/formats';
import { decodeTable, readRepertoireCsv, writeRepertoireCsv } from '@warm-ladder/core/tables';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { invalid } from '../errors';
import type { Studio } from '../studio/studio';
import { serve } from './serve';

/** The repertoire's flat parts as a table, out and in. */
export const tableRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    // As bytes: spreadsheets write tables in more than one encoding.
    app.addContentTypeParser('text/csv', { parseAs: 'buffer' }, (_request, body, done) => done(null, body));

    serve(app, ROUTES.exportTable, async ({ reply }) => {
      reply.header('content-disposition', 'attachment; filename="repertoire.csv"');
      reply.type('text/csv; charset=utf-8; header=present');
      return writeRepertoireCsv(studio.bundle);
    });

    serve(app, ROUTES.importTable, async ({ body, query: { rehearse, base = studio.revision } }) => {
      const read = readRepertoireCsv(decodeTable(body instanceof Uint8Array ? body : new Uint8Array()), studio.bundle);
      if (!read.ok) throw invalid(read.problems);
      const bundle = { ...emptyBundle(), exercises: [...read.exercises] };
      const answer = await studio.import(bundle, { mode: 'merge', rehearse: rehearse === 'true', base });
      return { ...answer, plain: read.plain };
    });
  };
