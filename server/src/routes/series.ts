import { HANDOUT_FORMATS } from '@warm-ladder/core/handouts';
import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { notFound } from '../errors';
import type { Studio } from '../studio/studio';
import type { Readers } from '../threads/readers';
import { serve } from './serve';

/** What goes out of a series as files, from the studio as it is kept. */
export const seriesRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    /** A part of the studio with a series in it. */
    const given = async (id: string, url: string) => {
      const bundle = await studio.partFor('series', id);
      if (!bundle) throw notFound(url);
      return { bundle, id };
    };
    const sent = <T>(made: T | null, url: string): T => {
      if (made === null) throw notFound(url);
      return made;
    };
    const named = (name: string) => `attachment; filename="${name}"`;
    serve(app, ROUTES.seriesSheets, async ({ params: { id }, query: { paper, today }, reply, request: { url } }) => {
      const made = sent(await readers.make('sheets', { ...(await given(id, url)), today, paper }), url);
      reply.header('content-disposition', named(`${id}.pdf`)).type(HANDOUT_FORMATS.pdf.media);
      return made;
    });
    serve(app, ROUTES.seriesCalendar, async ({ params: { id }, reply, request: { url } }) => {
      const made = sent(await readers.make('calendar', await given(id, url)), url);
      reply.header('content-disposition', named(`${id}.ics`)).type('text/calendar; charset=utf-8');
      return made;
    });
    serve(app, ROUTES.termSheet, async ({ query, reply }) => {
      const made = await readers.make('termSheet', { bundle: await studio.partForTerm(), ...query });
      reply.header('content-disposition', named('term.pdf')).type(HANDOUT_FORMATS.pdf.media);
      return made;
    });
    serve(app, ROUTES.termCalendar, async ({ reply }) => {
      const made = await readers.make('termCalendar', { bundle: await studio.partForTerm() });
      reply.header('content-disposition', named('term.ics')).type('text/calendar; charset=utf-8');
      return made;
    });
    serve(app, ROUTES.seriesPackage, async ({ params: { id }, reply, request: { url } }) => {
      const made = sent(await readers.make('package', await given(id, url)), url);
      reply.header('content-disposition', named(`${id}.zip`)).type('application/zip');
      return made;
    });
  };
