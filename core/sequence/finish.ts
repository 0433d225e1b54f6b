import {
  aimOf,
  betterWith,
  costOn,
  fitted,
  givesFor,
  groundOf,
  insertions,
  levelled,
  mend,
  offeringIn,
  outcomeOf,
  type Standing,
  standingOf,
} from '../mend';
import { applyEdits, type Block, type ClassPlan, type PlanEdit, type TimedClass } from '../plan';
import { type ClassMeasure, measureClass, threadTitle } from '../review';
import { costBeside, costOf, type Search, type Tried } from './briefs/aims';
import type { Brief } from './briefs/briefSchema';
import { reasonsFor } from './reasons';
import { type Ordered, strayFrom } from './searching/orders';
import { withRests } from './searching/rests';

/** A class proposed, and why a director might take it. */
export interface Proposal {
  readonly plan: ClassPlan;
  readonly measure: ClassMeasure;
  readonly standing: Standing;
  readonly why: readonly string[];
  /** The id of the exercise it grows by, where it is one. */
  readonly thread: string | undefined;
}

/** A class as it was found: its levels filled in, what is left to mend mended, brought to its length, its blocks named in order. */
export function finished(
  search: Search,
  best: Tried,
  brief: Pick<Brief, 'levels' | 'locked' | 'lateChance'>,
): Proposal {
  const { catalog, context, frame } = search;
  const beside = (timed: TimedClass) => costBeside(search, timed);
  const cost = (measure: ClassMeasure) => costOf(search, measure);
  const found = { ...best.measure.timed.plan, closingSeconds: frame.closingSeconds };
  let measure = withRests(search, inOrder(search, measureClass(catalog, found, context)));
  if (brief.levels) ({ measure } = levelled(catalog, measure, context));
  const fitBetter = () => {
    const fit = fitted(groundOf(catalog, measure, context));
    if (fit && cost(fit.measure) < cost(measure)) ({ measure } = fit);
  };
  fitBetter();
  ({ measure } = mend(catalog, measure.timed.plan, context, { steps: MENDED, beside, keeping: false, looks: true }));
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
  if (brief.levels && offersShort(measure) > 0) {
    ({ measure } = levelled(catalog, measure, context, halfOf(measure)));
    fitBetter();
  }
  const given = givesFor(catalog, measure, context, brief.lateChance);
  measure = measureClass(catalog, applyEdits(catalog, measure.timed.plan, given), context);
  const { thread } = measure.subject;
  const grown = thread?.kind === 'ladder' ? thread.blocks[0]?.entry.exercise : undefined;
  const theme = thread ? { theme: threadTitle(thread, catalog) } : {};
  const plan = renamed({ ...measure.timed.plan, ...theme }, brief.locked ?? []);
  const named = measureClass(catalog, plan, context);
  return { plan, measure: named, standing: standingOf(named), why: reasonsFor(search, named), thread: grown?.id };
}

const halfOf = ({ timed }: ClassMeasure): number => Math.ceil(timed.plan.blocks.length / 2);

/** How many blocks more would have to offer a level for half of them to do so. */
export const offersShort = (measure: ClassMeasure): number => Math.max(0, halfOf(measure) - offeringIn(measure));

/**
 * The class with neighbours moved, or left out, until its order is kept, or nothing helps: what the review is silent
 * about, mending does not look for.
 */
function inOrder(search: Search, measure: ClassMeasure): ClassMeasure {
  const { catalog, context, order, past } = search;
  const stray = (ordered: Ordered) => strayFrom[order](ordered, past, (entry) => catalog.heat(entry));
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
