import type { ClassPlan } from '../../plan';
import { proposeSeries, type SeriesBrief } from '../../sequence';
import type { Series } from '../../series';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';
import { studioOf } from '../studioOf';

/** The headless planner's answer (contract: docs/series.md). */
export interface ProposeSeriesDocument {
  readonly proposals: ReadonlyArray<{
    readonly series: Series;
    readonly classes: readonly ClassPlan[];
    readonly score: { readonly stop: number; readonly fix: number; readonly look: number };
    readonly why: readonly string[];
  }>;
  readonly clashes: readonly string[];
}

/** Whole series proposed for a brief, from the repertoire of a bundle. @param today `YYYY-MM-DD` */
export function proposeSeriesBundle(bundle: Bundle, brief: SeriesBrief, today?: string): ProposeSeriesDocument {
  const { proposals, clashes } = proposeSeries(studioOf(bundle, { today }), brief, today);
  return tidy({
    proposals: proposals.map(({ series, classes, counts, why }) => ({ series, classes, score: counts, why })),
    clashes,
  });
}
