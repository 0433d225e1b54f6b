import { freeBlockId, type RungBlock } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { CornerUpRight } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { useClassEdit } from '../../app/store/edits';
import { selectOpenClass, selectTimed } from '../../app/store/selectors';
import { store, useAppDispatch, useAppSelector } from '../../app/store/store';
import { undone } from '../../app/store/studio';

/** Puts a rung into the class that is open, where people are in its position last, or at the end. */
export function SendToClass({ entry }: { readonly entry: RungEntry }) {
  const open = useAppSelector(selectOpenClass);
  const dispatch = useAppDispatch();
  const edit = useClassEdit(open?.id ?? '');
  const [sent, setSent] = useState<string | null>(null);
  if (!open) return null;
  const send = () => {
    const timed = selectTimed(store.getState(), open);
    const last = timed.sequence.findLast(({ position }) => position === entry.position);
    const before = last ? (open.blocks[last.index + 1]?.id ?? null) : null;
    const block: RungBlock = {
      id: freeBlockId(open),
      exercise: entry.exercise.id,
      rung: entry.rung.id,
      mode: 'teach',
    };
    edit({ kind: 'insert', before, block }, `adding ${entry.exercise.name}`);
    setSent(open.id);
  };
  if (sent === open.id) {
    return (
      <span role="status" className="inline-flex items-center gap-3 text-sm">
        Added to {open.name}.
        <Link className="underline" to={`/class/${open.id}`}>
          Open it
        </Link>
        <button
          type="button"
          className="underline"
          onClick={() => {
            dispatch(undone());
            setSent(null);
          }}
        >
          Undo
        </button>
      </span>
    );
  }
  return (
    <button type="button" className="action text-sm" onClick={send} title={`Into ${open.name}`}>
      <CornerUpRight className="size-4" aria-hidden="true" /> Into the open class
    </button>
  );
}
