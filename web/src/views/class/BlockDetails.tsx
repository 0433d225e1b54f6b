import { type Block, doseOf } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { BookOpen, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { NumberField } from '../../parts/NumberField';
import type { RowActions } from './useRowActions';

interface BlockDetailsProps {
  readonly index: number;
  readonly block: Block;
  readonly entry: RungEntry;
  readonly run: 'joined' | 'possible' | null;
  readonly actions: RowActions;
}

/** What a block seldom needs: options beside the home rung, one side, a run, tempo, rest. */
export function BlockDetails({ index, block, entry, run, actions }: BlockDetailsProps) {
  const dose = doseOf(entry, block);
  const { exercise, rung } = entry;
  const edit = (change: Parameters<RowActions['set']>[1], label: string, field = '') =>
    actions.set(index, change, `${label} of ${exercise.name}`, field);
  const offered = block.options ?? [];
  const offer = (id: string, on: boolean) => {
    const wanted = exercise.rungs.map((each) => each.id).filter((each) => (each === id ? on : offered.includes(each)));
    edit({ options: wanted.length > 0 ? wanted : undefined }, 'the options');
  };
  const others = exercise.rungs.map((each, step) => ({ ...each, step })).filter(({ id }) => id !== rung.id);
  return (
    <div className="col-span-full mt-1 ml-10 flex flex-wrap items-start gap-x-7 gap-y-2 border-t border-line py-2 text-[15px]">
      {others.length > 0 && (
        <fieldset>
          <legend className="text-sm text-soft">Options to offer</legend>
          {others.map(({ id, name, step }) => (
            <label key={id} className="mr-4 inline-flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={offered.includes(id)}
                onChange={({ target }) => offer(id, target.checked)}
              />
              <span className="text-soft">{step < entry.step ? 'lower' : 'higher'}</span> {name}
            </label>
          ))}
        </fieldset>
      )}
      {exercise.sides !== 'both' && (
        <label className="flex flex-col">
          <span className="text-sm text-soft">Sides</span>
          <select
            className="field"
            value={block.side ?? ''}
            onChange={({ target }) =>
              edit({ side: (target.value || undefined) as 'left' | 'right' | undefined }, 'the sides')
            }
          >
            <option value="">both, {exercise.sides === 'each' ? 'one after the other' : 'alternating'}</option>
            <option value="left">left only</option>
            <option value="right">right only</option>
          </select>
        </label>
      )}
      {run !== null && (
        <label className="flex flex-col">
          <span className="text-sm text-soft">Run</span>
          <span className="inline-flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={run === 'joined'}
              onChange={({ target }) => actions.joinRun(index, target.checked)}
            />
            one side together with the block above
          </span>
        </label>
      )}
      <span className="flex flex-col">
        <span className="text-sm text-soft">One count</span>
        <span>
          <NumberField
            label={`Seconds per count of block ${index + 1}`}
            value={dose.secondsPerCount ?? actions.secondsPerCount}
            min={0.25}
            max={6}
            step={0.25}
            className="w-14"
            onChange={(secondsPerCount) => actions.dose(index, { secondsPerCount })}
          />{' '}
          s
        </span>
      </span>
      <span className="flex flex-col">
        <span className="text-sm text-soft">Rest after</span>
        <span>
          <NumberField
            label={`Rest after block ${index + 1}`}
            value={block.restAfterSeconds ?? 0}
            min={0}
            max={600}
            step={5}
            className="w-14"
            onChange={(seconds) => edit({ restAfterSeconds: seconds || undefined }, 'the rest', 'rest')}
          />{' '}
          s
        </span>
      </span>
      <span className="ml-auto flex gap-2 self-end">
        <Link to={`/repertoire/${exercise.id}`} className="action text-sm">
          <BookOpen className="size-4" aria-hidden="true" /> Its ladder
        </Link>
        <button type="button" className="action text-sm" onClick={() => actions.remove(index)}>
          <Trash2 className="size-4" aria-hidden="true" /> Remove
        </button>
      </span>
    </div>
  );
}
