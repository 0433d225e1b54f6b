import { z } from 'zod';
import { bundleJsonSchema } from '../formats/file/bundleSchema';
import { briefSchema } from '../sequence/briefs/briefSchema';
import { seriesBriefSchema } from '../sequence/briefs/seriesBriefSchema';

/** The bounds of a number, as its schema has them. */
export interface FieldLimits {
  readonly min: number;
  readonly max: number;
  /** Only whole numbers. */
  readonly whole?: true;
  /** More than `min`, and not `min` itself. */
  readonly over?: true;
}

interface Numeric {
  readonly type?: string;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
}
interface Property extends Numeric {
  readonly items?: Numeric;
  readonly additionalProperties?: Numeric | boolean;
}
interface Defined {
  readonly properties?: Readonly<Record<string, Property>>;
}

function limitsOf({ type, minimum, exclusiveMinimum, maximum }: Numeric): FieldLimits | null {
  const min = minimum ?? exclusiveMinimum;
  if ((type !== 'number' && type !== 'integer') || min === undefined || maximum === undefined) return null;
  return {
    min,
    max: maximum,
    ...(type === 'integer' ? { whole: true } : {}),
    ...(minimum === undefined ? { over: true } : {}),
  };
}

/** Of a number itself, or of the numbers in a list or a table of them. */
function limitsOfProperty(property: Property): FieldLimits | null {
  const { items, additionalProperties: others } = property;
  return limitsOf(property) ?? limitsOf(items ?? {}) ?? limitsOf(typeof others === 'object' ? others : {});
}

/**
 * The bounds of every number of the portable file and of a brief, by the name of its object and its key: what fields on
 * a screen are held to.
 * @example fieldLimits()['Dose']['sets'] // { min: 1, max: 20, whole: true }
 */
export function fieldLimits(): Readonly<Record<string, Readonly<Record<string, FieldLimits>>>> {
  const named = (schema: unknown) => (schema as { $defs: Readonly<Record<string, Defined>> }).$defs;
  const briefs = [briefSchema, seriesBriefSchema].map((schema) => named(z.toJSONSchema(schema, { io: 'input' })));
  const objects = Object.assign({}, ...briefs, named(bundleJsonSchema())) as Readonly<Record<string, Defined>>;
  return Object.fromEntries(
    Object.entries(objects).flatMap(([name, { properties = {} }]) => {
      const numbers = Object.entries(properties).flatMap(([key, property]) => {
        const limits = limitsOfProperty(property);
        return limits ? [[key, limits] as const] : [];
      });
      return numbers.length > 0 ? [[name, Object.fromEntries(numbers)] as const] : [];
    }),
  );
}

/** The same as a file of source: a page that only asks for a number need not carry the schemas. */
export function fieldLimitsSource(): string {
  const written = ({ min, max, whole, over }: FieldLimits) =>
    `{ min: ${min}, max: ${max}${whole ? ', whole: true' : ''}${over ? ', over: true' : ''} }`;
  const objects = Object.entries(fieldLimits()).map(([name, keys]) => {
    const lines = Object.entries(keys).map(([key, limits]) => `    ${key}: ${written(limits)},`);
    return `  ${name}: {\n${lines.join('\n')}\n  },`;
  });
  return `/** Written by \`npm run schema\` from the schemas of the core: change a bound there. */\nexport const LIMITS = {\n${objects.join('\n')}\n} as const;\n`;
}
