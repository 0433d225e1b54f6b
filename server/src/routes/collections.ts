import { type CollectionName, collectionSchemas, METHOD_ID, schemaProblems } from '@warm-ladder/core/formats';
import { methodSchema } from '@warm-ladder/core/method';
import type { FastifyInstance, FastifyPluginAsync } from 'fastify';
import { z } from 'zod';
import { invalid } from '../errors';
import type { Studio } from '../studio';

const baseSchema = z.object({ version: z.coerce.number().int().min(0) });

/** Reads a value by a schema of the core, or refuses with every path. */
function read<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw invalid(schemaProblems(parsed.error));
  return parsed.data;
}

/** One resource: `GET`, and writes that carry the version they were based on. */
export const collectionRoutes =
  (studio: Studio, collection: CollectionName): FastifyPluginAsync =>
  async (app: FastifyInstance) => {
    const write = z.strictObject({ version: z.int().min(0), value: collectionSchemas[collection] });

    app.get(`/${collection}`, async () => studio.list(collection));

    app.get<{ Params: { id: string } }>(`/${collection}/:id`, async ({ params }) => studio.find(collection, params.id));

    app.put<{ Params: { id: string } }>(`/${collection}/:id`, async ({ params, body }) => {
      const { version, value } = read(write, body);
      if (value.id !== params.id) {
        throw invalid([
          { path: ['value', 'id'], message: `The id “${value.id}” is not the “${params.id}” of the address.` },
        ]);
      }
      return studio.put(collection, params.id, version, value);
    });

    app.delete<{ Params: { id: string } }>(`/${collection}/:id`, async ({ params, query }) => {
      const { version } = read(baseSchema, query);
      return studio.remove(collection, params.id, version);
    });
  };

/** The one method of the house. */
export const methodRoutes =
  (studio: Studio): FastifyPluginAsync =>
  async (app) => {
    const write = z.strictObject({ version: z.int().min(0), value: methodSchema });
    app.get('/method', async () => studio.find('method', METHOD_ID));
    app.put('/method', async ({ body }) => {
      const { version, value } = read(write, body);
      return studio.put('method', METHOD_ID, version, value);
    });
  };
