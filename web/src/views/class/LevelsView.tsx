import { offering, offerSeconds } from '@warm-ladder/core/mend';
import { offeredRungs, type PlanEdit, type TimedBlock } from '@warm-ladder/core/plan';
import { LANE_WORDS, laneOf, type RungEntry } from '@warm-ladder/core/repertoire';
import { type ClassReview, clock, rungTitle } from '@warm-ladder/core/review';
import { type KeyboardEvent, memo, type PointerEvent, type RefObject, useRef, useState } from 'react';
import { RungFigure } from '../../figure/RungFigure';
import { HeatMark } from '../../parts/rungs/HeatMark';
import { useNear } from '../../parts/useNear';

interface LevelsViewProps {
  readonly review: ClassReview;
  readonly onEdit: (edits: readonly PlanEdit[], label: string) => void;
  readonly onSelect: (id: string) => void;
}

/**
 * Every block on its ladder, easiest first: the main version, and what is offered lower and higher. The mark of the main
 * version is dragged to another rung or moved by the arrow keys; any other rung is offered, or no more, by a press.
 */
export default function LevelsView({ review, onEdit, onSelect }: LevelsViewProps) {
  const { timed } = review;
  const [least, most] = heatsOf(review);
  return (
    <div>
      <p className="mb-2 text-soft">
        {timed.blocks.length > 0 &&
          `The class works from heat ${least} to ${most}, its levels included. Drag a main version along its ladder, or move it with ← →; press another rung to offer it.`}
      </p>
      <ol className="flex flex-col divide-y divide-line">
        {timed.blocks.map((part) => (
          <Ladder key={part.block.id} {...{ review, part, onEdit, onSelect }} />
        ))}
      </ol>
    </div>
  );
}

/** The least and the most heat of main versions and of what is offered. */
function heatsOf({ timed, subject: { catalog } }: ClassReview): readonly [number, number] {
  const heats = timed.blocks.flatMap(({ entry, block }) => [
    catalog.heat(entry),
    ...offeredRungs(block).flatMap((rung) => {
      const other = catalog.rung({ exercise: block.exercise, rung });
      return other ? [catalog.heat(other)] : [];
    }),
  ]);
  return [Math.round(Math.min(...heats)), Math.round(Math.max(...heats))];
}

interface LadderProps extends LevelsViewProps {
  readonly part: TimedBlock;
}

function Ladder({ review, part, onEdit, onSelect }: LadderProps) {
  const { catalog } = review.subject;
  const { block, entry, laid } = part;
  const ladder = catalog.ladder(block.exercise);
  const seconds = offerSeconds(review.subject, part);
  const rail = useRef<HTMLUListElement>(null);
  const [watch, near] = useNear<HTMLLIElement>(false);
  const [over, setOver] = useState<string | null>(null);
  const name = entry.exercise.name;
  const moveTo = (rung: string | undefined) => {
    if (rung === undefined || rung === block.rung) return;
    onEdit([{ kind: 'set', id: block.id, change: { rung } }], `the main version of ${name}`);
  };
  const drag = useRungDrag(rail, setOver, moveTo);
  const byKey = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    if (by === 0 || block.locked) return;
    event.preventDefault();
    moveTo(ladder[entry.step + by]?.rung.id);
  };
  return (
    <li ref={watch} className="py-1.5" onFocus={() => onSelect(block.id)}>
      <p className="flex items-baseline gap-2 leading-tight">
        <span className="text-soft">{clock(part.startSeconds)}</span>
        <strong className="font-semibold">{name}</strong>
        <span className="text-sm text-soft">
          {clock(part.seconds)}
          {block.locked ? ', locked' : ''}
        </span>
      </p>
      <ul ref={rail} className="flex min-h-20 gap-1 overflow-x-auto pb-1">
        {near &&
          ladder.map((each) => {
            const { id } = each.rung;
            const main = id === block.rung;
            const offered = seconds.get(id);
            return (
              <li key={id} data-rung={id} className="relative shrink-0">
                <button
                  type="button"
                  disabled={block.locked}
                  aria-pressed={main ? undefined : offered !== undefined}
                  aria-label={labelOf(entry, each, offered !== undefined)}
                  className={`flex h-full w-28 flex-col items-center rounded-md px-1 pt-0.5 text-center text-[13px] leading-tight ${lookOf(main, offered !== undefined, over === id)}`}
                  onPointerDown={main && !block.locked ? drag : undefined}
                  onKeyDown={main ? byKey : undefined}
                  onClick={
                    main
                      ? undefined
                      : () =>
                          onEdit(
                            [offering(review.subject, part, id, offered === undefined)],
                            offered === undefined
                              ? `offering ${each.rung.name}`
                              : `no longer offering ${each.rung.name}`,
                          )
                  }
                >
                  <RungTile entry={each} heat={catalog.heat(each)} />
                  <span className={main ? 'font-semibold' : 'text-soft'}>
                    {main
                      ? `main ${clock(laid.work)}`
                      : offered === undefined
                        ? ''
                        : `${LANE_WORDS[laneOf(entry, each)]} ${clock(offered)}`}
                  </span>
                </button>
              </li>
            );
          })}
      </ul>
    </li>
  );
}

