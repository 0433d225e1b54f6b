import {
  aimOf,
  betterWith,
  costOn,
  fitted,
  groundOf,
  insertions,
  levelled,
  mend,
  names,
  outcomeOf,
  poolOf,
  type Standing,
  standingOf,
} from '../mend';
import type { Order } from '../method';
import {
  type Audience,
  type Block,
  type ClassPlan,
  isInterlude,
  type PlanEdit,
  type RungBlock,
  type TimedClass,
} from '../plan';
import { type Catalog, type RungEntry, rungKey } from '../repertoire';
import { type ClassMeasure, conditionsOf, limitsOf, measureClass, type ReviewContext } from '../review';
import { broughtBefore, doingsOf, type Series } from '../series';
import { costBeside, costOf, MOST_ALIKE, type Search, shareOf, type Tried } from './aims';
import type { Brief, Effort } from './briefSchema';
import { clashesOf } from './clashes';
import { type Ordered, RECAPPED, strayFrom } from './orders';
import { chanceOf } from './random';
import { reasonsFor } from './reasons';
import { anneal, type OnTried } from './search';
import { withSides } from './sides';

/** What a brief's ids name. */
export interface Studio {
  readonly catalog: Catalog;
  readonly audienceOf: (id: string | undefined) => Audience | undefined;
  readonly classOf: (id: string) => ClassPlan | undefined;
  readonly seriesOf: (id: string | undefined) => Series | undefined;
}

/** A class proposed, and why a director might take it. */
export interface Proposal {
  readonly plan: ClassPlan;
  readonly measure: ClassMeasure;
  readonly standing: Standing;
  readonly why: readonly string[];
}

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

/** All that a class is looked for with. */
export function searchFor(
  studio: Studio,
  brief: Brief,
  today: string | undefined,
  others: ReadonlyArray<ReadonlySet<string>>,
  freedoms: Search['freedoms'] = { doses: true },
): Search {
  const { catalog } = studio;
  const { series, before, learnt } = pastOf(studio, brief);
  const audience = studio.audienceOf(brief.audience ?? series?.audience);
  const order: Order = brief.order ?? series?.order ?? catalog.method.order;
  const frame = frameOf(catalog, brief, order, audience);
  const conditions = conditionsOf(frame, audience);
  const earlier = learnt ? new Set(learnt.keys.filter((key) => learnt.count(key).taught > 0)) : new Set<string>();
  const limits = limitsOf(catalog.method, audience);
  const { props, mustNot, mustHave = [], locked = [] } = brief;
  const pool = poolOf(catalog, { audience, conditions, props, mustNot, homeHeat: limits.homeHeat, earlier });
  const open = (all: readonly RungEntry[]) => (learnt ? all.filter((entry) => learnt.open(catalog, entry)) : all);
  const fine = open(pool.fine);
  const fit = fine.length >= ENOUGH ? fine : open(pool.fit);
  const asked = (entry: RungEntry) =>
    mustHave.some((wish) => names(wish, entry)) || locked.some(({ block }) => catalog.rung(block) === entry);
  return {
    catalog,
    context: { audience, earlier, today, place: series ? 'episode' : 'alone' } satisfies ReviewContext,
    conditions,
    limits,
    frame,
    order,
    past: { lastEnd: before ? endOf(before) : [] },
    fit,
    allowed: new Set([...fit, ...catalog.rungs.filter(asked)]),
    mustHave,
    locks: [...locked]
      .sort((a, b) => a.at - b.at)
      .map(({ at, block }, i) => ({ at, block: { ...block, id: block.id ?? `kept-${i + 1}`, locked: true } })),
    others,
    freedoms,
  };
}

/** With so many rungs that ask nothing of anybody, none that has to be adapted is needed. */
const ENOUGH = 60;

