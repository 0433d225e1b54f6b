import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import type { Condition } from '@warm-ladder/core/caution';
import { applyEdit, type ClassPlan } from '@warm-ladder/core/plan';
import { Catalog, findRungs } from '@warm-ladder/core/repertoire';
import { findingsOf, measureClass, reviewClass } from '@warm-ladder/core/review';
import { demoBundle } from '../demo';
import { figure, quantile, referenceLoop } from './report';
import { sixtyBlocks } from './sixty';

/** Milliseconds of each of many runs, after some to warm up; what each begins with is made before its time counts. */
function time<T>(runs: number, work: (made: T) => unknown, prepare: () => T): number[] {
  for (let i = 0; i < runs / 5; i++) work(prepare());
  return Array.from({ length: runs }, () => {
    const made = prepare();
    const start = performance.now();
    work(made);
    return performance.now() - start;
  });
}
function nothing(): undefined {}
const median = <T>(runs: number, prepare: () => T, work: (made: T) => unknown): number =>
  quantile(time(runs, work, prepare), 0.5);

const bundle = demoBundle();
const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const sixty = sixtyBlocks(bundle);

const loop = await figure('the reference loop, median', 'ms', 1, () => median(500, nothing, referenceLoop));

/** Two classes of the demo as one of fifty blocks, taught to a room with five conditions. */
const MINDED: Condition[] = ['neck-pain', 'low-back-pain', 'wrist', 'knee', 'high-blood-pressure'];
const [rowers, landing] = ['rowers-sixty', 'night-landing'].map((name) =>
  bundle.classes?.find(({ id }) => id === name),
) as [ClassPlan, ClassPlan];
const fifty: ClassPlan = {
  ...rowers,
  cautions: MINDED,
  blocks: [...rowers.blocks, ...landing.blocks.map((block) => ({ ...block, id: `second-${block.id}` }))].slice(0, 50),
};
if (fifty.blocks.length < 50) throw new Error('the demo has no fifty blocks');
/** The class as if it had just been read: nothing of it is kept, as rungs are. */
const asRead = (plan: ClassPlan): ClassPlan => structuredClone(plan);
const measure = (plan: ClassPlan) => measureClass(catalog, plan);
await figure(
  'measure and score of 50 blocks with five cautions, median',
  'ms',
  0.4,
  () => median(600, () => asRead(fifty), measure),
  loop,
);
const bare: ClassPlan = { ...fifty, cautions: [] };
await figure('the same without cautions, median', 'ms', 0.4, () => median(600, () => asRead(bare), measure), loop);
const measured = measureClass(catalog, fifty);
await figure(
  'findings of 50 blocks as sentences, median',
  'ms',
  1.5,
  () => median(200, nothing, () => findingsOf(measured)),
  loop,
);

/** Other repetitions in the middle, each time of a block nobody has measured; the edit itself is made before. */
const middle = fifty.blocks[25]?.id ?? '';
let turn = 0;
const dosed = () => {
  const reps = 6 + (turn++ % 5);
  return applyEdit(catalog, fifty, { kind: 'dose', id: middle, dose: { reps } });
};
await figure('one edit of 50 blocks measured anew, median', 'ms', 0.05, () => median(600, dosed, measure), loop);

const cold = () =>
  Number(spawnSync(process.execPath, [join(import.meta.dirname, 'dist/cold.js')], { encoding: 'utf8' }).stdout);
await figure('first review of the faulty class in a fresh process, CPU', 'ms', 150, cold, loop);

await figure('review of a 60-block class, median', 'ms', 2, () =>
  median(100, nothing, () => reviewClass(catalog, sixty)),
);

/** A repertoire nobody has measured yet: what a rung is worth is remembered by the rung itself. */
const fresh = () => new Catalog({ ...bundle, exercises: structuredClone(bundle.exercises ?? []) });
const heats = (made: Catalog) => {
  for (const entry of made.rungs) made.heat(entry);
};
const repetitions = (made: Catalog) => {
  for (const entry of made.rungs) {
    made.measures(entry);
    made.course(entry);
  }
};
const rungs = catalog.rungs.length;
await figure('load and heat of a rung over its whole repetition, median', 'ms', 0.2, () => {
  return median(10, fresh, repetitions) / rungs;
});
await figure(`heat of the whole repertoire (${rungs} rungs), median`, 'ms', 60, () => median(10, fresh, heats));

/** The repertoire copied until it holds five thousand rungs. */
const many = Array.from({ length: Math.ceil(5000 / rungs) }, (_, copy) =>
  (bundle.exercises ?? []).map((exercise) => ({ ...exercise, id: `${exercise.id}-${copy}` })),
).flat();
const large = new Catalog({ ...bundle, exercises: many });
const typed = ['l', 'le', 'leg', 'leg l', 'leg low', 'plank', 'side-lying', 'supine rotation', 'cushion', 'zzz'];
await figure('search and filter over 5,000 rungs, a keystroke, p95', 'ms', 16, () => {
  const filtered = typed.flatMap((text) => time(10, () => findRungs(large, { text, position: 'supine' }), nothing));
  const found = typed.flatMap((text) => time(10, () => findRungs(large, { text }), nothing));
  return quantile([...filtered, ...found], 0.95);
});

/** One exercise renamed, as the editor does at each keystroke: the others keep what they are worth. */
const renamed = () => {
  const [first, ...others] = bundle.exercises ?? [];
  const exercises = first ? [{ ...first, rungs: first.rungs.map((rung) => ({ ...rung })) }, ...others] : others;
  return new Catalog({ ...bundle, exercises });
};
heats(catalog);
await figure('heat of the whole repertoire after one exercise changed, median', 'ms', 5, () =>
  median(12, renamed, heats),
);
