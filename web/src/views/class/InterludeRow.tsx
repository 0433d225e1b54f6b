import { INTERLUDE_WORDS, type Interlude } from '@warm-ladder/core/plan';
import { clock, type Severity } from '@warm-ladder/core/review';
import { ChevronDown, Trash2 } from 'lucide-react';
import { memo } from 'react';
import { selectCatalog } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { LinesField } from '../../parts/LinesField';
import { NumberField } from '../../parts/NumberField';
import { PositionOptions } from '../../parts/PositionOptions';
import { SeverityMark } from '../../parts/SeverityMark';
import { TextField } from '../../parts/TextField';
import { RowClock } from './BlockRow';
import { RowFrame } from './RowFrame';
import type { RowActions } from './useRowActions';

interface InterludeRowProps {
  readonly index: number;
  readonly block: Interlude;
  readonly seconds: number;
  readonly way: string | null;
  readonly severity: Severity | undefined;
  readonly selected: boolean;
  readonly open: boolean;
  readonly pointed: boolean;
  readonly chosen: boolean;
  readonly actions: RowActions;
}

/** A block without an exercise: something said, a check people make themselves, a small rest. Quieter than a rung. */
export const InterludeRow = memo(function InterludeRow(props: InterludeRowProps) {
  const { index, block, way, selected, open, pointed, chosen, actions } = props;
  return (
    <RowFrame
      {...{ index, way, selected, pointed, chosen, actions }}
      id={block.id}
      name={block.name}
      fields={<Fields {...props} />}
    >
      {open && <Details index={index} block={block} actions={actions} />}
    </RowFrame>
  );
});

function Fields({ index, block, seconds, severity, open, actions }: InterludeRowProps) {
  const number = index + 1;
  return (
    <>
      <RowClock index={index} />
      <span className="text-center text-sm text-soft">{INTERLUDE_WORDS[block.interlude]}</span>
      <TextField
        label={`Name of block ${number}`}
        value={block.name}
        className="-ml-1.5 w-full min-w-0 grow basis-40"
        onChange={(name) => actions.setInterlude(block.id, { name }, 'the name', 'name')}
      />
      <span className="col-span-3 justify-self-end whitespace-nowrap">
        <NumberField
          label={`Seconds of block ${number}`}
          value={block.seconds}
          min={0}
          max={3600}
          step={5}
          className="w-12"
          onChange={(wanted) => actions.setInterlude(block.id, { seconds: wanted }, 'the seconds', 'seconds')}
        />
        <span className="ml-1 inline-block w-11 text-left text-sm text-soft">s</span>
      </span>
      <span className="text-right text-soft">{clock(seconds)}</span>
      <span className="flex items-center gap-0.5">
        <span className="inline-block w-4">{severity && <SeverityMark severity={severity} word={false} />}</span>
        <span className="inline-block w-6" />
        <button
          type="button"
          aria-expanded={open}
          className="rounded p-1 hover:bg-shade"
          onClick={() => actions.toggle(block.id)}
        >
          <ChevronDown className={`size-4 transition-transform ${open ? 'rotate-180' : ''}`} aria-hidden="true" />
          <span className="sr-only">Details of block {number}</span>
        </button>
      </span>
    </>
  );
}

function Details({ index, block, actions }: Pick<InterludeRowProps, 'index' | 'block' | 'actions'>) {
  const catalog = useAppSelector(selectCatalog);
  const number = index + 1;
  const set = (change: Parameters<RowActions['setInterlude']>[1], label: string, field = '') =>
    actions.setInterlude(block.id, change, label, field);
  return (
    <div className="col-span-full mt-1 ml-10 grid gap-x-7 gap-y-2 border-t border-line py-2 text-[15px] md:grid-cols-2">
      <LinesField
        label="What is said"
        value={block.words ?? []}
        placeholder="One sentence a line"
        onChange={(words) => set({ words: words.length > 0 ? words : undefined }, 'what is said', 'words')}
      />
      <div className="flex flex-col gap-2">
        <label className="flex flex-col">
          <span className="text-sm text-soft">Where people go for it</span>
          <select
            className="field self-start"
            value={block.position ?? ''}
            onChange={({ target }) => set({ position: target.value || undefined }, 'where it is')}
          >
            <option value="">they stay where they are</option>
            <PositionOptions graph={catalog.graph} />
          </select>
        </label>
        <label className="flex flex-col">
          <span className="text-sm text-soft">What is done in it</span>
          <select
            className="field w-full truncate"
            value={block.rung ?? ''}
            onChange={({ target }) => set({ rung: target.value || undefined }, 'what is done')}
          >
            <option value="">nothing from the repertoire</option>
            {catalog.rungs.map(({ key, exercise, rung }) => (
              <option key={key} value={key}>
                {exercise.name}, {rung.name}
              </option>
            ))}
          </select>
        </label>
        {block.interlude === 'check' && (
          <>
            <Sentence
              label="What it should find"
              block={number}
              value={block.finds}
              onChange={(finds) => set({ finds }, 'what it finds', 'finds')}
            />
            <Sentence
              label="What to do if it does not"
              block={number}
              value={block.otherwise}
              onChange={(otherwise) => set({ otherwise }, 'what to do otherwise', 'otherwise')}
            />
          </>
        )}
      </div>
      <button
        type="button"
        className="action justify-self-end text-sm md:col-start-2"
        onClick={() => actions.remove(block.id)}
      >
        <Trash2 className="size-4" aria-hidden="true" /> Remove
      </button>
    </div>
  );
}

interface SentenceProps {
  readonly label: string;
  readonly block: number;
  readonly value: string | undefined;
  readonly onChange: (value: string | undefined) => void;
}

const Sentence = ({ label, block, value, onChange }: SentenceProps) => (
  <span className="flex flex-col">
    <span className="text-sm text-soft" aria-hidden="true">
      {label}
    </span>
    <TextField
      label={`${label}, block ${block}`}
      note
      value={value ?? ''}
      onChange={(text) => onChange(text || undefined)}
    />
  </span>
);