/** The series a class is for, the episode before it, and what has been learnt by then. */
function pastOf(studio: Studio, { series: id, episode }: Brief) {
  const { seriesOf, classOf } = studio;
  const series = seriesOf(id);
  if (!series || !episode) return { series };
  const past = series.episodes.slice(0, episode - 1);
  const learnt = broughtBefore(studio, series);
  for (const { class: own } of past) {
    const plan = classOf(own);
    if (plan) learnt.add(doingsOf(plan));
  }
  const before = past.at(-1)?.class;
  return { series, learnt, before: before === undefined ? undefined : classOf(before) };
}

const endOf = ({ blocks }: ClassPlan): string[] =>
  blocks
    .filter((block): block is RungBlock => !isInterlude(block))
    .map(rungKey)
    .slice(-RECAPPED);

/** Shares of the target that opening and closing take, and the most seconds of either. */
const [OPENING_SHARE, CLOSING_SHARE, MOST_SECONDS] = [0.05, 0.035, 150];

/** A class without its blocks. */
function frameOf(catalog: Catalog, brief: Brief, order: Order, audience: Audience | undefined): ClassPlan {
  const seconds = brief.minutes * 60;
  const part = (share: number) => Math.min(MOST_SECONDS, Math.round((seconds * share) / 15) * 15);
  const begin = brief.begin ?? (catalog.method.choices.begin === 'standing' ? 'standing' : undefined);
  return {
    id: 'proposal',
    name: nameOf(brief, audience),
    delivery: brief.delivery ?? 'group',
    ...(brief.purpose === undefined ? {} : { purpose: brief.purpose }),
    ...(order === catalog.method.order ? {} : { order }),
    targetMinutes: brief.minutes,
    openingSeconds: part(OPENING_SHARE),
    closingSeconds: part(CLOSING_SHARE),
    ...(begin === undefined ? {} : { openingPosition: begin }),
    ...(audience === undefined ? {} : { audience: audience.id }),
    ...(brief.cautions === undefined ? {} : { cautions: brief.cautions }),
    ...(brief.focus === undefined ? {} : { focus: brief.focus }),
    blocks: [],
  };
}

const nameOf = ({ minutes }: Brief, audience: Audience | undefined): string =>
  audience ? `${audience.name}, ${minutes} minutes` : `${minutes} minutes`;

/** The share of a class that saying what else can be taken will need, where everything has a level beside it. */
const OFFERS_SHARE = 0.12;

/** The same search with as much time kept free at the end as the levels will take to be said. */
function roomForOffers(search: Search): Search {
  const { frame } = search;
  const kept = Math.round(frame.targetMinutes * 60 * OFFERS_SHARE);
  return { ...search, frame: { ...frame, closingSeconds: frame.closingSeconds + kept } };
}

/** A class as it was found: its levels filled in, what is left to mend mended, brought to its length, its blocks named in order. */
function finished(search: Search, best: Tried, brief: Brief): Proposal {
  const { catalog, context, frame } = search;
  const beside = (timed: TimedClass) => costBeside(search, timed);
  const cost = (measure: ClassMeasure) => costOf(search, measure);
  const found = { ...best.measure.timed.plan, closingSeconds: frame.closingSeconds };
  let measure = withSides(search, inOrder(search, measureClass(catalog, found, context)));
  if (brief.levels) ({ measure } = levelled(catalog, measure, context));
  const fitBetter = () => {
    const fit = fitted(groundOf(catalog, measure, context));
    if (fit && cost(fit.measure) < cost(measure)) ({ measure } = fit);
  };
  fitBetter();
  ({ measure } = mend(catalog, measure.timed.plan, context, { steps: MENDED, beside }));
  fitBetter();
  // Where no range reaches as far, a block more does.
  for (
    let added = 0;
    added < ADDED && aimOf(measure.timed, search.limits) - measure.timed.seconds > SHORT_SECONDS;
    added++
  ) {
    const longer = withOneMore(search, measure);
    if (!longer) break;
    measure = longer;
    fitBetter();
  }
  const plan = renamed(measure.timed.plan, brief.locked ?? []);
  const named = measureClass(catalog, plan, context);
  return { plan, measure: named, standing: standingOf(named), why: reasonsFor(search, named) };
}

