import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { type ReactNode, useCallback } from 'react';
import { useNear } from '../../parts/useNear';
import type { RowActions } from './useRowActions';

interface RowFrameProps {
  readonly index: number;
  readonly id: string;
  readonly name: string;
  /** The change on the way into it, in words. */
  readonly way: string | null;
  readonly selected: boolean;
  readonly pointed: boolean;
  /** One of several that are worked at together. */
  readonly chosen: boolean;
  /** It goes on in the shape the row above ended in. */
  readonly carries?: boolean;
  readonly actions: RowActions;
  /** Drawn only near the eye, so that a long class stays as quick as a short one. */
  readonly fields: ReactNode;
  readonly children?: ReactNode;
}

/** Rows in full before anyone has looked. */
const FIRST_ROWS = 12;

/** What every row of a class has: its place, the hand that drags it, and the way there. */
export function RowFrame(props: RowFrameProps) {
  const { index, id, name, way, selected, pointed, chosen, carries = false, actions, fields, children } = props;
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id });
  const [watch, near] = useNear<HTMLLIElement>(index < FIRST_ROWS);
  const attach = useCallback(
    (node: HTMLLIElement | null) => {
      setNodeRef(node);
      const unwatch = watch(node);
      return () => {
        setNodeRef(null);
        if (unwatch) unwatch();
      };
    },
    [setNodeRef, watch],
  );
  return (
    <li
      ref={attach}
      data-item={id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative ${isDragging ? 'z-10 opacity-80 shadow-lift' : ''}`}
    >
      {way !== null && !isDragging && (
        <p className="pl-11 text-sm text-soft">
          <span aria-hidden="true">↳ </span>
          {way}
        </p>
      )}
      {carries && !isDragging && (
        <span
          className="absolute -top-2 left-[1.1rem] h-4 w-1.5 rounded-full bg-cobalt"
          title="Goes on in the same shape"
          aria-hidden="true"
        />
      )}
      {/* biome-ignore lint/a11y/useSemanticElements: a row holds fields, so it can't be a button. */}
      <div
        id={`block-${index}`}
        role="group"
        aria-label={`Block ${index + 1}: ${name}${carries ? ', carries on' : ''}${chosen ? ', chosen' : ''}`}
        tabIndex={selected ? 0 : -1}
        onFocus={() => actions.select(id)}
        onClick={(event) => {
          if (event.ctrlKey || event.metaKey || event.shiftKey) actions.choose(id);
        }}
        onKeyDown={(event) => actions.keyDown(event, id)}
        className={`flex flex-wrap items-center gap-x-2.5 rounded-md px-1 py-0.5 md:grid md:grid-cols-[auto_3rem_4.5rem_minmax(9rem,1fr)_auto_auto_auto_3.4rem_auto] xl:grid-cols-[auto_3rem_10rem_minmax(9rem,1fr)_auto_auto_auto_3.4rem_auto] ${
          selected ? 'bg-sheet shadow-lift' : pointed ? 'bg-shade' : 'hover:bg-sheet/70'
        } ${chosen ? 'outline-2 outline-cobalt' : ''}`}
      >
        <button
          type="button"
          className="cursor-grab touch-none rounded p-0.5 text-soft hover:bg-shade"
          {...attributes}
          {...listeners}
          tabIndex={selected ? 0 : -1}
        >
          <GripVertical className="size-4" aria-hidden="true" />
          <span className="sr-only">Drag block {index + 1}</span>
        </button>
        {near || selected ? fields : <span className="h-12 content-center font-semibold">{name}</span>}
        {children}
      </div>
    </li>
  );
}
