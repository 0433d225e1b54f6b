import { useState } from 'react';
import { useNavigate } from 'react-router';
import { whileFeedHeld } from '../../app/saving/heldFeed';
import { useAppDispatch } from '../../app/store/store';
import { loadStudio } from '../../app/store/studio';

/** A new studio: with the ladders that ship, or with nothing. */
export function FirstSteps() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState('');
  const begin = async () => {
    setBusy(true);
    setFault('');
    try {
      const { beginWithHouse } = await import('../../app/house');
      await whileFeedHeld(async () => {
        await beginWithHouse();
        await dispatch(loadStudio('beginning with the house repertoire')).unwrap();
      });
      void navigate('/propose');
    } catch (error) {
      setFault((error as Error).message);
      setBusy(false);
    }
  };
  return (
    <section aria-label="A new studio" className="mt-8 max-w-prose">
      <h2 className="font-name text-2xl font-semibold">A new studio</h2>
      <p className="mt-2">
        Begin with the house repertoire: a hundred ladders in every position, each rung drawn and measured, props, and a
        handful of common audiences. All of it can be changed, and undo takes it back.
      </p>
      <p className="mt-4">
        <button type="button" className="action action-main" disabled={busy} onClick={begin}>
          {busy ? 'Bringing it in …' : 'Begin with the house repertoire'}
        </button>
      </p>
      {fault && (
        <p role="alert" className="mt-2 text-alarm">
          {fault}
        </p>
      )}
      <p className="mt-4 text-soft">
        Or begin with nothing: make ladders of your own under Repertoire, or bring a studio in with Import a file… from
        the Studio menu.
      </p>
    </section>
  );
}
