import type { Load } from '../body';
import { CONDITION_IDS, type Condition, judge, type Verdict } from '../caution';
import type { Direction } from '../method';
import type { TimeParts } from '../plan';
import {
  Catalog,
  directionsSeen,
  type HeatFactors,
  type LadderDoubt,
  ladderDoubts,
  ladderHeats,
  ladderTau,
  meanLoad,
  RequirementGraph,
  type RungEntry,
} from '../repertoire';
import { earlierInSeries, type Finding, reviewClass, reviewSeries } from '../review';
import type { Bundle } from './bundle';

type WrittenFinding = Omit<Finding, 'remedies'> & { readonly edits: readonly string[]; readonly episode?: number };

/** The headless review (contract: docs/review.md). Seconds, N·m and shares from 0 to 1. */
export interface ReviewDocument {
  readonly rungs: Record<
    string,
    {
      heat: number;
      factors: HeatFactors;
      /** Peak over the poses, and the mean over one repetition. */
      load: Load;
      meanLoad: Load;
      /** What the poses show the spine to do. */
      directions: readonly Direction[];
      /** Conditions it asks something of, at its own dose. */
      cautions: Partial<Record<Condition, Verdict>>;
    }
  >;
  readonly ladders: Record<string, { doubts: readonly LadderDoubt[] }>;
  /** Kendall's tau between the order of rungs and their heat, over every ladder (1: heat rises at every rung). */
  readonly ladderTau: number;
  /** The longest way up: rungs each of which requires the one before it. */
  readonly longestChain: readonly string[];
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
 * @param today `YYYY-MM-DD`, for what is judged by its age
 * @throws PlanError when a class does not fit the repertoire; `parseBundle` has refused such a file already
 */
export function reviewBundle(bundle: Bundle, today?: string): ReviewDocument {
  const { classes = [], series = [], audiences = [], exercises = [] } = bundle;
  const catalog = new Catalog({ ...bundle, exercises });
  const classOf = (id: string) => classes.find((plan) => plan.id === id);
  const audienceOf = (id: string | undefined) => audiences.find((audience) => audience.id === id);
  return tidy({
    rungs: Object.fromEntries(catalog.rungs.map((entry) => [entry.key, rungReview(catalog, entry)])),
    ladders: Object.fromEntries(exercises.map((each) => [each.id, { doubts: ladderDoubts(catalog, each) }])),
    ladderTau: ladderTau(exercises.map((each) => ladderHeats(catalog, each))),
    longestChain: new RequirementGraph(exercises).longestChain(),
    classes: Object.fromEntries(
      classes.map((plan) => {
        const earlier = earlierInSeries(plan.id, series, classOf);
        const { timed, findings } = reviewClass(catalog, plan, {
          audience: audienceOf(plan.audience),
          earlier,
          ...(today === undefined ? {} : { today }),
        });
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

function rungReview(catalog: Catalog, entry: RungEntry): ReviewDocument['rungs'][string] {
  const features = catalog.features(entry);
  const asked = CONDITION_IDS.flatMap((condition) => {
    const { verdict } = judge(features, entry.rung.dose, [condition]);
    return verdict === 'fine' ? [] : [[condition, verdict] as const];
  });
  return {
    ...catalog.measures(entry),
    meanLoad: meanLoad(catalog.course(entry)),
    directions: directionsSeen(catalog, entry).seen,
    cautions: Object.fromEntries(asked),
  };
}

/** Six decimals: sums of decimal seconds otherwise end in the noise of binary fractions. */
function tidy<T>(value: T): T {
  return JSON.parse(
    JSON.stringify(value, (_key, each) => (typeof each === 'number' ? Math.round(each * 1e6) / 1e6 : each)),
  ) as T;
}
