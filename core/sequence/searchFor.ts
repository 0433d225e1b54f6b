import { names, poolOf } from '../mend';
import type { Order } from '../method';
import { type Audience, type ClassPlan, isInterlude, type RungBlock } from '../plan';
import { type Catalog, type RungEntry, rungKey } from '../repertoire';
import { broughtBy, conditionsOf, limitsOf, type ReviewContext } from '../review';
import { broughtBefore, doingsOf, type Series } from '../series';
import type { Search } from './aims';
import type { Brief } from './briefSchema';
import { RECAPPED } from './orders';

/** What a brief's ids name. */
export interface Studio {
  readonly catalog: Catalog;
  readonly audienceOf: (id: string | undefined) => Audience | undefined;
  readonly classOf: (id: string) => ClassPlan | undefined;
  readonly seriesOf: (id: string | undefined) => Series | undefined;
}

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
  const graded = broughtBy(catalog.method, frame, audience, today);
  const earlier = learnt ? new Set(learnt.keys.filter((key) => learnt.count(key).taught > 0)) : new Set<string>();
  const limits = limitsOf(catalog.method, audience);
  const { props, mustNot, mustHave = [], locked = [] } = brief;
  const pool = poolOf(catalog, { audience, graded, props, mustNot, homeHeat: limits.homeHeat, earlier });
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
