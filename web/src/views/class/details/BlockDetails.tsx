import { BookOpen, Lock } from 'lucide-react';
import { Link } from 'react-router';
import { BinButton } from '../../../parts/BinButton';
import { KeepForTime } from '../SpareList';
import { BLOCK_ROWS } from './blockRows';
import type { RowProps } from './rows/row';
import { ShortForm } from './ShortForm';

/** What a block seldom needs: options, sides, how it hangs together with the last one, set-up, tempo, rest. */
export default function BlockDetails(block: Omit<RowProps, 'set'>) {
  const { actions, entry } = block;
  const { id, locked } = block.block;
  const { exercise } = entry;
  const set: RowProps['set'] = (change, label, field = '') =>
    actions.set(id, change, `${label} of ${exercise.name}`, field);
  return (
    <div className="flex flex-wrap items-start gap-x-7 gap-y-2 py-2 text-[15px]">
      {BLOCK_ROWS.map(({ field, Row }) => (
        <Row key={field} {...block} set={set} />
      ))}
      <span className="ml-auto flex gap-2 self-end">
        <label className="action text-sm">
          <input
            type="checkbox"
            className="sr-only"
            checked={locked ?? false}
            onChange={({ target }) => set({ locked: target.checked || undefined }, 'the lock')}
          />
          <Lock className={`size-4 ${locked ? '' : 'opacity-40'}`} aria-hidden="true" />
          {locked ? 'Locked' : 'Lock'}
        </label>
        <KeepForTime id={id} actions={actions} />
        <ShortForm id={id} actions={actions} />
        <Link to={`/repertoire/${exercise.id}`} className="action text-sm">
          <BookOpen className="size-4" aria-hidden="true" /> Its ladder
        </Link>
        <BinButton word="Remove" onPress={() => actions.remove(id)} />
      </span>
    </div>
  );
}
