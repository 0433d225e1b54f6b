import type { Bundle } from '@warm-ladder/core/formats';
import { demoBundle } from '../demo';
import { bigBundle } from '../faults/writers';

/** The demo with its repertoire copied until it holds so many rungs, and with so many classes more. */
export function largeStudio(rungs: number, classes: number): Bundle {
  const demo = demoBundle();
  const exercises = demo.exercises ?? [];
  const own = exercises.reduce((sum, { rungs: ladder }) => sum + ladder.length, 0);
  const copies = Array.from({ length: Math.ceil(rungs / own) }, (_, copy) =>
    copy === 0
      ? exercises
      : exercises.map((exercise) => ({
          ...exercise,
          id: `${exercise.id}-${copy}`,
          rungs: exercise.rungs.map(({ requires: _none, ...rung }) => rung),
        })),
  );
  const { classes: more = [] } = bigBundle(classes);
  return { ...demo, exercises: copies.flat(), classes: [...(demo.classes ?? []), ...more] };
}
