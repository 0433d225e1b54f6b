import { createHash } from 'node:crypto';
import { studioOf } from '@warm-ladder/core/formats';
import { packageOf } from '@warm-ladder/core/package';
import { applyEdit, type ClassPlan } from '@warm-ladder/core/plan';
import { proposeSeries, type SeriesBrief } from '@warm-ladder/core/sequence';
import { earliest, reviewSeries, type Series, type WholeStudio } from '@warm-ladder/core/series';
import { demoBundle } from '../demo';
import { quantile, report } from './report';
import { sixtyBlocks } from './sixty';

/** What it costs to judge a series, to ask when a rung is open, and to plan a whole one. */
const TODAY = '2026-11-28';
const bundle = demoBundle();
const studio = studioOf(bundle, { today: TODAY });
const { catalog } = studio;

const timed = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

/* Twenty-four episodes of thirty blocks, one of which is edited each time. */
const EPISODES = 24;
const sixty = sixtyBlocks(bundle);
const classes = new Map(
  Array.from({ length: EPISODES }, (_, i): [string, ClassPlan] => [
    `e${i}`,
    { ...sixty, id: `e${i}`, blocks: sixty.blocks.slice(0, 30) },
  ]),
);
const series: Series = { id: 's', name: 'S', episodes: [...classes.keys()].map((id) => ({ class: id })) };
const large: WholeStudio = { ...studio, classOf: (id) => classes.get(id), allSeries: [series] };
const edits = Array.from({ length: 40 }, (_, turn) => {
  const id = `e${turn % EPISODES}`;
  const plan = classes.get(id) as ClassPlan;
  const edited = applyEdit(catalog, plan, { kind: 'dose', id: plan.blocks[15]?.id ?? '', dose: { reps: 4 + turn } });
  return timed(() => {
    classes.set(id, edited);
    reviewSeries(large, series, { today: TODAY });
  });
}).slice(5);
report('earning and review of 24 episodes of 30 blocks after one edit, median', quantile(edits, 0.5), 'ms', 25);

const empty: Series = { id: 'empty', name: 'Empty', episodes: [] };
const asked = catalog.rungs.map((entry) => timed(() => earliest(studio, empty, entry)));
report('the earliest episode of a rung of the house, p95', quantile(asked, 0.95), 'ms', 5);
report('the earliest episode of a rung of the house, slowest', Math.max(...asked), 'ms', 5);

/* Twelve of them packed: chapters, captions, scripts and their sums. */
const twelve: Series = { ...series, episodes: series.episodes.slice(0, 12) };
const packing = performance.now();
await packageOf(large, twelve, (text) => createHash('sha256').update(text).digest('hex'));
report('a package of 12 episodes', performance.now() - packing, 'ms', 5000);

/* Whole series: eight times forty-five minutes, for goals that can be reached, every audience in turn. */
const BRIEFS = 20;
const audiences = bundle.audiences ?? [];
const reachable = catalog.rungs.filter((entry) => {
  const { earliest: first } = earliest(studio, empty, entry);
  return first !== null && first > 2 && first <= 7;
});
const answers = Array.from({ length: BRIEFS * 4 }, (_, i): SeriesBrief => {
  const goal = reachable[(i * 37) % reachable.length] as (typeof reachable)[number];
  return {
    audience: audiences[i % audiences.length]?.id,
    goals: [{ exercise: goal.exercise.id, rung: goal.rung.id }],
    episodes: 8,
    minutes: 45,
    proposals: 1,
    seed: i + 1,
  };
})
  // What an audience must not do is no goal for it.
  .filter((brief) =>
    proposeSeries(studio, { ...brief, episodes: 1 }, TODAY).clashes.every((each) => /too few/.test(each)),
  )
  .slice(0, BRIEFS)
  .map((brief) => {
    const start = performance.now();
    const [proposal] = proposeSeries(studio, brief, TODAY).proposals;
    return { ms: performance.now() - start, counts: proposal?.counts };
  });
const unsound = answers.filter(({ counts }) => !counts || counts.stop + counts.fix > 0).length / answers.length;
report(
  `whole series of ${answers.length} briefs with a stop or a fix in them or their classes`,
  unsound,
  'share',
  0.05,
);
const times = answers.map(({ ms }) => ms);
report('a whole series of 8 × 45 minutes, median', quantile(times, 0.5), 'ms', 20_000);
report('a whole series of 8 × 45 minutes, slowest', Math.max(...times), 'ms', 20_000);
