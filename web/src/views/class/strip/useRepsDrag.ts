import { doseOf, type TimedClass } from '@warm-ladder/core/plan';
import { type PointerEvent, useCallback, useRef } from 'react';
import { useClassEdit } from '../../../app/store/edits';

/** Most repetitions a drag can reach; the schema's limit is for typing. */
const MOST = 60;
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
      const { reps } = doseOf(block.entry, block.block);
      const passes = block.block.secondDose ? 1 : block.slots.length;
      const perRep = (block.work - (passes === 1 ? block.second.work : 0)) / block.reps / passes;
      const field = `drag ${drags++}`;
      const from = event.clientX;
      let last = reps;
      const move = ({ clientX }: globalThis.PointerEvent) => {
        const wanted = Math.min(MOST, Math.max(1, reps + Math.round((clientX - from) / pixels / perRep)));
        if (wanted === last) return;
        last = wanted;
        edit({ kind: 'dose', id, dose: { reps: wanted } }, `reps of ${block.entry.exercise.name}`, field);
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
