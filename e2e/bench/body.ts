import { anglesOf, settled } from '@warm-ladder/core/body';
import { applied, diff, inverted } from '@warm-ladder/core/edits';
import { rungScene } from '@warm-ladder/core/figure';
import { Catalog, type RungEntry, surfacesOf } from '@warm-ladder/core/repertoire';
import { demoBundle } from '../demo';
import { figure, quantile, quietest, referenceLoop } from './report';

/** What it costs to settle a body and to draw one, for every pose and every rung of the house. */
const bundle = demoBundle();
const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const { bodyHeightM } = catalog.method;

const timed = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const loop = await quietest(1, () =>
  quantile(
    Array.from({ length: 500 }, () => timed(referenceLoop)),
    0.5,
  ),
);

const poses = catalog.rungs.flatMap((entry) => {
  const surfaces = surfacesOf(entry);
  return Object.values(entry.rung.poses).map((pose) => ({ pose, like: entry.like, surfaces }));
});
const settling = (share: number) =>
  quantile(
    poses.map(({ pose, like, surfaces }) => timed(() => settled(pose, like, anglesOf(pose), bodyHeightM, surfaces))),
    share,
  );
await figure('settling a pose, median', 'ms', 0.5, () => settling(0.5), loop);
await figure('settling a pose, p95', 'ms', 0.5, () => settling(0.95), loop);

// A rung is drawn once and kept with its entry: each time as if it were another, its body lying as it lay; and then
// from poses as they are read, each settled for it.
const drawing = (entries: () => readonly RungEntry[]) =>
  quantile(
    Array.from({ length: 12 }, () => {
      const all = entries();
      return timed(() => {
        for (const entry of all) rungScene(entry);
      });
    }),
    0.5,
  );
const figures = catalog.rungs.length;
const lying = () => drawing(() => catalog.rungs.map((entry) => ({ ...entry })));
await figure(`the drawings of ${figures} figures, median`, 'ms', 60, lying, loop);
const read = () => drawing(() => new Catalog(structuredClone({ ...bundle, exercises: bundle.exercises ?? [] })).rungs);
await figure('the same with their bodies settled for it, median', 'ms', 60 + 0.5 * 2 * figures, read, loop);

// What is worked out away from the page after one exercise was renamed: the change comes as an edit, the rest is known.
const source = {
  method: bundle.method,
  positions: bundle.positions,
  props: bundle.props,
  exercises: catalog.exercises,
};
const heats = (of: Catalog) => of.rungs.map((entry) => of.heat(entry));
let there = structuredClone(source);
heats(new Catalog(there));
const renaming = () =>
  quantile(
    catalog.exercises.slice(0, 12).map((exercise, i) => {
      const named = { ...exercise, name: `${exercise.name} of another name` };
      const edit = structuredClone(diff(source, { ...source, exercises: catalog.exercises.with(i, named) }));
      return timed(() => {
        there = applied(edit, there);
        heats(new Catalog(there));
        there = applied(structuredClone(inverted(edit)), there);
      });
    }),
    0.5,
  );
await figure('heat of the repertoire in the worker after one rename, median', 'ms', 5, renaming, loop);
