import { names, poolOf, type Wish } from '../../mend';
import type { Order } from '../../method';
import { type Audience, type ClassPlan, isInterlude, type RungBlock } from '../../plan';
import { type Catalog, type RungEntry, rungKey } from '../../repertoire';
import {
  broughtBy,
  conditionsOf,
  heatTaken,
  isAtHand,
  learntBy,
  limitsOf,
  type ReviewContext,
  roomOf,
} from '../../review';
import { broughtBefore, doingsOf, type Series } from '../../series';
import type { Search } from '../briefs/aims';
import type { Brief } from '../briefs/briefSchema';
import { RECAPPED } from './orders';

/** What a brief's ids name. */
export interface Studio {
  readonly catalog: Catalog;
  readonly audienceOf: (id: string | undefined) => Audience | undefined;
  readonly classOf: (id: string) => ClassPlan | undefined;
  readonly seriesOf: (id: string | undefined) => Series | undefined;
}

/** What else is said of a search. */
interface SearchChoices {
  readonly freedoms?: Search['freedoms'];
  /** Ladders that proposals made already grow by. */
  readonly othersThreads?: readonly string[];
}

/**
 * What a wish asks for: of a ladder its hottest rung that the room can take with what is at hand, that asks as little
 * as possible of anybody.
 */
function wished(catalog: Catalog, fit: readonly RungEntry[], wish: Wish, most: number): Wish {
  if (wish.rung !== undefined) return wish;
  const own = fit.filter(({ exercise }) => exercise.id === wish.exercise);
  const taken = own.filter((entry) => catalog.heat(entry) <= most && entry.props.every(({ large }) => !large));
  const best = taken.reduce<RungEntry | null>((a, b) => (a && catalog.heat(a) >= catalog.heat(b) ? a : b), null);
  return best ? { ...wish, rung: best.rung.id } : wish;
}

/** All that a class is looked for with. */
export function searchFor(
  studio: Studio,
  brief: Brief,
  today: string | undefined,
  others: ReadonlyArray<ReadonlySet<string>>,
  { freedoms = { doses: true }, othersThreads = [] }: SearchChoices = {},
): Search {
  const { catalog } = studio;
  const { series, before, learnt } = pastOf(studio, brief);
  const audience = studio.audienceOf(brief.audience ?? series?.audience);
  const order: Order = brief.order ?? series?.order ?? catalog.method.order;
  const frame = frameOf(catalog, brief, order, audience);
  const conditions = conditionsOf(frame, audience);
  const graded = broughtBy(catalog.method, frame, audience, today);
  const earlier = learnt ? new Set(learnt.keys.filter((key) => learnt.count(key).taught > 0)) : new Set<string>();
  const limits = limitsOf(catalog.method, audience);
  const { props, mustNot, locked = [] } = brief;
  // In a series what was earned counts; outside it what everybody of the level knows.
  const known = series ? earlier : learntBy(catalog, audience, limits.homeHeat);
  const pool = poolOf(catalog, { audience, graded, props, mustNot, homeHeat: limits.homeHeat, earlier: known });
  const room = roomOf(catalog, frame, { audience, today });
  const peakHeat = heatTaken(room);
  const mustHave = (brief.mustHave ?? []).map((wish) => wished(catalog, pool.fit, wish, peakHeat));
  const open = (all: readonly RungEntry[]) => (learnt ? all.filter((entry) => learnt.open(catalog, entry)) : all);
  const unasked = (entry: RungEntry) => props !== undefined || isAtHand(entry, audience?.equipment);
  const fine = open(pool.fine).filter(unasked);
  const some = fine.length >= ENOUGH ? fine : open(pool.fit).filter(unasked);
  const fit = some.length > 0 ? some : open(pool.fit);
  const asked = (entry: RungEntry) =>
    mustHave.some((wish) => names(wish, entry)) ||
    needed.has(entry) ||
    locked.some(({ block }) => catalog.rung(block) === entry);
  const needed = neededFor(catalog, pool.fit, mustHave);
  return {
    catalog,
    context: { audience, earlier, today, place: series ? 'episode' : 'alone' } satisfies ReviewContext,
    conditions,
    limits,
    frame,
    order,
    past: { lastEnd: before ? endOf(before) : [] },
    fit,
    known,
    peakHeat,
    wantedThread: brief.thread,
    othersThreads: new Set(othersThreads),
    allowed: new Set([...fit, ...catalog.rungs.filter(asked)]),
    mustHave,
    locks: [...locked]
      .sort((a, b) => a.at - b.at)
      .map(({ at, block }, i) => ({ at, block: { ...block, id: block.id ?? `kept-${i + 1}`, locked: true } })),
    others,
    freedoms,
  };
}

/** What has to be in it requires, so far as the room can take it. */
function neededFor(catalog: Catalog, fit: readonly RungEntry[], wishes: readonly Wish[]): ReadonlySet<RungEntry> {
  const needed = new Set<RungEntry>();
  const left = catalog.rungs.filter((entry) => wishes.some((wish) => names(wish, entry)));
  for (let entry = left.pop(); entry; entry = left.pop()) {
    for (const required of entry.rung.requires ?? []) {
      const need = catalog.rung(required);
      if (!need || needed.has(need) || !fit.includes(need)) continue;
      needed.add(need);
      left.push(need);
    }
  }
  return needed;
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

/** The rungs a class ends with, each once, where it came last. */
const endOf = ({ blocks }: ClassPlan): string[] => {
  const keys = blocks.filter((block): block is RungBlock => !isInterlude(block)).map(rungKey);
  return keys.filter((key, i) => keys.indexOf(key, i + 1) < 0).slice(-RECAPPED);
};

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
