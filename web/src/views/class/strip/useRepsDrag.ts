import { doseOf, oneMoreRep, type TimedClass } from '@warm-ladder/core/plan';
import { type PointerEvent, useCallback, useRef } from 'react';
import { useClassEdit } from '../../../app/store/edits';

/** Most repetitions a drag can reach, and most that can be shown; the schema's limits are for typing. */
const [MOST, MOST_SHOWN] = [60, 20];
let drags = 0;

/** Dragging a tread's right edge adds or takes repetitions, seen in the length while the hand still moves. */
export function useRepsDrag(timed: TimedClass, scale: number) {
  const edit = useClassEdit(timed.plan.id);
  const now = useRef({ timed, scale });
  now.current = { timed, scale };
  return useCallback(
    (event: PointerEvent, id: string) => {
      const { timed: at, scale: pixels } = now.current;
      const block = at.blocks.find((each) => each.block.id === id);
      if (!block || pixels === 0) return;
      event.preventDefault();
      const shows = block.block.mode === 'show';
      const reps = shows ? block.reps : doseOf(block.entry, block.block).reps;
      const most = shows ? MOST_SHOWN : MOST;
      const perRep = oneMoreRep(block);
      const field = `drag ${drags++}`;
      const from = event.clientX;
      let last = reps;
      const move = ({ clientX }: globalThis.PointerEvent) => {
        const wanted = Math.min(most, Math.max(1, reps + Math.round((clientX - from) / pixels / perRep)));
        if (wanted === last) return;
        last = wanted;
        edit(
          shows ? { kind: 'set', id, change: { shown: wanted } } : { kind: 'dose', id, dose: { reps: wanted } },
          `reps of ${block.entry.exercise.name}`,
          field,
        );
      };
      const stop = () => {
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', stop);
      };
      window.addEventListener('pointermove', move);
      window.addEventListener('pointerup', stop);
    },
    [edit],
  );
}
