import { z } from 'zod';
import { REFUSALS, refusalSchema } from './answers';
import { allRoutes, type Route, refusalsOf } from './routes';

/** The version of the interface between browser and server. */
const VERSION = '1.0.0';

type Described = Record<string, unknown>;

/** The schemas of all that is sent and answered as JSON Schema, with what several use under its name. */
function described(schemas: Readonly<Record<string, z.ZodType>>): { of: (name: string) => unknown; shared: Described } {
  const { properties = {}, $defs = {} } = z.toJSONSchema(z.object({ ...schemas, Refusal: refusalSchema }), {
    target: 'draft-2020-12',
    io: 'input',
  });
  const placed = (value: unknown): unknown =>
    JSON.parse(JSON.stringify(value).replaceAll('"#/$defs/', '"#/components/schemas/'));
  const shared = placed($defs) as Described;
  return { of: (name) => placed((properties as Described)[name]), shared };
}

/** Parameters of a path or a query, each by itself. */
function parameters(place: 'path' | 'query', schema: z.ZodObject | undefined): Described[] {
  if (!schema) return [];
  const { properties = {}, required = [] } = z.toJSONSchema(schema, { io: 'input' });
  return Object.entries(properties).map(([name, own]) => ({
    name,
    in: place,
    required: place === 'path' || required.includes(name),
    schema: own,
  }));
}

/** The interface between browser and server as an OpenAPI 3.1 document (published as docs/openapi.json). */
export function openApi(): Described {
  const routes = Object.entries(allRoutes());
  const { of, shared } = described(
    Object.fromEntries(
      routes.flatMap(
        ([name, { body, answer }]): Array<[string, z.ZodType]> => [
          ...(body ? [[`${name}.body`, body.schema] as [string, z.ZodType]] : []),
          [`${name}.answer`, answer.schema],
        ],
      ),
    ),
  );
  const paths: Record<string, Described> = {};
  for (const [name, route] of routes) {
    const { method, path, summary, params, query, body, answer } = route;
    const asked = [...parameters('path', params), ...parameters('query', query)];
    paths[path] = {
      ...paths[path],
      [method.toLowerCase()]: {
        operationId: name,
        summary,
        ...(asked.length > 0 ? { parameters: asked } : {}),
        ...(body ? { requestBody: { required: true, content: { [body.type]: { schema: of(`${name}.body`) } } } } : {}),
        responses: {
          200: { description: 'Done', content: { [answer.type]: { schema: of(`${name}.answer`) } } },
          ...refused(route),
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Warm Ladder', version: VERSION, description: 'What goes between browser and server.' },
    servers: [{ url: '/api' }],
    paths,
    components: { schemas: shared },
  };
}

/** Refusals by their status, each with the codes it stands for. */
function refused(route: Route): Described {
  const byStatus = new Map<number, string[]>();
  for (const code of refusalsOf(route)) byStatus.set(REFUSALS[code], [...(byStatus.get(REFUSALS[code]) ?? []), code]);
  return Object.fromEntries(
    [...byStatus].map(([status, codes]) => [
      status,
      {
        description: codes.join(', '),
        content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } },
      },
    ]),
  );
}
