import { isInterlude } from '../plan';
import { rungKey } from '../repertoire';
import { costOf, MOST_ALIKE, type Search, shareOf, type Tried } from './aims';
import type { Brief, Effort } from './briefSchema';
import { clashesOf } from './clashes';
import { finished, type Proposal } from './finish';
import { chanceOf } from './random';
import { anneal, type OnTried } from './search';
import { type Studio, searchFor } from './searchFor';

export interface Proposed {
  readonly proposals: readonly Proposal[];
  /** Demands of the brief that can't be met together, each in a sentence. */
  readonly clashes: readonly string[];
  /** How many classes were tried. */
  readonly evaluated: number;
}

/** Classes tried in one search, for a class of up to `FULL_MINUTES`; a longer one takes longer to measure, and fewer are. */
export const EVALUATIONS: Readonly<Record<Effort, number>> = { quick: 2400, thorough: 30_000 };
const FULL_MINUTES = 45;

const evaluationsFor = ({ effort = 'quick', minutes }: Brief): number =>
  Math.round(EVALUATIONS[effort] * Math.min(1, FULL_MINUTES / minutes));

/** Told as the search goes on: classes tried, of how many; it ends, with what it has, when it answers `false`. */
export type OnProgress = (evaluated: number, of: number) => boolean | undefined;

/**
 * Different classes for a brief, the best first: each found by simulated annealing on the score of the review and the
 * demands of the brief, then brought to its length.
 * @param today `YYYY-MM-DD`, for what is judged by its age
 */
export function propose(studio: Studio, brief: Brief, today?: string, onProgress?: OnProgress): Proposed {
  const wanted = brief.proposals ?? 3;
  const each = evaluationsFor(brief);
  const clashes = clashesOf(studio, brief);
  if (clashes.length > 0) return { proposals: [], clashes, evaluated: 0 };
  const proposals: Proposal[] = [];
  let evaluated = 0;
  let stopped = false;
  let spare = AGAIN;
  for (let i = 0; i < wanted && !stopped; i++) {
    const search = searchFor(studio, brief, today, proposals.map(keysOf));
    if (search.fit.length === 0) break;
    const proposal = found(search, brief, (brief.seed ?? 1) + SEEDS_APART * i, spare, (tried) => {
      stopped = onProgress?.(Math.min(evaluated + tried, (i + 1) * each), wanted * each) === false;
      return !stopped;
    });
    evaluated += proposal.evaluated;
    spare -= proposal.again;
    const alike = proposals.find((other) => shareOf(keysOf(other), keysOf(proposal)) > MOST_ALIKE);
    if (!alike) proposals.push(proposal);
  }
  if (proposals.length < wanted && !stopped) clashes.push(tooFew(proposals.length, wanted));
  return { proposals: proposals.sort((a, b) => a.standing.score - b.standing.score), clashes, evaluated };
}

/** Seeds of the proposals of one brief lie as far apart: neighbouring seeds are other briefs'. */
const SEEDS_APART = 7919;

/** How often searches go on from a class with a mistake in it, at most, for all proposals together. */
const AGAIN = 2;

/**
 * One class, searched for; where it ends with a mistake in it, the search goes on from it, less warm.
 * @param again how often at most
 */
export function found(
  search: Search,
  brief: Brief,
  seed: number,
  again: number,
  onTried: OnTried,
): Proposal & { readonly evaluated: number; readonly again: number } {
  const chance = chanceOf(seed);
  const whole = brief.levels ? roomForOffers(search) : search;
  let [evaluated, going] = [0, true];
  const annealed = (evaluations: number, from?: Tried) => {
    const before = evaluated;
    const tried = anneal(
      whole,
      chance,
      evaluations,
      (now) => {
        going = onTried(before + now) !== false;
        return going;
      },
      from?.blocks,
    );
    evaluated += evaluations;
    return tried;
  };
  const evaluations = evaluationsFor(brief);
  let tried = annealed(evaluations);
  let best = finished(search, tried, brief);
  let times = 0;
  for (; times < again && going && best.standing.stop + best.standing.fix > 0; times++) {
    tried = annealed(Math.round(evaluations * AGAIN_SHARE), tried);
    const proposal = finished(search, tried, brief);
    if (costOf(search, proposal.measure) < costOf(search, best.measure)) best = proposal;
  }
  return { ...best, evaluated, again: times };
}

/** How much of a search going on from its end takes. */
const AGAIN_SHARE = 0.7;

const tooFew = (found: number, wanted: number): string =>
  `Only ${found} of ${wanted} proposals: what has to be in it, and what there is to choose from, leaves no more that differ in over ${Math.round(100 * (1 - MOST_ALIKE))} % of their rungs.`;

const keysOf = ({ plan }: Proposal): ReadonlySet<string> =>
  new Set(plan.blocks.flatMap((block) => (isInterlude(block) ? [] : rungKey(block))));

/** The share of a class that saying what else can be taken will need, where everything has a level beside it. */
const OFFERS_SHARE = 0.12;

/** The same search with as much time kept free at the end as the levels will take to be said. */
function roomForOffers(search: Search): Search {
  const { frame } = search;
  const kept = Math.round(frame.targetMinutes * 60 * OFFERS_SHARE);
  return { ...search, frame: { ...frame, closingSeconds: frame.closingSeconds + kept } };
}
