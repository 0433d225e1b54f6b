import { bundleInOrder, emptyBundle } from '@warm-ladder/core/formats';
import { exercisesOfRows, repertoireCsvSteps } from '@warm-ladder/core/tables';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { invalid } from '../errors';
import type { Studio } from '../studio/studio';
import { unhurried } from '../studio/unhurried';
import type { Readers } from '../threads/readers';
import { serve, takeBytes } from './serve';

/** The repertoire's flat parts as a table, out and in. */
export const tableRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    // As bytes: spreadsheets write tables in more than one encoding.
    takeBytes(app, 'text/csv');

    serve(app, ROUTES.exportTable, async ({ reply }) => {
      reply.header('content-disposition', 'attachment; filename="repertoire.csv"');
      reply.type('text/csv; charset=utf-8; header=present');
      return unhurried(repertoireCsvSteps(studio.catalog));
    });

    serve(app, ROUTES.importTable, async ({ body, query: { rehearse, base = studio.revision, ...fill } }) => {
      const rows = await readers.rows(body);
      const read = await unhurried(exercisesOfRows(rows, studio.bundle, fill));
      if (!read.ok) throw invalid(read.problems);
      const bundle = bundleInOrder({ ...emptyBundle(), props: [...read.props], exercises: [...read.exercises] });
      const answer = await studio.import({ bundle }, { mode: 'merge', rehearse: rehearse === 'true', base });
      return { ...answer, plain: read.plain };
    });
  };
