import { Catalog, findRungs } from '@warm-ladder/core/repertoire';
import { reviewClass } from '@warm-ladder/core/review';
import { demoBundle } from '../demo';
import { quantile, report } from './report';
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
const nothing = () => undefined;

const bundle = demoBundle();
const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const sixty = sixtyBlocks(bundle);
report(
  'review of a 60-block class, median',
  quantile(
    time(500, () => reviewClass(catalog, sixty), nothing),
    0.5,
  ),
  'ms',
  2,
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
report(
  'load and heat of a rung over its whole repetition, median',
  quantile(time(60, repetitions, fresh), 0.5) / rungs,
  'ms',
  0.2,
);
report(`heat of the whole repertoire (${rungs} rungs), median`, quantile(time(60, heats, fresh), 0.5), 'ms', 60);

/** The repertoire copied until it holds five thousand rungs. */
const many = Array.from({ length: Math.ceil(5000 / rungs) }, (_, copy) =>
  (bundle.exercises ?? []).map((exercise) => ({ ...exercise, id: `${exercise.id}-${copy}` })),
).flat();
const large = new Catalog({ ...bundle, exercises: many });
const typed = ['l', 'le', 'leg', 'leg l', 'leg low', 'plank', 'side-lying', 'supine rotation', 'cushion', 'zzz'];
const keystrokes = typed.flatMap((text) => time(30, () => findRungs(large, { text, position: 'supine' }), nothing));
const filters = typed.flatMap((text) => time(30, () => findRungs(large, { text }), nothing));
report('search and filter over 5,000 rungs, a keystroke, p95', quantile([...keystrokes, ...filters], 0.95), 'ms', 16);

/** One exercise renamed, as the editor does at each keystroke: the others keep what they are worth. */
const renamed = () => {
  const [first, ...others] = bundle.exercises ?? [];
  const exercises = first ? [{ ...first, rungs: first.rungs.map((rung) => ({ ...rung })) }, ...others] : others;
  return new Catalog({ ...bundle, exercises });
};
heats(catalog);
report(
  'heat of the whole repertoire after one exercise changed, median',
  quantile(time(60, heats, renamed), 0.5),
  'ms',
  5,
);