const labelOf = (main: RungEntry, each: RungEntry, offered: boolean): string => {
  if (main === each) return `${rungTitle(each)}: the main version. Arrow keys move it along the ladder`;
  return `${rungTitle(each)}, ${LANE_WORDS[laneOf(main, each)]}${offered ? ': offered' : ''}`;
};

const lookOf = (main: boolean, offered: boolean, over: boolean): string => {
  if (over) return 'bg-shade outline-2 outline-cobalt';
  if (main) return 'cursor-grab touch-none border-2 border-ink bg-sheet shadow-lift active:cursor-grabbing';
  return offered
    ? 'border-2 border-cobalt bg-sheet'
    : 'border-2 border-transparent hover:bg-sheet [&_svg]:opacity-60 [&:hover_svg]:opacity-100';
};

/** Drawn anew only for another rung. */
const RungTile = memo(function RungTile({ entry, heat }: { entry: RungEntry; heat: number }) {
  return (
    <>
      <RungFigure entry={entry} className="pointer-events-none h-10 w-18 self-start" />
      <span className="line-clamp-2">{entry.rung.name}</span>
      <span className="absolute top-1 right-1">
        <HeatMark heat={heat} />
      </span>
    </>
  );
});

/** The main version taken along the ladder by the hand: it lands on the rung it is let go over. */
function useRungDrag(
  rail: RefObject<HTMLUListElement | null>,
  setOver: (rung: string | null) => void,
  onDrop: (rung: string | undefined) => void,
) {
  return (event: PointerEvent<HTMLElement>) => {
    const { pointerId, currentTarget } = event;
    currentTarget.setPointerCapture(pointerId);
    let at: string | undefined;
    const move = ({ clientX }: globalThis.PointerEvent) => {
      const rungs = [...(rail.current?.querySelectorAll<HTMLElement>('[data-rung]') ?? [])];
      const under = rungs.find((rung) => {
        const { left, right } = rung.getBoundingClientRect();
        return clientX >= left && clientX < right;
      });
      at = under?.dataset.rung ?? at;
      setOver(at ?? null);
    };
    const end = (done: Event) => {
      currentTarget.removeEventListener('pointermove', move);
      for (const each of ['pointerup', 'pointercancel']) currentTarget.removeEventListener(each, end);
      setOver(null);
      if (done.type === 'pointerup') onDrop(at);
    };
    currentTarget.addEventListener('pointermove', move);
    for (const each of ['pointerup', 'pointercancel']) currentTarget.addEventListener(each, end);
  };
}
