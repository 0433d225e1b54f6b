import { Catalog, findRungs } from '@warm-ladder/core/repertoire';
import { reviewClass } from '@warm-ladder/core/review';
import { demoBundle } from '../demo';
import { quantile, report } from './report';
import { sixtyBlocks } from './sixty';

/** Milliseconds of each of many runs, after some to warm up. */
function time(runs: number, work: () => unknown): number[] {
  for (let i = 0; i < runs / 5; i++) work();
  return Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

const bundle = demoBundle();
const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const sixty = sixtyBlocks(bundle);
report(
  'review of a 60-block class, median',
  quantile(
    time(500, () => reviewClass(catalog, sixty)),
    0.5,
  ),
  'ms',
  2,
);

const fresh = () => new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const heats = () => {
  const made = fresh();
  for (const entry of made.rungs) made.heat(entry);
};
const repetitions = () => {
  const made = fresh();
  for (const entry of made.rungs) {
    made.measures(entry);
    made.course(entry);
  }
};
const rungs = catalog.rungs.length;
report(
  'load and heat of a rung over its whole repetition, median',
  quantile(time(60, repetitions), 0.5) / rungs,
  'ms',
  0.2,
);
report(`heat of the whole repertoire (${rungs} rungs), median`, quantile(time(60, heats), 0.5), 'ms', 60);

/** The repertoire copied until it holds five thousand rungs. */
const many = Array.from({ length: Math.ceil(5000 / rungs) }, (_, copy) =>
  (bundle.exercises ?? []).map((exercise) => ({ ...exercise, id: `${exercise.id}-${copy}` })),
).flat();
const large = new Catalog({ ...bundle, exercises: many });
const typed = ['l', 'le', 'leg', 'leg l', 'leg low', 'plank', 'side-lying', 'supine rotation', 'cushion', 'zzz'];
const keystrokes = typed.flatMap((text) => time(30, () => findRungs(large, { text, position: 'supine' })));
const filters = typed.flatMap((text) => time(30, () => findRungs(large, { text })));
report('search and filter over 5,000 rungs, a keystroke, p95', quantile([...keystrokes, ...filters], 0.95), 'ms', 16);
