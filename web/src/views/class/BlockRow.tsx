import type { Side } from '@warm-ladder/core/method';
import { doseOf, MODES, type RungBlock, repsOf } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { clock, giveText, type Severity } from '@warm-ladder/core/review';
import { rangeWords } from '@warm-ladder/core/script';
import { ChevronDown } from 'lucide-react';
import { createContext, memo, type ReactNode, Suspense, useContext } from 'react';
import { lazily } from '../../app/lazily';
import { SoonRungFigure } from '../../figure/SoonRungFigure';
import { DirectionMark } from '../../parts/DirectionMark';
import { HeatMark } from '../../parts/HeatMark';
import { LIMITS } from '../../parts/limits';
import { NumberField } from '../../parts/NumberField';
import { SeverityMark } from '../../parts/SeverityMark';
import { SwapMark } from '../../parts/SwapMark';
import { RowFrame } from './RowFrame';
import type { RowActions } from './useRowActions';

// What a block seldom needs is fetched while the hand rests.
const BlockDetails = lazily(() => import('./BlockDetails'));

/** When each block begins. Every edit moves the blocks after it, so the clock alone follows it and not the row. */
export const StartsContext = createContext<readonly Start[]>([]);

/** When a row begins, and between when and when it most often does, seconds. */
interface Start {
  readonly startSeconds: number;
  readonly p10: number;
  readonly p90: number;
}

export function RowClock({ index }: { index: number }) {
  const start = useContext(StartsContext)[index];
  if (!start) return <span />;
  const { startSeconds, p10, p90 } = start;
  return (
    <span
      className="text-right leading-tight text-soft"
      title={`Begins most often between ${clock(p10)} and ${clock(p90)}`}
    >
      {clock(startSeconds)}
      <span className="block text-xs">± {clock(Math.max(p90 - startSeconds, startSeconds - p10))}</span>
    </span>
  );
}

interface BlockRowProps {
  readonly index: number;
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly seconds: number;
  /** The change on the way into it, in words. */
  readonly way: string | null;
  readonly heat: number;
  /** What it offers below and above its main version. */
  readonly lower: RungEntry | undefined;
  readonly upper: RungEntry | undefined;
  readonly severity: Severity | undefined;
  readonly selected: boolean;
  readonly open: boolean;
  readonly pointed: boolean;
  readonly chosen: boolean;
  /** It goes on in the shape the row above ended in. */
  readonly carries: boolean;
  /** Whether position and props stay, so that it could be said to carry on. */
  readonly mayCarry: boolean;
  /** The side it begins on, where it has sides. */
  readonly firstSide: Side | null;
  /** Whether this and the row above could be, or are, one run. */
  readonly run: 'joined' | 'possible' | null;
  readonly actions: RowActions;
}

/** One block: its clock time, its figure, its rung, how it is taught, its dose and its seconds, all edited in place. */
export const BlockRow = memo(function BlockRow(props: BlockRowProps) {
  const { index, block, entry, way, selected, open, pointed, chosen, run, actions, carries, mayCarry } = props;
  const name = `${entry.exercise.name}, ${entry.rung.name}`;
  return (
    <RowFrame
      {...{ index, way, selected, pointed, chosen, actions, carries }}
      id={block.id}
      name={name}
      fields={<RowFields {...props} />}
    >
      {open && (
        <Suspense>
          <BlockDetails {...{ index, block, entry, run, actions, carries, mayCarry }} />
        </Suspense>
      )}
    </RowFrame>
  );
});

/** What each mode is called in a row. */
const MODE_WORDS = { teach: 'teach', flow: 'flow', show: 'show' } as const;

/** A level offered beside the main version, smaller than it; the room for one where there is none. */
const Beside = ({ entry }: { readonly entry: RungEntry | undefined }) => (
  <span className="hidden w-11 shrink-0 xl:inline-block" title={entry?.rung.name}>
    {entry && <SoonRungFigure entry={entry} className="h-6 w-11 opacity-75" label={`Offered: ${entry.rung.name}`} />}
  </span>
);

/** What is said of a block beside its name; on a line of its own where the name leaves no room. */
const Chip = ({ children }: { readonly children: ReactNode }) => (
  <span className="shrink-0 rounded-full bg-shade px-2 text-xs font-normal">{children}</span>
);

