import type { FastifyPluginAsync } from 'fastify';
import { z } from 'zod';
import type { Studio } from '../studio/studio';
import { read } from './read';

const asideSchema = z.strictObject({ kind: z.string().max(64), id: z.string().max(64), at: z.string().max(64) });

/** Copies kept before something was done, and documents set aside since they did not fit. */
export const waysBackRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    app.get('/copies', async () => studio.copies.list());

    app.get<{ Params: { name: string } }>('/copies/:name', async ({ params: { name } }, reply) => {
      const text = await studio.copies.read(name);
      reply.header('content-disposition', `attachment; filename="${name}"`);
      reply.type('application/json; charset=utf-8');
      return text;
    });

    app.post<{ Params: { name: string } }>('/copies/:name/restore', async ({ params: { name } }) =>
      studio.import(await studio.copies.read(name), { mode: 'replace', rehearse: false, reason: 'restore' }),
    );

    app.get('/set-aside', async () => studio.setAside);

    app.post('/set-aside/put-back', async ({ body }) => {
      await studio.putBack(read(asideSchema, body));
      return {};
    });

    app.post('/set-aside/forget', async ({ body }) => {
      await studio.letGo(read(asideSchema, body));
      return {};
    });
  };
