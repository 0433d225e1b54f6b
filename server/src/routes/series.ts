import { studioOf } from '@warm-ladder/core/formats';
import { seriesHandouts } from '@warm-ladder/core/handouts';
import { packageOf } from '@warm-ladder/core/package';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { notFound } from '../errors';
import { MEDIA, pagesOf } from '../handouts/handOut';
import { calendarOf } from '../series/calendarOf';
import { digest, zipped } from '../series/packed';
import type { Studio } from '../studio/studio';
import { serve } from './serve';

/** What goes out of a series as files, from the studio as it is kept. */
export const seriesRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    const found = (id: string, url: string, today?: string) => {
      const whole = studioOf(studio.bundle, { today });
      const series = whole.seriesOf(id);
      if (!series) throw notFound(url);
      return { whole, series };
    };
    const named = (name: string) => `attachment; filename="${name}"`;
    serve(app, ROUTES.seriesSheets, async ({ params: { id }, query: { paper, today }, reply, request }) => {
      const { whole, series } = found(id, request.url, today);
      reply.header('content-disposition', named(`${id}.pdf`)).type(MEDIA.pdf);
      return pagesOf(seriesHandouts(whole, series), paper);
    });
    serve(app, ROUTES.seriesCalendar, async ({ params: { id }, reply, request }) => {
      const { whole, series } = found(id, request.url);
      reply.header('content-disposition', named(`${id}.ics`)).type('text/calendar; charset=utf-8');
      return calendarOf(whole, series);
    });
    serve(app, ROUTES.seriesPackage, async ({ params: { id }, reply, request }) => {
      const { whole, series } = found(id, request.url);
      reply.header('content-disposition', named(`${id}.zip`)).type('application/zip');
      return zipped(await packageOf(whole, series, digest));
    });
  };
