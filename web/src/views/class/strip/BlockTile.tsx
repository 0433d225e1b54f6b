import type { Side } from '@warm-ladder/core/method';
import { doseOf, MODES, type RungBlock, repsOf } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { clock, giveText, type Severity } from '@warm-ladder/core/review';
import { rangeWords } from '@warm-ladder/core/script';
import { memo, type ReactNode, Suspense } from 'react';
import { lazily } from '../../../app/shell/lazily';
import { SoonMoving } from '../../../figure/SoonMoving';
import { SoonRungFigure } from '../../../figure/SoonRungFigure';
import { DirectionMark } from '../../../parts/classes/DirectionMark';
import { SeverityMark } from '../../../parts/classes/SeverityMark';
import { LIMITS } from '../../../parts/fields/limits';
import { NumberField } from '../../../parts/fields/NumberField';
import { HeatMark } from '../../../parts/rungs/HeatMark';
import { heatStep } from '../../../parts/rungs/heat';
import { SwapMark } from '../../../parts/rungs/SwapMark';
import { DetailsButton } from '../details/DetailsButton';
import { TileFrame, type TilePlace } from './TileFrame';

// What a block seldom needs is fetched while the hand rests.
const BlockDetails = lazily(() => import('../details/BlockDetails'));

interface BlockTileProps extends TilePlace {
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly seconds: number;
  readonly heat: number;
  /** What it offers below and above its main version. */
  readonly lower: RungEntry | undefined;
  readonly upper: RungEntry | undefined;
  readonly severity: Severity | undefined;
  /** It goes on in the shape the tile before it ended in. */
  readonly carries: boolean;
  /** Whether position and props stay, so that it could be said to carry on. */
  readonly mayCarry: boolean;
  /** The side it begins on, where it has sides. */
  readonly firstSide: Side | null;
  /** Whether this and the block before it could be, or are, one run. */
  readonly run: 'joined' | 'possible' | null;
}

/** One block: the body that does it on its heat, its rung, how it is taught, its dose and its seconds, all edited in place. */
export const BlockTile = memo(function BlockTile(props: BlockTileProps) {
  const { block, entry, index, run, carries, mayCarry, actions } = props;
  return (
    <TileFrame
      {...props}
      id={block.id}
      name={`${entry.exercise.name}, ${entry.rung.name}`}
      picture={(alive) => <Body {...props} alive={alive} />}
      over={<Corners {...props} />}
      fields={<Fields {...props} />}
    >
      <Suspense>
        <BlockDetails {...{ index, block, entry, run, actions, carries, mayCarry }} />
      </Suspense>
    </TileFrame>
  );
});

/** What each mode is called on a tile. */
const MODE_WORDS = { teach: 'teach', flow: 'flow', show: 'show' } as const;

/** The body on a floor as warm and as thick as what it does is hard. */
function Body({ entry, heat, alive, actions }: BlockTileProps & { readonly alive: boolean }) {
  const { weight, ground } = heatStep(heat);
  const picture = { entry, className: 'h-16 w-full' };
  return (
    <span className="flex h-full flex-col justify-end">
      {alive ? <SoonMoving {...picture} secondsPerCount={actions.secondsPerCount} /> : <SoonRungFigure {...picture} />}
      <span className={`block shrink-0 rounded-sm ${ground} ${weight}`} />
    </span>
  );
}

/** Over the body: what the spine does, the gravest finding, the side, and what is offered beside it, smaller. */
function Corners({ entry, lower, upper, block, firstSide, severity }: BlockTileProps) {
  return (
    <>
      <span className="absolute top-0 left-0 flex flex-col">
        {entry.exercise.directions.map((direction) => (
          <DirectionMark key={direction} direction={direction} />
        ))}
      </span>
      {severity && (
        <span className="absolute top-0 right-0">
          <SeverityMark severity={severity} word={false} />
        </span>
      )}
      {firstSide && (
        <span className="absolute bottom-3 left-0 rounded bg-paper/70 font-narrow text-xs">
          {block.side ? `${block.side} only` : `${firstSide} first`}
        </span>
      )}
      <span className="absolute right-0 bottom-3 flex flex-col">
        {[upper, lower].map(
          (offered) =>
            offered && (
              <span key={offered.key} title={`Offered: ${offered.rung.name}`} className="rounded bg-paper/80">
                <SoonRungFigure entry={offered} className="h-6 w-10" label={`Offered: ${offered.rung.name}`} />
              </span>
            ),
        )}
      </span>
    </>
  );
}

/** What is said of a block in a word. */
const Chip = ({ children }: { readonly children: ReactNode }) => (
  <span className="truncate rounded-full bg-shade px-1.5 font-narrow text-xs">{children}</span>
);

/** What is edited on a tile. Tab goes through those of the tile worked on alone; arrows lead to the others. */
function Fields(props: BlockTileProps) {
  const { index, block, entry, seconds, heat, open, selected, actions } = props;
  const number = index + 1;
  const tabIndex = selected ? 0 : -1;
  return (
    <>
      <span className="mt-1 line-clamp-2 grow text-sm leading-4 font-semibold">{entry.exercise.name}</span>
      <select
        aria-label={`Rung of block ${number}`}
        tabIndex={tabIndex}
        className="field -mx-1 w-[calc(100%+0.5rem)] truncate font-narrow text-sm"
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
      <span className="flex items-center text-sm whitespace-nowrap">
        <Counts {...props} />
        <select
          aria-label={`Mode of block ${number}`}
          tabIndex={tabIndex}
          className="field -mr-1 ml-auto appearance-none px-1 font-narrow text-soft field-sizing-content"
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
      </span>
      <span className="flex items-center gap-1">
        <HeatMark heat={heat} />
        {block.give !== undefined && <Chip>{giveText(block.give)}</Chip>}
        {block.range !== undefined && <Chip>{rangeWords(block.range).toLowerCase()} the range</Chip>}
        <button
          type="button"
          className="ml-auto rounded p-1 text-soft hover:bg-shade"
          title="Swap for another rung"
          tabIndex={tabIndex}
          onClick={() => actions.instead(block.id)}
        >
          <SwapMark />
          <span className="sr-only">Swap block {number}</span>
        </button>
        <DetailsButton {...{ number, open, tabIndex }} onToggle={() => actions.toggle(block.id)} />
        <span className="text-right text-sm font-semibold">{clock(seconds)}</span>
      </span>
    </>
  );
}

/** Sets and repetitions, and what they are of. */
function Counts({ index, block, entry, selected, actions }: BlockTileProps) {
  const tabIndex = selected ? 0 : -1;
  const dose = doseOf(entry, block);
  const shows = block.mode === 'show';
  return (
    <>
      <NumberField
        label={`Sets of block ${index + 1}`}
        value={dose.sets}
        limits={LIMITS.Dose.sets}
        className="w-5 px-0.5"
        tabIndex={tabIndex}
        onChange={(sets) => actions.dose(block.id, { sets })}
      />
      <span aria-hidden="true" className="text-soft">
        ×
      </span>
      <NumberField
        label={`Reps of block ${index + 1}`}
        value={shows ? (block.shown ?? 2) : dose.reps}
        limits={LIMITS.Dose.reps}
        className="w-7 px-0.5"
        tabIndex={tabIndex}
        onChange={(reps) =>
          shows
            ? actions.set(block.id, { shown: Math.min(20, reps) }, 'what is shown', 'shown')
            : actions.dose(block.id, { reps })
        }
      />
      <span className="ml-1 font-narrow text-soft">
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
    </>
  );
}
