import { BALANCED_BANDS } from './bands';
import { DEFAULT_CHOICES, STOP_SIGNS } from './choices';
import type { MethodFile } from './methodSchema';
import {
  CRAFT_SETTINGS,
  defaultsOf,
  LIMIT_SETTINGS,
  SCORE_SETTINGS,
  TIMING_SETTINGS,
  UNCERTAINTY_SETTINGS,
} from './settings';

export type { MethodFile } from './methodSchema';

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
  const { uncertainty, limits, score, craft, directionBands, edgeSeconds, choices, ...said } = defined(file);
  return {
    ...defaultsOf(TIMING_SETTINGS),
    firstSide: 'left' as const,
    order: 'positions' as const,
    terms: [],
    stopSigns: STOP_SIGNS,
    cautions: [],
    ...said,
    uncertainty: uncertaintyOf(uncertainty),
    limits: { ...defaultsOf(LIMIT_SETTINGS), ...defined(limits ?? {}) },
    score: { ...defaultsOf(SCORE_SETTINGS), ...defined(score ?? {}) },
    craft: { ...defaultsOf(CRAFT_SETTINGS), ...defined(craft ?? {}) },
    directionBands: { ...BALANCED_BANDS, ...defined(directionBands ?? {}) },
    edgeSeconds: edgeSeconds ?? {},
    choices: { ...DEFAULT_CHOICES, ...defined(choices ?? {}) },
  };
}
/** A house that has said how much its set-ups vary never trusts a guess more than that. */
function uncertaintyOf(said: MethodFile['uncertainty'] = {}) {
  const defaults = defaultsOf(UNCERTAINTY_SETTINGS);
  const setupUnknown = Math.max(said.setup ?? 0, defaults.setupUnknown);
  return { ...defaults, setupUnknown, ...defined(said) };
}
export type Method = ReturnType<typeof filledIn>;

/** Settings that a body, its loads and its heat are measured by, and one limit. */
const MEASURED_BY = ['bodyMassKg', 'bodyHeightM', 'secondsPerCount', 'restBetweenSetsSeconds'] as const;

/** All of a method that measuring a rung may read: whatever else is changed in it, no rung measures otherwise. */
export type Measuring = Pick<Method, (typeof MEASURED_BY)[number]> & {
  readonly limits: Pick<Method['limits'], 'longDoubleLever'>;
};

/** Whether every rung measures the same by two methods. */
export const measuresAlike = (a: Measuring, b: Measuring): boolean =>
  a === b || (MEASURED_BY.every((key) => a[key] === b[key]) && a.limits.longDoubleLever === b.limits.longDoubleLever);

/** Drops keys that are present but undefined, so that they cannot overwrite a default. */
function defined<T extends object>(values: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}
