import { Catalog } from '@warm-ladder/core/repertoire';
import { reviewClass } from '@warm-ladder/core/review';
import { quantile, report } from './report';
import { demoBundle, sixtyBlocks } from './sixty';

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

const whole = () => {
  const fresh = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
  for (const entry of fresh.rungs) fresh.measures(entry);
};
const rungs = catalog.rungs.length;
report('load and heat of a rung, median', quantile(time(60, whole), 0.5) / rungs, 'ms', 0.2);
