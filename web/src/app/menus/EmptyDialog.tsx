import { emptyBundle } from '@warm-ladder/core/formats';
import { useState } from 'react';
import { Sheet } from '../../parts/Sheet';
import { whileFeedHeld } from '../saving/heldFeed';
import { ServerAway, server } from '../store/server';
import { useAppDispatch } from '../store/store';
import { loadStudio } from '../store/studio';

const WORD = 'empty';

/** Everything out of the studio: asked for by a word, though a copy is kept and undo brings it back. */
export default function EmptyDialog({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const empty = () =>
    whileFeedHeld(async () => {
      setFault('');
      try {
        await server.import(JSON.stringify(emptyBundle()), { mode: 'replace', rehearse: false, reason: 'empty' });
      } catch (error) {
        setFault(
          error instanceof ServerAway
            ? 'No answer came from the server; look again when it is back.'
            : (error as Error).message,
        );
        return;
      }
      const loaded = await dispatch(loadStudio('emptying the studio'));
      if (loadStudio.fulfilled.match(loaded)) close();
      else
        setFault('The studio was emptied, but the server does not answer any more: load this page again when it does.');
    });
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Empty the studio"
      about="Every exercise, class, series and audience goes. A copy is kept first (Studio menu, Ways back), and undo brings them back while this page is open."
    >
      <label className="flex flex-col gap-1">
        Type “{WORD}” to go on
        <input className="field w-48" value={typed} onChange={({ target }) => setTyped(target.value)} />
      </label>
      {fault && (
        <p role="alert" className="mt-2 text-alarm">
          {fault}
        </p>
      )}
      <button type="button" className="action action-main mt-4" disabled={typed !== WORD} onClick={() => void empty()}>
        Empty it
      </button>
    </Sheet>
  );
}
