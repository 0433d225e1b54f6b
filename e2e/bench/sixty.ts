import type { Bundle } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';

/** A class of sixty blocks over the whole repertoire, with options and rests: the size the figures are held at. */
export function sixtyBlocks({ exercises = [] }: Bundle): ClassPlan {
  const rungs = exercises.flatMap(({ id, rungs: ladder }) => ladder.map((rung) => ({ exercise: id, rung: rung.id })));
  const blocks = Array.from({ length: 60 }, (_, i) => {
    const { exercise, rung } = rungs[(i * 7) % rungs.length] ?? { exercise: '', rung: '' };
    const options = exercises.find(({ id }) => id === exercise)?.rungs.map(({ id }) => id) ?? [];
    return {
      id: `b${i + 1}`,
      exercise,
      rung,
      mode: i % 2 ? ('flow' as const) : ('teach' as const),
      options: options.filter((id) => id !== rung).slice(0, 2),
      restAfterSeconds: i % 5,
    };
  });
  return {
    id: 'sixty',
    name: 'Sixty',
    delivery: 'group',
    targetMinutes: 90,
    openingSeconds: 120,
    closingSeconds: 90,
    blocks,
  };
}
