import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { type Block, doseOf, type TimedBlock } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { clock, type Severity } from '@warm-ladder/core/review';
import { ChevronDown, GripVertical, Shuffle } from 'lucide-react';
import { createContext, memo, useCallback, useContext, useState } from 'react';
import { RungFigure } from '../../figure/RungFigure';
import { DirectionMark } from '../../parts/DirectionMark';
import { HeatMark } from '../../parts/HeatMark';
import { NumberField } from '../../parts/NumberField';
import { SeverityMark } from '../../parts/SeverityMark';
import { useNear } from '../../parts/useNear';
import { BlockDetails } from './BlockDetails';
import type { RowActions } from './useRowActions';

/** When each block begins. Every edit moves the blocks after it, so the clock alone follows it and not the row. */
export const StartsContext = createContext<readonly TimedBlock[]>([]);

function RowClock({ index }: { index: number }) {
  const seconds = useContext(StartsContext)[index]?.startSeconds ?? 0;
  return <span className="text-right text-soft">{clock(seconds)}</span>;
}

interface BlockRowProps {
  readonly index: number;
  readonly block: Block;
  readonly entry: RungEntry;
  readonly seconds: number;
  /** The change on the way into it, in words. */
  readonly way: string | null;
  readonly heat: number;
  readonly severity: Severity | undefined;
  readonly selected: boolean;
  readonly open: boolean;
  readonly pointed: boolean;
  /** Whether this and the row above could be, or are, one run. */
  readonly run: 'joined' | 'possible' | null;
  readonly actions: RowActions;
}

/** Rows in full before anyone has looked. */
const FIRST_ROWS = 12;

/** One block: its clock time, its figure, its rung, how it is taught, its dose and its seconds, all edited in place. */
export const BlockRow = memo(function BlockRow(props: BlockRowProps) {
  const { index, block, entry, way, selected, open, pointed, run, actions } = props;
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id: index + 1 });
  const [element, setElement] = useState<HTMLLIElement | null>(null);
  const attach = useCallback(
    (node: HTMLLIElement | null) => {
      setNodeRef(node);
      setElement(node);
    },
    [setNodeRef],
  );
  const near = useNear(element, index < FIRST_ROWS);
  const name = `${entry.exercise.name}, ${entry.rung.name}`;
  return (
    <li
      ref={attach}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={isDragging ? 'relative z-10 opacity-80 shadow-lift' : ''}
    >
      {way !== null && !isDragging && (
        <p className="pl-11 text-sm text-soft">
          <span aria-hidden="true">↳ </span>
          {way}
        </p>
      )}
      {/* biome-ignore lint/a11y/useSemanticElements: a row holds fields, so it can't be a button. */}
      <div
        id={`block-${index}`}
        role="group"
        aria-label={`Block ${index + 1}: ${name}`}
        tabIndex={selected ? 0 : -1}
        onFocus={() => actions.select(index)}
        onKeyDown={(event) => actions.keyDown(event, index)}
        className={`flex flex-wrap items-center gap-x-2.5 rounded-md px-1 py-0.5 md:grid md:grid-cols-[auto_3rem_4.5rem_minmax(9rem,1fr)_auto_auto_auto_3.4rem_auto] ${
          selected ? 'bg-sheet shadow-lift' : pointed ? 'bg-shade' : 'hover:bg-sheet/70'
        }`}
      >
        <button
          type="button"
          className="cursor-grab touch-none rounded p-0.5 text-soft hover:bg-shade"
          {...attributes}
          {...listeners}
          tabIndex={-1}
        >
          <GripVertical className="size-4" aria-hidden="true" />
          <span className="sr-only">Drag block {index + 1}</span>
        </button>
        {near || selected ? (
          <RowFields {...props} />
        ) : (
          <span className="h-12 content-center font-semibold">{name}</span>
        )}
        {open && <BlockDetails index={index} block={block} entry={entry} run={run} actions={actions} />}
      </div>
    </li>
  );
});

/** What is edited in a row: drawn only near the eye, so that a long class stays as quick as a short one. */
function RowFields({ index, block, entry, seconds, heat, severity, open, run, actions }: BlockRowProps) {
  const dose = doseOf(entry, block);
  return (
    <>
      <RowClock index={index} />
      <RungFigure entry={entry} className="h-8 w-18" />
      <span className="min-w-0 grow basis-40 leading-tight">
        <span className="flex items-center gap-1.5 truncate font-semibold">
          {entry.exercise.directions.map((direction) => (
            <DirectionMark key={direction} direction={direction} />
          ))}
          <span className="truncate">{entry.exercise.name}</span>
          {run === 'joined' && <span className="shrink-0 rounded-full bg-shade px-2 text-xs font-normal">run</span>}
          {block.side && (
            <span className="shrink-0 rounded-full bg-shade px-2 text-xs font-normal">{block.side} only</span>
          )}
        </span>
        <select
          aria-label={`Rung of block ${index + 1}`}
          className="field -ml-1.5 w-full truncate text-[15px]"
          value={block.rung}
          onChange={({ target }) =>
            actions.edit(
              { kind: 'set', block: index, change: { rung: target.value } },
              `the rung of ${entry.exercise.name}`,
            )
          }
        >
          {entry.exercise.rungs.map((rung, step) => (
            <option key={rung.id} value={rung.id}>
              {step + 1}. {rung.name}
            </option>
          ))}
        </select>
      </span>
      <HeatMark heat={heat} />
      <select
        aria-label={`Mode of block ${index + 1}`}
        className="field"
        value={block.mode}
        onChange={({ target }) =>
          actions.edit(
            { kind: 'set', block: index, change: { mode: target.value === 'flow' ? 'flow' : 'teach' } },
            `the mode of ${entry.exercise.name}`,
          )
        }
      >
        <option value="teach">teach</option>
        <option value="flow">flow</option>
      </select>
      <span className="whitespace-nowrap">
        <NumberField
          label={`Sets of block ${index + 1}`}
          value={dose.sets}
          min={1}
          max={20}
          whole
          className="w-8"
          onChange={(sets) => actions.dose(index, { sets })}
        />
        <span aria-hidden="true" className="px-0.5 text-soft">
          ×
        </span>
        <NumberField
          label={`Reps of block ${index + 1}`}
          value={dose.reps}
          min={1}
          max={200}
          whole
          className="w-10"
          onChange={(reps) => actions.dose(index, { reps })}
        />
        <span className="ml-1 inline-block w-11 text-left text-sm text-soft">
          {entry.exercise.sides === 'both' || block.side ? 'reps' : 'a side'}
        </span>
      </span>
      <span className="text-right font-semibold">{clock(seconds)}</span>
      <span className="flex items-center gap-0.5">
        <span className="inline-block w-4">{severity && <SeverityMark severity={severity} word={false} />}</span>
        <button
          type="button"
          className="rounded p-1 text-soft hover:bg-shade"
          title="Swap for another rung"
          onClick={() => actions.instead(index)}
        >
          <Shuffle className="size-4" aria-hidden="true" />
          <span className="sr-only">Swap block {index + 1}</span>
        </button>
        <button
          type="button"
          aria-expanded={open}
          className="rounded p-1 hover:bg-shade"
          onClick={() => actions.toggle(index)}
        >
          <ChevronDown className={`size-4 transition-transform ${open ? 'rotate-180' : ''}`} aria-hidden="true" />
          <span className="sr-only">Details of block {index + 1}</span>
        </button>
      </span>
    </>
  );
}