/** What is edited in a row: drawn only near the eye, so that a long class stays as quick as a short one. */
function RowFields(props: BlockRowProps) {
  const { index, block, entry, lower, upper, seconds, heat, severity, open, run, carries, firstSide, actions } = props;
  const dose = doseOf(entry, block);
  const shows = block.mode === 'show';
  return (
    <>
      <RowClock index={index} />
      <span className="flex items-end justify-center">
        <Beside entry={lower} />
        <SoonRungFigure entry={entry} className="h-8 w-18 shrink-0" />
        <Beside entry={upper} />
      </span>
      <span className="min-w-0 grow basis-40 leading-tight">
        <span className="flex flex-wrap items-center gap-x-1.5 font-semibold">
          {entry.exercise.directions.map((direction) => (
            <DirectionMark key={direction} direction={direction} />
          ))}
          <span>{entry.exercise.name}</span>
          {carries && <Chip>carries on</Chip>}
          {block.range !== undefined && <Chip>{rangeWords(block.range).toLowerCase()} the range</Chip>}
          {run === 'joined' && <Chip>run</Chip>}
          {block.give !== undefined && <Chip>{giveText(block.give)}</Chip>}
          {firstSide && <Chip>{block.side ? `${block.side} only` : `${firstSide} first`}</Chip>}
        </span>
        <select
          aria-label={`Rung of block ${index + 1}`}
          className="field -ml-1.5 w-full truncate text-[15px]"
          value={block.rung}
          onChange={({ target }) =>
            actions.edit(
              { kind: 'set', id: block.id, change: { rung: target.value } },
              `the rung of ${entry.exercise.name}`,
            )
          }
        >
          {entry.exercise.rungs.map((rung, step) => (
            <option key={rung.id} value={rung.id}>
              {step + 1}. {rung.name}
              {rung.branchOf === undefined ? '' : ' (beside)'}
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
          actions.set(
            block.id,
            { mode: MODES.find((mode) => mode === target.value) ?? 'teach' },
            `the mode of ${entry.exercise.name}`,
          )
        }
      >
        {MODES.map((mode) => (
          <option key={mode} value={mode}>
            {MODE_WORDS[mode]}
          </option>
        ))}
      </select>
      <span className="whitespace-nowrap">
        <NumberField
          label={`Sets of block ${index + 1}`}
          value={dose.sets}
          limits={LIMITS.Dose.sets}
          className="w-8"
          onChange={(sets) => actions.dose(block.id, { sets })}
        />
        <span aria-hidden="true" className="px-0.5 text-soft">
          ×
        </span>
        <NumberField
          label={`Reps of block ${index + 1}`}
          value={shows ? (block.shown ?? 2) : dose.reps}
          limits={LIMITS.Dose.reps}
          className="w-10"
          onChange={(reps) =>
            shows
              ? actions.set(block.id, { shown: Math.min(20, reps) }, 'what is shown', 'shown')
              : actions.dose(block.id, { reps })
          }
        />
        <span className="ml-1 inline-block w-11 text-left text-sm text-soft">
          {shows
            ? 'shown'
            : dose.repsTo !== undefined
              ? `to ${dose.repsTo}`
              : entry.sides === 'both' || block.side
                ? repsOf(dose) === 1
                  ? 'rep'
                  : 'reps'
                : 'a side'}
        </span>
      </span>
      <span className="text-right font-semibold">{clock(seconds)}</span>
      <span className="flex items-center gap-0.5">
        <span className="inline-block w-4">{severity && <SeverityMark severity={severity} word={false} />}</span>
        <button
          type="button"
          className="rounded p-1 text-soft hover:bg-shade"
          title="Swap for another rung"
          onClick={() => actions.instead(block.id)}
        >
          <SwapMark />
          <span className="sr-only">Swap block {index + 1}</span>
        </button>
        <button
          type="button"
          aria-expanded={open}
          className="rounded p-1 hover:bg-shade"
          onClick={() => actions.toggle(block.id)}
        >
          <ChevronDown className={`size-4 transition-transform ${open ? 'rotate-180' : ''}`} aria-hidden="true" />
          <span className="sr-only">Details of block {index + 1}</span>
        </button>
      </span>
    </>
  );
}
