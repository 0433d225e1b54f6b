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

/** Drops keys that are present but undefined, so that they cannot overwrite a default. */
function defined<T extends object>(values: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}
