import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext, sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import { offeredRungs, startRanges, type TimedBlock, type TimedClass } from '@warm-ladder/core/plan';
import { type Catalog, type Lane, laneOf, type Prop, type RungEntry } from '@warm-ladder/core/repertoire';
import type { Severity } from '@warm-ladder/core/review';
import { useMemo } from 'react';
import { triedWords } from '../mending/triedWords';
import { BlockTile } from './BlockTile';
import { Coming } from './Coming';
import { InterludeTile } from './InterludeTile';
import { type InRun, StartsContext } from './TileFrame';
import type { useTileActions } from './useTileActions';

interface StripProps {
  readonly sequence: TimedClass['sequence'];
  readonly catalog: Catalog;
  readonly grave: ReadonlyMap<string, Severity>;
  readonly selected: string | null;
  readonly open: string | null;
  readonly pointed: ReadonlySet<string>;
  readonly chosen: ReadonlySet<string>;
  /** The class as a change that is only looked at would leave it. */
  readonly ghost: TimedClass | null;
  /** Where the next block will stand while something is being added; else `null`. */
  readonly addingAt: number | null;
  readonly actions: ReturnType<typeof useTileActions>;
}

/** A press becomes a drag after four pixels. One object: a new one would redraw every row at every edit. */
const DRAG = { activationConstraint: { distance: 4 } };
/** On the handle: space takes hold, arrows move, space lets go, escape leaves it where it was. */
const BY_KEYS = { coordinateGetter: sortableKeyboardCoordinates };

/** The class as a strip of bodies, line under line: dragged into order, tied where they carry on, worked at where they stand. */
export function Strip(props: StripProps) {
  const { sequence, catalog, grave, selected, open, pointed, chosen, ghost, addingAt, actions } = props;
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
  const tried = useMemo(() => triedWords(sequence, ghost?.sequence ?? sequence), [sequence, ghost]);
  const coming = ghost?.blocks.find(({ block }) => !ids.includes(block.id))?.entry;
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) actions.moveTo(String(active.id), String(over.id));
  };
  const tiles = sequence.map((part, i) => {
    const { id } = part.block;
    const tile = {
      index: i,
      seconds: part.seconds,
      way: wayWords(part),
      severity: grave.get(id),
      selected: selected === id,
      open: open === id,
      pointed: pointed.has(id),
      chosen: chosen.has(id),
      tried: tried.get(id) ?? null,
      inRun: inRun(sequence, i),
      actions,
    };
    if (part.kind === 'interlude') return <InterludeTile key={id} {...tile} block={part.block} />;
    return (
      <BlockTile
        key={id}
        {...tile}
        block={part.block}
        entry={part.entry}
        heat={catalog.heat(part.entry)}
        lower={offeredIn(catalog, part, 'lower')}
        upper={offeredIn(catalog, part, 'upper')}
        carries={part.carries}
        mayCarry={mayCarry(part, sequence)}
        firstSide={part.firstSide}
        run={runWithBefore(part, sequence[i - 1])}
      />
    );
  });
  if (addingAt !== null) tiles.splice(addingAt, 0, <Coming key="coming" entry={coming} />);
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={rectSortingStrategy}>
        <ol className="grid grid-flow-row-dense grid-cols-[repeat(auto-fill,minmax(8.25rem,1fr))] pointer-coarse:grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] gap-x-2 gap-y-1 p-1">
          <StartsContext value={starts}>{tiles}</StartsContext>
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

/** The change into a block as its tile says it: `13 s to prone, take roller`. */
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

/** Whether a block is, or could be, in one run with the one before it. */
function runWithBefore(
  block: TimedBlock,
  before: TimedClass['sequence'][number] | undefined,
): 'joined' | 'possible' | null {
  if (before?.kind !== 'block') return null;
  if (block.block.run !== undefined && block.block.run === before.block.run) return 'joined';
  const goes = (each: TimedBlock) => each.entry.sides === 'each' && each.block.side === undefined;
  return goes(block) && goes(before) && block.entry.position === before.entry.position ? 'possible' : null;
}

/** Where a block stands in its run. */
function inRun(sequence: TimedClass['sequence'], index: number): InRun {
  const runAt = (i: number) => {
    const part = sequence[i];
    return part?.kind === 'block' ? part.block.run : undefined;
  };
  const run = runAt(index);
  if (run === undefined) return null;
  const [before, after] = [runAt(index - 1) === run, runAt(index + 1) === run];
  if (before) return after ? 'within' : 'last';
  return after ? 'first' : null;
}
