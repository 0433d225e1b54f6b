import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { offeredRungs, startRanges, type TimedBlock, type TimedClass } from '@warm-ladder/core/plan';
import { type Catalog, type Lane, laneOf, type Prop, type RungEntry } from '@warm-ladder/core/repertoire';
import type { Severity } from '@warm-ladder/core/review';
import { useMemo } from 'react';
import { BlockRow, StartsContext } from './BlockRow';
import { InterludeRow } from './InterludeRow';
import type { useRowActions } from './useRowActions';

interface Props {
  readonly sequence: TimedClass['sequence'];
  readonly catalog: Catalog;
  readonly grave: ReadonlyMap<string, Severity>;
  readonly selected: string | null;
  readonly open: string | null;
  readonly pointed: ReadonlySet<string>;
  readonly chosen: ReadonlySet<string>;
  readonly actions: ReturnType<typeof useRowActions>;
}

/** A press becomes a drag after four pixels. One object: a new one would redraw every row at every edit. */
const DRAG = { activationConstraint: { distance: 4 } };
/** On the handle: space takes hold, arrows move, space lets go, escape leaves it where it was. */
const BY_KEYS = { coordinateGetter: sortableKeyboardCoordinates };

/** The parts of a class in order, each a row that can be dragged. */
export function BlockList({ sequence, catalog, grave, selected, open, pointed, chosen, actions }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, DRAG), useSensor(KeyboardSensor, BY_KEYS));
  const joined = sequence.map(({ block }) => block.id).join(' ');
  const ids = useMemo(() => joined.split(' '), [joined]);
  const opening = sequence[0] ? sequence[0].startSeconds - sequence[0].change.seconds : 0;
  const starts = useMemo(() => {
    const ranges = startRanges(sequence, opening, catalog.method.uncertainty);
    return sequence.map(({ startSeconds }, i) => ({
      startSeconds,
      p10: startSeconds,
      p90: startSeconds,
      ...ranges[i],
    }));
  }, [sequence, opening, catalog]);
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) actions.moveTo(String(active.id), String(over.id));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol className="flex flex-col gap-0.5">
          <StartsContext value={starts}>
            {sequence.map((part, i) => {
              const { id } = part.block;
              const row = {
                index: i,
                seconds: part.seconds,
                way: wayWords(part),
                severity: grave.get(id),
                selected: selected === id,
                open: open === id,
                pointed: pointed.has(id),
                chosen: chosen.has(id),
                actions,
              };
              if (part.kind === 'interlude') return <InterludeRow key={id} {...row} block={part.block} />;
              return (
                <BlockRow
                  key={id}
                  {...row}
                  block={part.block}
                  entry={part.entry}
                  heat={catalog.heat(part.entry)}
                  lower={offeredIn(catalog, part, 'lower')}
                  upper={offeredIn(catalog, part, 'upper')}
                  carries={part.carries}
                  mayCarry={mayCarry(part, sequence)}
                  firstSide={part.firstSide}
                  run={runWithAbove(part, sequence[i - 1])}
                />
              );
            })}
          </StartsContext>
        </ol>
      </SortableContext>
    </DndContext>
  );
}

/** The rung nearest to the main version that a block offers in a lane. */
function offeredIn(catalog: Catalog, { block, entry }: TimedBlock, lane: Lane): RungEntry | undefined {
  const offered = offeredRungs(block).flatMap((rung) => catalog.rung({ exercise: block.exercise, rung }) ?? []);
  const own = offered.filter((each) => laneOf(entry, each) === lane).sort((a, b) => a.step - b.step);
  return lane === 'lower' ? own.at(-1) : own[0];
}

/** Whether a block could be said to carry on: there is one before it, and position and props stay. */
function mayCarry({ change, index, entry }: TimedBlock, sequence: TimedClass['sequence']): boolean {
  const before = sequence.slice(0, index).findLast((part) => part.kind === 'block');
  return before !== undefined && change.seconds === 0 && before.position === entry.position;
}

/** The change into a block as its row says it: `13 s to prone, take roller`. */
function wayWords({ change, position }: TimedClass['sequence'][number]): string | null {
  if (change.seconds === 0) return null;
  const names = (props: readonly Prop[]) => props.map(({ name }) => name.toLowerCase()).join(', ');
  return [
    `${Math.round(change.seconds)} s${change.places.length > 1 ? ` to ${position}` : ''}`,
    change.taken.length > 0 ? `take ${names(change.taken)}` : '',
    change.putAway.length > 0 ? `put away ${names(change.putAway)}` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Whether a block is, or could be, in one run with the block above it. */
function runWithAbove(
  block: TimedBlock,
  above: TimedClass['sequence'][number] | undefined,
): 'joined' | 'possible' | null {
  if (above?.kind !== 'block') return null;
  if (block.block.run !== undefined && block.block.run === above.block.run) return 'joined';
  const goes = (each: TimedBlock) => each.entry.sides === 'each' && each.block.side === undefined;
  return goes(block) && goes(above) && block.entry.position === above.entry.position ? 'possible' : null;
}
