import { emptyBundle } from '@warm-ladder/core/formats';
import { useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { server } from './server';
import { useAppDispatch } from './store';
import { loadStudio } from './studio';

const WORD = 'empty';

/** Everything out of the studio: asked for by a word, since undo does not reach past it. */
export default function EmptyDialog({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const [failed, setFailed] = useState(false);
  const empty = async () => {
    try {
      await server.import(JSON.stringify(emptyBundle()), 'replace', false);
      await dispatch(loadStudio()).unwrap();
      close();
    } catch {
      setFailed(true);
    }
  };
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Empty the studio"
      about="Every exercise, class, series and audience goes. Undo does not bring them back; an exported file does."
    >
      <label className="flex flex-col gap-1">
        Type “{WORD}” to go on
        <input className="field w-48" value={typed} onChange={({ target }) => setTyped(target.value)} />
      </label>
      {failed && (
        <p role="alert" className="mt-2 text-brick">
          The server is away; nothing was removed.
        </p>
      )}
      <button type="button" className="action action-main mt-4" disabled={typed !== WORD} onClick={() => void empty()}>
        Empty it
      </button>
    </Sheet>
  );
}
