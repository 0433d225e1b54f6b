import { z } from 'zod';
import { BALANCED_BANDS, bandSchema, directionSchema } from './direction';
import { defaultsOf, type Figure, HEAT_WEIGHTS, LIMIT_FIGURES, TIMING_FIGURES, UNCERTAINTY_FIGURES } from './figures';

const figuresShape = <T extends Record<string, Figure>>(table: T) =>
  Object.fromEntries(
    Object.entries(table).map(([key, { min, max, label, unit }]) => [
      key,
      z
        .number()
        .min(min)
        .max(max)
        .optional()
        .describe(unit ? `${label}, ${unit}` : label),
    ]),
  ) as { [K in keyof T]: z.ZodOptional<z.ZodNumber> };

/** The house rules as they are kept and exported: every key optional, the defaults filled in by `resolveMethod`. */
export const methodSchema = z.strictObject({
  ...figuresShape(TIMING_FIGURES),
  uncertainty: z.strictObject(figuresShape(UNCERTAINTY_FIGURES)).optional(),
  limits: z.strictObject(figuresShape(LIMIT_FIGURES)).optional(),
  heatWeights: z.strictObject(figuresShape(HEAT_WEIGHTS)).optional(),
  directionBands: z.partialRecord(directionSchema, bandSchema).optional(),
  /** Seconds of an edge of the position graph, `"from–to"` written `"standing>kneeling"`; both ways cost the same. */
  edgeSeconds: z.record(z.string().regex(/^[a-z0-9-]+>[a-z0-9-]+$/), z.number().min(0).max(300)).optional(),
});
export type MethodFile = z.infer<typeof methodSchema>;

/**
 * The method with every default filled in: what the computation reads.
 * @throws never; the file is already valid.
 */
export function resolveMethod(file: MethodFile = UNSAID): Method {
  const known = resolved.get(file);
  if (known) return known;
  const method = filledIn(file);
  resolved.set(file, method);
  return method;
}

/** A method that changes nothing. */
const UNSAID: MethodFile = {};
/** Remembered by the file, which is never changed in place: what is measured with a method is remembered by it in turn. */
const resolved = new WeakMap<MethodFile, Method>();

function filledIn(file: MethodFile) {
  const { uncertainty, limits, heatWeights, directionBands, edgeSeconds, ...timing } = file;
  return {
    ...defaultsOf(TIMING_FIGURES),
    ...defined(timing),
    uncertainty: { ...defaultsOf(UNCERTAINTY_FIGURES), ...defined(uncertainty ?? {}) },
    limits: { ...defaultsOf(LIMIT_FIGURES), ...defined(limits ?? {}) },
    heatWeights: { ...defaultsOf(HEAT_WEIGHTS), ...defined(heatWeights ?? {}) },
    directionBands: { ...BALANCED_BANDS, ...defined(directionBands ?? {}) },
    edgeSeconds: edgeSeconds ?? {},
  };
}
export type Method = ReturnType<typeof filledIn>;

/** Drops keys that are present but undefined, so that they cannot overwrite a default. */
function defined<T extends object>(values: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}
