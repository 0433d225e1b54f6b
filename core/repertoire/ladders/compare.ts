import { type Load, loadOf } from '../../body';
import type { Catalog, RungEntry } from '../catalog';
import { HEAT_FACTORS, type HeatFactor } from '../measuring/heat';

/** What each idea of load is called. */
export const LOAD_WORDS = {
  legLever: 'leg lever',
  curlLever: 'curl lever',
  lumbarMoment: 'moment at the low back',
} as const satisfies Partial<Record<keyof Load, string>>;
export type LoadIdea = keyof typeof LOAD_WORDS;
export const LOAD_IDEAS = Object.keys(LOAD_WORDS) as LoadIdea[];

/** A load at a count of one repetition. */
export interface LoadPoint {
  readonly atCounts: number;
  readonly load: Load;
}

/** The load over one repetition: where it starts, on the way, and where each phase arrives. */
export function loadCurve(catalog: Catalog, entry: RungEntry): LoadPoint[] {
  const { start, rep } = catalog.course(entry);
  const first = start ? [{ atCounts: 0, load: loadOf(start, catalog.method) }] : [];
  return [...first, ...rep.map(({ atCounts, load }) => ({ atCounts, load }))];
}

/** Loads under this many N·m are too small to divide by. */
const TELLING = 1;

export interface LoadRatio {
  readonly idea: LoadIdea;
  /** Keys of the heavier and the lighter rung. */
  readonly heavier: string;
  readonly lighter: string;
  /** How many times the lighter's load the heavier's is. */
  readonly ratio: number;
}

/** The telling ratios between the peak loads of rungs, each against the lightest that has that load; largest first. */
export function loadRatios(catalog: Catalog, entries: readonly RungEntry[]): LoadRatio[] {
  return LOAD_IDEAS.flatMap((idea) => {
    const loads = entries.flatMap((entry) => {
      const value = catalog.measures(entry).load[idea];
      return value !== null && value >= TELLING ? [{ key: entry.key, value }] : [];
    });
    const lightest = loads.reduce<(typeof loads)[number] | undefined>(
      (least, each) => (least && least.value <= each.value ? least : each),
      undefined,
    );
    if (!lightest) return [];
    return loads
      .filter(({ key }) => key !== lightest.key)
      .map(
        ({ key, value }): LoadRatio => ({ idea, heavier: key, lighter: lightest.key, ratio: value / lightest.value }),
      );
  }).sort((a, b) => b.ratio - a.ratio);
}

/** The ratio in a sentence. */
export function ratioText({ idea, ratio }: LoadRatio, heavier: string, lighter: string): string {
  if (ratio < 1.05) return `The ${LOAD_WORDS[idea]} of ${heavier} is that of ${lighter}.`;
  return `The ${LOAD_WORDS[idea]} of ${heavier} is ${ratio.toFixed(1)} times that of ${lighter}.`;
}

/** The factors of heat in which rungs differ, the largest difference first. */
export function factorDifferences(catalog: Catalog, entries: readonly RungEntry[]): HeatFactor[] {
  const spread = (factor: HeatFactor): number => {
    const parts = entries.map((entry) => catalog.measures(entry).factors[factor]);
    return Math.max(...parts) - Math.min(...parts);
  };
  return HEAT_FACTORS.filter((factor) => spread(factor) >= 0.05).sort((a, b) => spread(b) - spread(a));
}
