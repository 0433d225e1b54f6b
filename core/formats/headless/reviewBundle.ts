import { type HoldingSide, holdingSide, type Load, type Side } from '../../body';
import { CONDITION_IDS, type Condition, judge, type Verdict } from '../../caution';
import { fixesFor } from '../../mend';
import type { Direction } from '../../method';
import { type ClassPlan, startRanges, type TimedBlock, type TimedInterlude, type TimeParts } from '../../plan';
import {
  type Catalog,
  directionsSeen,
  type HeatFactors,
  type LadderDoubt,
  ladderDoubts,
  ladderHeats,
  ladderTau,
  meanLoad,
  RequirementGraph,
  type RungEntry,
} from '../../repertoire';
import { arisesIn, type Finding, type Measures, type Remedy, rangeWords, reviewClass, type Score } from '../../review';
import { reviewSeries, type SeriesCode } from '../../series';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';
import { studioOf } from '../studioOf';

type WrittenFinding = Omit<Finding, 'code'> & {
  readonly code: Finding['code'] | SeriesCode;
  readonly edits?: readonly WrittenRemedy[];
  readonly episode?: number;
  /** Whom it is for, or in which series: said where it would not arise elsewhere. */
  readonly context?: string;
};
type WrittenRemedy = Pick<Remedy, 'label' | 'edits'>;

/** The headless review (contract: docs/review.md). Seconds, N·m and shares from 0 to 1. */
export interface ReviewDocument {
  readonly rungs: Record<
    string,
    {
      heat: number;
      factors: HeatFactors;
      /** Peak over all that is reached, with the side of the body that holds it. */
      load: Load & { side: HoldingSide | null };
      /** The mean over one repetition. */
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
      practiceSeconds: number;
      parts: TimeParts;
      range: { p10: number; p90: number; overChance: number; overIfGiven?: number; words: string };
      positions: Record<string, number>;
      directions: Record<string, number>;
      sides: { left: number; right: number };
      measures: Measures;
      score: Score;
      blocks: WrittenBlock[];
      findings: WrittenFinding[];
    }
  >;
  readonly series: Record<
    string,
    {
      findings: WrittenFinding[];
      episodes: Array<{
        class: string;
        recapShare: number;
        newLadders: number;
        heatMinutes: number;
        /** Keys of the rungs that come before what they need is earned. */
        unearned: string[];
        /** What is found in its class in this place. */
        findings: WrittenFinding[];
      }>;
      /** Keys of the rungs earned by the end. */
      earned: string[];
    }
  >;
}

interface WrittenBlock {
  readonly id: string;
  readonly startSeconds: number;
  /** One class in ten begins it earlier, one in ten later. */
  readonly startRange: { readonly p10: number; readonly p90: number };
  readonly seconds: number;
  readonly work: number;
  readonly carries: boolean;
  readonly firstSide: Side | null;
}

/** What the headless review is asked for. */
export interface ReviewWish {
  /** `YYYY-MM-DD`, for what is judged by its age. */
  readonly today?: string | undefined;
  /** The id of the teacher whose pace the classes are timed with. */
  readonly teacher?: string | undefined;
  /** Whether each finding carries what would mend it. */
  readonly fixes?: boolean;
}

/**
 * The whole bundle reviewed: every rung measured, every class timed and held against the review.
 * @throws PlanError when a class does not fit the repertoire; `parseBundle` has refused such a file already
 */
export function reviewBundle(bundle: Bundle, wish: ReviewWish = {}): ReviewDocument {
  const { classes = [], series = [], exercises = [] } = bundle;
  const studio = studioOf(bundle, wish);
  const { catalog, contextOf } = studio;
  const asked = { today: wish.today, teacher: bundle.teachers?.find(({ id }) => id === wish.teacher) };
  const reviewed = (plan: ClassPlan) => {
    const context = contextOf(plan);
    const review = reviewClass(catalog, plan, context);
    const { seconds, practiceSeconds, parts, range, positions, directions, sides, sequence } = review.timed;
    const { measures, score } = review;
    const times = {
      seconds,
      practiceSeconds,
      parts,
      range: { ...range, words: rangeWords(review.timed) },
      positions: { ...positions },
      directions: { ...directions },
      sides,
    };
    const begins = startRanges(sequence, parts.opening, catalog.method.uncertainty);
    const findings = review.findings.map((finding): WrittenFinding => {
      const arises = arisesIn(finding.code, context.audience);
      const told = { ...written(finding), ...(arises === null ? {} : { context: arises }) };
      if (!wish.fixes) return told;
      const edits = fixesFor(catalog, review, finding, context).map(({ label, edits: own }) => ({
        label,
        edits: own,
      }));
      return { ...told, edits };
    });
    return {
      ...times,
      measures,
      score,
      blocks: sequence.map((part, i) => blockReview(part, begins[i] as Begins)),
      findings,
    };
  };
  return tidy({
    rungs: Object.fromEntries(catalog.rungs.map((entry) => [entry.key, rungReview(catalog, entry)])),
    ladders: Object.fromEntries(exercises.map((each) => [each.id, { doubts: ladderDoubts(catalog, each) }])),
    ladderTau: ladderTau(exercises.map((each) => ladderHeats(catalog, each))),
    longestChain: new RequirementGraph(exercises).longestChain(),
    classes: Object.fromEntries(classes.map((plan) => [plan.id, reviewed(plan)])),
    series: Object.fromEntries(
      series.map((each) => {
        const { findings, episodes, earned } = reviewSeries(studio, each, asked);
        return [
          each.id,
          {
            findings: findings.map((finding) => ({ ...written(finding), episode: finding.episode })),
            episodes: episodes.map(({ plan, recapShare, newLadders, heatMinutes, unearned, review }) => ({
              class: plan.id,
              recapShare,
              newLadders: newLadders.length,
              heatMinutes,
              unearned: unearned.map(({ key }) => key),
              findings: review.findings.map(written),
            })),
            earned: [...earned],
          },
        ];
      }),
    ),
  });
}

/** A finding without the way to its remedies. */
const written = <C>({
  code,
  severity,
  blocks,
  ids,
  value,
  limit,
  unit,
  message,
}: Omit<Finding, 'code'> & { readonly code: C }) => ({
  code,
  severity,
  blocks,
  ids,
  value,
  limit,
  unit,
  message,
});

type Begins = WrittenBlock['startRange'];

function blockReview(part: TimedBlock | TimedInterlude, startRange: Begins): WrittenBlock {
  const { startSeconds, seconds, block } = part;
  const { work, carries, firstSide } = part.kind === 'block' ? part : { work: 0, carries: false, firstSide: null };
  return { id: block.id, startSeconds, startRange, seconds, work, carries, firstSide };
}

function rungReview(catalog: Catalog, entry: RungEntry): ReviewDocument['rungs'][string] {
  const asked = CONDITION_IDS.flatMap((condition) => {
    const { verdict } = judge(catalog, entry, [condition]);
    return verdict === 'fine' ? [] : [[condition, verdict] as const];
  });
  const { heat, factors, load } = catalog.measures(entry);
  return {
    heat,
    factors,
    load: { ...load, side: holdingSide(load) },
    meanLoad: meanLoad(catalog.course(entry).rep),
    directions: directionsSeen(catalog, entry).seen,
    cautions: Object.fromEntries(asked),
  };
}
