import type { Load } from '../body';
import type { TimeParts } from '../plan';
import { Catalog, type HeatFactors } from '../repertoire';
import { earlierInSeries, type Finding, reviewClass, reviewSeries } from '../review';
import type { Bundle } from './bundle';

type WrittenFinding = Omit<Finding, 'remedies'> & { readonly edits: readonly string[]; readonly episode?: number };

/** The headless review (contract: docs/review.md). Seconds, N·m and shares from 0 to 1. */
export interface ReviewDocument {
  readonly rungs: Record<string, { heat: number; factors: HeatFactors; load: Load }>;
  readonly classes: Record<
    string,
    {
      seconds: number;
      parts: TimeParts;
      range: { p10: number; p90: number; overChance: number };
      positions: Record<string, number>;
      directions: Record<string, number>;
      sides: { left: number; right: number };
      blocks: Array<{ startSeconds: number; seconds: number }>;
      findings: WrittenFinding[];
    }
  >;
  readonly series: Record<string, { findings: WrittenFinding[] }>;
}

const written = <F extends Finding>({ remedies, ...finding }: F) => ({
  ...finding,
  edits: remedies.map(({ label }) => label),
});

/**
 * The whole bundle reviewed: every rung measured, every class timed and held against the review.
 * @throws PlanError when a class does not fit the repertoire; `parseBundle` has refused such a file already
 */
export function reviewBundle(bundle: Bundle): ReviewDocument {
  const { classes = [], series = [], audiences = [], exercises = [] } = bundle;
  const catalog = new Catalog({ ...bundle, exercises });
  const classOf = (id: string) => classes.find((plan) => plan.id === id);
  const audienceOf = (id: string | undefined) => audiences.find((audience) => audience.id === id);
  return tidy({
    rungs: Object.fromEntries(catalog.rungs.map((entry) => [entry.key, catalog.measures(entry)])),
    classes: Object.fromEntries(
      classes.map((plan) => {
        const earlier = earlierInSeries(plan.id, series, classOf);
        const { timed, findings } = reviewClass(catalog, plan, { audience: audienceOf(plan.audience), earlier });
        const { seconds, parts, range, positions, directions, sides } = timed;
        const blocks = timed.blocks.map((block) => ({ startSeconds: block.startSeconds, seconds: block.seconds }));
        const measures = { seconds, parts, range, positions: { ...positions }, directions: { ...directions }, sides };
        return [plan.id, { ...measures, blocks, findings: findings.map(written) }];
      }),
    ),
    series: Object.fromEntries(
      series.map((each) => {
        const { findings } = reviewSeries(catalog, each, classOf, audienceOf);
        return [each.id, { findings: findings.map(written) }];
      }),
    ),
  });
}

/** Six decimals: sums of decimal seconds otherwise end in the noise of binary fractions. */
function tidy<T>(value: T): T {
  return JSON.parse(
    JSON.stringify(value, (_key, each) => (typeof each === 'number' ? Math.round(each * 1e6) / 1e6 : each)),
  ) as T;
}