/**
 * The class with neighbours moved, or left out, until its order is kept, or nothing helps: what the review is silent
 * about, mending does not look for.
 */
function inOrder(search: Search, measure: ClassMeasure): ClassMeasure {
  const { catalog, context, order, past } = search;
  const stray = (ordered: Ordered) => strayFrom[order](ordered, past);
  let now = measure;
  for (let tries = 0; tries < STRAYS_MENDED && stray(now.timed) > 0; tries++) {
    const strays = stray(now.timed);
    const ground = groundOf(catalog, now, context, (timed) => costBeside(search, timed));
    let [best, cost] = [now, costOn(ground, now)];
    for (const { edits, ordered } of neighboursMoved(now.timed)) {
      // Told from the order alone, before anything is measured: of a long class there are thousands, and few help.
      if (stray(ordered) >= strays) continue;
      const outcome = outcomeOf(ground, edits, cost);
      if (!outcome || costOn(ground, outcome.measure) >= cost) continue;
      best = outcome.measure;
      cost = costOn(ground, best);
    }
    if (best === now) break;
    now = best;
  }
  return now;
}

/** One to three neighbours, none of them locked, before every other block, at the end, or nowhere; and the order then. */
function* neighboursMoved({ blocks }: TimedClass): Generator<{ edits: readonly PlanEdit[]; ordered: Ordered }> {
  for (let from = 0; from < blocks.length; from++) {
    for (let count = 1; count <= MOVED_TOGETHER; count++) {
      const own = blocks.slice(from, from + count);
      if (own.length < count || own.some(({ block }) => block.locked)) break;
      const others = blocks.toSpliced(from, count);
      yield { edits: own.map(({ block: { id } }) => ({ kind: 'remove', id })), ordered: { blocks: others } };
      for (let at = 0; at <= others.length; at++) {
        const before = others[at]?.block.id ?? null;
        yield {
          edits: own.map(({ block: { id } }) => ({ kind: 'move', id, before })),
          ordered: { blocks: others.toSpliced(at, 0, ...own) },
        };
      }
    }
  }
}
const MOVED_TOGETHER = 3;

/** Changes after which an order that is still strayed from is left so. */
const STRAYS_MENDED = 3;

/** Seconds under its aim from which a class gets a block more, and how many it gets at most. */
const [SHORT_SECONDS, ADDED] = [30, 3];

/** The class with one block more, where that costs least; `null` where none makes it better. */
function withOneMore(search: Search, measure: ClassMeasure): ClassMeasure | null {
  const ground = groundOf(search.catalog, measure, search.context, (timed) => costBeside(search, timed));
  const fit = new Set(search.fit);
  let best: ClassMeasure | null = null;
  for (const { edits } of insertions(measure, (entry) => fit.has(entry))) {
    const outcome = betterWith(ground, edits);
    if (outcome && (!best || costOn(ground, outcome.measure) < costOn(ground, best))) best = outcome.measure;
  }
  return best;
}

/** Steps of mending that a found class gets: annealing leaves few things undone. */
const MENDED = 4;

/** Ids that say the order a class was made in; what was to stand as it is stands as it was given. */
function renamed(plan: ClassPlan, locked: NonNullable<Brief['locked']>): ClassPlan {
  const given = new Map(locked.map(({ at, block }) => [at, block]));
  const kept = new Set(locked.flatMap(({ block }) => block.id ?? []));
  let next = 0;
  const fresh = () => {
    do next += 1;
    while (kept.has(`b${next}`));
    return `b${next}`;
  };
  const named = plan.blocks.map((block, at) => ({ ...(given.get(at) ?? block), id: given.get(at)?.id ?? fresh() }));
  return { ...plan, blocks: named as Block[] };
}
