import { bandsFor, DIRECTION_WORDS } from '../method';
import { isInterlude } from '../plan';
import { rungKey } from '../repertoire';
import { percent } from '../review';
import { chanceOf } from '../vocabulary/chance';
import { type Searching, searchedThrough, withinSearch } from '../vocabulary/searching';
import { costOf, MOST_ALIKE, type Search } from './briefs/aims';
import type { Brief, Effort } from './briefs/briefSchema';
import { clashesOf } from './briefs/clashes';
import { finished, offersShort, type Proposal } from './finish';
import { annealing } from './searching/search';
import { type Studio, searchFor } from './searching/searchFor';
import { shareOf } from './searching/shared';

export interface Proposed {
  readonly proposals: readonly Proposal[];
  /** Demands of the brief that can't be met together, each in a sentence. */
  readonly clashes: readonly string[];
  /** How many classes were tried. */
  readonly evaluated: number;
}

/** Classes tried in one search, and how many searches from other drafts are made for a proposal while none is good. */
export const EVALUATIONS: Readonly<Record<Effort, number>> = { quick: 800, thorough: 6000 };
const SEARCHES: Readonly<Record<Effort, number>> = { quick: 3, thorough: 5 };
/** A longer class takes longer to measure, and fewer are tried. */
const FULL_MINUTES = 45;

const evaluationsFor = ({ effort = 'quick', minutes }: Pick<Brief, 'effort' | 'minutes'>): number =>
  Math.round(EVALUATIONS[effort] * Math.min(1, Math.sqrt(FULL_MINUTES / minutes)));

/**
 * Different classes for a brief, the best first: each found by simulated annealing on the score of the review and the
 * demands of the brief, then brought to its length.
 * @param today `YYYY-MM-DD`, for what is judged by its age
 * @param onShare told the share of the work that is done, 0 to 1; it ends, with what it has, when that answers `false`
 */
export const propose = (
  studio: Studio,
  brief: Brief,
  today?: string,
  onShare?: (share: number) => boolean | undefined,
): Proposed => searchedThrough(proposing(studio, brief, today), onShare);

/** The same as a search that can be stopped with what it has: it tells its share, 0 to 1. */
export function* proposing(studio: Studio, brief: Brief, today?: string): Searching<Proposed> {
  const wanted = brief.proposals ?? 3;
  const { effort = 'quick' } = brief;
  const each = evaluationsFor(brief) * SEARCHES[effort];
  const clashes = clashesOf(studio, brief);
  if (clashes.length > 0) return { proposals: [], clashes, evaluated: 0 };
  const proposals: Proposal[] = [];
  let evaluated = 0;
  let stopped = false;
  for (let i = 0; i < wanted && !stopped; i++) {
    const search = searchFor(studio, brief, today, proposals.map(keysOf), {
      othersThreads: proposals.flatMap(({ thread }) => thread ?? []),
    });
    if (search.fit.length === 0) break;
    const one = found(search, brief, (brief.seed ?? 1) + SEEDS_APART * i, SEARCHES[effort]);
    const shareAt = (tried: number) => Math.min(evaluated + tried, (i + 1) * each) / (wanted * each);
    const { found: proposal, goesOn } = yield* withinSearch(one, shareAt);
    stopped = !goesOn;
    evaluated += proposal.evaluated;
    const alike = proposals.find((other) => shareOf(keysOf(other), keysOf(proposal)) > MOST_ALIKE);
    if (!alike) proposals.push(proposal);
  }
  const missed = focusMissed(studio, brief, proposals);
  if (missed) clashes.push(missed);
  if (proposals.length < wanted && !stopped) clashes.push(tooFew(proposals.length, wanted));
  return { proposals: proposals.sort((a, b) => a.standing.score - b.standing.score), clashes, evaluated };
}

/** Where no proposal keeps its focus, what there is to choose from does not hold enough of it. */
function focusMissed({ catalog }: Studio, { focus }: Brief, proposals: readonly Proposal[]): string | null {
  if (focus === undefined || proposals.length === 0) return null;
  const kept = proposals.map(({ measure }) => measure.subject.craft.get('focus'));
  if (kept.some((weighed) => !weighed || weighed.distance === 0)) return null;
  const most = Math.max(...kept.map((weighed) => weighed?.value ?? 0));
  const { min } = bandsFor(catalog.method.directionBands, focus)[focus];
  return `Only ${percent(most)} of the work can be ${DIRECTION_WORDS[focus]} with what this room can do; ${percent(min)} is the least for a class about it.`;
}

/** Seeds of the proposals of one brief lie as far apart: neighbouring seeds are other briefs'. */
const SEEDS_APART = 7919;

/** Under this score a class is as a director would teach it, and no other draft is looked for. */
const GOOD = 1;

/**
 * One class, searched for from one draft after another until one is good; the best of them. On the way it tells how many
 * classes were tried.
 * @param searches how many at most
 */
export function* found(
  search: Search,
  brief: Pick<Brief, 'effort' | 'minutes' | 'levels' | 'locked' | 'lateChance'>,
  seed: number,
  searches: number,
): Searching<Proposal & { readonly evaluated: number }> {
  const whole = brief.levels ? roomForOffers(search) : search;
  const evaluations = evaluationsFor(brief);
  const promised = ({ measure }: Proposal) => (brief.levels ? offersShort(measure) : 0);
  const costTold = (each: Proposal) => costOf(search, each.measure) + OFFER_SHORT * promised(each);
  let best: Proposal | null = null;
  let [evaluated, going] = [0, true];
  for (let i = 0; i < searches && going && !(best && isGood(best) && promised(best) === 0); i++) {
    const before = evaluated;
    const one = annealing(whole, chanceOf(seed + SEARCHES_APART * i), evaluations);
    const { found: tried, goesOn } = yield* withinSearch(one, (now) => before + now);
    going = goesOn;
    evaluated += evaluations;
    const proposal = finished(search, tried, brief);
    if (!best || costTold(proposal) < costTold(best)) best = proposal;
  }
  return { ...(best as Proposal), evaluated };
}

const isGood = ({ standing, measure }: Proposal): boolean =>
  standing.score < GOOD && [...measure.subject.craft.values()].every(({ distance }) => distance === 0);

/** What a block without the level that was promised costs. */
const OFFER_SHORT = 20;

/** Seeds of the searches for one proposal lie as far apart. */
const SEARCHES_APART = 104_729;

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
  const freedoms = { ...search.freedoms, offers: true };
  return { ...search, freedoms, frame: { ...frame, closingSeconds: frame.closingSeconds + kept } };
}
