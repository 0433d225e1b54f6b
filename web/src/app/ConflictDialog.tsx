import { Sheet } from '../parts/Sheet';
import { useAppDispatch, useAppSelector } from './store';
import { type Conflict, conflictSettled, documentOf } from './studio';

const nameOf = (value: unknown, id: string): string =>
  typeof value === 'object' && value !== null && 'name' in value ? String(value.name) : id;

/** What the document holds, in a line: enough to tell two versions apart. */
function gist(value: unknown): string {
  if (value === undefined || value === null) return 'Deleted.';
  const { name, blocks, episodes, rungs } = value as Record<string, unknown>;
  const parts = [
    Array.isArray(blocks) ? `${blocks.length} blocks` : '',
    Array.isArray(episodes) ? `${episodes.length} episodes` : '',
    Array.isArray(rungs) ? `${rungs.length} rungs` : '',
  ];
  return [typeof name === 'string' ? `“${name}”` : '', ...parts].filter(Boolean).join(', ');
}

/** Two hands on one document: both versions are still there, and the director says which stands. */
export function ConflictDialog() {
  const conflict = useAppSelector(({ studio }) => studio.conflicts[0]);
  const mine = useAppSelector(({ studio }) => conflict && documentOf(studio.bundle, conflict.kind, conflict.id));
  const dispatch = useAppDispatch();
  if (!conflict) return null;
  const settle = (keep: 'mine' | 'theirs') => dispatch(conflictSettled({ conflict: conflict as Conflict, keep }));
  return (
    <Sheet
      open
      onOpenChange={() => undefined}
      title={`“${nameOf(mine ?? conflict.current?.value, conflict.id)}” was changed in another window`}
      about="Nothing has been overwritten. Choose which version stands; if you take theirs, undo brings yours back."
    >
      <div className="grid gap-4 sm:grid-cols-2">
        {(
          [
            ['Yours', mine, 'mine', 'Keep mine'],
            ['Theirs', conflict.current?.value, 'theirs', 'Take theirs'],
          ] as const
        ).map(([whose, value, keep, does]) => (
          <section key={whose} className="rounded border border-line p-3">
            <h3 className="font-semibold">{whose}</h3>
            <p className="my-2">{gist(value)}</p>
            <button type="button" className="action" onClick={() => settle(keep)}>
              {does}
            </button>
          </section>
        ))}
      </div>
    </Sheet>
  );
}
