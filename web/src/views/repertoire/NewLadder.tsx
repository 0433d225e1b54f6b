import { textFault } from '@warm-ladder/core/method';
import { type Catalog, plainExercise } from '@warm-ladder/core/repertoire';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange } from '../../app/store/edits';
import { PositionOptions } from '../../parts/fields/PositionOptions';
import { Sheet } from '../../parts/Sheet';

/** Begins a ladder: a name and a position, and it opens in the editor with its first rung to be drawn. */
export function NewLadder({ catalog }: { catalog: Catalog }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [position, setPosition] = useState('supine');
  const change = useChange();
  const navigate = useNavigate();
  const fault = textFault('name', name);
  const begin = () => {
    const id = newId(name);
    const made = plainExercise(id, name.trim(), position, catalog.graph.like(position));
    change('exercises', id, made, `beginning ${made.name}`);
    void navigate(`/edit/${id}`);
  };
  return (
    <>
      <button type="button" className="action" onClick={() => setOpen(true)}>
        <Plus className="size-4" aria-hidden="true" /> New ladder
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="New ladder">
        <form
          className="flex flex-col items-start gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            if (fault === undefined) begin();
          }}
        >
          <label className="w-full">
            What it is called
            <input
              // biome-ignore lint/a11y/noAutofocus: the sheet was opened to name it.
              autoFocus
              className="field w-full text-lg"
              value={name}
              onChange={({ target }) => setName(target.value)}
            />
            {name !== '' && fault && (
              <span role="alert" className="text-alarm">
                {fault}.
              </span>
            )}
          </label>
          <label>
            Position{' '}
            <select className="field" value={position} onChange={({ target }) => setPosition(target.value)}>
              <PositionOptions graph={catalog.graph} />
            </select>
          </label>
          <button type="submit" className="action action-main" disabled={fault !== undefined}>
            Draw its first rung
          </button>
        </form>
      </Sheet>
    </>
  );
}
