import type { Interlude } from '@warm-ladder/core/plan';
import { selectCatalog, selectProps } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import { BinButton } from '../../../parts/BinButton';
import { ChipSet } from '../../../parts/fields/ChipSet';
import { LinesField } from '../../../parts/fields/LinesField';
import { PositionOptions } from '../../../parts/fields/PositionOptions';
import { TextField } from '../../../parts/fields/TextField';
import type { TileActions } from '../strip/useTileActions';
import { GiveField } from './GiveField';
import { ShortForm } from './ShortForm';

interface InterludeDetailsProps {
  readonly index: number;
  readonly block: Interlude;
  readonly actions: TileActions;
}

/** What is said in an interlude, where, and what a check should find. */
export default function InterludeDetails({ index, block, actions }: InterludeDetailsProps) {
  const catalog = useAppSelector(selectCatalog);
  const props = useAppSelector(selectProps);
  const number = index + 1;
  const set = (change: Parameters<TileActions['setInterlude']>[1], label: string, field = '') =>
    actions.setInterlude(block.id, change, label, field);
  return (
    <div className="grid gap-x-7 gap-y-2 py-2 text-[15px] md:grid-cols-2">
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
        {props.length > 0 && (
          <ChipSet
            legend="What it needs"
            all={props}
            chosen={block.props ?? []}
            onChange={(chosen) => set({ props: chosen.length > 0 ? [...chosen] : undefined }, 'what it needs')}
          />
        )}
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
      {!block.locked && (
        <GiveField number={number} give={block.give} onChange={(give) => set({ give }, 'what may go', 'give')} />
      )}
      <span className="flex gap-2 justify-self-end md:col-start-2">
        <ShortForm id={block.id} actions={actions} />
        <BinButton word="Remove" className="text-sm" onPress={() => actions.remove(block.id)} />
      </span>
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
