import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { clock } from '@warm-ladder/core/review';
import { createContext, type ReactNode, useCallback, useContext, useState } from 'react';
import { useNear } from '../../../parts/useNear';
import { focusTile, type TileActions } from './useTileActions';

/** When each block begins. Every edit moves the blocks after it, so the clock alone follows it and not the tile. */
export const StartsContext = createContext<readonly Start[]>([]);

/** When a block begins, and between when and when it most often does, seconds. */
interface Start {
  readonly startSeconds: number;
  readonly p10: number;
  readonly p90: number;
}

/** Where a block stands in a run of blocks that do one side together. */
export type InRun = 'first' | 'within' | 'last' | null;

/** What the strip says of every tile, be it a rung or an interlude. */
export interface TilePlace {
  readonly index: number;
  /** The change on the way into it, in words. */
  readonly way: string | null;
  readonly selected: boolean;
  readonly open: boolean;
  readonly pointed: boolean;
  /** One of several that are worked at together. */
  readonly chosen: boolean;
  /** What a change that is only looked at would do to it. */
  readonly tried: string | null;
  readonly inRun: InRun;
  readonly actions: TileActions;
}

interface TileFrameProps extends TilePlace {
  readonly id: string;
  readonly name: string;
  /** It goes on in the shape the tile before it ended in. */
  readonly carries?: boolean;
  /** What it is taken by: the body that does it. It is drawn alive where the hand is. */
  readonly picture: (alive: boolean) => ReactNode;
  /** What is said over the picture, in its corners. */
  readonly over?: ReactNode;
  /** Its fields, drawn only near the eye, so that a long class stays as quick as a short one. */
  readonly fields: ReactNode;
  /** What is worked at seldom, while it is open. */
  readonly children?: ReactNode;
}

/** Tiles in full before anyone has looked. */
const FIRST_TILES = 24;

const RUN_EDGE: Readonly<Record<Exclude<InRun, null>, string>> = {
  first: 'left-1 -right-1 rounded-tl border-l-2',
  within: 'left-0 -right-1',
  last: 'left-0 right-1 rounded-tr border-r-2',
};

/** What every tile of a class has: its clock, the body it is dragged by, its ties to the tile before it, and the way there. */
export function TileFrame(props: TileFrameProps) {
  const { index, id, name, way, selected, open, pointed, chosen, tried, inRun, carries = false, actions } = props;
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id });
  const [watch, near] = useNear<HTMLDivElement>(index < FIRST_TILES);
  const [under, setUnder] = useState(false);
  const [held, setHeld] = useState(false);
  const attach = useCallback(
    (node: HTMLDivElement | null) => {
      setNodeRef(node);
      const unwatch = watch(node);
      return () => {
        setNodeRef(null);
        if (unwatch) unwatch();
      };
    },
    [setNodeRef, watch],
  );
  const ground = selected ? 'bg-sheet shadow-lift' : pointed ? 'bg-shade' : 'hover:bg-sheet/70';
  return (
    <li className="contents" data-item={id}>
      {/* biome-ignore lint/a11y/useSemanticElements: a tile holds fields, so it can't be a button. */}
      <div
        ref={attach}
        id={`block-${index}`}
        role="group"
        aria-label={`Block ${index + 1}: ${name}${carries ? ', carries on' : ''}${chosen ? ', chosen' : ''}`}
        tabIndex={selected ? 0 : -1}
        onFocus={({ target, currentTarget }) => {
          actions.select(id);
          // In a field the hand edits, and what it edits is shown before what moves.
          setHeld(target === currentTarget);
        }}
        onBlur={() => setHeld(false)}
        onClick={(event) => {
          if (event.ctrlKey || event.metaKey || event.shiftKey) actions.choose(id);
        }}
        onKeyDown={(event) => actions.keyDown(event, id)}
        onPointerEnter={() => setUnder(true)}
        onPointerLeave={() => setUnder(false)}
        style={{ transform: CSS.Translate.toString(transform), transition }}
        className={`group/tile relative flex min-w-0 scroll-my-6 flex-col rounded-lg px-1.5 pt-1 pb-1.5 ${ground} ${
          chosen ? 'outline-2 outline-cobalt' : ''
        } ${open ? 'outline-2 outline-ink' : ''} ${isDragging ? 'z-10 opacity-80 shadow-lift' : ''}`}
      >
        {inRun !== null && (
          <span aria-hidden="true" className={`absolute top-0 h-1.5 border-t-2 border-cobalt ${RUN_EDGE[inRun]}`} />
        )}
        <p className="flex min-h-4 items-baseline gap-1 font-narrow text-xs text-soft">
          <TileClock index={index} near={selected || under} />
          {way !== null && (
            <span className="ml-auto truncate" title={way}>
              <span aria-hidden="true">↳ </span>
              {way}
            </span>
          )}
        </p>
        <div className="relative">
          <button
            type="button"
            className="block h-19 w-full cursor-grab touch-pan-y rounded"
            title={name}
            {...attributes}
            {...listeners}
            tabIndex={selected ? 0 : -1}
          >
            {near || selected ? props.picture(under || held) : null}
            <span className="sr-only">Drag block {index + 1}</span>
          </button>
          {(near || selected) && <div className="pointer-events-none absolute inset-0 text-soft">{props.over}</div>}
          {carries && (
            <span
              aria-hidden="true"
              title="Goes on in the same shape"
              className="absolute bottom-0 -left-4 h-1.5 w-7 rounded-full bg-cobalt"
            />
          )}
        </div>
        {near || selected ? props.fields : <span className="grow font-semibold">{name}</span>}
        {tried !== null && (
          <p className="absolute inset-x-1 top-5 z-10 rounded bg-cobalt px-1.5 text-center text-sm font-semibold text-paper">
            {tried}
          </p>
        )}
      </div>
      {open && (
        <section
          aria-label={`Details of block ${index + 1}`}
          className="col-span-full rounded-lg bg-sheet px-3 shadow-lift"
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            actions.toggle(id);
            focusTile(index);
          }}
        >
          {props.children}
        </section>
      )}
    </li>
  );
}

/** When it begins; how sure that is, where the hand is: every edit moves all that begins after it. */
function TileClock({ index, near }: { index: number; near: boolean }) {
  const start = useContext(StartsContext)[index];
  if (!start) return null;
  const { startSeconds, p10, p90 } = start;
  if (!near) return <span className="shrink-0 text-ink">{clock(startSeconds)}</span>;
  return (
    <span className="shrink-0" title={`Begins most often between ${clock(p10)} and ${clock(p90)}`}>
      <span className="text-ink">{clock(startSeconds)}</span> ±{' '}
      {clock(Math.max(p90 - startSeconds, startSeconds - p10))}
    </span>
  );
}
